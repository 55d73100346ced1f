import { group, median } from 'd3-array';

import type { Booked } from './booked';
import { spanAt } from './period';
import { profit, sumsBy, type Posting, type Sums } from './sums';
import type { Minor } from '../money/money';
import { shareCome, type Observed } from '../statistics/survival';

/** What sales are put together by. */
export const DIMENSIONS = ['market', 'kind', 'brand', 'haul', 'source', 'consignor', 'person'] as const;
export type Dimension = (typeof DIMENSIONS)[number];

/** The id or word that a sale is put together by; empty: it has none. */
export function keyBy(dimension: Dimension): (of: Pick<Booked, Named>) => string {
  switch (dimension) {
    case 'haul':
      return (b) => b.haulId ?? '';
    case 'consignor':
      return (b) => b.ownerId ?? '';
    case 'brand': {
      // However it is written, it is the same brand; of the same writing it is not asked twice.
      const keys = new Map<string, string>();
      return ({ brand }) => {
        let key = keys.get(brand);
        if (key === undefined) keys.set(brand, (key = brand.trim().toLocaleLowerCase('en')));
        return key;
      };
    }
    case 'market':
    case 'kind':
    case 'source':
    case 'person':
      return (b) => b[dimension].trim();
  }
}
export type Named = 'market' | 'kind' | 'brand' | 'haulId' | 'source' | 'ownerId' | 'person';

/** How one part of the sales did. Shares from 0 to 1; null: nothing is known to reckon it from. */
export interface PartFigures {
  key: string;
  sums: Sums;
  /** What stayed, over what it had cost: of sales whose cost is known and above nothing. */
  returnOnCost: number | null;
  /** Days from its being up first to its sale, the middle one. */
  medianDays: number | null;
  /** How many sales that is of. */
  daysOf: number;
  /** Paid for the items, over the prices they began with. */
  reached: number | null;
  /** Sales that came to nothing, of all. */
  cameBack: number | null;
}

const DAY = 86_400_000;

/** Days from its being up first to its sale; null where it is not known since when it was. */
function daysToSell({ listedAt, soldAt }: Pick<Booked, 'listedAt' | 'soldAt'>): number | null {
  return listedAt === null || listedAt > soldAt ? null : (soldAt - listedAt) / DAY;
}

/**
 * Figures of all parts, the largest take-home first.
 *
 * @param postings those of a span of time
 */
export function partFigures(postings: readonly Posting[], dimension: Dimension): PartFigures[] {
  const keyOf = keyBy(dimension);
  const sums = sumsBy(postings, keyOf);
  const known = sumsBy(
    postings.filter(({ booked }) => (booked.cost ?? 0) > 0),
    keyOf,
  );
  const sales = group(
    postings.flatMap(({ booked, sums: of }) => (of.sold === 0 ? [] : [booked])),
    keyOf,
  );
  return [...sums]
    .map(([key, of]) => ({ key, sums: of, ...figuresOf(of, known.get(key), sales.get(key) ?? []) }))
    .sort((a, b) => profit(b.sums) - profit(a.sums) || (a.key < b.key ? -1 : 1));
}

function figuresOf(
  sums: Sums,
  known: Sums | undefined,
  sales: readonly Booked[],
): Omit<PartFigures, 'key' | 'sums'> {
  const days = sales.flatMap((b) => daysToSell(b) ?? []);
  return {
    returnOnCost: known && known.cost > 0 ? profit(known) / known.cost : null,
    medianDays: median(days) ?? null,
    daysOf: days.length,
    reached: reachedOf(sales),
    cameBack: sums.sold > 0 ? sums.undone / sums.sold : null,
  };
}

/** Paid for the items, over the prices they began with, of sales whose first price is known. */
export function reachedOf(sales: readonly Pick<Booked, 'amount' | 'asked'>[]): number | null {
  let [paid, asked]: [Minor, Minor] = [0, 0];
  for (const b of sales)
    if (b.asked !== null && b.asked > 0) {
      paid += b.amount;
      asked += b.asked;
    }
  return asked === 0 ? null : paid / asked;
}

/** One item's time here: since when, and how it ended. */
export interface Stay {
  /** When it was taken in; milliseconds since 1970. */
  from: number;
  /** When it was sold for good; null: it was not. */
  soldAt: number | null;
  /** When it left otherwise; null: it did not. */
  leftAt: number | null;
}

/** Ages that the share sold is told for, days. */
export const AGES = [30, 60, 90, 180] as const;

/** What is known by now of a stay, in days. */
function observed({ from, soldAt, leftAt }: Stay, now: number): Observed {
  const until = soldAt ?? Math.min(leftAt ?? now, now);
  return { time: Math.max(0, (until - from) / DAY), came: soldAt !== null };
}

/** Of some items, the share sold by each of {@link AGES}; null where none has been here for so long. */
export function soldByAge(stays: readonly Stay[], now: number): (number | null)[] {
  return shareCome(
    stays.map((s) => observed(s, now)),
    AGES,
  );
}

/** What came in in one month, and how much of it was sold after so many days. */
export interface Cohort {
  /** First moment of the month; milliseconds since 1970. */
  from: number;
  items: number;
  /** For each of {@link AGES}. */
  byAge: (number | null)[];
}

/** Months that something came in in, the earliest first. */
export function cohorts(stays: readonly Stay[], now: number): Cohort[] {
  const by = group(stays, (stay) => spanAt('month', stay.from, '01-01').from);
  return [...by]
    .sort(([a], [b]) => a - b)
    .map(([from, all]) => ({ from, items: all.length, byAge: soldByAge(all, now) }));
}
