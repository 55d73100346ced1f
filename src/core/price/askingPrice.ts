import type { FeeSchedule } from '@/contract/ruleSheet';

import { breakpoints, takeHomeOf, unroundedTakeHome, type SaleTerms } from './takeHome';
import { exponentOf, type Minor } from '../money/money';

/** What has to be known to tell a price from what it should bring. */
export interface AskingTerms {
  sale: Omit<SaleTerms, 'price'>;
  schedule: FeeSchedule;
  parents?: ReadonlyMap<string, string | null>;
  /** The marketplace's own limits, both included; minor units. */
  min: Minor;
  max: Minor;
}

/** After so many minor units every share is rounded as before: a basis point is a ten-thousandth. */
const ROUND = 10_000;

/**
 * The least price whose take-home reaches a target.
 *
 * Between two breakpoints the take-home is a straight line but for rounding, and rounding is off by at most
 * half a unit a line. So only the few prices around where that line crosses the target are tried: exact, and
 * quick. Where fees take all, or nearly all, of what is added to the price, the line hardly rises: then no
 * more prices are tried than one round of rounding has, and above them the first price that brings it for
 * certain is taken.
 *
 * @param target minor units
 * @returns null when no price within the marketplace's limits brings as much
 */
export function askingPrice(target: Minor, terms: AskingTerms): Minor | null {
  const { sale, schedule, parents = new Map(), min, max } = terms;
  const at = (price: Minor) => takeHomeOf({ ...sale, price }, schedule, parents).takeHome;
  const line = (price: Minor) => unroundedTakeHome({ ...sale, price }, schedule, parents);
  const off = schedule.rules.length + 1;
  for (const [from, to] of stretches(min, max, breakpoints(schedule, sale.postageCharged))) {
    const first = line(from);
    const last = line(to);
    if (Math.max(first, last) < target - off) continue;
    const slope = to > from ? (last - first) / (to - from) : 0;
    let price = from;
    if (slope > 0 && first < target - off)
      price = Math.min(to, from + Math.max(0, Math.floor((target - off - first) / slope)));
    const tried = Math.min(to, price + ROUND);
    for (; price <= tried; price += 1) {
      if (at(price) >= target) return price;
      // It only falls from here, or will not rise to it before the stretch ends.
      if (slope <= 0 && first + slope * (price - from) < target - off) break;
    }
    if (slope <= 0 || price <= tried) continue;
    price = Math.max(price, from + Math.ceil((target + off - first) / slope));
    if (price <= to && at(price) >= target) return price;
  }
  return null;
}

/** The prices from `min` to `max`, cut after each breakpoint. */
function stretches(min: Minor, max: Minor, breaks: readonly Minor[]): [Minor, Minor][] {
  // A cap begins between two whole prices: the one before and the one after stand on different lines.
  const cuts = [...new Set(breaks.flatMap((b) => [b - 1, b, b + 1]))].filter((b) => b >= min && b < max);
  cuts.sort((a, b) => a - b);
  const parts: [Minor, Minor][] = [];
  let from = min;
  for (const cut of [...cuts, max]) {
    parts.push([from, cut]);
    from = cut + 1;
  }
  return parts.filter(([a, b]) => a <= b);
}

/** How a person likes prices to end, in hundredths of the currency's unit; empty: as they come. */
export type Endings = readonly number[];

/**
 * The first price of a habit, not under the one given, that still brings the target: a fee that jumps may lie
 * between.
 *
 * @returns null when there is none within the limits
 */
export function inHabit(
  price: Minor,
  target: Minor,
  endings: Endings,
  currency: string,
  terms: AskingTerms,
): Minor | null {
  const unit = 10 ** exponentOf(currency);
  const ends = endsIn(endings, unit);
  if (ends.length === 0) return price;
  const { sale, schedule, parents = new Map() } = terms;
  // What does not bring it within so many units of the currency will not bring it by another ending.
  const max = Math.min(terms.max, price + ROUND * unit);
  for (const one of ending(ends, unit, price, max))
    if (takeHomeOf({ ...sale, price: one }, schedule, parents).takeHome >= target) return one;
  return null;
}

/** The first price of a habit that is not under an amount, minor units; the amount itself has to be whole. */
export function upToHabit(amount: Minor, endings: Endings, currency: string): Minor {
  const unit = 10 ** exponentOf(currency);
  const ends = endsIn(endings, unit);
  for (const one of ending(ends, unit, amount, amount + unit)) return one;
  return amount;
}

/** Endings in minor units, the lowest first; none where the currency has no smaller unit. */
function endsIn(endings: Endings, unit: number): number[] {
  if (unit === 1) return [];
  const ends = [...new Set(endings.map((e) => Math.round((e * unit) / 100)))].filter((e) => e < unit);
  return ends.sort((a, b) => a - b);
}

/** Prices that end so, from one to another, both included. */
function* ending(ends: readonly number[], unit: number, from: Minor, to: Minor): Generator<Minor> {
  for (let whole = Math.floor(from / unit) * unit; whole <= to; whole += unit)
    for (const end of ends) if (whole + end >= from && whole + end <= to) yield whole + end;
}

/** A stretch of prices that bring less than a lower one does. */
export interface Dip {
  /** The last price before it, and what that brings. */
  last: Minor;
  brings: Minor;
  /** The first price that brings at least as much again; null: none within the limits. */
  again: Minor | null;
}

/** The dip a price lies in, or would lie in a little above it (a twentieth); null where there is none. */
export function dipAt(price: Minor, terms: AskingTerms): Dip | null {
  const { sale, schedule, parents = new Map(), min, max } = terms;
  const at = (p: Minor) => takeHomeOf({ ...sale, price: p }, schedule, parents).takeHome;
  for (const rule of schedule.rules) {
    if (rule.type !== 'step' || rule.upTo < min || rule.upTo >= max) continue;
    const brings = at(rule.upTo);
    if (at(rule.upTo + 1) >= brings) continue;
    const again = askingPrice(brings, { ...terms, min: rule.upTo + 1 });
    const near = price * 1.05 >= rule.upTo && (again === null || price < again);
    if (near) return { last: rule.upTo, brings, again };
  }
  return null;
}

/** A price inside a dip, and what it would bring. */
export function insideDip(price: Minor, dip: Dip, terms: AskingTerms): { price: Minor; brings: Minor } {
  const { sale, schedule, parents = new Map() } = terms;
  const inside = Math.max(price, dip.last + 1);
  return { price: inside, brings: takeHomeOf({ ...sale, price: inside }, schedule, parents).takeHome };
}
