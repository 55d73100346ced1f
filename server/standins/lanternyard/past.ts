import type { Shelf } from '../kit/past';

/** What the shop itself sold before. */
export const SHELVES: Readonly<Record<string, Shelf>> = {
  shop: {
    nouns: ['jumper', 'lamp', 'satchel', 'vase', 'coat'],
    cents: 3_400,
    searched: ['gift', 'brass', 'wool'],
  },
  corner: { nouns: ['oddments', 'box', 'tin'], cents: 1_400, searched: ['small', 'odd'] },
};
export const SEED = 4_606;
