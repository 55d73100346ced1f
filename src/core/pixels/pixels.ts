import { quantileSorted } from 'd3-array';

/** Pixels as a canvas gives them: four bytes each (red, green, blue, opacity), row by row, sRGB. */
export interface Pixels {
  width: number;
  height: number;
  data: Uint8ClampedArray;
}

/** One value a pixel, row by row. */
export interface Plane<T extends Uint8Array | Float32Array = Float32Array> {
  width: number;
  height: number;
  data: T;
}

/** How opaque the item is at each pixel: 0 is background, 255 is item. */
export type Mask = Plane<Uint8Array>;

/** Luma of each pixel by ITU-R BT.601, 0 to 255. */
export function greyOf({ width, height, data }: Pixels): Plane {
  const grey = new Float32Array(width * height);
  for (let i = 0, at = 0; i < grey.length; i += 1, at += 4)
    grey[i] = 0.299 * data[at]! + 0.587 * data[at + 1]! + 0.114 * data[at + 2]!;
  return { width, height, data: grey };
}

/**
 * Mean over a square of side 2·radius + 1 around each pixel, shortened at the edges. Cost does not grow with
 * the radius.
 */
export function boxBlur({ width, height, data }: Plane, radius: number): Plane {
  if (radius < 1) return { width, height, data: data.slice() };
  const rows = new Float32Array(data.length);
  for (let y = 0; y < height; y += 1) blurRow(data, rows, y * width, width, radius);
  return { width, height, data: blurredDown(rows, width, height, radius) };
}

/** A sum that goes along: pixels come in ahead and go out behind; at both ends there are fewer. */
function blurRow(from: Float32Array, to: Float32Array, start: number, length: number, radius: number): void {
  const end = start + length;
  let sum = 0;
  for (let i = start; i < Math.min(start + radius, end); i += 1) sum += from[i]!;
  let i = start;
  for (; i < Math.min(start + radius + 1, end); i += 1) {
    if (i + radius < end) sum += from[i + radius]!;
    to[i] = sum / (Math.min(i + radius, end - 1) - start + 1);
  }
  const part = 1 / (2 * radius + 1);
  for (; i < end - radius; i += 1) {
    sum += from[i + radius]! - from[i - radius - 1]!;
    to[i] = sum * part;
  }
  for (; i < end; i += 1) {
    sum -= from[i - radius - 1]!;
    to[i] = sum / (end - i + radius);
  }
}

/** All columns at once, row by row: column by column the memory is gone through in leaps. */
function blurredDown(from: Float32Array, width: number, height: number, radius: number): Plane['data'] {
  const out = new Float32Array(from.length);
  const sums = new Float64Array(width);
  // Where there is no row ahead or behind, one of nothing.
  const none = new Float32Array(width);
  const row = (y: number) => (y < 0 || y >= height ? none : from.subarray(y * width, (y + 1) * width));
  for (let y = 0; y < Math.min(radius, height); y += 1) {
    const come = row(y);
    for (let x = 0; x < width; x += 1) sums[x]! += come[x]!;
  }
  for (let y = 0; y < height; y += 1) {
    const [come, gone, to] = [row(y + radius), row(y - radius - 1), out.subarray(y * width, (y + 1) * width)];
    const part = 1 / (Math.min(y + radius, height - 1) - Math.max(0, y - radius) + 1);
    for (let x = 0; x < width; x += 1) {
      const sum = sums[x]! + come[x]! - gone[x]!;
      sums[x] = sum;
      to[x] = sum * part;
    }
  }
  return out;
}

