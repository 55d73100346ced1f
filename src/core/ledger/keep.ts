import type { Minor } from '../money/money';
import { bootstrapMean, seeded, wilson, type Interval } from '../statistics/interval';

/** One listing of an item at a marketplace, and what came of it. Minor units. */
export interface Tried {
  market: string;
  /** When it was up there first; milliseconds since 1970. */
  listedAt: number;
  /** What it left where it was sold there for good; null: it was not. */
  left: Minor | null;
  soldAt: number | null;
}

/** How a marketplace did with some kinds. */
export interface Keep {
  market: string;
  /** Listings whose time is over, however they ended. */
  listings: number;
  /** How many of them sold there in that time, for good. */
  sales: number;
  /** The share of them sold there within that time; null: there was none. */
  sold: Interval | null;
  /** What each of them left on average, those that did not sell there with nothing; null: there was none. */
  left: Interval | null;
  /** So few sales that neither says much. */
  few: boolean;
}

/** How long a listing is given to sell, days. */
export const TIME_GIVEN = 60;
/** Under so many sales an interval says little. */
export const FEW_SALES = 8;
const DAY = 86_400_000;

/** Listings at one marketplace whose time is over. */
export interface Matured {
  market: string;
  listings: number;
  /** What those left that sold there in time. */
  left: Minor[];
}

/** Listings by marketplace, those alone that were put up long enough ago. */
export function matured(tried: readonly Tried[], now: number): Matured[] {
  const time = TIME_GIVEN * DAY;
  const by = new Map<string, Matured>();
  for (const { market, listedAt, soldAt, left } of tried) {
    let there = by.get(market);
    if (!there) by.set(market, (there = { market, listings: 0, left: [] }));
    if (now - listedAt < time) continue;
    there.listings += 1;
    if (soldAt !== null && soldAt - listedAt <= time) there.left.push(left ?? 0);
  }
  return [...by.values()];
}

/**
 * Marketplaces held against each other by listings of the same kinds: the share that sold there within
 * {@link TIME_GIVEN} days (Wilson score interval), and what a listing left on average (bootstrap percentile
 * interval), both with 95 % confidence. What was put up later counts for neither, sold or not: of those only
 * the quick ones would be known.
 *
 * @returns the one that left the most first
 */
export function keepsOf(all: readonly Matured[]): Keep[] {
  return all
    .map(keepOf)
    .sort(
      (a, b) => (b.left?.value ?? -Infinity) - (a.left?.value ?? -Infinity) || (a.market < b.market ? -1 : 1),
    );
}

function keepOf({ market, listings, left }: Matured): Keep {
  const nothing = new Array<number>(listings - left.length).fill(0);
  return {
    market,
    listings,
    sales: left.length,
    sold: listings > 0 ? wilson(left.length, listings) : null,
    left: listings > 0 ? bootstrapMean([...left, ...nothing], seeded(listings)) : null,
    few: left.length < FEW_SALES,
  };
}

/** Whether one earns more than another beyond doubt: their intervals do not touch. */
export function isSurelyMore(a: Interval, b: Interval): boolean {
  return a.low > b.high;
}
