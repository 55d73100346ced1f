import type { Exam } from '@/contract/records';

import { labPixels, rgbOf } from './lab';
import { quantile, shrunk, shrunkPlane, type Mask, type Pixels } from './pixels';

/** Longer side of the picture in which colours are counted: threads and prints finer than that are mixed. */
const SIDE = 160;
/** How much a difference of lightness counts beside one of colour: folds make it, light and shade. */
const LIGHTNESS = 0.6;
/** Steps of the table colours are counted in; how far a colour reaches, scaled ΔE*ab. */
const STEP = 5;
const REACH = 13;
/** What lies between two colours on their border is neither; what is further than this from all, unsaid. */
const NEAR = 24;
/** Less of the item than this is no colour of it. */
const LEAST = 0.04;
const MOST = 6;
/** Two of one hue (cosine) that are no further apart in L* are the same in light and in shade. */
const SAME_HUE = Math.cos((12 * Math.PI) / 180);
const SHADE = 15;
/** Chroma under which there is no hue. */
const HUELESS = 7;
/** Opacity, 0 to 255, of what lies wholly or at least half within; fewer points than this say little. */
const WHOLE = 253;
const HALF = 127;
const FEW = 40;
const ROUNDS = 4;
/** How near to the line between two colours a mixture of them is, scaled ΔE*ab. */
const MIXED = 14;
/** Share of a group that is darker than what its lightness is taken for: folds and hems are in the shade. */
const LIT = 0.6;

type Point = readonly [number, number, number];

/**
 * The colours of the item, as they are seen: by where they gather, not by where they lie.
 *
 * @returns the largest first, sRGB 0 to 255, with their shares of the item, 0 to 1; none without an item
 */
export function tonesOf(picture: Pixels, mask: Mask): Exam['tones'] {
  const points = within(picture, mask);
  if (points.length === 0) return [];
  const centres = merged(gathered(points));
  const groups = centres.map((): Point[] => []);
  for (const point of points) {
    const [at, far] = nearestOf(point, centres);
    if (far < NEAR) groups[at]?.push(point);
  }
  return groups
    .filter((group, i) => group.length >= points.length * LEAST && !isMixture(i, centres, groups))
    .map((group) => ({
      rgb: toneOf(group),
      share: Math.round((group.length / points.length) * 1_000) / 1_000,
    }))
    .sort((one, other) => other.share - one.share);
}

/** What lies wholly within the item: [scaled lightness, a*, b*]. */
function within(picture: Pixels, mask: Mask): Point[] {
  const small = shrunk(picture, SIDE);
  const { data } = labPixels(small);
  const inside = shrunkPlane({ ...mask, data: new Float32Array(mask.data) }, SIDE).data;
  const taken = (least: number) => {
    const points: Point[] = [];
    for (let p = 0; p < inside.length; p += 1)
      if (inside[p]! > least) points.push([data[p * 3]! * LIGHTNESS, data[p * 3 + 1]!, data[p * 3 + 2]!]);
    return points;
  };
  const whole = taken(WHOLE);
  // A chain or a thread has no inside.
  return whole.length >= FEW ? whole : taken(HALF);
}

/** Where colours gather: the fullest place of a table, moved to the middle of what is near, and so on. */
function gathered(points: readonly Point[]): Point[] {
  let left = points;
  const centres: Point[] = [];
  while (centres.length < MOST && left.length > points.length * LEAST) {
    let centre = fullest(left);
    let near = left;
    for (let round = 0; round < ROUNDS; round += 1) {
      near = left.filter((point) => farFrom(point, centre) < REACH);
      centre = meanOf(near);
    }
    if (near.length >= points.length * LEAST) centres.push(centre);
    left = left.filter((point) => farFrom(point, centre) >= REACH);
  }
  return centres;
}

function fullest(points: readonly Point[]): Point {
  const cells = new Map<number, Point[]>();
  let most: Point[] = [];
  for (const point of points) {
    const key = point.reduce((at, value) => at * 256 + Math.round(value / STEP) + 64, 0);
    const cell = cells.get(key) ?? [];
    cell.push(point);
    cells.set(key, cell);
    if (cell.length > most.length) most = cell;
  }
  return meanOf(most);
}

/** Light and shade of one colour are one. */
function merged(centres: readonly Point[]): Point[] {
  return centres.filter(
    (centre, i) =>
      !centres.slice(0, i).some((other) => farFrom(centre, other) < REACH || isShadeOf(centre, other)),
  );
}

function isShadeOf([l, a, b]: Point, [ol, oa, ob]: Point): boolean {
  if (Math.abs(l - ol) > SHADE * LIGHTNESS) return false;
  const [chroma, other] = [Math.hypot(a, b), Math.hypot(oa, ob)];
  if (chroma < HUELESS || other < HUELESS) return Math.abs(chroma - other) < HUELESS;
  return (a * oa + b * ob) / (chroma * other) > SAME_HUE;
}

/** What lies between two larger ones is the two of them, too fine to be told apart. */
function isMixture(i: number, centres: readonly Point[], groups: readonly Point[][]): boolean {
  const size = (k: number) => groups[k]?.length ?? 0;
  const larger = centres.filter((_, k) => k !== i && size(k) > size(i));
  return larger.some((one, k) =>
    larger.slice(k + 1).some((other) => farFromLine(centres[i]!, one, other) < MIXED),
  );
}

/** How far a point is from the line between two others; endless beyond its ends. */
function farFromLine(point: Point, from: Point, to: Point): number {
  const along = [to[0] - from[0], to[1] - from[1], to[2] - from[2]] as const;
  const away = [point[0] - from[0], point[1] - from[1], point[2] - from[2]] as const;
  const length = along[0] ** 2 + along[1] ** 2 + along[2] ** 2;
  const share = (away[0] * along[0] + away[1] * along[1] + away[2] * along[2]) / Math.max(1e-9, length);
  if (share <= 0 || share >= 1) return Infinity;
  return Math.hypot(...away.map((value, k) => value - share * along[k]!));
}

/** The colour of a group in the light: its hue is the middle's, its lightness above the middle's. */
function toneOf(group: readonly Point[]): [number, number, number] {
  const at = (k: 0 | 1 | 2, share: number) =>
    quantile(
      group.map((point) => point[k]),
      share,
    );
  return rgbOf([at(0, LIT) / LIGHTNESS, at(1, 0.5), at(2, 0.5)]);
}

function nearestOf(point: Point, centres: readonly Point[]): [at: number, far: number] {
  let [at, far] = [-1, Infinity];
  centres.forEach((centre, i) => {
    const d = farFrom(point, centre);
    if (d < far) [at, far] = [i, d];
  });
  return [at, far];
}

function meanOf(points: readonly Point[]): Point {
  const sum = [0, 0, 0];
  for (const point of points) for (let k = 0; k < 3; k += 1) sum[k]! += point[k]!;
  return [sum[0]! / points.length, sum[1]! / points.length, sum[2]! / points.length];
}

function farFrom(one: Point, other: Point): number {
  const [l, a, b] = [one[0] - other[0], one[1] - other[1], one[2] - other[2]];
  // Many times as fast as Math.hypot.
  return Math.sqrt(l * l + a * a + b * b);
}
