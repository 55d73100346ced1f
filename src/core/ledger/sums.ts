import type { Booked } from './booked';
import type { Span } from './period';
import type { Minor } from '../money/money';

/** What happened on one day to the money of one sale. */
export interface Posting {
  /** Milliseconds since 1970. */
  at: number;
  booked: Booked;
  sums: Sums;
}

/**
 * Amounts of some postings; minor units. A sale counts on the day it was sold, and what was given back of it
 * on the day it was given, below zero where it takes back: whatever they are put together by, parts add up to
 * the whole.
 */
export interface Sums {
  /** Sales, and how many of them came to nothing. */
  sold: number;
  undone: number;
  /** Paid for the items. */
  takings: Minor;
  /** Paid by buyers for postage. */
  postage: Minor;
  /** Given back to buyers. */
  given: Minor;
  /** Marketplaces' fees, less those they gave back. */
  fees: Minor;
  /** Posting and packing. */
  sent: Minor;
  /** What was sold had cost. */
  cost: Minor;
  /** Sales whose cost nobody said. */
  costUnknown: number;
  /** Consignors' shares. */
  shares: Minor;
}

export const NO_SUMS: Readonly<Sums> = {
  sold: 0,
  undone: 0,
  takings: 0,
  postage: 0,
  given: 0,
  fees: 0,
  sent: 0,
  cost: 0,
  costUnknown: 0,
  shares: 0,
};
// Of the object right above, which has these and no others.
const NAMES = Object.keys(NO_SUMS) as (keyof Sums)[];

/** What is left of what buyers paid, after what was given back, fees, posting and packing. */
export function takeHome({ takings, postage, given, fees, sent }: Sums): Minor {
  return takings + postage - given - fees - sent;
}

/** What stays: the take-home after consignors' shares and what was sold had cost. */
export function profit(sums: Sums): Minor {
  return takeHome(sums) - sums.shares - sums.cost;
}

/** A sale and what became of it, each on its day. */
export function postingsOf(booked: Booked): Posting[] {
  const { amount, postage, fees, sent, cost, share, soldAt, back, undone } = booked;
  const postings: Posting[] = [
    {
      at: soldAt,
      booked,
      sums: {
        ...NO_SUMS,
        sold: 1,
        takings: amount,
        postage,
        fees,
        sent,
        cost: cost ?? 0,
        costUnknown: cost === null ? 1 : 0,
        shares: share,
      },
    },
  ];
  if (back)
    postings.push({ at: back.at, booked, sums: { ...NO_SUMS, given: back.given, fees: 0 - back.fees } });
  if (undone)
    postings.push({
      at: undone.at,
      booked,
      sums: {
        ...NO_SUMS,
        undone: 1,
        cost: 0 - (cost ?? 0),
        costUnknown: cost === null ? -1 : 0,
        shares: 0 - share,
      },
    });
  return postings;
}

/** The sum of postings. */
export function sumOf(postings: Iterable<Pick<Posting, 'sums'>>): Sums {
  const total: Sums = { ...NO_SUMS };
  for (const { sums } of postings) for (const name of NAMES) total[name] += sums[name];
  return total;
}

/** Those of a span of time, its first moment included, its last not. */
export function within(postings: readonly Posting[], { from, to }: Span): Posting[] {
  return postings.filter(({ at }) => at >= from && at < to);
}

/** Sums by something that each sale has; in the order they came up first. */
export function sumsBy<K>(postings: readonly Posting[], keyOf: (booked: Booked) => K): Map<K, Sums> {
  const by = new Map<K, Sums>();
  for (const { booked, sums } of postings) {
    const key = keyOf(booked);
    let total = by.get(key);
    if (!total) by.set(key, (total = { ...NO_SUMS }));
    for (const name of NAMES) total[name] += sums[name];
  }
  return by;
}
