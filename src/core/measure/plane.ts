import type { Coded } from '@/contract/coded';
import type { Point, REFERENCES } from '@/contract/picture';

import { fitCamera } from './camera';
import { applied, homographyFrom, type Homography } from './homography';

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
  /** The same plane with each corner moved by a pixel to the right, and down: how much hangs on each. */
  moved: readonly Homography[];
}

/** More than this is left over when the corners are no sheet before an ordinary camera. Pixels. */
const ODD = 4;

/**
 * The plane through a reference of known size.
 *
 * @param corners pixels, in order around; which way round and where they start does not matter
 * @param width pixels of the whole picture, uncropped: the camera looked at its middle
 * @returns null when they can't be the corners of a sheet (three in a line, crossing sides)
 */
export function planeFrom(
  reference: Reference,
  corners: Corners,
  width: number,
  height: number,
): MeasuredPlane | null {
  if (!isConvex(corners)) return null;
  const { long, short } = REFERENCE_SIZES[reference];
  const ways = [
    { w: long, h: short },
    { w: short, h: long },
  ].flatMap((sheet) => {
    const fit = fitCamera(corners, sheet, width, height);
    return fit ? [{ sheet, fit }] : [];
  });
  // Seen at a slant the longer side may look the shorter one; the camera fits only the right way well.
  const best = ways.sort((a, b) => a.fit.cost - b.fit.cost)[0];
  if (!best) return null;
  const { sheet, fit } = best;
  if (fit.residual > ODD) {
    // A cropped picture, or an odd lens: the plain homography does without a camera.
    const toMm = homographyFrom(corners, rectangle(sheet));
    return (
      toMm && {
        reference,
        corners,
        toMm,
        tilt: fit.tilt,
        moved: movedBy(corners, (c) => homographyFrom(c, rectangle(sheet))),
      }
    );
  }
  return {
    reference,
    corners,
    toMm: fit.toMm,
    tilt: fit.tilt,
    moved: movedBy(corners, (c) => fitCamera(c, sheet, width, height)?.toMm ?? null),
  };
}

function rectangle({ w, h }: { w: number; h: number }): Point[] {
  return [
    { x: 0, y: 0 },
    { x: w, y: 0 },
    { x: w, y: h },
    { x: 0, y: h },
  ];
}

function movedBy(corners: Corners, plane: (corners: Point[]) => Homography | null): Homography[] {
  return [0, 1, 2, 3].flatMap((i) =>
    (['x', 'y'] as const).flatMap((axis) => {
      const moved = plane(corners.map((c, k) => (k === i ? { ...c, [axis]: c[axis] + 1 } : c)));
      return moved ? [moved] : [];
    }),
  );
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

/**
 * How exactly a corner is found by itself and set by a finger, and a line's end placed: pixels, one standard
 * deviation.
 */
export const FOUND_SIGMA = 0.2;
export const HAND_SIGMA = 1.5;
const END_SIGMA = 1;

/**
 * The length between two pixels on the plane, with its uncertainty from where corners and ends might really
 * be.
 *
 * @param cornerSigma pixels: {@link FOUND_SIGMA} or {@link HAND_SIGMA}
 */
export function lengthOn(plane: MeasuredPlane, a: Point, b: Point, cornerSigma = FOUND_SIGMA): Length {
  const mm = distance(plane.toMm, a, b);
  let variance = 0;
  for (const moved of plane.moved) variance += ((distance(moved, a, b) - mm) * cornerSigma) ** 2;
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
}
export type PlaneWarning = Coded<PlaneWarningParams>;

/** Beyond this tilt figures are not to be relied on. Degrees. */
const MOST_TILT = 35;
/** Least length of the reference's shorter side, as a share of the picture's longer side. */
const LEAST_SIDE = 0.035;

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
  const sides = [0, 1, 2, 3].map((i) =>
    Math.hypot(
      plane.corners[i]!.x - plane.corners[(i + 1) % 4]!.x,
      plane.corners[i]!.y - plane.corners[(i + 1) % 4]!.y,
    ),
  );
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
  if (far) warnings.push({ code: 'farFromReference', params: { reference } });
  return warnings;
}

/** How many of the reference's longer sides away from it a line may end. */
const FAR: Record<Reference, number> = { card: 9, a4: 4.5, letter: 4.5 };
