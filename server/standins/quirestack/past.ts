import type { Shelf } from '../kit/past';

/** What left these racks before. */
export const SHELVES: Readonly<Record<string, Shelf>> = {
  pages: {
    nouns: ['field guide', 'novel', 'recipe book', 'atlas'],
    cents: 850,
    searched: ['birds', 'estuary', 'illustrated'],
  },
  sound: { nouns: ['record', 'single', 'shanties'], cents: 1_250, searched: ['vinyl', 'lp', 'sea songs'] },
  screen: { nouns: ['film', 'series'], cents: 650, searched: ['boxed', 'documentary'] },
  table: {
    nouns: ['board game', 'card game', 'jigsaw'],
    cents: 1_500,
    searched: ['sealed', 'complete', 'travel'],
  },
};
export const SEED = 4_505;
