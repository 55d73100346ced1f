import type { Exam } from '@/contract/records';

import { nameAmong } from './naming';
import type { ColourName } from './shades';
import { LIMITS } from '../picture/judge';
import { labOf, labOfMean, rgbOf, type Lab } from '../pixels/lab';
import { linear, encoded, type Gains } from '../pixels/light';

/** A colour as it is offered: one of the trade's, or that there are many. */
export type SeenColour = ColourName | 'Multicoloured';

export interface SeenColours {
  /** One or two, the larger first; many are one word. None where there is no item to be seen. */
  names: SeenColour[];
  /** In other light, as it may well have been, they would be called otherwise. */
  isDoubtful: boolean;
}

/** Less of the item than this is a print or a button, and no colour of it. */
const SECOND = 0.17;
const THIRD = 0.13;
/** With more names beside it than one, the first has at least this; otherwise they are many colours. */
const FEW = 2;
const TOLD = 0.45;
/** How likely each other light is that may have been, beside the likeliest. */
const LESS = 0.5;

/** The colours of the item in a picture, in the trade's names. */
export function coloursSeen(exam: Exam): SeenColours {
  const light = lightOf(exam);
  const names = namesIn(exam.tones, [
    { gains: light.likely, weight: 1 },
    ...light.possible.map((gains) => ({ gains, weight: LESS })),
  ]);
  const isSame = (gains: Gains) => namesIn(exam.tones, [{ gains, weight: 1 }]).join() === names.join();
  const isCertain = exam.outlined && !light.isOdd && [light.likely, ...light.possible].every(isSame);
  return { names, isDoubtful: names.length > 0 && !isCertain };
}

function namesIn(tones: Exam['tones'], lights: readonly { gains: Gains; weight: number }[]): SeenColour[] {
  const shares = new Map<ColourName, number>();
  for (const { rgb, share } of tones) {
    const name = nameAmong(lights.map(({ gains, weight }) => ({ lab: inLight(rgb, gains), weight })));
    shares.set(name, (shares.get(name) ?? 0) + share);
  }
  const sorted = [...shares].sort(([, one], [, other]) => other - one);
  const [first, ...others] = sorted;
  if (!first) return [];
  if (first[1] < TOLD && others.length >= FEW && (others[FEW - 1]?.[1] ?? 0) >= THIRD)
    return ['Multicoloured'];
  const second = others.find(([, share]) => share >= SECOND);
  return second ? [first[0], second[0]] : [first[0]];
}

function inLight(rgb: readonly [number, number, number], gains: Gains): Lab {
  const [r, g, b] = rgb.map((value, k) =>
    Math.round(Math.min(255, encoded(linear(value) * (gains[k] ?? 1)))),
  );
  return labOf(r ?? 0, g ?? 0, b ?? 0);
}

/** From this L* up a floor is a light one: paper, a wall, a sheet. Under this chroma it may be colourless. */
const LIGHT = 50;
const COLOURLESS = 14;
/** A light floor of such chroma stands in coloured light, or is a coloured one: nobody can tell. */
const ODD = [9, 24] as const;
/** How much of a floor's tint is the light's own, and how much of its darkness: the rest is the floor's. */
const TINT = 0.5;
const SHADE = 0.5;
/** What of that may be otherwise. */
const TINTS = [0.15, 0.85] as const;
const SHADES_OF_PAPER = [0.86, 1.16] as const;
/** What light floors give back, in linear light: common practice for painted walls and paper. */
const PAPER = 0.74;
/** What may be otherwise where nothing tells: warmer or cooler. */
const WARMER: Gains = [1.06, 1, 0.94];
const COOLER: Gains = [0.94, 1, 1.06];
const AS_SEEN: Gains = [1, 1, 1];

/** What the floor says of the light that item and floor lie in. */
function lightOf(exam: Exam): { likely: Gains; possible: Gains[]; isOdd: boolean } {
  const isLost = exam.blown > LIMITS.blown || exam.bright < LIMITS.dark;
  const { ground } = exam;
  if (!ground) return { likely: AS_SEEN, possible: [WARMER, COOLER], isOdd: isLost };
  const [l, a, b] = labOfMean(ground);
  const chroma = Math.hypot(a, b);
  const isOdd = isLost || (l >= LIGHT && chroma > ODD[0] && chroma < ODD[1]);
  if (chroma >= COLOURLESS) return { likely: AS_SEEN, possible: [WARMER, COOLER], isOdd };
  const grey = linear(rgbOf([l, 0, 0])[0]);
  const exposure = l >= LIGHT ? (PAPER / grey) ** SHADE : 1;
  const gains = (tint: number, by: number): Gains => {
    const [r, g, bl] = ground.map((value) => by * (grey / Math.max(1e-3, linear(value))) ** tint);
    return [r ?? 1, g ?? 1, bl ?? 1];
  };
  const [less, more] = TINTS;
  const [darker, lighter] = SHADES_OF_PAPER;
  return {
    likely: gains(TINT, exposure),
    possible: [
      gains(less, exposure),
      gains(more, exposure),
      gains(TINT, exposure * darker),
      gains(TINT, exposure * lighter),
    ],
    isOdd,
  };
}
