/**
 * The code (SKU) a thing gets the moment it exists. A running number never comes back, so codes are
 * unique for ever; the letters stay the same when the kind is named later.
 *
 * @param running 1, 2, 3 ...
 * @returns `YA-0001`; wider than four digits when it must be
 */
export function newCode(running: number): string {
  if (!Number.isInteger(running) || running < 1) throw new RangeError('running number must be 1 or more');
  return `YA-${String(running).padStart(4, '0')}`;
}

/** What goes on the label: the code, then the spot last, so that the person packing reads where to go. */
export function labelCode(code: string, spot: string): string {
  return spot.trim() === '' ? code : `${code} ${spot.trim()}`;
}
