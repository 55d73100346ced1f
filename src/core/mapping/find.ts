import { distance } from 'fastest-levenshtein';

import type { RuleSheet, SheetCategory } from '@/contract/ruleSheet';

import { rankCategories } from './categories';
import { stemsOf } from '../kinds/stem';
import { findKinds, kinOf } from '../kinds/suggest';
import type { KindTree } from '../kinds/tree';

/** A category that was found for some words, and by what. */
export interface CategoryHit {
  category: SheetCategory;
  /** `number`: its number; `name`: words of its name or of its branch; else the kind that goes there. */
  by: { type: 'number' } | { type: 'name' } | { type: 'kind'; kind: string };
}

/** How well words fit a word of a name: as it is, its beginning, or with a slip. */
const EXACT = 1;
const BEGINS = 0.9;
const SLIPPED = 0.7;
/** A word of a branch above tells less than one of the category's own name. */
const ABOVE = 0.5;
/** What is known of the kinds that are named tells less than the category's name. */
const BY_KIND = 0.75;
/** How much less each further kind that is named tells. */
const FURTHER = 0.85;
/** How likely a category has to be for a kind: only doubtful ones are not offered. */
const LIKELY = 0.5;
/** Longer words were pasted by accident; looking for them would only take time. */
const LONGEST = 200;

/**
 * The categories of a marketplace that some words lead to, the best first: by number, by name, with a slip of
 * the finger or only begun, and by what kind of item the words name, whatever it is called there.
 *
 * @param typed what a person looks for; nothing: nothing is found
 * @returns categories that take listings, at most `most`
 */
export function findCategories(
  typed: string,
  sheet: RuleSheet,
  kinds: KindTree,
  most = 12,
): readonly CategoryHit[] {
  const wanted = typed.slice(0, LONGEST).trim();
  if (wanted === '') return [];
  const found = new Map<string, CategoryHit & { score: number }>();
  const add = (category: SheetCategory, score: number, by: CategoryHit['by']) => {
    const before = found.get(category.id);
    if (!before || before.score < score) found.set(category.id, { category, score, by });
  };
  const number = wanted.toLocaleLowerCase('en');
  const byId = new Map(sheet.categories.map((c) => [c.id, c]));
  const said = wanted.match(/[\p{L}\p{N}]+(?:[’'][\p{L}]+)*/gu) ?? [];
  for (const category of sheet.categories) {
    if (!category.leaf) continue;
    const id = category.id.toLocaleLowerCase('en');
    if (id === number) add(category, 3, { type: 'number' });
    else if (number.length > 1 && id.startsWith(number)) add(category, 2, { type: 'number' });
    const score = fitOf(said, category, byId);
    if (score > 0) add(category, score, { type: 'name' });
  }
  for (const [i, kind] of kindsMeant(wanted, kinds).entries())
    for (const { category, score } of rankCategories(kind, kinds, sheet)) {
      if (score < LIKELY) break;
      add(category, score * BY_KIND * FURTHER ** i, { type: 'kind', kind });
    }
  return [...found.values()]
    .sort((a, b) => b.score - a.score)
    .slice(0, most)
    .map(({ category, by }) => ({ category, by }));
}

/** How well words fit a category's name and those above it, 0 to 1; 0 where one of them is not there. */
function fitOf(
  said: readonly string[],
  category: SheetCategory,
  byId: ReadonlyMap<string, SheetCategory>,
): number {
  if (said.length === 0) return 0;
  const words: [word: string, weight: number][] = wordsOf(category.name).map((w) => [w, 1]);
  for (const above of branchesOf(category, byId))
    words.push(...wordsOf(above.name).map((w): [string, number] => [w, ABOVE]));
  let sum = 0;
  for (const one of said) {
    const forms = wordsOf(one);
    const fits = words.flatMap(([word, weight]) => forms.map((form) => weight * likeness(form, word)));
    const best = Math.max(0, ...fits);
    if (best === 0) return 0;
    sum += best;
  }
  return sum / said.length;
}

/** The branches a category stands below, the nearest first. */
export function branchesOf(
  category: SheetCategory,
  byId: ReadonlyMap<string, SheetCategory>,
): readonly SheetCategory[] {
  const above: SheetCategory[] = [];
  for (let at = category.parent; at !== null;) {
    const branch = byId.get(at);
    // A sheet from outside may say that a branch stands below itself.
    if (!branch || above.includes(branch)) break;
    above.push(branch);
    at = branch.parent;
  }
  return above;
}

function likeness(typed: string, word: string): number {
  if (typed === word) return EXACT;
  if (typed.length > 1 && word.startsWith(typed)) return BEGINS;
  return isSlip(typed, word) ? SLIPPED : 0;
}

/** Words with and without their endings: a slip may stand in either. */
function wordsOf(name: string): string[] {
  return [...new Set([...stemsOf(name), ...(name.toLocaleLowerCase('en').match(/[\p{L}\p{N}]+/gu) ?? [])])];
}

/** Letters wrong, missing, too many or swapped: one of four, two of seven. */
function isSlip(typed: string, word: string): boolean {
  const allowed = typed.length >= 7 ? 2 : typed.length >= 4 ? 1 : 0;
  if (allowed === 0 || Math.abs(typed.length - word.length) > allowed) return false;
  return distance(typed, word) <= allowed || isSwapped(typed, word);
}

/** Two letters beside each other changed places. */
function isSwapped(typed: string, word: string): boolean {
  const at = [...typed].findIndex((letter, i) => letter !== word[i]);
  return (
    typed.length === word.length &&
    at >= 0 &&
    typed.slice(0, at) + typed.charAt(at + 1) + typed.charAt(at) + typed.slice(at + 2) === word
  );
}

/** The kinds some words name; where none, those they name once slips are put right. */
function kindsMeant(typed: string, kinds: KindTree): string[] {
  const named = findKinds(typed, kinds, 4);
  const found = named.length > 0 ? named : findKinds(withoutSlips(typed, kinds), kinds, 4);
  return found.map((k) => k.id);
}

/** The first letter is the one least often wrong. */
const firstOff = (typed: string, word: string) => (typed[0] === word[0] ? 0 : 0.5);

const vocabularies = new WeakMap<KindTree, readonly string[]>();

/** Every word that names a kind, small. */
function vocabularyOf(kinds: KindTree): readonly string[] {
  const known = vocabularies.get(kinds);
  if (known) return known;
  const words = new Set<string>();
  for (const kind of kinds.all)
    for (const name of [kind.name, kind.titleWords, ...kind.alsoCalled, ...kinOf(kind.id)])
      for (const word of name.toLocaleLowerCase('en').match(/\p{L}{3,}/gu) ?? []) words.add(word);
  const all = [...words];
  vocabularies.set(kinds, all);
  return all;
}

/** Words with each that names nothing put right to the nearest that does. */
function withoutSlips(typed: string, kinds: KindTree): string {
  const vocabulary = vocabularyOf(kinds);
  return typed.toLocaleLowerCase('en').replaceAll(/\p{L}{4,}/gu, (word) => {
    if (vocabulary.includes(word)) return word;
    const near = vocabulary
      .filter((known) => isSlip(word, known))
      .map((known) => ({
        known,
        off: (isSwapped(word, known) ? 1 : distance(word, known)) + firstOff(word, known),
      }))
      .sort((a, b) => a.off - b.off);
    return near[0]?.known ?? word;
  });
}
