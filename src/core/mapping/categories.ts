import { NONE } from '@/contract/coded';
import type { Mapping } from '@/contract/mapping';
import type { RuleSheet, SheetCategory } from '@/contract/ruleSheet';

import { shelvesOf, type CategoryReason, type Fit, type Shelf } from './shelves';
import type { KindTree } from '../kinds/tree';

export interface RankedCategory {
  category: SheetCategory;
  /** 0 to 1; only for ranking, and suggested from {@link LEAST} on. */
  score: number;
  /** Null where nothing speaks for it. */
  why: CategoryReason | null;
}

/**
 * How sure a category is: `chosen` by the person; `sure`: its name says so; `likely`: look once; `last`:
 * nothing nearer is offered there, and this takes whatever finds no other place.
 */
export type Sureness = 'chosen' | 'sure' | 'likely' | 'last';

/** Below this, nothing is suggested: better a question than a wrong shelf. */
const LEAST = 0.5;
const SCORES: Readonly<Record<Fit, number>> = { sure: 1, likely: 0.6, doubtful: 0.3 };
/** From this on a suggestion is sure. */
const SURE = 0.8;
/** What a shelf loses each time it holds twice as many kinds. */
const BROADER = 0.02;
/** What a person chose for a kind beside it. */
const NEARBY = 0.65;
const REST_SCORE = 0.1;
const REST: CategoryReason = { code: 'rest', params: NONE };
/** Two shelves this close fit equally well: the person says which. */
const AS_GOOD = 0.005;
/** What share of a branch’s kinds must go somewhere for the branch to be likely there. */
const MOST_OF_IT = 0.6;

/**
 * A marketplace's categories for one of our kinds, the likeliest first: by what their names hold; a person's
 * own choices for kinds beside it come before what is only likely.
 *
 * @param learned what the person chose before, for any kind
 */
export function rankCategories(
  kindId: string,
  kinds: KindTree,
  sheet: RuleSheet,
  learned: readonly Mapping[] = [],
): RankedCategory[] {
  const parent = kinds.get(kindId)?.path.at(-2) ?? null;
  const beside = new Set(
    learned
      .filter(
        (m) =>
          m.market === sheet.marketplace &&
          m.kind !== kindId &&
          parent !== null &&
          (kinds.get(m.kind)?.path ?? []).includes(parent),
      )
      .map((m) => m.category),
  );
  let rests = 0;
  return shelvesOf(sheet, kinds)
    .map((shelf): RankedCategory => {
      const { category } = shelf;
      const { score, why } = fitOf(kindId, kinds, shelf);
      if (beside.has(category.id) && score < NEARBY)
        return { category, score: NEARBY, why: { code: 'chosenNearby', params: NONE } };
      if (score > 0 || !shelf.rest) return { category, score, why };
      rests += 1;
      return { category, score: REST_SCORE / rests, why: REST };
    })
    .sort((a, b) => b.score - a.score);
}

/** How well a shelf fits a kind; a branch fits where its kinds do. */
function fitOf(kindId: string, kinds: KindTree, shelf: Shelf): { score: number; why: CategoryReason | null } {
  const found = shelf.fits.get(kindId);
  const broad = BROADER * Math.log2(Math.max(1, shelf.breadth));
  if (found) return { score: SCORES[found.fit] - Math.min(0.09, broad), why: found.why };
  const below = kinds.all.filter((k) => k.path.includes(kindId) && kinds.children(k.id).length === 0);
  const there = below.flatMap((k) => shelf.fits.get(k.id) ?? []).filter(({ fit }) => fit !== 'doubtful');
  const [first] = there;
  if (!first) return { score: 0, why: null };
  const share = there.length / below.length;
  const score = share >= MOST_OF_IT ? SCORES.likely : SCORES.doubtful * share;
  return { score, why: first.why };
}

export interface FoundCategory {
  id: string;
  sureness: Sureness;
  why: CategoryReason;
}

type Found = FoundCategory | null;
/**
 * Ranking is dear, and asked again for every item: what was found holds until tree or choices are others.
 */
const known = new WeakMap<
  RuleSheet,
  { kinds: KindTree; mappings: readonly Mapping[]; found: Map<string, Found> }
>();

/**
 * The category for a kind: as the person chose for it or the nearest kind above it; else the likeliest; null:
 * none is likely, or two are equally so.
 */
export function categoryFor(
  kindId: string,
  kinds: KindTree,
  sheet: RuleSheet,
  mappings: readonly Mapping[],
): Found {
  let here = known.get(sheet);
  if (here?.kinds !== kinds || here.mappings !== mappings) {
    here = { kinds, mappings, found: new Map() };
    known.set(sheet, here);
  }
  let found = here.found.get(kindId);
  if (found === undefined) {
    found = findCategory(kindId, kinds, sheet, mappings);
    here.found.set(kindId, found);
  }
  return found;
}

function findCategory(
  kindId: string,
  kinds: KindTree,
  sheet: RuleSheet,
  mappings: readonly Mapping[],
): Found {
  const path = [...(kinds.get(kindId)?.path ?? [])].reverse();
  for (const kind of path) {
    const own = mappings.find(
      (m) => m.market === sheet.marketplace && m.kind === kind && m.category !== null,
    );
    if (own?.category) return { id: own.category, sureness: 'chosen', why: { code: 'chosen', params: NONE } };
  }
  if (path.length === 0) return null;
  const [best, next] = rankCategories(kindId, kinds, sheet, mappings);
  if (!best) return null;
  const { category, score, why } = best;
  if (score >= LEAST && why) {
    const twoFit = next !== undefined && score - next.score < AS_GOOD;
    return twoFit ? null : { id: category.id, sureness: score >= SURE ? 'sure' : 'likely', why };
  }
  const rest = shelvesOf(sheet, kinds).find((shelf) => shelf.rest);
  return rest ? { id: rest.category.id, sureness: 'last', why: REST } : null;
}
