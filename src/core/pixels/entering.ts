import type { LabPixels } from './lab';

/** Sides of a picture, in the order its border is gone round: clockwise from the upper left. */
export const SIDES = ['top', 'right', 'bottom', 'left'] as const;
export type Side = (typeof SIDES)[number];

/** Something that runs into the picture from beyond its border. */
export interface Entering {
  /** 1 along the border where it does. */
  where: Uint8Array;
  sides: Side[];
}

/** How far from the border is looked at, as a share of the shorter side. */
const RING = 0.02;
/** Stretches that a side is cut into. */
const STRETCHES = 28;
/** Stretches to both sides of one that may belong to the same thing: they say nothing about it. */
const BESIDE = 20;
/** Width of a bin of colours, ΔE, and how many there are of L*, a* and b*. */
const BIN = 5;
const BINS = [22, 44, 44] as const;
const SIZE = BINS[0] * BINS[1] * BINS[2];
/** A colour that makes up less than this of the rest of the border is not met there. */
const UNMET = 0.004;
/** Share of a stretch that has to be of colours not met elsewhere. */
const FOREIGN = 0.45;
/** The fewest stretches in a row that count. */
const LEAST = 2;

/**
 * Where a thing is cut off by the border: colours that are met along one part of it and nowhere else on
 * it. Boards, tiles and checks come again on other sides.
 *
 * @param lab with the slow change of light taken out
 */
export function enteringAt(lab: LabPixels): Entering {
  const { width, height } = lab;
  const stretchOf = stretchesOf(width, height);
  const count = 4 * STRETCHES;
  const counts = Array.from({ length: count }, () => new Map<number, number>());
  const totals = new Float64Array(count);
  for (let p = 0; p < stretchOf.length; p += 1) {
    const s = stretchOf[p]!;
    if (s < 0) continue;
    const bin = binAt(lab.data, p * 3);
    counts[s]!.set(bin, (counts[s]!.get(bin) ?? 0) + 1);
    totals[s]! += 1;
  }
  // Of the whole border less what lies beside a stretch: that window goes round with it.
  const rest = new Float32Array(SIZE);
  const take = (s: number, sign: 1 | -1) => {
    const at = (s + count) % count;
    for (const [bin, n] of counts[at]!) rest[bin]! += sign * n;
    return sign * totals[at]!;
  };
  let total = 0;
  for (let s = 0; s < count; s += 1) total += take(s, 1);
  for (let s = -BESIDE - 1; s < BESIDE; s += 1) total += take(s, -1);
  const foreign = counts.map((own, s) => {
    total += take(s - BESIDE - 1, 1) + take(s + BESIDE, -1);
    let unmet = 0;
    for (const [bin, n] of own) if (around(rest, bin) < UNMET * total) unmet += n;
    return unmet > FOREIGN * totals[s]!;
  });
  const kept = foreign.map((_, s) => runAt(foreign, s) >= LEAST);
  const where = new Uint8Array(width * height);
  for (let p = 0; p < where.length; p += 1) {
    const s = stretchOf[p]!;
    if (s >= 0 && kept[s]) where[p] = 1;
  }
  return {
    where,
    sides: SIDES.filter((_, side) => kept.some((isKept, s) => isKept && Math.floor(s / STRETCHES) === side)),
  };
}

/** Which stretch of the border each pixel belongs to; -1 within. */
function stretchesOf(width: number, height: number): Int16Array {
  const wide = Math.max(2, Math.round(RING * Math.min(width, height)));
  const out = new Int16Array(width * height).fill(-1);
  for (let y = 0, p = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1, p += 1) {
      if (x >= wide && y >= wide && x < width - wide && y < height - wide) continue;
      const depths = [y, width - 1 - x, height - 1 - y, x];
      const side = depths.indexOf(Math.min(...depths));
      if (depths[side]! >= wide) continue;
      const along = side % 2 === 0 ? x / width : y / height;
      const forward = side < 2 ? along : 1 - along;
      out[p] = side * STRETCHES + Math.min(STRETCHES - 1, Math.floor(forward * STRETCHES));
    }
  return out;
}

/** How many stretches in a row, this one among them, are foreign. */
function runAt(foreign: readonly boolean[], s: number): number {
  const n = foreign.length;
  if (!foreign[s]) return 0;
  let length = 1;
  for (let o = 1; o < n && foreign[(s + o) % n]; o += 1) length += 1;
  for (let o = 1; o < n && foreign[(s - o + n) % n]; o += 1) length += 1;
  return length;
}

function binAt(data: Float32Array, at: number): number {
  const bin = (value: number, low: number, most: number) =>
    Math.max(1, Math.min(most - 2, Math.floor((value - low) / BIN)));
  const l = bin(data[at]!, -5, BINS[0]);
  const a = bin(data[at + 1]!, -110, BINS[1]);
  return (l * BINS[1] + a) * BINS[2] + bin(data[at + 2]!, -110, BINS[2]);
}

/** How often a colour, or one next to it, is met. */
function around(counts: Float32Array, bin: number): number {
  let sum = 0;
  for (let l = -1; l <= 1; l += 1)
    for (let a = -1; a <= 1; a += 1)
      for (let b = -1; b <= 1; b += 1) sum += counts[bin + (l * BINS[1] + a) * BINS[2] + b]!;
  return sum;
}
