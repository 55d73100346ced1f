import { group } from 'd3-array';

import type { Mapping } from '@/contract/mapping';
import { planId, type Item, type Plan } from '@/contract/records';
import type { RuleSheet } from '@/contract/ruleSheet';

import { categoryFor, rankCategories, type FoundCategory } from './categories';
import type { KindTree } from '../kinds/tree';

/**
 * Where items of one kind go on one marketplace. `decided`: the person said so, and no listing says
 * otherwise; `sure`: nobody said so yet, and nothing speaks against it; `doubtful`: to be looked at.
 */
export interface KindThere {
  kind: string;
  market: string;
  state: 'decided' | 'sure' | 'doubtful';
  /** Where they go, or would go; null: not known. */
  category: string | null;
  /** What is suggested for the kind; null: nothing is. */
  found: FoundCategory | null;
  /** The items it is about. */
  items: readonly string[];
  /** What listings say for themselves, the most said first. */
  own: readonly { category: string; items: readonly string[] }[];
  /** What may be chosen, the likeliest first. */
  candidates: readonly string[];
}

/** So many are laid side by side. */
const CANDIDATES = 4;
/** So many listings in one category say where a kind goes, though nothing else does. */
const AGREEING = 2;

/**
 * Categories of many items, each kind once a marketplace. Where none of the items is wanted on a marketplace,
 * it is left out; where none is wanted anywhere, all marketplaces are asked for all.
 *
 * @param plans those of the items
 * @param sheets of marketplaces that file items by category; those with records of their own are left out
 */
export function categoriesTogether(
  items: readonly Pick<Item, 'id' | 'kind'>[],
  plans: readonly Plan[],
  sheets: readonly RuleSheet[],
  kinds: KindTree,
  mappings: readonly Mapping[],
): KindThere[] {
  const ofKind = group(
    items.filter((item) => kinds.get(item.kind)),
    (item) => item.kind,
  );
  const planned = new Map(plans.map((plan) => [plan.id, plan]));
  const isAnyWanted = plans.some((plan) => plan.wanted);
  return [...ofKind].flatMap(([kind, those]) =>
    sheets.flatMap((sheet): KindThere[] => {
      if (sheet.records || sheet.categories.length === 0) return [];
      const market = sheet.marketplace;
      const there = those.filter(
        (item) => !isAnyWanted || planned.get(planId(item.id, market))?.wanted === true,
      );
      if (there.length === 0) return [];
      const own = ownOf(there, sheet, planned);
      const found = categoryFor(kind, kinds, sheet, mappings);
      return [
        {
          kind,
          market,
          items: there.map((i) => i.id),
          own,
          found,
          ...judged(sheet, found, own, kind, kinds),
        },
      ];
    }),
  );
}

/** What listings say for themselves, as far as it is still a category there. */
function ownOf(
  items: readonly Pick<Item, 'id'>[],
  sheet: RuleSheet,
  planned: ReadonlyMap<string, Plan>,
): KindThere['own'] {
  const said = new Map<string, string[]>();
  for (const { id } of items) {
    const category = planned.get(planId(id, sheet.marketplace))?.category;
    if (category && isLeaf(sheet, category)) said.set(category, [...(said.get(category) ?? []), id]);
  }
  return [...said]
    .map(([category, ids]) => ({ category, items: ids }))
    .sort((a, b) => b.items.length - a.items.length);
}

function judged(
  sheet: RuleSheet,
  found: FoundCategory | null,
  own: KindThere['own'],
  kind: string,
  kinds: KindTree,
): Pick<KindThere, 'state' | 'category' | 'candidates'> {
  const suggested = found && isLeaf(sheet, found.id) ? found : null;
  const said = own.map((o) => o.category);
  const [only] = said;
  const ranked = rankCategories(kind, kinds, sheet).filter((r) => r.score > 0);
  const candidates = [
    ...new Set([...said, ...(suggested ? [suggested.id] : []), ...ranked.map((r) => r.category.id)]),
  ].slice(0, Math.max(CANDIDATES, said.length));
  if (said.length > 1) return { state: 'doubtful', category: only ?? null, candidates };
  if (suggested?.sureness === 'chosen')
    return only === undefined || only === suggested.id
      ? { state: 'decided', category: suggested.id, candidates }
      : { state: 'doubtful', category: only, candidates };
  const agreed = only ?? suggested?.id ?? null;
  const isSure =
    only === undefined
      ? suggested?.sureness === 'sure'
      : suggested
        ? suggested.id === only
        : (own[0]?.items.length ?? 0) >= AGREEING;
  return { state: isSure ? 'sure' : 'doubtful', category: agreed, candidates };
}

function isLeaf(sheet: RuleSheet, id: string): boolean {
  return sheet.categories.some((c) => c.id === id && c.leaf);
}
