import type { RuleSheet, SheetCategory } from '@/contract/ruleSheet';

import type { Wear } from '../condition/grade';

export function leafById(sheet: RuleSheet, id: string | null): SheetCategory | undefined {
  return sheet.categories.find((c) => c.id === id && c.leaf);
}

/**
 * The marketplace's condition word for a wear: the best one that still covers it, so never better
 * than the grade allows.
 *
 * @param category where some words are only known in some categories
 * @returns null when the marketplace takes nothing that worn
 */
export function conditionWord(
  sheet: RuleSheet,
  wear: Wear,
  category: string | null = null,
): RuleSheet['conditions'][number] | null {
  return (
    sheet.conditions
      .filter((c) => category === null || !c.categories || c.categories.includes(category))
      .sort((a, b) => a.wear - b.wear)
      .find((condition) => condition.wear >= wear) ?? null
  );
}
