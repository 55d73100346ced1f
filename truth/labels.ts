import type { Pixels } from '@/core/pixels/pixels';

import type { Art } from './art';
import { EVEN, floorOf, PATTERNED } from './floors';
import type { Letters } from './fonts';
import { heldUp, type Held } from './held';
import { boardText, labelText } from './labelTexts';
import { handled, handlingOf } from './lens';
import { CAPITALS, handwritten, printed } from './print';
import { Random } from '../sim/random';

export interface LabelScene {
  picture: Pixels;
  truth: Record<string, string>;
  held: Held;
  /** Height of the usual line's capitals in the picture, pixels. */
  capitals: number;
}

const SIZES = [
  [1600, 1200],
  [1200, 1600],
  [1280, 960],
] as const;
/** Smaller letters than these no person reads either, pixels. */
const LEAST_CAPITALS = 11;

/** A label on something, or a whiteboard, photographed. */
export async function labelScene(
  art: Art,
  sort: 'label' | 'board',
  seed: number,
  letters: Letters,
): Promise<LabelScene> {
  const random = new Random(seed * 6_151 + (sort === 'label' ? 17 : 29));
  const [width, height] = random.one(SIZES);
  const written = sort === 'label' ? labelText(random) : boardText(random);
  const flat =
    sort === 'label'
      ? printed(written.lines, random.one(letters.printed), random)
      : handwritten(written.lines, random.one(letters.handwritten), random);
  const ground = floorOf(
    random.one(random.chance(0.7) ? EVEN : PATTERNED),
    { width, height, perMm: 2 + random.next() * 3 },
    art,
    random,
  );
  const quarters = random.chance(0.25) ? 2 : random.chance(0.13) ? (random.chance(0.5) ? 1 : 3) : 0;
  const scaleAt = (fill: number) => {
    const [w, h] = quarters % 2 === 0 ? [flat.width, flat.height] : [flat.height, flat.width];
    return fill * Math.min(width / w, height / h);
  };
  const wanted = 0.15 + random.next() * 0.75;
  const fill = Math.min(0.9, Math.max(wanted, (wanted * LEAST_CAPITALS) / (CAPITALS * scaleAt(wanted))));
  const held: Held = {
    fill,
    tilt: (random.next() - 0.5) * 40,
    quarters,
    warp: random.next() * 0.03,
    bend: random.chance(0.4) ? (random.next() - 0.5) * 0.08 : 0,
  };
  const handling = handlingOf(random);
  return {
    picture: await handled(
      heldUp(ground, flat, held, random),
      { ...handling, blur: 0.4 + random.next() * 1.1 },
      random,
    ),
    truth: written.truth,
    held,
    capitals: CAPITALS * scaleAt(fill),
  };
}
