import { Matrix, solve as solveLinear } from 'ml-matrix';

import type { Lab, LabPixels } from './lab';

/**
 * What lies behind the item: a colour that changes slowly over the picture, as light falls off
 * across a floor, and how much it scatters around that.
 */
export interface Background {
  /** L*, a*, b*, each as six coefficients of 1, x, y, x², xy, y² with x and y from -1 to 1. */
  trend: readonly [Float64Array, Float64Array, Float64Array];
  /** Standard deviation around the trend, L*, a*, b*; robust against what is no background. */
  spread: Lab;
  /** Share of the picture's border that follows the trend, 0 to 1. */
  share: number;
}

/** Width of the border looked at, as a share of the picture's shorter side. */
const BORDER = 0.05;
/** Least spread that is believed: below it is only the rounding of bytes. L*, a*, b*. */
const LEAST_SPREAD: Lab = [0.8, 0.45, 0.45];
const TERMS = 6;
const ROUNDS = 6;

/** Fits the background to the picture's border. What touches the border is left out by its residual. */
export function backgroundOfBorder(lab: LabPixels): Background {
  const { width, height } = lab;
  const band = Math.max(2, Math.round(BORDER * Math.min(width, height)));
  const at: number[] = [];
  // About five thousand samples tell as much as all of them.
  const step = Math.max(1, Math.round(Math.sqrt((2 * band * (width + height)) / 5_000)));
  for (let y = 0; y < height; y += step)
    for (let x = 0; x < width; x += step)
      if (x < band || y < band || x >= width - band || y >= height - band) at.push(y * width + x);
  return fit(lab, at, true);
}

/** Fits again to all pixels known to be background, the middle of the picture included. */
export function backgroundWhere(lab: LabPixels, isBackground: (at: number) => boolean): Background {
  const { width, height } = lab;
  const step = Math.max(1, Math.round(Math.sqrt((width * height) / 8_000)));
  const at: number[] = [];
  for (let y = 0; y < height; y += step)
    for (let x = 0; x < width; x += step) if (isBackground(y * width + x)) at.push(y * width + x);
  return at.length < 200 ? backgroundOfBorder(lab) : fit(lab, at, false);
}

function fit(lab: LabPixels, at: readonly number[], fromMode: boolean): Background {
  const { width, height, data } = lab;
  const n = at.length;
  const basis = new Float64Array(n * TERMS);
  at.forEach((p, i) => basisAt(basis, i * TERMS, p % width, Math.floor(p / width), width, height));
  let kept = new Uint8Array(n).fill(1);
  if (fromMode) kept = nearMode(lab, at);
  const trend: [Float64Array, Float64Array, Float64Array] = [
    new Float64Array(TERMS),
    new Float64Array(TERMS),
    new Float64Array(TERMS),
  ];
  const spread: [number, number, number] = [1, 1, 1];
  const residuals = [0, 1, 2].map(() => new Float64Array(n));
  for (let round = 0; round < ROUNDS; round += 1) {
    // Few terms while it is uncertain what belongs to it, so that the curve cannot chase the item.
    const terms = round === 0 ? 1 : round === 1 ? 3 : TERMS;
    solve(basis, at, data, kept, terms, trend);
    for (let k = 0; k < 3; k += 1) {
      for (let i = 0; i < n; i += 1)
        residuals[k]![i] = data[at[i]! * 3 + k]! - dot(trend[k]!, basis, i * TERMS);
      spread[k] = Math.max(LEAST_SPREAD[k]!, spreadOf(residuals[k]!, kept));
    }
    for (let i = 0; i < n; i += 1) {
      let d = 0;
      for (let k = 0; k < 3; k += 1) d += (residuals[k]![i]! / spread[k]!) ** 2;
      kept[i] = d < 12 ? 1 : 0;
    }
  }
  return { trend, spread, share: kept.reduce((sum, k) => sum + k, 0) / n };
}

