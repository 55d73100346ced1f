import type { Shelf } from '../kit/past';

/** What hung here before, by shelf. */
export const SHELVES: Readonly<Record<string, Shelf>> = {
  knits: {
    nouns: ['jumper', 'gansey', 'cardigan', 'knit'],
    cents: 2_800,
    searched: ['chunky', 'merino', 'oversized', 'wool'],
  },
  outerwear: {
    nouns: ['coat', 'jacket', 'chore coat'],
    cents: 4_900,
    searched: ['trench', 'waxed', 'workwear'],
  },
  bottoms: {
    nouns: ['trousers', 'cords', 'skirt', 'jeans'],
    cents: 2_400,
    searched: ['wide leg', 'corduroy', 'midi'],
  },
  tops: { nouns: ['shirt', 'blouse', 'dress'], cents: 1_800, searched: ['linen', 'prairie', 'collar'] },
  finishing: { nouns: ['scarf', 'hat', 'belt'], cents: 1_300, searched: ['silk', 'beret'] },
  footwear: {
    nouns: ['boots', 'shoes', 'brogues'],
    cents: 4_000,
    searched: ['chelsea', 'lace up', 'leather'],
  },
  carried: { nouns: ['satchel', 'bag', 'tote'], cents: 3_600, searched: ['leather', 'shoulder'] },
};
export const SEED = 4_202;
