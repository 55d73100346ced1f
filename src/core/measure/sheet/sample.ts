import type { Pixels } from '../../pixels/pixels';

/** Red, green and blue between pixels. A pixel's value stands for its middle. */
export function sampleInto(
  into: Float32Array,
  at: number,
  { width, height, data }: Pixels,
  x: number,
  y: number,
): void {
  const u = Math.min(width - 1.001, Math.max(0, x - 0.5));
  const v = Math.min(height - 1.001, Math.max(0, y - 0.5));
  const left = Math.floor(u);
  const top = Math.floor(v);
  const fx = u - left;
  const fy = v - top;
  const p = (top * width + left) * 4;
  const q = p + width * 4;
  for (let k = 0; k < 3; k += 1)
    into[at + k] =
      (data[p + k]! * (1 - fx) + data[p + 4 + k]! * fx) * (1 - fy) +
      (data[q + k]! * (1 - fx) + data[q + 4 + k]! * fx) * fy;
}
