import { quantileSorted } from 'd3-array';

/** Where a value lies, and between which two it is with 95 % confidence. */
export interface Interval {
  value: number;
  low: number;
  high: number;
}

/** The 97.5 % point of the standard normal distribution: two sides of 2.5 % leave 95 % between them. */
const Z = 1.959963984540054;

/**
 * The share of some that something holds for, with its Wilson score interval (95 %).
 *
 * @param of how many there are: a whole number above zero
 * @throws RangeError where more hold than there are, or there are none
 * @see Wilson, E. B. (1927), J. Am. Stat. Assoc. 22, 209–212
 */
export function wilson(hold: number, of: number): Interval {
  if (!(of > 0 && hold >= 0 && hold <= of)) throw new RangeError(`${hold} of ${of} is no share`);
  const p = hold / of;
  const zz = (Z * Z) / of;
  const middle = (p + zz / 2) / (1 + zz);
  const half = (Z / (1 + zz)) * Math.sqrt((p * (1 - p)) / of + zz / (4 * of));
  // At the ends the bound is the end itself; rounding must not push it past.
  return {
    value: p,
    low: hold === 0 ? 0 : Math.max(0, middle - half),
    high: hold === of ? 1 : Math.min(1, middle + half),
  };
}

/** So many samples are drawn anew: enough for two ends of 2.5 % each. */
const DRAWS = 2_000;

/**
 * The mean of what was observed, with its bootstrap percentile interval (95 %).
 *
 * @param values at least one
 * @param random 0 <= x < 1; seeded, so that the same sales give the same interval
 * @throws RangeError for none
 * @see Efron & Tibshirani (1993), An Introduction to the Bootstrap, ch. 13
 */
export function bootstrapMean(values: readonly number[], random: () => number, draws = DRAWS): Interval {
  const n = values.length;
  if (n === 0) throw new RangeError('nothing was observed');
  const from = Float64Array.from(values);
  const means = new Float64Array(draws);
  for (let d = 0; d < draws; d += 1) {
    let sum = 0;
    // An index below n is always there.
    for (let i = 0; i < n; i += 1) sum += from[Math.floor(random() * n)]!;
    means[d] = sum / n;
  }
  const sorted = Array.from(means.sort());
  const at = (p: number) => quantileSorted(sorted, p) ?? 0;
  return { value: from.reduce((sum, x) => sum + x, 0) / n, low: at(0.025), high: at(0.975) };
}

/**
 * Numbers that look random, the same for the same seed (mulberry32): for intervals that are to come out alike
 * whenever they are worked out.
 *
 * @returns 0 <= x < 1
 */
export function seeded(seed: number): () => number {
  let state = seed | 0;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
}
