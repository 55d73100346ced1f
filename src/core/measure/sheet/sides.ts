import type { Point } from '@/contract/picture';

import { plainEdge, profileOf, shadedEdge } from './profile';
import type { Quad } from './quads';
import { sampleInto } from './sample';
import type { Pixels } from '../../pixels/pixels';

/** One side of a sheet as it was made out. */
export interface Side {
  line: Line;
  /** Share of the places along it where an edge lies on the line. */
  support: number;
  /** Median change of colour across it, 0 to 441 (RGB). */
  strength: number;
  /** Standard deviation of where it lies, across it, pixels. */
  sigma: number;
  /** How far the edge leaves a straight line, pixels: the root mean square of eighths along it. */
  wander: number;
}

export interface Line {
  /** A point on it and its direction, of length 1. */
  at: Point;
  along: Point;
}

/** Places across an edge are half a pixel apart. */
const STEP = 0.5;
/** Change of colour that counts as an edge, RGB. */
const EDGE = 9;
/** Edges looked at in one place, the strongest. */
const PEAKS = 4;
/** Share of the side at each end that is left out: rounded corners, curled ones. */
const LEFT_OUT = 0.11;
/** How near the line an edge is taken for the side's, pixels. */
const NEAR = 0.9;

/** An edge: where along the side, how far across it, how strong. */
interface Peak {
  t: number;
  s: number;
  strength: number;
}

/**
 * A side as the straight line that most of the edges near it agree on. In one place there may be several: the
 * floor's own pattern, a shadow's end; only the sheet's lie in line all along.
 *
 * @param reach how far across the side to look, pixels each way
 * @returns null when no line has edges along at least a third of it
 */
function sideNear(picture: Pixels, from: Point, to: Point, reach: number): Side | null {
  const length = Math.hypot(to.x - from.x, to.y - from.y);
  if (length < 14) return null;
  const along = { x: (to.x - from.x) / length, y: (to.y - from.y) / length };
  const across = { x: -along.y, y: along.x };
  const places = Math.min(160, Math.max(24, Math.round(length / 2)));
  const peaks: Peak[][] = [];
  for (let i = 0; i < places; i += 1) {
    const t = (LEFT_OUT + ((1 - 2 * LEFT_OUT) * i) / (places - 1)) * length;
    const middle = { x: from.x + along.x * t, y: from.y + along.y * t };
    peaks.push(edgesAcross(picture, middle, across, reach).map((peak) => ({ ...peak, t })));
  }
  const best = agreed(peaks);
  if (!best) return null;
  // Twice: first with what is near, then with what is near to that.
  let kept = onLine(peaks, best, NEAR * 1.6);
  let line = fitted(kept);
  if (!line) return null;
  kept = onLine(peaks, line, NEAR);
  line = fitted(kept);
  if (!line || kept.length < places / 3) return null;
  const { a, b } = line;
  const at = (t: number): Point => ({
    x: from.x + along.x * t + across.x * (a + b * t),
    y: from.y + along.y * t + across.y * (a + b * t),
  });
  const [start, end] = [at(0), at(length)];
  const long = Math.hypot(end.x - start.x, end.y - start.y);
  const wander = wanderOf(kept, line);
  return {
    line: { at: start, along: { x: (end.x - start.x) / long, y: (end.y - start.y) / long } },
    support: kept.length / places,
    strength: middleOf(kept.map((p) => p.strength)),
    wander,
    sigma: wander,
  };
}

/** All four sides and where they meet; null when one can't be made out or two don't meet. */
export function sidesOf(picture: Pixels, quad: Quad, reach: number): Sides | null {
  const sides: Side[] = [];
  for (let i = 0; i < 4; i += 1) {
    const side = sideNear(picture, quad[i]!, quad[(i + 1) % 4]!, reach);
    if (!side) return null;
    sides.push(side);
  }
  const corners = cornersOf(sides);
  if (!corners) return null;
  // Four lines near a quad's sides meet near its corners, or they are not its sides.
  const strayed = corners.some((p, i) => Math.hypot(p.x - quad[i]!.x, p.y - quad[i]!.y) > reach * 4);
  return strayed ? null : { corners, sides };
}

export interface Sides {
  corners: Quad;
  sides: readonly Side[];
}

function cornersOf(sides: readonly Side[]): Quad | null {
  const [a, b, c, d] = sides.map((side, i) => meeting(sides[(i + 3) % 4]!.line, side.line));
  return a && b && c && d ? [a, b, c, d] : null;
}

/** An edge this much softer than the sharpest of the four has something beside it. */
const SOFTER = 1.3;
/** So much of a correction may be wrong; and so many pixels of any. */
const WRONG = 0.8;
const SHADED = 0.12;
/** Thirds of a side, without its ends: a shadow may be wider at one of them. */
const PARTS = [
  [0.1, 0.37],
  [0.37, 0.63],
  [0.63, 0.9],
] as const;

