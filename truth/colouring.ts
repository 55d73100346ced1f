import { coloursSeen, type SeenColours } from '@/core/colour/seen';
import { examine } from '@/core/pixels/examine';

import type { Art } from './art';
import { colourScene, type ColourClass, type ColourScene } from './coloured';
import { atLeast, atMost, type Verdict } from './verdict';

/** Of each class so many of every ten. */
const SHARES: Record<ColourClass, number> = { drawn: 3, composited: 5, two: 2, odd: 2 };

/** @param tens so many pictures of things in fair light, in tens, and a fifth as many in odd light */
export async function colouringFigures(
  art: Art,
  { from, tens }: { from: number; tens: number },
): Promise<Verdict[]> {
  const all = { pictures: 0, right: 0, silent: 0, doubted: 0 };
  const tally: Record<ColourClass, typeof all> = {
    drawn: { ...all },
    composited: { ...all },
    two: { ...all },
    odd: { ...all },
  };
  for (const sort of ['drawn', 'composited', 'two', 'odd'] as const)
    for (let seed = from; seed < from + tens * SHARES[sort]; seed += 1) {
      const scene = await colourScene(art, sort, seed);
      const seen = coloursSeen(examine(scene.picture));
      const of = tally[sort];
      of.pictures += 1;
      if (seen.isDoubtful) of.doubted += 1;
      if (isRight(scene, seen)) of.right += 1;
      else if (seen.names.length > 0 && !seen.isDoubtful) of.silent += 1;
    }
  const { drawn, composited, two, odd } = tally;
  const fair = [drawn, composited, two];
  const sum = (key: keyof typeof all, of = fair) => of.reduce((n, t) => n + t[key], 0);
  return [
    atLeast('colour.right', sum('right') / sum('pictures'), 0.9),
    atLeast('colour.twoWhereTwo', two.right / two.pictures, 0.9),
    atMost('colour.silentlyWrong', sum('silent') / sum('pictures'), 0.05),
    atMost('colour.perhapsInFairLight', sum('doubted') / sum('pictures'), 0.35),
    atLeast('colour.perhapsOrRightInOddLight', 1 - odd.silent / odd.pictures, 0.95),
  ];
}

/** Every colour it has, and no other. */
function isRight({ shades }: ColourScene, { names }: SeenColours): boolean {
  return (
    names.length === shades.length &&
    shades.every((shade) => names.some((name) => shade.names.includes(name)))
  );
}
