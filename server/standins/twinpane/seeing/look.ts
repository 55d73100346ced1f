/** Pixels as the desk looks at them: three planes of CIE L*a*b*, row by row. */
export interface Seen {
  width: number;
  height: number;
  l: Float32Array;
  a: Float32Array;
  b: Float32Array;
}

/** Longer side of what is looked at, pixels. */
const SIDE = 160;

// sRGB's transfer curve (IEC 61966-2-1).
const LINEAR = Float32Array.from({ length: 256 }, (_, i) => {
  const c = i / 255;
  return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
});
const root = (t: number) => (t > 0.008856 ? Math.cbrt(t) : 7.787 * t + 16 / 116);

/** A picture of four bytes a pixel made small, each pixel the mean of those it stands for, and in L*a*b*. */
export function seen(from: { width: number; height: number; data: Uint8Array }): Seen {
  const k = Math.min(1, SIDE / Math.max(from.width, from.height));
  const width = Math.max(1, Math.round(from.width * k));
  const height = Math.max(1, Math.round(from.height * k));
  const plane = () => new Float32Array(width * height);
  const [l, a, b] = [plane(), plane(), plane()];
  for (let y = 0, p = 0; y < height; y += 1) {
    const [top, bottom] = span(y, from.height / height, from.height);
    for (let x = 0; x < width; x += 1, p += 1) {
      const [left, right] = span(x, from.width / width, from.width);
      let [red, green, blue] = [0, 0, 0];
      for (let j = top; j < bottom; j += 1)
        for (let i = left, at = (j * from.width + left) * 4; i < right; i += 1, at += 4) {
          red += LINEAR[from.data[at]!]!;
          green += LINEAR[from.data[at + 1]!]!;
          blue += LINEAR[from.data[at + 2]!]!;
        }
      const n = (bottom - top) * (right - left);
      // sRGB to XYZ to L*a*b* for D65 (CIE 15).
      const fx = root((0.4124 * red + 0.3576 * green + 0.1805 * blue) / n / 0.9505);
      const fy = root((0.2126 * red + 0.7152 * green + 0.0722 * blue) / n);
      const fz = root((0.0193 * red + 0.1192 * green + 0.9505 * blue) / n / 1.089);
      l[p] = 116 * fy - 16;
      a[p] = 500 * (fx - fy);
      b[p] = 200 * (fy - fz);
    }
  }
  return { width, height, l, a, b };
}

function span(at: number, step: number, end: number): [number, number] {
  const from = Math.min(end - 1, Math.floor(at * step));
  return [from, Math.max(from + 1, Math.min(end, Math.floor((at + 1) * step)))];
}