/**
 * The same sides, each where its edge truly is. The steepest place is not it where a shadow lies along the
 * sheet: floor, shadow and paper make two steps, and blur makes one of them.
 */
export function withoutShadows(picture: Pixels, { corners, sides }: Sides): Sides | null {
  const middle = {
    x: corners.reduce((sum, c) => sum + c.x, 0) / 4,
    y: corners.reduce((sum, c) => sum + c.y, 0) / 4,
  };
  const seen = sides.map((side, i) => {
    const [from, to] = [corners[i]!, corners[(i + 1) % 4]!];
    const { along } = side.line;
    const left = (middle.x - from.x) * -along.y + (middle.y - from.y) * along.x;
    const inward = left > 0 ? { x: -along.y, y: along.x } : { x: along.y, y: -along.x };
    const length = Math.hypot(to.x - from.x, to.y - from.y);
    const parts = PARTS.map(([start, end]) => {
      const profile = profileOf(picture, from, to, inward, [start, end]);
      return { t: ((start + end) / 2) * length, profile, plain: plainEdge(profile) };
    });
    return { side, from, inward, parts, blur: middleOf(parts.map(({ plain }) => plain.blur)) };
  });
  const sharpest = Math.min(...seen.map(({ blur }) => blur));
  const exact = seen.map(({ side, from, inward, parts }): Side => {
    const places = parts.map(({ t, profile, plain }) => {
      const isSoft = plain.blur > sharpest * SOFTER;
      const shaded = shadedEdge(profile, sharpest);
      return shaded.left < plain.left * 0.7 || isSoft
        ? { t, s: shaded.at, sigma: Math.hypot(shaded.sigma, WRONG * (shaded.at - plain.at), SHADED) }
        : { t, s: plain.at, sigma: plain.sigma };
    });
    const { a, b } = fitted(places.map(({ t, s }) => ({ t, s, strength: 1 }))) ?? { a: 0, b: 0 };
    const at = (t: number): Point => ({
      x: from.x + side.line.along.x * t + inward.x * (a + b * t),
      y: from.y + side.line.along.y * t + inward.y * (a + b * t),
    });
    const off = Math.max(...places.map(({ t, s }) => Math.abs(s - a - b * t)));
    const [start, end] = [at(0), at(100)];
    const long = Math.hypot(end.x - start.x, end.y - start.y);
    return {
      ...side,
      line: { at: start, along: { x: (end.x - start.x) / long, y: (end.y - start.y) / long } },
      sigma: Math.hypot(side.wander, off, Math.max(...places.map(({ sigma }) => sigma))),
    };
  });
  const found = cornersOf(exact);
  return found && { corners: found, sides: exact };
}

/** Edges across a short line, the strongest first; `s` in pixels from its middle. */
function edgesAcross(
  picture: Pixels,
  middle: Point,
  across: Point,
  reach: number,
): { s: number; strength: number }[] {
  const n = Math.round(reach / STEP);
  const count = 2 * n + 7;
  const values = new Float32Array(count * 3);
  for (let k = 0; k < count; k += 1) {
    const s = (k - n - 3) * STEP;
    sampleInto(values, k * 3, picture, middle.x + across.x * s, middle.y + across.y * s);
  }
  const slopes = new Float32Array(count);
  for (let k = 3; k < count - 3; k += 1) slopes[k] = slopeAt(values, k);
  const found: { s: number; strength: number }[] = [];
  for (let k = 4; k < count - 4; k += 1) {
    const m = slopes[k]!;
    if (m < EDGE || m < slopes[k - 1]! || m <= slopes[k + 1]!) continue;
    const [l, r] = [slopes[k - 1]!, slopes[k + 1]!];
    const bend = l - 2 * m + r;
    const shift = bend < 0 ? (0.5 * (l - r)) / bend : 0;
    found.push({ s: (k - n - 3 + Math.max(-0.5, Math.min(0.5, shift))) * STEP, strength: m });
  }
  return found.sort((a, b) => b.strength - a.strength).slice(0, PEAKS);
}

/** How much the colour differs on the two sides of a place, over a pixel and a half each. */
function slopeAt(values: Float32Array, k: number): number {
  let sum = 0;
  for (let c = 0; c < 3; c += 1) {
    const after = values[(k + 1) * 3 + c]! + values[(k + 2) * 3 + c]! + values[(k + 3) * 3 + c]!;
    const before = values[(k - 1) * 3 + c]! + values[(k - 2) * 3 + c]! + values[(k - 3) * 3 + c]!;
    sum += ((after - before) / 3) ** 2;
  }
  return Math.sqrt(sum);
}

/** s = a + b·t */
interface Slanted {
  a: number;
  b: number;
}

