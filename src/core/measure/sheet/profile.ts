import type { Point } from '@/contract/picture';

import { sampleInto } from './sample';
import type { Pixels } from '../../pixels/pixels';

/** Mean colour at places across a side, from outside to inside. */
export interface Profile {
  /** Pixels inward of the line. */
  s: Float64Array;
  /** Red, green, blue of each place. */
  rgb: Float64Array;
}

const STEP = 0.5;
const OUTSIDE = 9;
const INSIDE = 6;
const PLACES = 60;

/** The mean of many lines across a side: noise and the floor's pattern go, the edge's own shape stays. */
export function profileOf(
  picture: Pixels,
  from: Point,
  to: Point,
  inward: Point,
  [start, end]: readonly [number, number],
): Profile {
  const count = Math.round((OUTSIDE + INSIDE) / STEP) + 1;
  const s = Float64Array.from({ length: count }, (_, k) => k * STEP - OUTSIDE);
  const rgb = new Float64Array(count * 3);
  const one = new Float32Array(3);
  for (let i = 0; i < PLACES; i += 1) {
    const t = start + ((end - start) * i) / (PLACES - 1);
    const [x, y] = [from.x + (to.x - from.x) * t, from.y + (to.y - from.y) * t];
    for (let k = 0; k < count; k += 1) {
      sampleInto(one, 0, picture, x + inward.x * s[k]!, y + inward.y * s[k]!);
      for (let c = 0; c < 3; c += 1) rgb[k * 3 + c]! += one[c]! / PLACES;
    }
  }
  return { s, rgb };
}

export interface Edge {
  /** Where the edge is, pixels inward of the line, and one standard deviation of that. */
  at: number;
  sigma: number;
  /** Standard deviation of the Gaussian that the step is blurred by, pixels. */
  blur: number;
  /** What is left of the colours, root mean square, 0 to 255. */
  left: number;
}

const BLURS = [0.45, 0.6, 0.8, 1.05, 1.4, 1.9, 2.6, 3.6];
/** How far a shadow reaches until it is a third, pixels. */
const REACHES = [1.2, 2.5, 5, 10];
const FARTHEST = 5;

/** A step from one colour to another, blurred. */
export function plainEdge(profile: Profile): Edge {
  return best(profile, BLURS, [null]);
}

/** A blurred step with a shadow beside it, which gets lighter the farther from the edge. */
export function shadedEdge(profile: Profile, blur: number): Edge {
  return best(profile, [blur * 0.85, blur, blur * 1.15], REACHES);
}

function best(profile: Profile, blurs: readonly number[], reaches: readonly (number | null)[]): Edge {
  const count = profile.s.length;
  let found: Omit<Edge, 'sigma'> & { reach: number | null; sum: number } = {
    at: 0,
    blur: 1,
    left: Infinity,
    reach: null,
    sum: Infinity,
  };
  const consider = (at: number, blur: number, reach: number | null) => {
    const sum = leftBy(profile, at, blur, reach);
    if (sum < found.sum) found = { at, blur, reach, sum, left: Math.sqrt(sum / (count * 3)) };
    return sum;
  };
  for (let e = -FARTHEST; e <= FARTHEST; e += 0.5)
    for (const blur of blurs) for (const reach of reaches) consider(e, blur, reach);
  const rough = found.at;
  const near = Array.from({ length: 21 }, (_, i) => {
    const e = rough + (i - 10) / 10;
    const others = reaches.filter((reach) => reach !== found.reach).slice(0, 2);
    return { e, sum: Math.min(...[found.reach, ...others].map((reach) => consider(e, found.blur, reach))) };
  });
  // Chi-squared: by one standard deviation the sum grows by the variance of a single figure.
  const variance = Math.max(0.02, found.sum / (count * 3 - 12));
  const alike = near.filter(({ sum }) => sum < found.sum + 4 * variance).map(({ e }) => e);
  const width = Math.max(...alike) - Math.min(...alike);
  return { at: found.at, blur: found.blur, left: found.left, sigma: Math.max(0.05, width / 4) };
}

/** Sum of squares that a step at `e` leaves, its colours chosen best. */
function leftBy({ s, rgb }: Profile, e: number, blur: number, reach: number | null): number {
  const count = s.length;
  const step = new Float64Array(count);
  const shade = new Float64Array(count);
  for (let k = 0; k < count; k += 1) {
    const u = s[k]! - e;
    step[k] = 1 - normal(u / blur);
    if (reach !== null) shade[k] = step[k]! * (1 - Math.exp(Math.min(0, u) / reach));
  }
  // The same three figures fit each channel: normal equations, the mean taken out first.
  const [ms, mh] = [mean(step), mean(shade)];
  let [ss, hh, sh] = [1e-9, 1e-9, 0];
  for (let k = 0; k < count; k += 1) {
    const [a, b] = [step[k]! - ms, shade[k]! - mh];
    ss += a * a;
    hh += b * b;
    sh += a * b;
  }
  const det = ss * hh - sh * sh;
  let total = 0;
  let lighter = 0;
  for (let c = 0; c < 3; c += 1) {
    let [mv, sv, hv, vv] = [0, 0, 0, 0];
    for (let k = 0; k < count; k += 1) mv += rgb[k * 3 + c]! / count;
    for (let k = 0; k < count; k += 1) {
      const v = rgb[k * 3 + c]! - mv;
      sv += (step[k]! - ms) * v;
      hv += (shade[k]! - mh) * v;
      vv += v * v;
    }
    const y = reach === null || det < 1e-9 ? 0 : (ss * hv - sh * sv) / det;
    const x = (sv - sh * y) / ss;
    lighter += y;
    total += vv - x * sv - y * hv;
  }
  // What gets darker away from the edge is no shadow.
  return lighter < 0 ? Infinity : Math.max(0, total);
}

function mean(values: Float64Array): number {
  return values.reduce((sum, v) => sum + v, 0) / values.length;
}

/** The normal distribution's cumulative function, to 1.5e-7 (Abramowitz & Stegun 7.1.26). */
function normal(x: number): number {
  const z = Math.abs(x) / Math.SQRT2;
  const k = 1 / (1 + 0.3275911 * z);
  const p = ((((1.061405429 * k - 1.453152027) * k + 1.421413741) * k - 0.284496736) * k + 0.254829592) * k;
  const erf = 1 - p * Math.exp(-z * z);
  return x < 0 ? (1 - erf) / 2 : (1 + erf) / 2;
}
