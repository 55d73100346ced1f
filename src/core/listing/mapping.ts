import type { Thing } from '@/contract/records';
import type { RuleSheet, SheetCategory } from '@/contract/ruleSheet';

import type { Wear } from '../condition/grade';

/** Our kind -> the category that marketplace files it under. Starting values; a person's choice wins. */
// prettier-ignore
const CATEGORY_OF: Record<string, Record<string, string>> = {
  brackenmoor: {
    jumper: 'wear.knit', coat: 'wear.outer', trousers: 'wear.legs', shirt: 'wear.tops', scarf: 'wear.extras',
    boots: 'wear.feet', bag: 'wear.bags', lamp: 'house.light', kitchenware: 'house.kitchen', blanket: 'house.cloth',
    vase: 'house.glass', handPlane: 'bench.hand', camera: 'optics.camera', glasses: 'optics.viewing',
    book: 'shelf.books', jigsaw: 'shelf.puzzles',
  },
  threadwick: {
    jumper: 'knits', coat: 'outerwear', trousers: 'bottoms', shirt: 'tops', scarf: 'finishing',
    boots: 'footwear', bag: 'carried',
  },
  nearstile: {
    jumper: 'clothing', coat: 'clothing', trousers: 'clothing', shirt: 'clothing', scarf: 'clothing', boots: 'clothing',
    bag: 'clothing', lamp: 'indoors', kitchenware: 'indoors', blanket: 'indoors', vase: 'indoors',
    handPlane: 'shed', camera: 'pastimes', glasses: 'pastimes', book: 'pastimes', jigsaw: 'pastimes',
  },
};

/** Shades people write -> the plainer colour a list is likely to have, nearest first. */
// prettier-ignore
const COLOUR_WORDS: Record<string, readonly string[]> = {
  navy: ['blue'], indigo: ['blue'], teal: ['blue', 'green'], cream: ['ecru', 'off-white', 'white'],
  ivory: ['ecru', 'white'], rust: ['orange', 'brown'], tan: ['brown'], olive: ['green'], brass: ['gold', 'yellow'],
  charcoal: ['grey'], burgundy: ['red'], multicoloured: ['mixed', 'many colours'], silver: ['grey'], oatmeal: ['ecru', 'beige'],
};

export function suggestedCategory(market: string, kind: string): string | null {
  return CATEGORY_OF[market]?.[kind] ?? null;
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
    const value = translate(facts[field.id] ?? '', field.choices);
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
