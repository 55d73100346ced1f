/** A code as a reader saw it. */
export interface SeenCode {
  text: string;
}

/** Ways to look at a picture: scales, and degrees it is turned by. Bars fall otherwise on the pixels then. */
const LOOKS = [
  [1, 0],
  [0.75, 0],
  [1, 45],
] as const;

/** Once something was seen that no other look bears out. */
const LARGER = [
  [1.5, 0],
  [2, 0],
  [1.5, 45],
  [1.25, 0],
] as const;

/**
 * A barcode counts once two looks say the same: a reader finds digits with the right check digit where other
 * ones stand, or none, about once in a few hundred hard pictures.
 *
 * @param look reads the picture scaled and turned by so many degrees
 * @param straightened reads bars that were set upright, where both their halves say the same: that counts
 * alone; null to do without, as with a camera, whose next frame is the better second try
 */
export async function sureCode<T extends SeenCode>(
  look: (scale: number, turn: number) => Promise<T | null>,
  straightened: (() => Promise<T | null>) | null,
): Promise<T | null> {
  const seen: T[] = [];
  for (const [scale, turn] of straightened ? LOOKS : LOOKS.slice(0, 2)) {
    const found = await look(scale, turn);
    if (!found) continue;
    const same = seen.find(({ text }) => text === found.text);
    if (same) return same;
    seen.push(found);
  }
  // Small bars are a pixel or two wide: drawn larger they fall otherwise on the pixels.
  for (const [scale, turn] of straightened && seen.length > 0 ? LARGER : []) {
    const found = await look(scale, turn);
    if (seen.some(({ text }) => text === found?.text)) return found;
  }
  return straightened ? straightened() : null;
}
