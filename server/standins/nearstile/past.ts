import type { Shelf } from '../kit/past';

/**
 * What was on the board before. Dealt means that the seller said so; for how much, nobody knows but what was
 * asked.
 */
export const SHELVES: Readonly<Record<string, Shelf>> = {
  clothing: {
    nouns: ['jumper', 'coat', 'boots', 'bag'],
    cents: 2_200,
    searched: ['winter', 'bundle', 'wool'],
  },
  indoors: {
    nouns: ['lamp', 'vase', 'blanket', 'coffee pot', 'chair'],
    cents: 2_500,
    searched: ['desk lamp', 'table', 'old'],
  },
  shed: { nouns: ['plane', 'saw', 'spade'], cents: 2_000, searched: ['tools', 'garden'] },
  pastimes: {
    nouns: ['camera', 'jigsaw', 'book', 'record'],
    cents: 2_400,
    searched: ['film camera', 'books', 'vinyl'],
  },
  other: { nouns: ['box', 'suitcase', 'oddments'], cents: 1_200, searched: ['job lot'] },
};
export const SEED = 4_303;
