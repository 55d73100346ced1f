import type { Seen } from './look';

/** Share of the shorter side that is taken for floor all around. */
const RING = 0.06;
/** Colours a floor may have. */
const COLOURS = 5;

/** How far each pixel is from the colours along the picture's edge, and from where on it is none of them. */
export interface StandsOut {
  far: Float32Array;
  line: number;
}

export function standsOut(picture: Seen): StandsOut {
  const { width, height } = picture;
  const flat = { ...picture, l: levelled(picture) };
  const ring = ringOf(width, height);
  const far = blurred(distances(flat, clustersOf(flat, ring)), width, height);
  return { far, line: lineBetween(far, ring) };
}

/**
 * Which pixels are the thing's own, 0 or 1 each: what is unlike the colours along the picture's edge.
 * All of them where nothing stands out.
 *
 * @param strict 1 as the line lies; less, and what is nearer to the floor's colours counts, too
 */
export function outlineOf(picture: Seen, { far, line } = standsOut(picture), strict = 1): Uint8Array {
  const { width, height } = picture;
  let mask = new Uint8Array(width * height);
  for (let p = 0; p < mask.length; p += 1) mask[p] = far[p]! > line * strict ? 1 : 0;
  mask = filled(largest(majority(mask, width, height), width, height), width, height);
  const share = mask.reduce((sum, v) => sum + v, 0) / mask.length;
  return share < 0.015 || share > 0.95 ? mask.fill(1) : mask;
}

function ringOf(width: number, height: number): number[] {
  const deep = Math.max(2, Math.round(RING * Math.min(width, height)));
  const ring: number[] = [];
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1)
      if (x < deep || y < deep || x >= width - deep || y >= height - deep) ring.push(y * width + x);
  return ring;
}

/** Lightness without the light's slope across the floor: a plane laid through the edge's own lightness. */
function levelled({ l, width, height }: Seen): Float32Array {
  const ring = ringOf(width, height);
  let keep = ring;
  let plane = [0, 0, 0];
  for (let turn = 0; turn < 3; turn += 1) {
    plane = planeThrough(l, keep, width, height);
    const off = (p: number) => Math.abs(l[p]! - at(plane, p, width, height));
    const sorted = ring.map(off).sort((x, y) => x - y);
    const most = sorted[Math.floor(sorted.length * 0.7)] ?? 0;
    keep = ring.filter((p) => off(p) <= most);
  }
  const middle = plane[2]!;
  return l.map((v, p) => v - at(plane, p, width, height) + middle);
}

const at = ([gx = 0, gy = 0, c = 0]: readonly number[], p: number, width: number, height: number) =>
  c + gx * ((p % width) / width - 0.5) + gy * (Math.floor(p / width) / height - 0.5);

/** Least squares: slope across, slope down, and the middle's value. */
function planeThrough(l: Float32Array, pixels: readonly number[], width: number, height: number): number[] {
  let [xx, xy, yy, x1, y1, n, xl, yl, l1] = [0, 0, 0, 0, 0, 0, 0, 0, 0];
  for (const p of pixels) {
    const x = (p % width) / width - 0.5;
    const y = Math.floor(p / width) / height - 0.5;
    const v = l[p]!;
    xx += x * x;
    xy += x * y;
    yy += y * y;
    x1 += x;
    y1 += y;
    n += 1;
    xl += x * v;
    yl += y * v;
    l1 += v;
  }
  const det = xx * (yy * n - y1 * y1) - xy * (xy * n - y1 * x1) + x1 * (xy * y1 - yy * x1);
  if (Math.abs(det) < 1e-6) return [0, 0, n === 0 ? 0 : l1 / n];
  return [
    (xl * (yy * n - y1 * y1) - xy * (yl * n - y1 * l1) + x1 * (yl * y1 - yy * l1)) / det,
    (xx * (yl * n - y1 * l1) - xl * (xy * n - y1 * x1) + x1 * (xy * l1 - yl * x1)) / det,
    (xx * (yy * l1 - yl * y1) - xy * (xy * l1 - yl * x1) + xl * (xy * y1 - yy * x1)) / det,
  ];
}

interface Centre {
  l: number;
  a: number;
  b: number;
  spread: number;
}

/** Lightness counts for less than hue: shadows are of the floor, too. */
const LIGHTNESS = 0.6;
const between = (s: Seen, p: number, c: Centre) =>
  Math.hypot(LIGHTNESS * (s.l[p]! - c.l), s.a[p]! - c.a, s.b[p]! - c.b);

/** Lloyd's algorithm on the edge's pixels, begun at their lightness's quantiles. */
function clustersOf(picture: Seen, ring: readonly number[]): Centre[] {
  const sorted = [...ring].sort((p, q) => picture.l[p]! - picture.l[q]!);
  let centres: Centre[] = Array.from({ length: COLOURS }, (_, i) => {
    const p = sorted[Math.floor(((i + 0.5) / COLOURS) * sorted.length)] ?? 0;
    return { l: picture.l[p]!, a: picture.a[p]!, b: picture.b[p]!, spread: 0 };
  });
  for (let turn = 0; turn < 8; turn += 1) {
    const sums = centres.map(() => ({ l: 0, a: 0, b: 0, n: 0, off: 0 }));
    for (const p of ring) {
      let best = 0;
      let least = Infinity;
      centres.forEach((c, i) => {
        const d = between(picture, p, c);
        if (d < least) [least, best] = [d, i];
      });
      const sum = sums[best]!;
      sum.l += picture.l[p]!;
      sum.a += picture.a[p]!;
      sum.b += picture.b[p]!;
      sum.off += least;
      sum.n += 1;
    }
    // A colour that hardly anything along the edge has is no floor's: the thing may reach out of the frame.
    centres = sums
      .filter(({ n }) => n > ring.length * 0.04)
      .map(({ l, a, b, n, off }) => ({ l: l / n, a: a / n, b: b / n, spread: off / n }));
  }
  return centres;
}