/** The line through two edges that most places have an edge on; strong ones count for more. */
function agreed(peaks: readonly Peak[][]): Slanted | null {
  const some = (from: number, to: number) => {
    const all = peaks.slice(Math.floor(from * peaks.length), Math.floor(to * peaks.length));
    const every = Math.max(1, Math.floor(all.length / 11));
    return all.filter((_, i) => i % every === 0).flat();
  };
  let best: Slanted | null = null;
  let most = 0;
  for (const p of some(0, 0.4))
    for (const q of some(0.6, 1)) {
      const b = (q.s - p.s) / (q.t - p.t);
      const a = p.s - b * p.t;
      let score = 0;
      for (const place of peaks) {
        let here = 0;
        for (const peak of place)
          if (Math.abs(peak.s - a - b * peak.t) < NEAR)
            here = Math.max(here, Math.sqrt(Math.min(1, peak.strength / 60)));
        score += here;
      }
      if (score > most) [most, best] = [score, { a, b }];
    }
  return best;
}

/** Of each place the edge next to the line, where one is near. */
function onLine(peaks: readonly Peak[][], { a, b }: Slanted, near: number): Peak[] {
  return peaks.flatMap((place) => {
    let next: Peak | null = null;
    let least = near;
    for (const peak of place) {
      const off = Math.abs(peak.s - a - b * peak.t);
      if (off < least) [least, next] = [off, peak];
    }
    return next ? [next] : [];
  });
}

function fitted(peaks: readonly Peak[]): Slanted | null {
  const n = peaks.length;
  if (n < 3) return null;
  const mt = peaks.reduce((sum, p) => sum + p.t, 0) / n;
  const ms = peaks.reduce((sum, p) => sum + p.s, 0) / n;
  let [tt, ts] = [0, 0];
  for (const { t, s } of peaks) {
    tt += (t - mt) ** 2;
    ts += (t - mt) * (s - ms);
  }
  if (tt === 0) return null;
  const b = ts / tt;
  return { a: ms - b * mt, b };
}

function wanderOf(peaks: readonly Peak[], { a, b }: Slanted): number {
  const EIGHTHS = 8;
  const [first, last] = [peaks[0]!.t, peaks[peaks.length - 1]!.t];
  const sums = new Float64Array(EIGHTHS);
  const counts = new Float64Array(EIGHTHS);
  for (const { t, s } of peaks) {
    const i = Math.min(EIGHTHS - 1, Math.floor(((t - first) / (last - first || 1)) * EIGHTHS));
    sums[i]! += s - a - b * t;
    counts[i]! += 1;
  }
  let sum = 0;
  let filled = 0;
  for (let i = 0; i < EIGHTHS; i += 1)
    if (counts[i]! > 0) {
      sum += (sums[i]! / counts[i]!) ** 2;
      filled += 1;
    }
  return Math.sqrt(sum / Math.max(1, filled));
}

function middleOf(values: number[]): number {
  return [...values].sort((x, y) => x - y)[values.length >> 1] ?? 0;
}

function meeting(a: Line, b: Line): Point | null {
  const det = a.along.x * b.along.y - a.along.y * b.along.x;
  if (Math.abs(det) < 0.05) return null;
  const t = ((b.at.x - a.at.x) * b.along.y - (b.at.y - a.at.y) * b.along.x) / det;
  return { x: a.at.x + t * a.along.x, y: a.at.y + t * a.along.y };
}

/** How a side ends at one of its corners. */
export interface End {
  /** Share of the places just before the corner with an edge on the side's line. */
  upTo: number;
  /** The same beyond the corner: a sheet's edge stops there, a joint between tiles does not. */
  beyond: number;
}

/** Places looked at before a corner and beyond it. */
const END_PLACES = 14;

/**
 * How a side's two ends look.
 *
 * @param rounded how far from the corner a rounded one begins, as a share of the side
 */
export function endsOf(
  picture: Pixels,
  from: Point,
  to: Point,
  strength: number,
  rounded: number,
): readonly [End, End] {
  const length = Math.hypot(to.x - from.x, to.y - from.y);
  const along = { x: (to.x - from.x) / length, y: (to.y - from.y) / length };
  const across = { x: -along.y, y: along.x };
  /** @param t pixels beyond the corner, negative before it */
  const share = (corner: Point, way: number, first: number, last: number) => {
    let n = 0;
    for (let i = 0; i < END_PLACES; i += 1) {
      const t = first + ((last - first) * i) / (END_PLACES - 1);
      const middle = { x: corner.x + along.x * t * way, y: corner.y + along.y * t * way };
      // A hair off in direction is pixels off out there.
      const near = 1.4 + 0.02 * Math.max(0, t);
      const edge = edgesAcross(picture, middle, across, near + 1.5).find(({ s }) => Math.abs(s) < near);
      if (edge && edge.strength > Math.max(EDGE, strength * 0.35)) n += 1;
    }
    return n / END_PLACES;
  };
  const end = (corner: Point, way: number): End => ({
    upTo: share(corner, way, -length * (rounded + 0.07) - 2, -length * rounded - 2),
    beyond: share(corner, way, 3 + length * 0.03, 3 + length * 0.2),
  });
  return [end(from, -1), end(to, 1)];
}
