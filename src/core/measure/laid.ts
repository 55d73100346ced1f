import type { KnownPlane, Point } from '@/contract/picture';

import { lengthOn, mapCorners, planeFrom } from './plane';
import { usualLines, type WantedLine } from './usual';
import type { Mask } from '../pixels/pixels';

/** A length along a line that was laid by itself. */
export interface LaidLength {
  measure: string;
  /** Ends, shares of the picture. */
  a: Point;
  b: Point;
  /** Millimetres, and two standard deviations of what its corners leave open. */
  mm: number;
  plusMinus: number;
}

/**
 * Lengths of an item along its usual lines, their ends on its own edges, by a card or sheet that lies beside
 * it. Whether a line lies where a person would lay the tape is for a person to say.
 *
 * @param mask what lies on the floor, the reference too
 * @param size of the picture, pixels
 * @returns none where the corners can't be those of such a sheet, or either side may be its longer one
 */
export function laidLengths(
  mask: Mask,
  { width, height }: { width: number; height: number },
  { reference, corners, sigmas }: KnownPlane,
  wanted: readonly WantedLine[],
): LaidLength[] {
  const px = ({ x, y }: Point) => ({ x: x * width, y: y * height });
  const plane = planeFrom(reference, mapCorners(corners, px), width, height, sigmas);
  if (!plane || plane.doubt !== null) return [];
  return usualLines(mask, corners, wanted).map(({ measure, a, b }) => ({
    measure,
    a,
    b,
    ...lengthOn(plane, px(a), px(b)),
  }));
}
