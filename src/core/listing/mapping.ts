import type { Thing } from '@/contract/records';
import type { RuleSheet, SheetCategory } from '@/contract/ruleSheet';

import type { Wear } from '../condition/grade';
import type { KindTree } from '../kinds/tree';
import { answersOf } from '../kinds/values';

/** Our kind, with all below it -> the category that marketplace files it under. A person's choice wins. */
// prettier-ignore
const CATEGORY_OF: Record<string, Record<string, string>> = {
  brackenmoor: {
    clothes: 'wear.tops', jumper: 'wear.knit', cardigan: 'wear.knit', coat: 'wear.outer', suit: 'wear.outer', trousers: 'wear.legs', skirt: 'wear.legs', extras: 'wear.extras',
    footwear: 'wear.feet', bags: 'wear.bags', home: 'house.glass', lighting: 'house.light', kitchen: 'house.kitchen', textiles: 'house.cloth',
    tools: 'bench.hand', camera: 'optics.camera', glasses: 'optics.viewing', books: 'shelf.books', games: 'shelf.puzzles',
  },
  threadwick: {
    clothes: 'tops', jumper: 'knits', cardigan: 'knits', coat: 'outerwear', suit: 'outerwear', trousers: 'bottoms', skirt: 'bottoms', extras: 'finishing',
    footwear: 'footwear', bags: 'carried',
  },
  nearstile: {
    clothes: 'clothing', footwear: 'clothing', bags: 'clothing', jewellery: 'clothing', home: 'indoors', kitchen: 'indoors', lighting: 'indoors', textiles: 'indoors',
    furniture: 'indoors', tools: 'shed', electronics: 'pastimes', books: 'pastimes', music: 'pastimes', games: 'pastimes', collectables: 'pastimes',
    craft: 'pastimes', sport: 'pastimes', instruments: 'pastimes',
  },
};

/** Shades people write -> the plainer colour a list is likely to have, nearest first. */
// prettier-ignore
const COLOUR_WORDS: Record<string, readonly string[]> = {
  navy: ['blue'], indigo: ['blue'], teal: ['blue', 'green'], cream: ['ecru', 'off-white', 'white'],
  ivory: ['ecru', 'white'], rust: ['orange', 'brown'], tan: ['brown'], olive: ['green'], brass: ['gold', 'yellow'],
  charcoal: ['grey'], burgundy: ['red'], multicoloured: ['mixed', 'many colours'], silver: ['grey'], oatmeal: ['ecru', 'beige'],
};

/** The category of the kind itself, or of the nearest kind above it that has one. */
export function suggestedCategory(market: string, kind: string, kinds: KindTree): string | null {
  const path = [...(kinds.get(kind)?.path ?? [kind])].reverse();
  for (const id of path) {
    const category = CATEGORY_OF[market]?.[id];
    if (category) return category;
  }
  return null;
}

export function leafById(sheet: RuleSheet, id: string | null): SheetCategory | undefined {
  return sheet.categories.find((c) => c.id === id && c.leaf);
}

/**
 * A value of ours in the marketplace's words: as it is where text is free; the same word in any case,
 * or a plainer shade, where there is a list.
 *
 * @returns null when nothing on the list means the same: then the person has to choose
 */
export function translate(value: string, choices: readonly string[] | undefined): string | null {
  const bare = value.trim();
  if (bare === '') return null;
  if (!choices) return bare;
  const key = bare.toLocaleLowerCase('en');
  const find = (word: string) => choices.find((c) => c.toLocaleLowerCase('en') === word);
  const exact = find(key);
  if (exact) return exact;
  for (const plainer of COLOUR_WORDS[key] ?? []) {
    const hit = find(plainer);
    if (hit) return hit;
  }
  return null;
}

/** The marketplace's fields for a category, filled from the thing's facts; what can't be said is left out. */
export function specificsFromFacts(category: SheetCategory, facts: Thing['facts']): Record<string, string> {
  const filled: Record<string, string> = {};
  for (const field of category.specifics) {
    const answers = answersOf(facts[field.id] ?? '');
    // A list takes one answer; free text takes them all.
    const value = field.choices
      ? (answers.map((a) => translate(a, field.choices)).find((v) => v !== null) ?? null)
      : translate(answers.join(', '), undefined);
    if (value !== null) filled[field.id] = value;
  }
  return filled;
}

/**
 * The marketplace's condition word for a wear: the best one that still covers it, so never better
 * than the grade allows.
 *
 * @returns null when the marketplace takes nothing that worn
 */
export function conditionWord(sheet: RuleSheet, wear: Wear): RuleSheet['conditions'][number] | null {
  return (
    [...sheet.conditions].sort((a, b) => a.wear - b.wear).find((condition) => condition.wear >= wear) ?? null
  );
}
