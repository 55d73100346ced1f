import type { SearchedWord } from '@/contract/comps';
import type { Item } from '@/contract/records';

import { countAs, type Counting } from './count';
import { mainStuff } from './stuff';
import { publicWords } from '../kinds/publicFacts';
import type { KindTree } from '../kinds/tree';
import { wholePhrase, wholeWord } from '../language/wholeWord';

/** A piece of a title: what it says, where it comes from, and how much it is worth. */
export interface TitlePart {
  /** The fact's id, `kind`, or `search` for a word that buyers look for. */
  from: string;
  text: string;
  weight: number;
}

type Described = Pick<Item, 'facts' | 'kind'>;

/** Room in a title, as the marketplace counts it. */
export interface TitleRoom {
  max: number;
  counts: Counting;
}

/**
 * In the trade's order: brand, who it is for, what it is, searched words, details, colour and size last.
 * Common practice.
 */
const ORDER = [
  'brand',
  'author',
  'department',
  'kind',
  'model',
  'search',
  'decade',
  'material',
  'pattern',
  'metal',
  'stone',
  'format',
  'colour',
  'size',
] as const;
const WEIGHTS: Readonly<Record<string, number>> = {
  kind: 10,
  brand: 9,
  model: 8,
  department: 7,
  author: 6,
  size: 6,
  colour: 5,
  material: 4,
  decade: 3,
  pattern: 3,
  metal: 4,
  stone: 3,
  format: 3,
};
/** Where a branch weighs otherwise. Common practice. */
const BY_BRANCH: Readonly<Record<string, Readonly<Record<string, number>>>> = {
  books: { author: 9, brand: 3, model: 10, kind: 4 },
  music: { author: 9, brand: 3, model: 10, kind: 4, format: 6 },
  footwear: { size: 8 },
  camera: { model: 10, brand: 10, colour: 1 },
  electronics: { model: 10, brand: 10, colour: 1 },
  jewellery: { metal: 7, stone: 6, colour: 2 },
  home: { decade: 6 },
};
/** Searched words a title may take up, and what the most searched of them is worth. */
const MOST_SEARCHED = 4;
const SEARCHED = 5;

/**
 * What a title of this item may be made of, in the order it would be read.
 *
 * @param sought what buyers search for in its category; only words that the record bears out are taken
 */
export function titleParts(
  item: Described,
  kinds: KindTree,
  sought: readonly SearchedWord[] = [],
): TitlePart[] {
  const kind = kinds.get(item.kind);
  const facts = publicWords(item, kinds);
  const branch: Readonly<Record<string, number>> = Object.fromEntries(
    (kind?.path ?? []).flatMap((id) => Object.entries(BY_BRANCH[id] ?? {})),
  );
  const weight = (from: string) => branch[from] ?? WEIGHTS[from] ?? 1;
  const named = kind?.modelIsName && facts.model;
  const text: Partial<Record<(typeof ORDER)[number], string>> = {
    ...facts,
    department: facts.department === 'Unisex' ? '' : facts.department,
    kind: named ? facts.model : (kind?.titleWords ?? ''),
    model: named ? '' : facts.model,
    material: mainStuff(facts.material ?? ''),
    size: facts.size ? `size ${facts.size}` : '',
  };
  const known = sought.filter((s) => isBorneOut(s.word, item, kinds)).slice(0, MOST_SEARCHED);
  const most = Math.max(1, ...known.map((s) => s.count));
  return ORDER.flatMap((from): TitlePart[] =>
    from === 'search'
      ? known.map((s) => ({ from, text: quiet(s.word), weight: (SEARCHED * s.count) / most }))
      : text[from]?.trim()
        ? [
            {
              from,
              text: quiet(text[from].trim()),
              weight: weight(named && from === 'kind' ? 'model' : from),
            },
          ]
        : [],
  );
}

/** Whether the record itself says a word: in a public fact, or as the name its kind goes by in titles. */
export function isBorneOut(word: string, item: Described, kinds: KindTree): boolean {
  const said = [kinds.get(item.kind)?.titleWords, ...Object.values(publicWords(item, kinds))];
  return wholeWord(word, 'iu').test(said.filter(Boolean).join('\n'));
}

/**
 * What items of its kind are called as well, as far as the title does not say it: only a person knows
 * whether this one is one ("gansey" is a jumper, but not every jumper is a gansey), so these are offered and
 * never put in.
 *
 * @returns the most searched first
 */
