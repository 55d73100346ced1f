import type { Mapping } from '@/contract/mapping';
import type { RuleSheet, SheetCategory } from '@/contract/ruleSheet';

import type { KindTree } from '../kinds/tree';
import { takesIn } from './thesaurus';

export interface RankedCategory {
  category: SheetCategory;
  /** 0 to about 1; under {@link LEAST} it is not suggested. */
  score: number;
  /** Why, in words for a person. */
  why: string;
}

/** Below this, nothing is suggested: better a question than a wrong shelf. */
const LEAST = 0.12;
/** Words that take whatever finds no other place. */
const REST = new Set(['rest', 'else', 'anything', 'other', 'odd', 'shop', 'all']);
const REST_SCORE = { first: 0.13, further: 0.125 };
/** What a person's choice for a kind nearby adds. */
const NEARBY = 0.5;

interface Term {
  word: string;
  weight: number;
}

/**
 * A marketplace's categories for one of our kinds, the likeliest first: words in common, or words that stand for the
 * same, over both trees; a person's own choices for kinds nearby count more than words.
 *
 * @param learned what the person chose before, for any kind
 */
export function rankCategories(
  kindId: string,
  kinds: KindTree,
  sheet: RuleSheet,
  learned: readonly Mapping[] = [],
): RankedCategory[] {
  const terms = termsOfKind(kindId, kinds);
  const parent = kinds.get(kindId)?.path.at(-2) ?? null;
  const byId = new Map(sheet.categories.map((c) => [c.id, c]));
  const near = learned.filter(
    (m) =>
      m.market === sheet.marketplace &&
      m.category !== null &&
      m.kind !== kindId &&
      parent !== null &&
      (kinds.get(m.kind)?.path ?? []).includes(parent),
  );
  let rests = 0;
  return sheet.categories
    .filter((category) => category.leaf)
    .map((category): RankedCategory => {
      const words = wordsOf(category.name);
      const above = category.parent ? wordsOf(byId.get(category.parent)?.name ?? '') : [];
      const own = likeness(terms, words);
      const branch = likeness(terms, above);
      const fallback = words.some((w) => REST.has(w)) ? (rests++ === 0 ? REST_SCORE.first : REST_SCORE.further) : 0;
      const chosen = near.filter((m) => m.category === category.id).length;
      const score = Math.max(0.8 * own.score + 0.2 * branch.score, fallback) + (chosen > 0 ? NEARBY : 0);
      const why =
        chosen > 0
          ? 'you chose it for things like it'
          : own.score > 0
            ? close(own)
            : branch.score > 0
              ? close(branch)
              : fallback > 0
                ? 'takes whatever finds no other place'
                : '';
      return { category, score, why };
    })
    .sort((a, b) => b.score - a.score);
} // prettier-ignore

const close = ({ ours, theirs }: { ours: string; theirs: string }) =>
  ours === theirs ? `“${ours}” is in its name` : `“${ours}” is close to “${theirs}”`;

type Found = { id: string; confirmed: boolean; why: string } | null;
/** Ranking two trees is dear, and asked again for every thing: what was found holds until tree or choices are others. */
const known = new WeakMap<RuleSheet, { kinds: KindTree; mappings: readonly Mapping[]; found: Map<string, Found> }>(); // prettier-ignore

/** The category for a kind: as the person chose for it or the nearest kind above it; else the likeliest; null: none is likely. */
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
    if (own?.category) return { id: own.category, confirmed: true, why: 'as you chose' };
  }
  if (path.length === 0) return null;
  const best = rankCategories(kindId, kinds, sheet, mappings)[0];
  return best && best.score >= LEAST ? { id: best.category.id, confirmed: false, why: best.why } : null;
}

/** Words that a kind goes by: its own count most, those of the branches above it less the further up they are. */
function termsOfKind(kindId: string, kinds: KindTree): Term[] {
  const path = [...(kinds.get(kindId)?.path ?? [])].reverse();
  return path.flatMap((id, up) => {
    const kind = kinds.get(id);
    if (!kind) return [];
    const weight = [1, 0.55, 0.35][up] ?? 0.25;
    return [
      ...wordsOf(kind.name).map((word) => ({ word, weight })),
      ...wordsOf(kind.titleWords ?? '').map((word) => ({ word, weight })),
      ...(kind.alsoCalled ?? []).flatMap((name) => wordsOf(name).map((word) => ({ word, weight: weight * 0.6 }))),
    ];
  });
} // prettier-ignore

const EMPTY = new Set(['and', 'or', 'the', 'for', 'of', 'to', 'in', 'a', 'low', 'part', 'things', 'pieces']);

function wordsOf(name: string): string[] {
  return name
    .toLocaleLowerCase('en')
    .split(/[^\p{L}’'-]+/u)
    .filter((word) => word !== '' && !EMPTY.has(word));
}

/** How close the kind's words come to a category's: the best pair, and a little for each further one. */
function likeness(terms: readonly Term[], words: readonly string[]) {
  let best = { score: 0, ours: '', theirs: '' };
  let sum = 0;
  for (const theirs of words) {
    let here = { score: 0, ours: '' };
    for (const { word, weight } of terms) {
      const score = weight * takesIn(theirs, word);
      if (score > here.score) here = { score, ours: word };
    }
    sum += here.score;
    if (here.score > best.score) best = { ...here, theirs };
  }
  return { ...best, score: Math.min(1, best.score * 0.9 + (sum - best.score) * 0.1) };
}
