import type { Plane } from './pixels';

/**
 * Grey values as a file that loses nothing but fractions and takes no time to make: a raw portable graymap.
 *
 * @param plane 0 to 255; beyond, the border's value
 * @see Netpbm, `pgm` (P5), one byte a value
 */
export function graymapOf({ width, height, data }: Plane): Uint8Array<ArrayBuffer> {
  const head = new TextEncoder().encode(`P5\n${width} ${height}\n255\n`);
  const values = Uint8ClampedArray.from(data);
  const file = new Uint8Array(head.length + values.length);
  file.set(head);
  file.set(values, head.length);
  return file;
}
