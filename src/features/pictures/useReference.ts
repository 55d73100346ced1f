import { useState } from 'react';

import type { MeasureLine, Point } from '@/contract/picture';
import type { Picture } from '@/contract/records';
import {
  FOUND_SIGMA,
  HAND_SIGMA,
  lengthOn,
  mapCorners,
  planeFrom,
  planeWarnings,
  type Corners,
  type Reference,
} from '@/core/measure/plane';
import { originalOf } from '@/store/pictures/cleaning';
import { pictureWorker } from '@/store/pictures/pictureWorker';

import { pictureSize, usePictureSize } from './usePictureSize';

/** The reference in the picture, its corners in shares of width and height. */
export interface Found {
  reference: Reference;
  corners: Corners;
  /** Set by a finger, so less exact. */
  byHand: boolean;
}

/** Where corners wait to be dragged when nothing was found. */
const START: Corners = [
  { x: 0.1, y: 0.08 },
  { x: 0.28, y: 0.08 },
  { x: 0.28, y: 0.2 },
  { x: 0.1, y: 0.2 },
];

/** The reference that lies beside the item, and the lengths that follow from it. */
export function useReference(picture: Picture, kept: Omit<Found, 'byHand'> | null) {
  const size = usePictureSize(picture.id);
  const [found, setFound] = useState<Found | null>(kept && { ...kept, byHand: false });
  const [missing, setMissing] = useState<Reference | null>(null);

  const look = async (reference: Reference) => {
    setMissing(null);
    const corners = await pictureWorker().findSheet(await originalOf(picture.id), reference);
    if (corners) {
      // The press may have come before the page knew the size.
      const { width, height } = size ?? (await pictureSize(picture.id));
      const shares = mapCorners(corners, ({ x, y }) => ({ x: x / width, y: y / height }));
      setFound({ reference, corners: shares, byHand: false });
    } else {
      setMissing(reference);
      setFound({ reference, corners: START, byHand: true });
    }
  };
  const setByHand = (corners: Corners) => {
    setMissing(null);
    setFound((f) => f && { ...f, corners, byHand: true });
  };
  const clear = () => {
    setFound(null);
    setMissing(null);
  };

  const px = (p: Point) => ({ x: p.x * (size?.width ?? 1), y: p.y * (size?.height ?? 1) });
  const plane =
    found && size && planeFrom(found.reference, mapCorners(found.corners, px), size.width, size.height);
  return {
    found,
    missing,
    plane,
    /** Its corners can't be those of a sheet. */
    isCrooked: found !== null && size !== null && !plane,
    look,
    setByHand,
    clear,
    lengthOf: ({ a, b }: MeasureLine) =>
      plane ? lengthOn(plane, px(a), px(b), found?.byHand ? HAND_SIGMA : FOUND_SIGMA) : null,
    warningsFor: (lines: readonly MeasureLine[]) =>
      plane && size
        ? planeWarnings(
            plane,
            size.width,
            size.height,
            lines.map((l) => ({ a: px(l.a), b: px(l.b) })),
          )
        : [],
  };
}
