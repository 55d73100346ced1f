import { NONE, type Coded, type None } from '@/contract/coded';
import type { Point, REFERENCES } from '@/contract/picture';

import { fitCamera } from './camera';
import { applied, type Homography } from './homography';

export type Reference = (typeof REFERENCES)[number];
export type Corners = readonly [Point, Point, Point, Point];

/** The same four corners, each changed; their order stays. */
export function mapCorners(
  [a, b, c, d]: Corners,
  change: (corner: Point, index: number) => Point,
): [Point, Point, Point, Point] {
  return [change(a, 0), change(b, 1), change(c, 2), change(d, 3)];
}

/** Longer and shorter side in millimetres. */
export const REFERENCE_SIZES: Record<Reference, { name: string; long: number; short: number }> = {
  // ISO/IEC 7810, format ID-1.
  card: { name: 'Bank card', long: 85.6, short: 53.98 },
  // ISO 216.
  a4: { name: 'A4 sheet', long: 297, short: 210 },
  // 11 by 8 1/2 inches (ANSI/ASME Y14.1, size A).
  letter: { name: 'Letter sheet', long: 279.4, short: 215.9 },
};

/** The plane a reference lies in: from the picture's pixels to millimetres on it. */
export interface MeasuredPlane {
  reference: Reference;
  /** Pixels, in order around. */
  corners: Corners;
  toMm: Homography;
  /** How far the camera was tilted against it, degrees. */
  tilt: number;
  /**
   * The same plane with what is uncertain about it moved by one standard deviation, each alone: corners, the
   * lens, how it bends. What each changes in a length adds up as squares, so many times over.
   */
  moved: readonly { toMm: Homography; bend: Bend | null; times: number }[];
  doubt: PlaneDoubt | null;
}

/**
 * `cut`: it fits only when the picture was cut, or taken with an odd lens. `eitherWay`: the longer side could
 * as well be the shorter one.
 */
export type PlaneDoubt = 'cut' | 'eitherWay';

/** How a lens bends what is straight: by so much at the picture's corners, as a share; about its middle. */
interface Bend {
  share: number;
  width: number;
  height: number;
}

/**
 * Standard deviations a corner has: set by a finger; and the least that is believed of one found by itself.
 * Pixels.
 */
export const HAND_SIGMA = 1.5;
export const FOUND_SIGMA = 0.14;
/**
 * A lens's axis sits off the sensor's middle by about a percent (common practice); in a cut picture by
 * more.
 */
const OFF_MIDDLE = { whole: 0.009, cut: 0.2 };
/** What is left of a phone's lens's bending once its own software has straightened it (common practice). */
const BEND = 0.0025;
/** Squared residuals over their variances, two to be expected: above it the corners are no sheet. */
const POOR = 24;

/**
 * The plane through a reference of known size.
 *
 * @param corners pixels, in order around; which way round and where they start does not matter
 * @param width pixels of the whole picture
 * @param sigmas standard deviation of each corner, pixels
 * @returns null when they can't be the corners of a sheet (three in a line, crossing sides, other
 * proportions)
 */
export function planeFrom(
  reference: Reference,
  corners: Corners,
  width: number,
  height: number,
  sigmas: readonly number[] = corners.map(() => FOUND_SIGMA),
): MeasuredPlane | null {
  if (!isConvex(corners)) return null;
  return (
    fitted(reference, corners, width, height, sigmas, 'whole') ??
    fitted(reference, corners, width, height, sigmas, 'cut')
  );
}

function fitted(
  reference: Reference,
  corners: Corners,
  width: number,
  height: number,
  sigmas: readonly number[],
  how: 'whole' | 'cut',
): MeasuredPlane | null {
  const { long, short } = REFERENCE_SIZES[reference];
  const known = { sigmas, offMiddle: OFF_MIDDLE[how] };
  const ways = [
    { w: long, h: short },
    { w: short, h: long },
  ].flatMap((sheet) => {
    const fit = fitCamera(corners, sheet, width, height, known);
    return fit ? [{ sheet, fit }] : [];
  });
  // Seen at a slant the longer side may look the shorter one; the camera fits only the right way well.
  const best = ways.sort((a, b) => a.fit.cost - b.fit.cost)[0];
  if (!best || best.fit.cost > POOR) return null;
  const { sheet, fit } = best;
  const other = ways[1];
  // What fits worse than it should is less certain than it says: all of it, by that factor.
  const times = Math.max(1, fit.cost / 2);
  const bend = { share: BEND, width, height };
  const bent = fitCamera(
    corners.map((c) => straightened(bend, c)),
    sheet,
    width,
    height,
    known,
  );
  return {
    reference,
    corners,
    toMm: fit.toMm,
    tilt: fit.tilt,
    moved: [
      ...fit.moved.map((toMm) => ({ toMm, bend: null, times })),
      ...(bent ? [{ toMm: bent.toMm, bend, times: 1 }] : []),
    ],
    doubt: other && other.fit.cost < POOR ? 'eitherWay' : how === 'cut' ? 'cut' : null,
  };
}

/** Degrees less that another shape has to be tilted to be as likely. */
const STRAIGHTER = 12;