function distances(picture: Seen, centres: readonly Centre[]): Float32Array {
  return picture.l.map((_, p) =>
    centres.reduce((least, c) => Math.min(least, Math.max(0, between(picture, p, c) - c.spread)), Infinity),
  );
}

function blurred(from: Float32Array, width: number, height: number): Float32Array {
  const out = new Float32Array(from.length);
  for (let y = 0, p = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1, p += 1) {
      let [sum, n] = [0, 0];
      for (let j = Math.max(0, y - 1); j <= Math.min(height - 1, y + 1); j += 1)
        for (let i = Math.max(0, x - 1); i <= Math.min(width - 1, x + 1); i += 1) {
          sum += from[j * width + i]!;
          n += 1;
        }
      out[p] = sum / n;
    }
  return out;
}

/** Otsu's line between the floor's distances and the thing's, never within the floor's own. */
function lineBetween(values: Float32Array, ring: readonly number[]): number {
  const BINS = 64;
  const top = Math.min(
    80,
    values.reduce((most, v) => Math.max(most, v), 1),
  );
  const counts = new Float64Array(BINS);
  for (const v of values) counts[Math.min(BINS - 1, Math.floor((v / top) * BINS))]! += 1;
  const all = values.length;
  const sum = counts.reduce((s, n, i) => s + n * i, 0);
  let [under, sumUnder, best, most] = [0, 0, 0, -1];
  for (let i = 0; i < BINS; i += 1) {
    under += counts[i]!;
    sumUnder += counts[i]! * i;
    if (under === 0 || under === all) continue;
    const apart = sumUnder / under - (sum - sumUnder) / (all - under);
    const score = under * (all - under) * apart * apart;
    if (score > most) [most, best] = [score, i + 1];
  }
  const otsu = (best / BINS) * top;
  const edge = ring.map((p) => values[p]!).sort((x, y) => x - y);
  const own = edge[Math.floor(edge.length * 0.93)] ?? 0;
  return Math.max(own * 1.1, Math.min(otsu * 0.75, 22), 2.5);
}

/** What most of a pixel's neighbourhood is. */
function majority(mask: Uint8Array, width: number, height: number): Uint8Array<ArrayBuffer> {
  const out = new Uint8Array(mask.length);
  for (let y = 0, p = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1, p += 1) {
      let [sum, n] = [0, 0];
      for (let j = Math.max(0, y - 2); j <= Math.min(height - 1, y + 2); j += 1)
        for (let i = Math.max(0, x - 2); i <= Math.min(width - 1, x + 2); i += 1) {
          sum += mask[j * width + i]!;
          n += 1;
        }
      out[p] = 2 * sum > n ? 1 : 0;
    }
  return out;
}

/** The heaviest piece, the more so the nearer the middle, with others at least a seventh as heavy. */
function largest(mask: Uint8Array, width: number, height: number): Uint8Array<ArrayBuffer> {
  const piece = new Int32Array(mask.length);
  const weights: number[] = [0];
  for (let start = 0; start < mask.length; start += 1) {
    if (!mask[start] || piece[start]) continue;
    const no = weights.length;
    weights.push(0);
    const stack = [start];
    piece[start] = no;
    for (let p = stack.pop(); p !== undefined; p = stack.pop()) {
      const [x, y] = [p % width, Math.floor(p / width)];
      const off = Math.hypot(x / width - 0.5, y / height - 0.5);
      weights[no]! += Math.max(0.05, 1 - 1.6 * off);
      for (const [i, j] of [
        [x - 1, y],
        [x + 1, y],
        [x, y - 1],
        [x, y + 1],
      ] as const) {
        const q = j * width + i;
        if (i < 0 || j < 0 || i >= width || j >= height || !mask[q] || piece[q]) continue;
        piece[q] = no;
        stack.push(q);
      }
    }
  }
  const most = Math.max(...weights);
  return Uint8Array.from(piece, (no) => (no > 0 && weights[no]! > most / 7 ? 1 : 0));
}

/** What the floor can't be reached from is the thing's own. */
function filled(mask: Uint8Array, width: number, height: number): Uint8Array<ArrayBuffer> {
  const outside = new Uint8Array(mask.length);
  const stack: number[] = [];
  const reach = (x: number, y: number) => {
    const p = y * width + x;
    if (x < 0 || y < 0 || x >= width || y >= height || mask[p] || outside[p]) return;
    outside[p] = 1;
    stack.push(p);
  };
  for (let x = 0; x < width; x += 1) {
    reach(x, 0);
    reach(x, height - 1);
  }
  for (let y = 0; y < height; y += 1) {
    reach(0, y);
    reach(width - 1, y);
  }
  for (let p = stack.pop(); p !== undefined; p = stack.pop()) {
    const [x, y] = [p % width, Math.floor(p / width)];
    reach(x - 1, y);
    reach(x + 1, y);
    reach(x, y - 1);
    reach(x, y + 1);
  }
  return Uint8Array.from(outside, (isOut) => (isOut ? 0 : 1));
}