/** The samples around the commonest colour: a start that half a border of something else cannot pull away. */
function nearMode(lab: LabPixels, at: readonly number[]): Uint8Array<ArrayBuffer> {
  const bins = new Map<number, number>();
  const bin = (p: number) =>
    Math.round(lab.data[p * 3]! / 8) * 10_000 +
    Math.round(lab.data[p * 3 + 1]! / 8 + 40) * 100 +
    Math.round(lab.data[p * 3 + 2]! / 8 + 40);
  for (const p of at) bins.set(bin(p), (bins.get(bin(p)) ?? 0) + 1);
  let best = 0;
  let most = -1;
  for (const [key, count] of bins) if (count > most) [best, most] = [key, count];
  const l = Math.floor(best / 10_000) * 8;
  const a = ((Math.floor(best / 100) % 100) - 40) * 8;
  const b = ((best % 100) - 40) * 8;
  return Uint8Array.from(at, (p) =>
    Math.abs(lab.data[p * 3]! - l) < 22 &&
    Math.abs(lab.data[p * 3 + 1]! - a) < 12 &&
    Math.abs(lab.data[p * 3 + 2]! - b) < 14
      ? 1
      : 0,
  );
}

/** 1.4826 times the median absolute deviation: the standard deviation of what is normally scattered. */
function spreadOf(residuals: Float64Array, kept: Uint8Array): number {
  const sizes = new Float64Array(kept.length);
  let n = 0;
  for (let i = 0; i < kept.length; i += 1) if (kept[i]) sizes[n++] = Math.abs(residuals[i]!);
  return n === 0 ? 1 : 1.4826 * sizes.subarray(0, n).sort()[n >> 1]!;
}

function basisAt(
  into: Float64Array,
  from: number,
  px: number,
  py: number,
  width: number,
  height: number,
): void {
  const x = (2 * px) / Math.max(1, width - 1) - 1;
  const y = (2 * py) / Math.max(1, height - 1) - 1;
  into[from] = 1;
  into[from + 1] = x;
  into[from + 2] = y;
  into[from + 3] = x * x;
  into[from + 4] = x * y;
  into[from + 5] = y * y;
}

function dot(trend: Float64Array, basis: Float64Array, from: number): number {
  let sum = 0;
  for (let t = 0; t < TERMS; t += 1) sum += trend[t]! * basis[from + t]!;
  return sum;
}

/**
 * Least squares by the normal equations, slightly held back so that few samples cannot blow it up: the same
 * equations for L*, a* and b*, with a right side each.
 */
function solve(
  basis: Float64Array,
  at: readonly number[],
  data: Float32Array,
  kept: Uint8Array,
  terms: number,
  into: readonly Float64Array[],
): void {
  const left = new Float64Array(TERMS * TERMS);
  const right = new Float64Array(TERMS * 3);
  for (let i = 0; i < at.length; i += 1) {
    if (kept[i] !== 1) continue;
    const from = i * TERMS;
    for (let r = 0; r < terms; r += 1) {
      const value = basis[from + r]!;
      for (let c = r; c < terms; c += 1) left[r * TERMS + c]! += value * basis[from + c]!;
      for (let k = 0; k < 3; k += 1) right[r * 3 + k]! += value * data[at[i]! * 3 + k]!;
    }
  }
  const count = left[0]!;
  if (count === 0) return;
  const m = Matrix.zeros(terms, terms);
  const sides = Matrix.zeros(terms, 3);
  for (let r = 0; r < terms; r += 1) {
    for (let c = r; c < terms; c += 1) m.set(r, c, left[r * TERMS + c]!).set(c, r, left[r * TERMS + c]!);
    if (r > 0) m.set(r, r, m.get(r, r) + 1e-3 * (count + 1));
    for (let k = 0; k < 3; k += 1) sides.set(r, k, right[r * 3 + k]!);
  }
  const solved = solveLinear(m, sides);
  for (let k = 0; k < 3; k += 1) {
    into[k]!.fill(0);
    into[k]!.set(solved.getColumn(k));
  }
}

/** The background's L*, a*, b* along one row, three values a pixel, written into `into`. */
export function backgroundRow(
  { trend }: Background,
  row: number,
  width: number,
  height: number,
  into: Float32Array,
): void {
  const y = (2 * row) / Math.max(1, height - 1) - 1;
  for (let k = 0; k < 3; k += 1) {
    const t = trend[k]!;
    const c0 = t[0]! + t[2]! * y + t[5]! * y * y;
    const c1 = t[1]! + t[4]! * y;
    const c2 = t[3]!;
    const step = 2 / Math.max(1, width - 1);
    for (let px = 0, x = -1; px < width; px += 1, x += step) into[px * 3 + k] = c0 + c1 * x + c2 * x * x;
  }
}
