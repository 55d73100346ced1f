import { CATEGORIES, SHEET } from './sheet';
import type { Entry } from './validate';
import { dice } from '../kit/dice';
import { pngOf } from '../kit/png';

/** What somebody else offers here. */
export interface Other {
  no: string;
  seller: string;
  offer: Pick<
    Entry,
    'headline' | 'text' | 'askingCents' | 'postageCents' | 'category' | 'condition' | 'attributes'
  >;
  tint: readonly [number, number, number];
}

const SELLERS = ['Wren & Daughter', 'The Long Shelf', 'Hobb’s Hoard', 'Tinder Row', 'Second Orchard'];
const MAKERS = [
  'Kittiwake Mills',
  'Ostler',
  'Marrow & Pike',
  'Drumlin Mill',
  'Vantrell',
  'Hobley Lamp Works',
];
const NOUNS: Readonly<Record<string, readonly string[]>> = {
  'wear.knit': ['gansey jumper', 'cardigan', 'jumper'],
  'wear.outer': ['chore coat', 'waxed jacket'],
  'wear.legs': ['cord trousers', 'wool skirt'],
  'wear.tops': ['linen shirt', 'blouse'],
  'wear.extras': ['scarf', 'felt hat'],
  'wear.feet': ['walking boots', 'brogues'],
  'wear.bags': ['school satchel', 'suitcase'],
  'house.light': ['desk lamp', 'hand lantern'],
  'house.kitchen': ['coffee pot', 'enamel kettle'],
  'house.cloth': ['striped blanket', 'quilt'],
  'house.glass': ['pressed glass vase', 'jug'],
  'bench.hand': ['smoothing plane', 'tenon saw'],
  'optics.camera': ['folding camera', 'plate camera'],
  'optics.viewing': ['opera glasses', 'binoculars'],
  'shelf.books': ['field guide', 'recipe book'],
  'shelf.puzzles': ['wooden jigsaw', 'board game'],
};
/** What things of a branch are made of, by words of our list. */
const STUFF: Readonly<Record<string, readonly string[]>> = {
  wear: ['Wool', 'Cotton', 'Linen', 'Leather'],
  house: ['Brass', 'Glass', 'Wood', 'China'],
};
const WORDS: Readonly<Record<string, readonly string[]>> = {
  size: ['S', 'M', 'L', '40', '42'],
  model: ['No. 4', 'Traveller', 'Fireside'],
  author: ['E. Farrowdale', 'M. Tansy'],
  pieces: ['200', '500'],
};
const TINTS: readonly (readonly [string, readonly [number, number, number]])[] = [
  ['Blue', [52, 74, 122]],
  ['Green', [70, 96, 66]],
  ['Brown', [118, 84, 56]],
  ['Red', [146, 58, 52]],
  ['Grey', [128, 128, 126]],
];
const STORIES = ['From a house in the hills.', 'Long kept in a chest.'];
/** Offers on each leaf. */
const EACH = 6;

/** The same every day. */
function offered(): Other[] {
  const roll = dice(4_711);
  const one = <T>(list: readonly T[]): T => list[Math.floor(roll() * list.length)]!; // none is empty
  const leaves = CATEGORIES.filter((c) => c.leaf);
  return leaves.flatMap(({ id: category, specifics }, at) =>
    Array.from({ length: EACH }, (_, i): Other => {
      const [colour, tint] = one(TINTS);
      const noun = one(NOUNS[category] ?? ['find']);
      const maker = one(MAKERS);
      const known: Readonly<Record<string, string>> = {
        brand: maker,
        colour,
        material: one(STUFF[category.split('.')[0] ?? ''] ?? ['Wood']),
      };
      const attributes = Object.fromEntries(
        specifics.map((s) => [s.id, known[s.id] ?? one(s.choices ?? WORDS[s.id] ?? [noun])]),
      );
      return {
        no: `o${(at + 1) * 100 + i}`,
        seller: one(SELLERS),
        offer: {
          headline: `${maker} ${noun}, ${colour.toLowerCase()}`,
          text: `A ${noun} by ${maker}, looked over by us. ${one(STORIES)}`,
          askingCents: 800 + Math.floor(roll() * 90) * 100,
          postageCents: 490,
          category,
          condition: one(SHEET.conditions).code,
          attributes,
        },
        tint,
      };
    }),
  );
}

export const OTHERS: readonly Other[] = offered();

const SIDE = 640;
const GROUND = [222, 216, 204];

/** Its picture: something in its colour on a pale ground; always the same. */
export function pictureOf({ no, tint }: Other): Uint8Array<ArrayBuffer> {
  const roll = dice(Number(no.slice(1)));
  const [halfWide, halfHigh] = [SIDE * (0.18 + 0.16 * roll()), SIDE * (0.18 + 0.16 * roll())];
  const data = new Uint8Array(3 * SIDE * SIDE);
  for (let y = 0, p = 0; y < SIDE; y += 1) {
    const shaded = tint.map((t) => Math.round(t * (1 - 0.25 * (y / SIDE))));
    for (let x = 0; x < SIDE; x += 1, p += 3) {
      const inside = ((x - SIDE / 2) / halfWide) ** 4 + ((y - SIDE / 2) / halfHigh) ** 4 < 1;
      data.set(inside ? shaded : GROUND, p);
    }
  }
  return pngOf({ width: SIDE, height: SIDE, data });
}
