import { Mapping, mappingId, type FieldRule } from '@/contract/mapping';
import { planId, type Item } from '@/contract/records';
import type { RuleSheet } from '@/contract/ruleSheet';
import { publicFacts } from '@/core/kinds/publicFacts';
import type { Effective } from '@/core/listing/effective';
import { translate } from '@/core/mapping/values';
import { change, setSettings, useAttic, type Put } from '@/store/attic/attic';

import { planWith } from './items';
import { kindsNow } from './kinds';

function mappingOf(market: string, kind: string): Mapping {
  const id = mappingId(market, kind);
  return useAttic.getState().mappings[id] ?? Mapping.parse({ id, market, kind });
}

function put(record: Mapping, label: string): void {
  change(label, [{ collection: 'mappings', id: record.id, record }]);
}

/** Which category a kind, with all below it, goes to; null gives the question back to the suggestions. */
export function mapKind(market: string, kind: string, category: string | null): void {
  put({ ...mappingOf(market, kind), category }, 'category');
  if (category !== null) noteCategories([{ market, category }]);
}

/** How many that were chosen last are offered first. */
const LAST = 6;

/** Keeps in mind what was chosen, so that it is offered first. */
export function noteCategories(chosen: readonly { market: string; category: string }[]): void {
  const { lastCategories } = useAttic.getState().settings;
  const last = { ...lastCategories };
  for (const { market, category } of chosen)
    last[market] = [category, ...(last[market] ?? []).filter((id) => id !== category)].slice(0, LAST);
  setSettings({ lastCategories: last });
}

/** Where a kind goes on a marketplace, and of which items that was asked. */
export interface CategoryDecision {
  market: string;
  kind: string;
  category: string;
  items: readonly string[];
  /** Only these go there, and not the kind. */
  only?: boolean;
}

/**
 * Decides where kinds go, or only some items, all in one change. What these items said for themselves is
 * given back to their kind, so that one decision holds for all of them.
 */
export function decideCategories(decisions: readonly CategoryDecision[]): void {
  const { plans } = useAttic.getState();
  change(
    'categories',
    decisions.flatMap(({ market, kind, category, items, only }): Put[] => {
      if (only) return items.map((id) => planWith(id, market, { category }));
      const record = { ...mappingOf(market, kind), category };
      const own = items.filter((id) => plans[planId(id, market)]?.category != null);
      return [
        { collection: 'mappings', id: record.id, record },
        ...own.map((id) => planWith(id, market, { category: null })),
      ];
    }),
  );
  noteCategories(decisions);
}

/** How a field of theirs is filled; null: from the fact of the same name again. */
export function mapField(market: string, kind: string, field: string, rule: FieldRule | null): void {
  const before = mappingOf(market, kind);
  const { [field]: _, ...rest } = before.fields;
  put({ ...before, fields: rule ? { ...rest, [field]: rule } : rest }, 'field');
}

/** What a word of ours is called there; null forgets it. */
export function mapValue(
  market: string,
  kind: string,
  field: string,
  ours: string,
  theirs: string | null,
): void {
  const before = mappingOf(market, kind);
  const { [key(ours)]: _, ...rest } = before.values[field] ?? {};
  const words = theirs ? { ...rest, [key(ours)]: theirs } : rest;
  put({ ...before, values: { ...before.values, [field]: words } }, 'word');
}

function key(ours: string): string {
  return ours.trim().toLocaleLowerCase('en');
}

/**
 * What is sent is what the person agreed to: the category of a kind that none was decided for, where it was
 * chosen or is sure, and words chosen from a list for facts of ours, are remembered, so that the next item
 * of the kind asks nothing.
 */
export function learnFrom(
  item: Item,
  { sheet, effective }: { sheet: RuleSheet; effective: Effective },
): void {
  const { mappings, plans } = useAttic.getState();
  const market = sheet.marketplace;
  const learned: Mapping[] = [];
  const own = mappings[mappingId(market, item.kind)];
  // What was only likely stays a question: a wrong shelf sent once must not become the rule.
  const decided = effective.found === null || effective.found.sureness === 'sure';
  if (effective.category && decided && !own?.category && !sheet.records)
    learned.push({ ...mappingOf(market, item.kind), category: effective.category.id });
  const facts = publicFacts(item, kindsNow());
  const chosen = plans[`${item.id}_${market}`]?.specifics ?? {};
  const everywhere = mappingOf(market, '');
  const values = { ...everywhere.values };
  for (const field of effective.category?.specifics ?? []) {
    const ours = facts[field.id] ?? '';
    const theirs = chosen[field.id];
    if (!field.choices || !theirs || ours === '' || ours.includes('\n')) continue;
    if (translate(ours, field.choices) !== null || values[field.id]?.[key(ours)] === theirs) continue;
    values[field.id] = { ...values[field.id], [key(ours)]: theirs };
  }
  if (JSON.stringify(values) !== JSON.stringify(everywhere.values)) learned.push({ ...everywhere, values });
  if (learned.length > 0)
    change(
      'set-up remembered',
      learned.map((record) => ({ collection: 'mappings', id: record.id, record })),
      { ownUndo: true },
    );
}
