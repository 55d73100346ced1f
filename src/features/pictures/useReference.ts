import { useState } from 'react';

import type { Made, MeasureLine, Point } from '@/contract/picture';
import type { Picture } from '@/contract/records';
import {
  HAND_SIGMA,
  lengthOn,
  mapCorners,
  planeFrom,
  planeWarnings,
  type Corners,
  type Length,
  type Reference,
} from '@/core/measure/plane';
import type { SheetDoubt } from '@/core/measure/sheet/findSheet';
import { originalOf } from '@/store/pictures/cleaning';
import { pictureWorker } from '@/store/pictures/pictureWorker';

import { pictureSize, usePictureSize } from './usePictureSize';

/** The reference in the picture, its corners in shares of width and height. */
export interface Found {
  reference: Reference;
  corners: Corners;
  /** How exactly each was found, pixels; null when a finger set them. */
  sigmas: readonly number[] | null;
  /** Nothing is measured by corners that are only a guess. */
  known: boolean;
  /** What made it a guess; null when nothing like it was made out. */
  doubts: readonly SheetDoubt[] | null;
  /** Corners that were dragged: where nothing was made out, each has to be. */
  dragged: readonly number[];
}

/** Where corners wait to be dragged when nothing was found. */
const START: Corners = [
  { x: 0.1, y: 0.08 },
  { x: 0.28, y: 0.08 },
  { x: 0.28, y: 0.2 },
  { x: 0.1, y: 0.2 },
];

/**
 * The reference that lies beside the item, and the lengths that follow from it.
 *
 * @param kept the one a picture was measured by before, or that was made out in it by itself
 */
export function useReference(picture: Picture, kept: Made['plane']) {
  const size = usePictureSize(picture.id);
  const [found, setFound] = useState<Found | null>(
    kept && { sigmas: null, ...kept, known: true, doubts: [], dragged: [] },
  );

  const look = async (reference: Reference) => {
    const sheet = await pictureWorker().findSheet(await originalOf(picture.id), reference);
    const known = sheet?.doubts.length === 0;
    const base = { reference, dragged: [], known };
    if (!sheet) return setFound({ ...base, corners: START, sigmas: null, doubts: null });
    // The press may have come before the page knew the size.
    const { width, height } = size ?? (await pictureSize(picture.id));
    const { corners, sigmas, doubts } = sheet;
    const shares = mapCorners(corners, ({ x, y }) => ({ x: x / width, y: y / height }));
    setFound({ ...base, corners: shares, sigmas, doubts });
  };
  const setByHand = (corners: Corners) =>
    setFound((f) => {
      if (!f) return f;
      const moved = corners.flatMap((c, i) => (c === f.corners[i] || f.dragged.includes(i) ? [] : [i]));
      return { ...f, corners, sigmas: null, dragged: [...f.dragged, ...moved] };
    });
  /** A person says that the corners lie right. */
  const confirm = () => setFound((f) => f && { ...f, known: true, sigmas: null });

  const px = (p: Point) => ({ x: p.x * (size?.width ?? 1), y: p.y * (size?.height ?? 1) });
  const fit =
    found &&
    size &&
    planeFrom(
      found.reference,
      mapCorners(found.corners, px),
      size.width,
      size.height,
      found.sigmas ?? found.corners.map(() => HAND_SIGMA),
    );
  const plane = found?.known && fit && fit.doubt !== 'eitherWay' ? fit : null;
  return {
    found,
    plane,
    /** The figures it is kept with; null while nothing is measured by it. */
    kept: found && plane ? keptPlane(found) : null,
    /** Its corners can't be those of a sheet, or it can't be told which way round it lies. */
    trouble:
      found && size && found.known && !plane ? (fit ? ('eitherWay' as const) : ('noSheet' as const)) : null,
    mayConfirm: found !== null && !found.known && (found.doubts !== null || found.dragged.length === 4),
    look,
    setByHand,
    confirm,
    clear: () => setFound(null),
    lengthOf: ({ a, b }: MeasureLine): Length | null => (plane ? lengthOn(plane, px(a), px(b)) : null),
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

function keptPlane({ reference, corners, sigmas }: Found): Made['plane'] {
  const all = mapCorners(corners, (corner) => corner);
  return { reference, corners: all, ...(sigmas ? { sigmas: [...sigmas] } : {}) };
}