/** Halves, thirds ... a picture by taking means, so that what is left is not jagged. */
export function shrunk(picture: Pixels, longSide: number): Pixels {
  const scale = longSide / Math.max(picture.width, picture.height);
  if (scale >= 1) return picture;
  const width = Math.max(1, Math.round(picture.width * scale));
  const height = Math.max(1, Math.round(picture.height * scale));
  const data = new Uint8ClampedArray(width * height * 4);
  for (let y = 0; y < height; y += 1) {
    const top = Math.floor((y * picture.height) / height);
    const bottom = Math.max(top + 1, Math.floor(((y + 1) * picture.height) / height));
    for (let x = 0; x < width; x += 1) {
      const left = Math.floor((x * picture.width) / width);
      const right = Math.max(left + 1, Math.floor(((x + 1) * picture.width) / width));
      let r = 0;
      let g = 0;
      let b = 0;
      let a = 0;
      for (let v = top; v < bottom; v += 1)
        for (let u = left, at = (v * picture.width + left) * 4; u < right; u += 1, at += 4) {
          r += picture.data[at]!;
          g += picture.data[at + 1]!;
          b += picture.data[at + 2]!;
          a += picture.data[at + 3]!;
        }
      const n = (bottom - top) * (right - left);
      const to = (y * width + x) * 4;
      data[to] = r / n;
      data[to + 1] = g / n;
      data[to + 2] = b / n;
      data[to + 3] = a / n;
    }
  }
  return { width, height, data };
}

/** One value a pixel made smaller, by taking means. */
export function shrunkPlane(plane: Plane, longSide: number): Plane {
  const scale = longSide / Math.max(plane.width, plane.height);
  if (scale >= 1) return plane;
  const width = Math.max(1, Math.round(plane.width * scale));
  const height = Math.max(1, Math.round(plane.height * scale));
  const data = new Float32Array(width * height);
  for (let y = 0, to = 0; y < height; y += 1) {
    const top = Math.floor((y * plane.height) / height);
    const bottom = Math.max(top + 1, Math.floor(((y + 1) * plane.height) / height));
    for (let x = 0; x < width; x += 1, to += 1) {
      const left = Math.floor((x * plane.width) / width);
      const right = Math.max(left + 1, Math.floor(((x + 1) * plane.width) / width));
      let sum = 0;
      for (let v = top; v < bottom; v += 1)
        for (let p = v * plane.width + left; p < v * plane.width + right; p += 1) sum += plane.data[p]!;
      data[to] = sum / ((bottom - top) * (right - left));
    }
  }
  return { width, height, data };
}

/** The value between four pixels, their middles at whole numbers; beyond the border the border's own. */
export function valueAt({ width, height, data }: Plane, x: number, y: number): number {
  const px = Math.min(width - 1.001, Math.max(0, x));
  const py = Math.min(height - 1.001, Math.max(0, y));
  // Not below 0 any more: cutting off is rounding down, and quicker.
  const [left, top] = [px | 0, py | 0];
  const [fx, fy] = [px - left, py - top];
  const p = top * width + left;
  const below = top + 1 < height ? p + width : p;
  const right = left + 1 < width ? 1 : 0;
  return (
    (data[p]! * (1 - fx) + data[p + right]! * fx) * (1 - fy) +
    (data[below]! * (1 - fx) + data[below + right]! * fx) * fy
  );
}

/** An affine map as a canvas takes it: x′ = a·x + c·y + e, y′ = b·x + d·y + f. */
export type Affine = readonly [a: number, b: number, c: number, d: number, e: number, f: number];

/**
 * A plane drawn anew in another size, each pixel the mean of several places.
 *
 * @param fine places a pixel, across and down
 * @param from where a place of the new plane lies in the old one, pixels
 */
export function redrawn(
  plane: Plane,
  { width, height, fine }: { width: number; height: number; fine: number },
  [a, b, c, d, e, f]: Affine,
): Plane {
  const data = new Float32Array(width * height);
  const part = 1 / (fine * fine);
  for (let i = 0; i < fine; i += 1)
    for (let j = 0; j < fine; j += 1)
      for (let y = 0, p = 0; y < height; y += 1) {
        const v = y + (j + 0.5) / fine;
        let u = (i + 0.5) / fine;
        for (const end = p + width; p < end; p += 1, u += 1)
          data[p]! += part * valueAt(plane, a * u + c * v + e - 0.5, b * u + d * v + f - 0.5);
      }
  return { width, height, data };
}

/** The value at a share of the sorted values, 0 to 1, between two of them where it must; NaN of none. */
export function quantile(values: ArrayLike<number>, share: number): number {
  return quantileSorted([...new Float64Array(values).sort()], share) ?? NaN;
}
