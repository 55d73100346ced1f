import { inverse, Matrix } from 'ml-matrix';

/** Cells along each side of a print. */
export const GRID = 16;
const CELLS = GRID * GRID;
/** Where the middles of cells are along a side, -1 to 1. */
const MIDDLES = Float64Array.from({ length: GRID }, (_, i) => (2 * (i + 0.5)) / GRID - 1);

/** L*, a* and b* of 16 × 16 cells. */
export type Print = [Float32Array, Float32Array, Float32Array];

/** The value between four cells; along the rim that of the rim. */
export function sampled(plane: Float32Array, grid: number, px: number, py: number): number {
  const x = Math.max(0, Math.min(grid - 1.001, px));
  const y = Math.max(0, Math.min(grid - 1.001, py));
  const i = x | 0;
  const j = y | 0;
  const fx = x - i;
  const fy = y - j;
  const at = j * grid + i;
  return (
    (plane[at]! * (1 - fx) + plane[at + 1]! * fx) * (1 - fy) +
    (plane[at + grid]! * (1 - fx) + plane[at + grid + 1]! * fx) * fy
  );
}

/** Farther apart than this before anything is moved, they are not looked at more closely. */
const HOPELESS = 4;

/**
 * How unlike two prints are once one is laid on the other.
 *
 * @returns 0 the same, about 1 at the border between the same thing and another
 */
export function apart(a: Print, b: Print): number {
  const asTheyLie = photometric(a, laid(b, STILL));
  const first = unlike(a, asTheyLie);
  return first > HOPELESS ? first : unlike(a, laidOn(a, b));
}

/**
 * What is left over what there is to be seen, with what the light would have to have done. Tuned on
 * `truth/judged.ts`: nearly all pictures of the same are below 0.9, nearly all others above 1.1.
 */
function unlike(a: Print, { gain, offsets, errors }: Fit): number {
  const [light, u, v] = [variance(a[0]), variance(a[1]), variance(a[2])];
  return (
    Math.hypot(
      Math.sqrt(errors[0]) / (3 + 0.15 * Math.sqrt(light)),
      Math.sqrt(errors[1] + errors[2]) / (4 + 0.25 * Math.sqrt(u + v)),
      Math.log(gain) / 0.45,
      offsets[0] / 14,
      Math.hypot(offsets[1], offsets[2]) / 20,
    ) / 1.3
  );
}

function variance(plane: Float32Array): number {
  let [sum, squares] = [0, 0];
  for (const v of plane) {
    sum += v;
    squares += v * v;
  }
  return squares / plane.length - (sum / plane.length) ** 2;
}

/**
 * Moved, stretched and turned: shift x, shift y, stretch x, stretch y, turn; the picture's half side is 1.
 */
type Move = [number, number, number, number, number];
const STILL: Move = [0, 0, 0, 0, 0];
/** What a crop or a second shot from the same side may come to. */
const MOST: Move = [0.22, 0.22, 0.16, 0.16, 0.2];
const PARTS = MOST.length;
const ROUNDS = 8;
/** Smaller steps change nothing: a fortieth of a cell. */
const SMALL = 3e-3;

interface Fit {
  gain: number;
  /** By L*, a* and b*: what is added after the gain, and the mean squared difference left. */
  offsets: [number, number, number];
  errors: [number, number, number];
}

/**
 * How well one picture can be laid on another: Gauss–Newton on the squared differences, with the gain and the
 * offsets that fit best at each round (Lucas & Kanade 1981; Baker & Matthews 2004).
 */
function laidOn(a: Print, b: Print): Fit {
  const steps = stepsOn(a);
  const move: Move = [...STILL];
  let best: Fit | null = null;
  let least = Infinity;
  for (let round = 0; round < ROUNDS; round += 1) {
    const moved = laid(b, move);
    const fit = photometric(a, moved);
    const error = fit.errors[0] + fit.errors[1] + fit.errors[2];
    if (!best || error < least) [best, least] = [fit, error];
    const step = stepFor(a, moved, steps, fit);
    let most = 0;
    for (let k = 0; k < PARTS; k += 1) {
      const next = Math.max(-MOST[k]!, Math.min(MOST[k]!, move[k]! + step[k]!));
      most = Math.max(most, Math.abs(next - move[k]!));
      move[k] = next;
    }
    if (most < SMALL) break;
  }
  return best ?? photometric(a, b);
}

