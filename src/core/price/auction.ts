import { NONE, type Coded, type None } from '@/contract/coded';
import type { Comp } from '@/contract/comps';

import { quantile } from './comps';
import type { Minor } from '../money/money';

/** At most ten days, put up again up to three times, then a fixed price a little lower: common practice. */
export const AUCTION_LIMITS = { days: 10, again: 3 } as const;

export interface AuctionPlan {
  opening: Minor;
  /** Bought outright at this; null: bids only. */
  outright: Minor | null;
  days: number;
  /** How often it is put up again unsold. */
  again: number;
  /** The fixed price it becomes then; null: it ends. */
  becomes: Minor | null;
}

/** What may be wrong with a plan. */
export interface AuctionTroubleParams {
  auctionTooLong: { mostDays: number };
  tooOften: { most: number };
  outrightNotAbove: None;
  openingUnderFloor: None;
  becomesUnderFloor: None;
}
export type AuctionTrouble = Coded<AuctionTroubleParams>;

/** What is wrong with a plan; null when nothing is. */
export function auctionTrouble(plan: AuctionPlan, floor: Minor | null): AuctionTrouble | null {
  if (plan.days < 1 || plan.days > AUCTION_LIMITS.days)
    return { code: 'auctionTooLong', params: { mostDays: AUCTION_LIMITS.days } };
  if (plan.again < 0 || plan.again > AUCTION_LIMITS.again)
    return { code: 'tooOften', params: { most: AUCTION_LIMITS.again } };
  if (plan.outright !== null && plan.outright <= plan.opening)
    return { code: 'outrightNotAbove', params: NONE };
  if (floor !== null && plan.opening < floor) return { code: 'openingUnderFloor', params: NONE };
  if (plan.becomes !== null && floor !== null && plan.becomes < floor)
    return { code: 'becomesUnderFloor', params: NONE };
  return null;
}

export interface Estimate {
  /** Chance that it sells at all, 0 to 1. */
  chance: number;
  /** What it sells for when it does; minor units. */
  price: Minor;
  /** Chance times price, before fees: what to compare by. */
  expected: Minor;
}

/**
 * What an asking price may be expected to bring: of all offered at that price or more, the share that sold.
 * An estimate from history, and no more than that; null while there is too little of it.
 */
export function expectFixed(price: Minor, history: readonly Comp[]): Estimate | null {
  // A buyer who paid more would have paid this; a seller who asked less in vain would not have got it.
  const would = history.filter((c) => c.sold && c.price >= price).length;
  const wouldNot = history.filter((c) => !c.sold && c.price <= price).length;
  if (would + wouldNot < 3) return null;
  const chance = would / (would + wouldNot);
  return { chance, price, expected: Math.round(chance * price) };
}

/**
 * What an auction may be expected to bring: it sells when anybody would pay the opening price, at about what
 * the second keenest of a handful would pay (taken as the lower quartile of what was paid above the opening),
 * never under it.
 */
export function expectAuction(plan: AuctionPlan, history: readonly Comp[]): Estimate | null {
  const once = expectFixed(plan.opening, history);
  if (!once) return null;
  const paid = history.filter((c) => c.sold && c.price >= plan.opening).map((c) => c.price);
  const price = Math.min(
    plan.outright ?? Infinity,
    paid.length === 0 ? plan.opening : Math.round(quantile(paid, 0.25)),
  );
  const chance = 1 - (1 - once.chance) ** (plan.again + 1);
  const later = plan.becomes === null ? null : expectFixed(plan.becomes, history);
  const rest = later ? (1 - chance) * later.expected : 0;
  return {
    chance: chance + (later ? (1 - chance) * later.chance : 0),
    price,
    expected: Math.round(chance * price + rest),
  };
}
