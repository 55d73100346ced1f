import type { Haul, Item } from '@/contract/records';

import { splitCost } from '../money/split';

/** How far something bought has come; pieces. */
export interface Progress {
  bought: number;
  /** Have a record of their own. */
  taken: number;
  listed: number;
  sold: number;
  /** Bought, with no record of their own yet. */
  waiting: number;
}

/** How far a haul has been worked. */
export interface HaulCount extends Progress {
  lines: (Progress & { id: string; what: string })[];
  /** Taken in, and nobody said of which line. */
  unsaid: number;
}

/** Where an item of a haul stands. */
export type Standing = (item: Item) => { listed: boolean; sold: boolean };

const NOWHERE: Standing = () => ({ listed: false, sold: false });

/** A haul's own items, in the order they came in. */
export function haulItems(haul: Haul, items: readonly Item[]): Item[] {
  return items.filter((t) => t.haulId === haul.id).sort((a, b) => (a.id < b.id ? -1 : 1));
}

/**
 * Counts a haul, line by line. An item of no line is one of the pieces that wait somewhere: only more items
 * than all lines hold were bought besides. Where there is one line all are of it.
 */
export function haulCount(haul: Haul, items: readonly Item[], standing: Standing = NOWHERE): HaulCount {
  const own = items.filter((t) => t.haulId === haul.id);
  const [only, second] = haul.lines;
  const lineOf = (t: Item) =>
    only && !second ? only.id : (haul.lines.find((l) => l.id === t.lineId)?.id ?? null);
  const progress = (of: readonly Item[], waiting: number): Progress => {
    const where = of.map(standing);
    return {
      bought: of.length + waiting,
      taken: of.length,
      listed: where.filter((w) => w.listed && !w.sold).length,
      sold: where.filter((w) => w.sold).length,
      waiting,
    };
  };
  const lines = haul.lines.map(({ id, what, count }) => {
    const of = own.filter((t) => lineOf(t) === id);
    return { id, what, ...progress(of, Math.max(0, count - of.length)) };
  });
  const unsaid = own.filter((t) => lineOf(t) === null).length;
  const waiting = Math.max(0, lines.reduce((sum, l) => sum + l.waiting, 0) - unsaid);
  return { ...progress(own, waiting), lines, unsaid };
}

/**
 * The line that an item which is taken in now belongs to: as was said; the only one there is; else nobody
 * knows.
 */
export function lineFor(haul: Haul, said: string | null): string | null {
  const [only, second] = haul.lines;
  return haul.lines.find((l) => l.id === said)?.id ?? (only && !second ? only.id : null);
}

export interface HaulSplit {
  /** Minor units by item. */
  costs: Map<string, number>;
  /** What the pieces still waiting stand for. */
  waiting: number;
}

/** What one piece of the line an item is of was bought for; null: nobody said. */
function priceEach(haul: Haul, item: Item): number | null {
  const line = lineFor(haul, item.lineId);
  return haul.lines.find((l) => l.id === line)?.each ?? null;
}

/** The price of each piece that waits; those of no line are taken off the lines without one first. */
function waitingPrices(haul: Haul, { lines, waiting }: HaulCount): (number | null)[] {
  const prices = lines.flatMap(({ id, waiting: n }) => {
    const each = haul.lines.find((l) => l.id === id)?.each ?? null;
    return Array.from({ length: n }, () => each);
  });
  return prices.sort((a, b) => Number(a === null) - Number(b === null)).slice(0, waiting);
}

/**
 * Shares of a cost by which pieces with a price of their own come to that price, and the others to their part
 * of the rest; where prices and cost do not fit together, all in proportion.
 */
function priced(cost: number, prices: readonly (number | null)[], shares: readonly number[]): number[] {
  const fixed = prices.reduce<number>((sum, p) => sum + (p ?? 0), 0);
  if (prices.every((p) => p === null)) return [...shares];
  const open = shares.reduce((sum, share, i) => sum + (prices[i] === null ? share : 0), 0);
  const rest = cost - fixed;
  const usual = fixed / prices.filter((p) => p !== null).length;
  return prices.map((p, i) => {
    if (p !== null) return p;
    return rest > 0 && open > 0 ? (rest * (shares[i] ?? 0)) / open : usual;
  });
}

/**
 * Spreads what a haul cost over its items, and over the pieces still waiting, so that the parts add up to it
 * exactly. What was bought at a price a piece keeps that. By weight or price, an item or waiting piece whose
 * own is not known counts as the mean of those
 * known.
 *
 * @param items the haul's own or more; of equal remainders the earlier item gets the left-over unit
 * @param weightOf packed weight in grams
 * @returns null while nobody has said what the haul cost
 */
export function haulSplit(
  haul: Haul,
  items: readonly Item[],
  weightOf: (item: Item) => number,
): HaulSplit | null {
  if (haul.cost === null) return null;
  const own = haulItems(haul, items);
  const count = haulCount(haul, own);
  const known = own.map((t) =>
    haul.splitBy === 'evenly' ? 1 : haul.splitBy === 'weight' ? weightOf(t) : t.price,
  );
  const said = known.filter((w): w is number => w !== null);
  const mean = said.length > 0 ? said.reduce((a, b) => a + b, 0) / said.length : 1;
  const shares = [...known.map((w) => w ?? mean), ...Array.from({ length: count.waiting }, () => mean)];
  const prices = [...own.map((t) => priceEach(haul, t)), ...waitingPrices(haul, count)];
  const parts = splitCost(haul.cost, priced(haul.cost, prices, shares));
  return {
    costs: new Map(own.map((t, i) => [t.id, parts[i] ?? 0])),
    waiting: parts.slice(own.length).reduce((a, b) => a + b, 0),
  };
}