/** A print moved: what lies outside of it is NaN. */
function laid(b: Print, [dx, dy, sx, sy, turn]: Move): Print {
  const out: Print = [new Float32Array(CELLS), new Float32Array(CELLS), new Float32Array(CELLS)];
  for (let at = 0; at < CELLS; at += 1) {
    const u = MIDDLES[at % GRID]!;
    const v = MIDDLES[(at / GRID) | 0]!;
    const px = ((u * (1 + sx) - v * turn + dx + 1) * GRID) / 2 - 0.5;
    const py = ((v * (1 + sy) + u * turn + dy + 1) * GRID) / 2 - 0.5;
    const isIn = px >= -0.5 && py >= -0.5 && px <= GRID - 0.5 && py <= GRID - 0.5;
    out[0][at] = isIn ? sampled(b[0], GRID, px, py) : NaN;
    out[1][at] = isIn ? sampled(b[1], GRID, px, py) : NaN;
    out[2][at] = isIn ? sampled(b[2], GRID, px, py) : NaN;
  }
  return out;
}

/** How much a plane rises to the right (1) or downwards (a row), for half a side. */
function slope(plane: Float32Array, by: number): Float32Array {
  return plane.map((v, at) => {
    const along = by === 1 ? at % GRID : (at / GRID) | 0;
    const before = along > 0 ? plane[at - by]! : v;
    const after = along < GRID - 1 ? plane[at + by]! : v;
    const steps = (along > 0 ? 1 : 0) + (along < GRID - 1 ? 1 : 0);
    return ((after - before) / steps) * (GRID / 2);
  });
}

/** Squared L*a*b* that is taken for nothing to tell the gain by: then it is held towards 1. */
const HELD = 6;

/** The gain and offsets that fit best, and what is left. */
function photometric(a: Print, b: Print): Fit {
  const fit: Fit = { gain: 1, offsets: [0, 0, 0], errors: [0, 0, 0] };
  const parts = a.map((plane, k) => {
    let [n, sa, sb, sab, saa, sbb] = [0, 0, 0, 0, 0, 0];
    for (let at = 0; at < CELLS; at += 1) {
      const [va, vb] = [plane[at]!, b[k]![at]!];
      if (Number.isNaN(vb)) continue;
      n += 1;
      sa += va;
      sb += vb;
      sab += va * vb;
      saa += va * va;
      sbb += vb * vb;
    }
    const [ma, mb] = [sa / n, sb / n];
    return { ma, mb, cov: sab / n - ma * mb, varA: saa / n - ma * ma, varB: sbb / n - mb * mb };
  });
  const total = (of: 'cov' | 'varB') => parts.reduce((sum, p) => sum + p[of], 0);
  fit.gain = Math.max(0.5, Math.min(2, (total('cov') + HELD) / (total('varB') + HELD)));
  for (const [k, p] of parts.entries()) {
    fit.offsets[k] = p.ma - fit.gain * p.mb;
    fit.errors[k] = Math.max(0, p.varA - 2 * fit.gain * p.cov + fit.gain ** 2 * p.varB);
  }
  return fit;
}

/** What each part of a move changes in each cell, of L*, a* and b*; and the inverse of their products. */
interface Steps {
  changes: readonly (readonly Float32Array[])[];
  inverse: number[][];
}

function stepsOn(a: Print): Steps {
  const changes = a.map((plane) => {
    const [across, down] = [slope(plane, 1), slope(plane, GRID)];
    const [u, v] = [(at: number) => MIDDLES[at % GRID]!, (at: number) => MIDDLES[(at / GRID) | 0]!];
    return [
      across,
      down,
      across.map((g, at) => g * u(at)),
      down.map((g, at) => g * v(at)),
      down.map((g, at) => g * u(at) - across[at]! * v(at)),
    ];
  });
  const products = new Matrix(PARTS, PARTS);
  for (let m = 0; m < PARTS; m += 1)
    for (let n = m; n < PARTS; n += 1) {
      let sum = 0;
      for (const change of changes)
        for (let at = 0; at < CELLS; at += 1) sum += change[m]![at]! * change[n]![at]!;
      // Held back a little, so that what can't be told does not run away.
      if (m === n) sum = sum * 1.02 + 20;
      products.set(m, n, sum).set(n, m, sum);
    }
  return { changes, inverse: inverse(products).to2DArray() };
}

/** The move that takes most of the differences away. */
function stepFor(
  a: Print,
  moved: Print,
  { changes, inverse: back }: Steps,
  { gain, offsets }: Fit,
): number[] {
  const right = new Float64Array(PARTS);
  const left = new Float32Array(CELLS);
  for (const [k, change] of changes.entries()) {
    const [here, there, offset] = [a[k]!, moved[k]!, offsets[k]!];
    for (let at = 0; at < CELLS; at += 1) {
      const value = there[at]!;
      left[at] = Number.isNaN(value) ? 0 : here[at]! - gain * value - offset;
    }
    for (let m = 0; m < PARTS; m += 1) {
      const part = change[m]!;
      let sum = 0;
      for (let at = 0; at < CELLS; at += 1) sum += part[at]! * left[at]!;
      right[m]! += sum;
    }
  }
  return back.map((row) => row.reduce((sum, value, m) => sum + value * right[m]!, 0));
}