export function otherNames(
  title: string,
  sought: readonly SearchedWord[],
  item: Described,
  kinds: KindTree,
): SearchedWord[] {
  const kind = kinds.get(item.kind);
  if (!kind) return [];
  const nouns = kind.name.split(/,|\bor\b/u).map((n) => n.trim().toLocaleLowerCase('en'));
  return [...new Set([...kind.alsoCalled, ...nouns])]
    .filter((name) => name !== '' && !wholeWord(name, 'iu').test(title) && !isBorneOut(name, item, kinds))
    .map((word) => ({ word, count: sought.find((s) => s.word.toLocaleLowerCase('en') === word)?.count ?? 0 }))
    .sort((x, y) => y.count - x.count);
}

export interface BuiltTitle {
  title: string;
  weight: number;
  used: readonly TitlePart[];
  left: readonly TitlePart[];
}

/**
 * The heaviest title that fits; no word stands twice, a part with a forbidden word is left out. Of equally
 * heavy ones, the one with more of the earlier parts. Tries all sets of parts, but for those that can no
 * longer be the best.
 */
export function bestTitle(
  parts: readonly TitlePart[],
  room: TitleRoom,
  forbidden: readonly string[] = [],
): BuiltTitle {
  const refused = forbidden.map(wholePhrase);
  const allowed = parts.filter((p) => !refused.some((phrase) => phrase.test(p.text)));
  const rest = allowed.map((_, i) => allowed.slice(i).reduce((sum, p) => sum + p.weight, 0));
  let best: { chosen: TitlePart[]; weight: number } = { chosen: [], weight: 0 };
  const go = (at: number, chosen: TitlePart[], weight: number): void => {
    if (weight > best.weight) best = { chosen, weight };
    const part = allowed[at];
    if (!part || weight + (rest[at] ?? 0) <= best.weight) return;
    const longer = [...chosen, part];
    if (countAs(joined(longer), room.counts) <= room.max) go(at + 1, longer, weight + part.weight);
    go(at + 1, chosen, weight);
  };
  go(0, [], 0);
  return {
    title: joined(best.chosen),
    weight: best.weight,
    used: best.chosen,
    left: parts.filter((p) => !best.chosen.includes(p)),
  };
}

/** The best title from the record's own facts. */
export function titleFromFacts(
  item: Described,
  kinds: KindTree,
  max: number,
  counts: Counting = 'characters',
  sought: readonly SearchedWord[] = [],
  forbidden: readonly string[] = [],
): string {
  return bestTitle(titleParts(item, kinds, sought), { max, counts }, forbidden).title;
}

export interface Buy extends TitlePart {
  /** Characters it takes, the space before it included. */
  cost: number;
  fits: boolean;
}

/** What the next characters of a title could buy: parts it does not say yet, the dearest in weight first. */
export function nextBuys(title: string, parts: readonly TitlePart[], room: TitleRoom): Buy[] {
  const left = room.max - countAs(title, room.counts);
  return parts
    .flatMap((part): Buy[] => {
      const words = wordsOf(part).filter((word) => !wholeWord(word, 'iu').test(title));
      if (words.length === 0) return [];
      const text = words.join(' ');
      const cost = countAs(text, room.counts) + (title === '' ? 0 : 1);
      return [{ ...part, text, cost, fits: cost <= left }];
    })
    .sort((a, b) => b.weight - a.weight);
}

export interface MissingWord extends SearchedWord {
  /** The record bears it out; otherwise it would have to be true first. */
  known: boolean;
}

/** Searched words that a title does not have, the most searched first. */
export function missingWords(
  title: string,
  sought: readonly SearchedWord[],
  item: Described,
  kinds: KindTree,
): MissingWord[] {
  return sought
    .filter((s) => !wholeWord(s.word, 'iu').test(title))
    .map((s) => ({ ...s, known: isBorneOut(s.word, item, kinds) }))
    .sort((a, b) => Number(b.known) - Number(a.known) || b.count - a.count);
}

/** One text of parts, each word once. */
function joined(parts: readonly TitlePart[]): string {
  const seen = new Set<string>();
  return parts
    .flatMap(wordsOf)
    .filter((word) => {
      const key = word.toLocaleLowerCase('en');
      if (word === '' || seen.has(key)) return false;
      seen.add(key);
      return true;
    })
    .join(' ');
}

/** Words of a part; a size, and a share with its per cent, are one: half of them would say something else. */
function wordsOf({ from, text }: Pick<TitlePart, 'from' | 'text'>): string[] {
  return from === 'size' ? [text.trim()] : (text.match(/\d+(?:[.,]\d+)?\s*%|\S+/gu) ?? []);
}

/**
 * Without shouting: words of more than three letters are not all in capitals. Short ones may be
 * abbreviations.
 */
function quiet(text: string): string {
  return text
    .replace(/\p{Lu}[\p{Lu}’'-]{3,}/gu, (word) => word.charAt(0) + word.slice(1).toLocaleLowerCase('en'))
    .replace(/[!]+/gu, '');
}
