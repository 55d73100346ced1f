import { maskOverlap, segment } from '@/core/pixels/mask';
import type { Mask } from '@/core/pixels/pixels';
import { maskScaled } from '@/core/pixels/whiten';

import type { Art } from './art';
import { CUT_CLASSES, cutScene, type CutClass } from './cut';
import { atLeast, atMost, mean, type Verdict } from './verdict';

/** Least mean intersection over union. */
const GOALS: Record<CutClass, number> = { plain: 0.96, boards: 0.94, hard: 0.9, patterned: 0.8 };
/** A mask that covers less than this and was not doubted is a silent mistake. */
const POOR = 0.75;

/** @param each pictures of each class */
export async function cuttingFigures(
  art: Art,
  { from, each }: { from: number; each: number },
): Promise<Verdict[]> {
  const figures: Verdict[] = [];
  let [sure, silent] = [0, 0];
  const edges: number[] = [];
  for (const sort of CUT_CLASSES) {
    const overlaps: number[] = [];
    for (let seed = from; seed < from + each; seed += 1) {
      const { picture, truth } = await cutScene(art, sort, seed);
      const { mask, isSure } = segment(picture);
      const overlap = maskOverlap(mask, truth);
      // Where it says so itself, a person draws: in the other classes a doubt is no excuse.
      if (isSure || sort !== 'patterned') overlaps.push(overlap);
      if (isSure) sure += 1;
      if (isSure && overlap < POOR) silent += 1;
      if (isSure && overlap >= POOR) edges.push(rim(mask, truth));
    }
    figures.push(atLeast(`mask.${sort}`, mean(overlaps), GOALS[sort]));
  }
  return [
    ...figures,
    atMost('mask.poorButSure', silent / sure, 0.03),
    // On the whitened picture: what of the floor stays as a rim around the item, over the item's own area.
    atMost('mask.rim', mean(edges), 0.03),
  ];
}

/** Share of the item's area that is kept around it as a rim, at twice the size, as it is whitened. */
function rim(mask: Mask, truth: Mask): number {
  const [width, height] = [truth.width * 2, truth.height * 2];
  const large = maskScaled(mask, width, height);
  let [over, area] = [0, 0];
  for (let y = 0, p = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1, p += 1) {
      const isItem = truth.data[(y >> 1) * truth.width + (x >> 1)]! > 127;
      if (isItem) area += 1;
      else over += large.data[p]! / 255;
    }
  return over / Math.max(1, area);
}
