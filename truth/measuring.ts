import { lengthOn, planeFrom, type MeasuredPlane } from '@/core/measure/plane';
import { findSheet } from '@/core/measure/sheet/findSheet';

import type { Art } from './art';
import { measuredScene, type MeasuredScene } from './measured';
import { atLeast, atMost, type Verdict } from './verdict';

/** A figure is right within this share of the length, or this many millimetres. */
const RIGHT = { share: 0.015, mm: 3 };

/** What was made of one scene; null when it was not sure, and asks for the corners. */
function measured({ picture, reference, lines }: MeasuredScene) {
  const found = findSheet(picture, reference);
  const { width, height } = picture;
  const plane: MeasuredPlane | null =
    found?.doubts.length === 0 ? planeFrom(reference, found.corners, width, height, found.sigmas) : null;
  return plane && lines.map(({ a, b, mm }) => ({ truth: mm, ...lengthOn(plane, a, b) }));
}

/**
 * Scenes by turns without and with a pattern on the floor, then some in which no reference lies.
 *
 * @param from the first seed
 */
export async function measuringFigures(
  art: Art,
  { from, scenes, empty }: { from: number; scenes: number; empty: number },
): Promise<Verdict[]> {
  let [right, wrong, covered, lines] = [0, 0, 0, 0];
  for (let seed = from; seed < from + scenes; seed += 1) {
    const found = measured(await measuredScene(art, seed));
    if (!found) continue;
    const off = found.map(({ truth, mm }) => Math.abs(mm - truth) / Math.max(RIGHT.mm, RIGHT.share * truth));
    // A figure that is off by more than it says and by more than anyone would accept.
    if (found.some(({ truth, mm, plusMinus }, i) => off[i]! > 1 && Math.abs(mm - truth) > plusMinus))
      wrong += 1;
    else if (Math.max(...off) <= 1) right += 1;
    lines += found.length;
    covered += found.filter(({ truth, mm, plusMinus }) => Math.abs(mm - truth) <= plusMinus).length;
  }
  let invented = 0;
  for (let seed = from; seed < from + empty; seed += 1)
    if (measured(await measuredScene(art, seed, true))) invented += 1;
  return [
    atLeast('measuring.right', right / scenes, 0.7),
    atMost('measuring.silentlyWrong', wrong, 0, 'count'),
    atLeast('measuring.covered', covered / Math.max(1, lines), 0.95),
    atMost('measuring.inventedWhereNoneLies', invented, 0, 'count'),
  ];
}
