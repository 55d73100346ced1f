import type { Item } from '@/contract/records';

import { labelCode } from '../identity/code';
import type { KindTree } from '../kinds/tree';

/** Ways to put stock in order. */
export const ORDERS = ['newest', 'oldest', 'title', 'spot', 'dearest', 'cheapest'] as const;
export type SortOrder = (typeof ORDERS)[number];

/**
 * Finds items by any words of theirs: title, code, spot, kind, facts. Each item's text is put together once
 * and again when its record changes, so that a key costs one pass over plain text (20,000 items: a few
 * milliseconds).
 */
export class StockSearch {
  private readonly texts = new WeakMap<Item, string>();

  constructor(private readonly kinds: KindTree) {}

  /**
   * @param query words in any order; all have to be found, in any case, as parts of words
   * @returns those of `items` that match, in the same order
   */
  find(items: readonly Item[], query: string): readonly Item[] {
    const test = this.test(query);
    return test ? items.filter(test) : items;
  }

  /** Whether an item matches; null for a query that says nothing. */
  test(query: string): ((item: Item) => boolean) | null {
    const words = folded(query).split(/\s+/u).filter(Boolean).slice(0, 12);
    if (words.length === 0) return null;
    return (item) => {
      const text = this.textOf(item);
      return words.every((word) => text.includes(word));
    };
  }

  /**
   * Puts texts together ahead of the first search or sorting, some at a time.
   *
   * @returns where to go on; `items.length` when all is done
   */
  prepare(items: readonly Item[], from: number, most: number): number {
    const end = Math.min(items.length, from + most);
    for (const item of items.slice(from, end)) {
      this.textOf(item);
      sortKey(item.title);
      sortKey(item.spot);
    }
    return end;
  }

  private textOf(item: Item): string {
    let text = this.texts.get(item);
    if (text === undefined) {
      text = folded(
        [
          item.title,
          labelCode(item.code, item.spot),
          item.spot,
          this.kinds.pathWords(item.kind),
          ...Object.values(item.facts),
        ].join('\n'),
      );
      this.texts.set(item, text);
    }
    return text;
  }
}

/** Without case and accents, so that "cafe" finds "Café". */
function folded(text: string): string {
  return text.normalize('NFD').replace(/\p{M}/gu, '').toLocaleLowerCase('en');
}

/** Newest first. */
function newest(a: Item, b: Item): number {
  return b.createdAt - a.createdAt || (a.id < b.id ? 1 : -1);
}

/**
 * Items in the order of some value of theirs: those without one come last, whichever way, and equal ones stay
 * the newest first.
 *
 * @param valueOf a figure, a text, or null where there is nothing
 */
export function orderedBy(
  items: readonly Item[],
  valueOf: (item: Item) => string | number | null,
  descending: boolean,
): Item[] {
  const way = descending ? -1 : 1;
  return items
    .map((item) => {
      const value = valueOf(item);
      const key = typeof value === 'string' ? sortKey(value) : value;
      return { item, key: key === '' ? null : key };
    })
    .sort((a, b) => compared(a.key, b.key, way) || newest(a.item, b.item))
    .map(({ item }) => item);
}

function compared(a: string | number | null, b: string | number | null, way: 1 | -1): number {
  if (a === null || b === null) return Number(a === null) - Number(b === null);
  return a < b ? -way : a > b ? way : 0;
}

/** Items in order; those that lack what decides come last, and equal ones stay the newest first. */
export function ordered(items: readonly Item[], order: SortOrder): Item[] {
  switch (order) {
    case 'newest':
      return [...items].sort(newest);
    case 'oldest':
      return [...items].sort((a, b) => -newest(a, b));
    case 'dearest':
    case 'cheapest':
      return orderedBy(items, (t) => t.price, order === 'dearest');
    case 'title':
    case 'spot':
      return orderedBy(items, (t) => t[order], false);
  }
}

/**
 * Asking a collator 300,000 times would stop the page for a second: plain text to compare is kept instead.
 */
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