/**
 * Whether something of other proportions, seen more from above, explains the corners as well: a label twice
 * as long as wide looks like a sheet seen aslant. A large sheet's converging sides tell them apart, those of
 * a small one do not.
 */
export function couldBeOther(plane: MeasuredPlane, width: number, height: number): boolean {
  const { corners, tilt } = plane;
  const [a, b, c, d] = sideLengths(corners);
  const shape = { w: 100 * (a + c), h: 100 * (b + d) };
  const known = { sigmas: corners.map(() => ROUGH_SIGMA), offMiddle: OFF_MIDDLE.whole };
  const fit = fitCamera(corners, shape, width, height, known);
  return fit !== null && fit.cost < POOR && fit.tilt < tilt - STRAIGHTER;
}

/** Standard deviation of a corner where two shapes are weighed against each other, pixels. */
const ROUGH_SIGMA = 0.5;

/** Where a point would be without the bending. */
function straightened({ share, width, height }: Bend, { x, y }: Point): Point {
  const [dx, dy] = [x - width / 2, y - height / 2];
  const k = 1 + (share * 4 * (dx * dx + dy * dy)) / (width * width + height * height);
  return { x: width / 2 + dx * k, y: height / 2 + dy * k };
}

/** From the first corner to the second, and so on around. */
export function sideLengths([a, b, c, d]: Corners): [number, number, number, number] {
  const between = (p: Point, q: Point) => Math.hypot(p.x - q.x, p.y - q.y);
  return [between(a, b), between(b, c), between(c, d), between(d, a)];
}

function isConvex(corners: Corners): boolean {
  let turns = 0;
  for (let i = 0; i < 4; i += 1) {
    const [a, b, c] = [corners[i]!, corners[(i + 1) % 4]!, corners[(i + 2) % 4]!];
    const cross = (b.x - a.x) * (c.y - b.y) - (b.y - a.y) * (c.x - b.x);
    if (Math.abs(cross) < 1) return false;
    turns += Math.sign(cross);
  }
  return Math.abs(turns) === 4;
}

export interface Length {
  mm: number;
  /** Two standard deviations, millimetres. */
  plusMinus: number;
}

/** How exactly a line's end is placed: pixels, one standard deviation. */
const END_SIGMA = 1;

/**
 * The length between two pixels on the plane, with its uncertainty from where corners and ends might really
 * be, and from what is not known of the camera.
 */
export function lengthOn(plane: MeasuredPlane, a: Point, b: Point): Length {
  const mm = distance(plane.toMm, a, b);
  let variance = 0;
  for (const { toMm, bend, times } of plane.moved) {
    const [p, q] = bend ? [straightened(bend, a), straightened(bend, b)] : [a, b];
    variance += times * (distance(toMm, p, q) - mm) ** 2;
  }
  for (const axis of ['x', 'y'] as const) {
    variance += ((distance(plane.toMm, { ...a, [axis]: a[axis] + 1 }, b) - mm) * END_SIGMA) ** 2;
    variance += ((distance(plane.toMm, a, { ...b, [axis]: b[axis] + 1 }) - mm) * END_SIGMA) ** 2;
  }
  return { mm, plusMinus: 2 * Math.sqrt(variance) };
}

function distance(h: Homography, a: Point, b: Point): number {
  const p = applied(h, a);
  const q = applied(h, b);
  return Math.hypot(p.x - q.x, p.y - q.y);
}

/** What speaks against trusting a measurement; degrees. */
export interface PlaneWarningParams {
  referenceSmall: { reference: Reference };
  tilted: { degrees: number };
  farFromReference: { reference: Reference };
  cutPicture: None;
}
export type PlaneWarning = Coded<PlaneWarningParams>;

/** Beyond this tilt figures are not to be relied on. Degrees. */
const MOST_TILT = 35;
/** Least length of the reference's shorter side, as a share of the picture's longer side. */
export const LEAST_SIDE = 0.035;

/**
 * What speaks against trusting a measurement.
 *
 * @param lines what is measured, pixels
 */
export function planeWarnings(
  plane: MeasuredPlane,
  width: number,
  height: number,
  lines: readonly { a: Point; b: Point }[] = [],
): PlaneWarning[] {
  const warnings: PlaneWarning[] = [];
  const { reference } = plane;
  const sides = sideLengths(plane.corners);
  const side = Math.min(...sides);
  if (side < LEAST_SIDE * Math.max(width, height))
    warnings.push({ code: 'referenceSmall', params: { reference } });
  if (plane.tilt > MOST_TILT) warnings.push({ code: 'tilted', params: { degrees: plane.tilt } });
  const reach = Math.max(...sides) * FAR[plane.reference];
  const middle = {
    x: plane.corners.reduce((s, c) => s + c.x, 0) / 4,
    y: plane.corners.reduce((s, c) => s + c.y, 0) / 4,
  };
  const far = lines.some(({ a, b }) =>
    [a, b].some((end) => Math.hypot(end.x - middle.x, end.y - middle.y) > reach),
  );
  if (plane.doubt === 'cut') warnings.push({ code: 'cutPicture', params: NONE });
  if (far) warnings.push({ code: 'farFromReference', params: { reference } });
  return warnings;
}

/** How many of the reference's longer sides away from it a line may end. */
const FAR: Record<Reference, number> = { card: 9, a4: 4.5, letter: 4.5 };
