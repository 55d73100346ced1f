import type { Thing } from '@/contract/records';

import type { KindTree } from '../kinds/tree';
import { labelCode } from '../identity/code';

/** Ways to put stock in order. */
export const ORDERS = ['newest', 'oldest', 'title', 'spot', 'dearest', 'cheapest'] as const;
export type Order = (typeof ORDERS)[number];

/**
 * Finds things by any words of theirs: title, code, spot, kind, facts. Each thing's text is put together once and
 * again when its record changes, so that a key costs one pass over plain text (20,000 things: a few milliseconds).
 */
export class StockSearch {
  private readonly texts = new WeakMap<Thing, string>();

  constructor(private readonly kinds: KindTree) {}

  /**
   * @param query words in any order; all have to be found, in any case, as parts of words
   * @returns those of `things` that match, in the same order
   */
  find(things: readonly Thing[], query: string): readonly Thing[] {
    const test = this.test(query);
    return test ? things.filter(test) : things;
  }

  /** Whether a thing matches; null for a query that says nothing. */
  test(query: string): ((thing: Thing) => boolean) | null {
    const words = folded(query).split(/\s+/u).filter(Boolean).slice(0, 12);
    if (words.length === 0) return null;
    return (thing) => {
      const text = this.textOf(thing);
      return words.every((word) => text.includes(word));
    };
  }

  /**
   * Puts texts together ahead of the first search or sorting, some at a time.
   *
   * @returns where to go on; `things.length` when all is done
   */
  prepare(things: readonly Thing[], from: number, most: number): number {
    const end = Math.min(things.length, from + most);
    for (let i = from; i < end; i += 1) {
      const thing = things[i]!;
      this.textOf(thing);
      sortKey(thing.title);
      sortKey(thing.spot);
    }
    return end;
  }

  private textOf(thing: Thing): string {
    let text = this.texts.get(thing);
    if (text === undefined) {
      text = folded(
        [
          thing.title, labelCode(thing.code, thing.spot), thing.spot, this.kinds.pathWords(thing.kind), ...Object.values(thing.facts),
        ].join('\n'),
      ); // prettier-ignore
      this.texts.set(thing, text);
    }
    return text;
  }
}

/** Without case and accents, so that "cafe" finds "Café". */
function folded(text: string): string {
  return text.normalize('NFD').replace(/\p{M}/gu, '').toLocaleLowerCase('en');
}

/** Things in order; those that lack what decides come last, and equal ones stay the newest first. */
export function ordered(things: readonly Thing[], order: Order): Thing[] {
  const newest = (a: Thing, b: Thing) => b.createdAt - a.createdAt || (a.id < b.id ? 1 : -1);
  switch (order) {
    case 'newest':
      return [...things].sort(newest);
    case 'oldest':
      return [...things].sort((a, b) => -newest(a, b));
    case 'dearest':
      return [...things].sort((a, b) => (b.price ?? -1) - (a.price ?? -1) || newest(a, b));
    case 'cheapest':
      return [...things].sort((a, b) => (a.price ?? Infinity) - (b.price ?? Infinity) || newest(a, b));
    case 'title':
    case 'spot':
      return things
        .map((thing) => ({ thing, key: sortKey(thing[order]) }))
        .sort((a, b) => blanksLast(a.key, b.key) || newest(a.thing, b.thing))
        .map(({ thing }) => thing);
  }
}

/** Asking a collator 300,000 times would stop the page for a second: plain text to compare is kept instead. */
const sortKeys = new Map<string, string>();
/** Texts come and go: now and then all are made anew. */
const MOST_KEYS = 100_000;

/** Text that sorts as people sort: without case and accents, figures by their value. */
function sortKey(text: string): string {
  let key = sortKeys.get(text);
  if (key === undefined) {
    if (sortKeys.size > MOST_KEYS) sortKeys.clear();
    key = folded(text).replace(/\d+/gu, (digits) => digits.padStart(12, '0'));
    sortKeys.set(text, key);
  }
  return key;
}

function blanksLast(a: string, b: string): number {
  if (a === '' || b === '') return Number(a === '') - Number(b === '');
  return a < b ? -1 : Number(a > b);
}
