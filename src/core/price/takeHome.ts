import type { FeeRule, FeeSchedule, RuleSheet } from '@/contract/ruleSheet';

import { shareOf, type Minor } from '../money/money';

export interface FeeLine {
  label: string;
  amount: Minor;
}

export interface TakeHome {
  fees: FeeLine[];
  /** Sum of the fee lines, tax on fees included. */
  feeTotal: Minor;
  /** What posting it costs the seller, and packing it. */
  postageCost: Minor;
  packaging: Minor;
  /** What is left: price + postage charged - fees - postage cost - packaging. May be below zero. */
  takeHome: Minor;
}

export interface SaleTerms {
  price: Minor;
  /** Paid by the buyer on top of the price. */
  postageCharged: Minor;
  postageCost: Minor;
  packaging: Minor;
  /** Category id, for rules that hold for some categories only. */
  category: string;
  /** How long it is up before it sells, days; one period where nothing is said. */
  daysListed?: number;
  /** Listings put up this month before this one, for rules with a free allowance. */
  listedThisMonth?: number;
  /** Paid promotion, basis points; 0 or absent for none. Outside a rule's limits it is brought inside. */
  promotionBp?: number;
  /** Stored and posted by the marketplace. */
  fromDepot?: boolean;
  /** Paid extras by id: for how many days (1 where it is paid once). */
  extras?: Readonly<Record<string, number>>;
}

/**
 * Fees line by line, and what is left for the seller, all in minor units. Each line is rounded half
 * up by itself; tax is taken on the sum of the lines, rounded half up once.
 *
 * @param parents category id -> its parent's id, so that a rule for a branch holds for its leaves
 */
export function takeHomeOf(
  sale: SaleTerms,
  schedule: FeeSchedule,
  parents: ReadonlyMap<string, string | null> = new Map(),
): TakeHome {
  const fees: FeeLine[] = [];
  for (const rule of schedule.rules) {
    const amount = feeOf(rule, sale, parents, shareOf);
    if (amount !== null) fees.push({ label: rule.label, amount });
  }
  const beforeTax = fees.reduce((sum, line) => sum + line.amount, 0);
  if (schedule.taxBp > 0 && beforeTax > 0)
    fees.push({ label: 'Tax on fees', amount: shareOf(beforeTax, schedule.taxBp) });
  const feeTotal = fees.reduce((sum, line) => sum + line.amount, 0);
  return {
    fees,
    feeTotal,
    postageCost: sale.postageCost,
    packaging: sale.packaging,
    takeHome: sale.price + sale.postageCharged - feeTotal - sale.postageCost - sale.packaging,
  };
}

/** The take-home without any rounding: between two {@link breakpoints} a straight line over the price. */
export function unroundedTakeHome(
  sale: SaleTerms,
  schedule: FeeSchedule,
  parents: ReadonlyMap<string, string | null>,
): number {
  let fees = 0;
  for (const rule of schedule.rules) fees += feeOf(rule, sale, parents, (of, bp) => (of * bp) / 10_000) ?? 0;
  const taxed = fees + (fees * schedule.taxBp) / 10_000;
  return sale.price + sale.postageCharged - taxed - sale.postageCost - sale.packaging;
}

/**
 * Prices after which a fee goes another way: a step's end, a tier's end, where a cap or a least amount
 * begins.
 */
export function breakpoints(schedule: FeeSchedule, postageCharged: Minor): Minor[] {
  const of = (base: number, what: 'price' | 'total') =>
    Math.floor(what === 'total' ? base - postageCharged : base);
  return schedule.rules.flatMap((rule) => {
    if (rule.type === 'step') return [rule.upTo];
    if (rule.type === 'tiers')
      return rule.tiers.flatMap((t) => (t.upTo === null ? [] : [of(t.upTo, rule.of)]));
    if (rule.type !== 'share' || rule.bp === 0) return [];
    return [rule.cap, rule.least].flatMap((amount) =>
      amount === undefined ? [] : [of((amount * 10_000) / rule.bp, rule.of)],
    );
  });
}

type Share = (of: number, bp: number) => number;

/** Null where the rule does not hold for this sale. */
function feeOf(
  rule: FeeRule,
  sale: SaleTerms,
  parents: ReadonlyMap<string, string | null>,
  share: Share,
): number | null {
  const base = (of: 'price' | 'total') => (of === 'price' ? sale.price : sale.price + sale.postageCharged);
  const elsewhere = (categories: readonly string[] | undefined) =>
    categories && !categories.some((c) => isWithin(sale.category, c, parents));
  switch (rule.type) {
    case 'fixed':
      return elsewhere(rule.categories) ? null : rule.amount;
    case 'depot':
      return sale.fromDepot ? rule.amount : null;
    case 'step':
      return sale.price <= rule.upTo ? rule.flat : share(sale.price, rule.bpAbove);
    case 'share':
      return elsewhere(rule.categories)
        ? null
        : Math.max(Math.min(share(base(rule.of), rule.bp), rule.cap ?? Infinity), rule.least ?? 0);
    case 'tiers':
      return inTiers(base(rule.of), rule.tiers, share);
    case 'listing': {
      const periods = Math.max(1, Math.ceil((sale.daysListed ?? 1) / rule.days));
      // What is free is the putting up; every further period is paid.
      const paid = (sale.listedThisMonth ?? Infinity) < rule.freeAMonth ? periods - 1 : periods;
      return paid * rule.amount;
    }
    case 'promotion': {
      const wanted = sale.promotionBp ?? 0;
      if (wanted === 0) return null;
      return share(base(rule.of), Math.min(rule.maxBp, Math.max(rule.minBp, wanted)));
    }
    case 'extra': {
      const days = sale.extras?.[rule.id] ?? 0;
      return days === 0 ? null : rule.amount * (rule.by === 'day' ? days : 1);
    }
  }
}

/** Each part of the amount at its own rate; rounded once, on the sum. */
function inTiers(
  amount: number,
  tiers: readonly { upTo: number | null; bp: number }[],
  share: Share,
): number {
  let from = 0;
  let weighed = 0;
  for (const { upTo, bp } of tiers) {
    const to = Math.min(amount, upTo ?? Infinity);
    if (to > from) weighed += (to - from) * bp;
    from = Math.max(from, to);
  }
  return share(weighed, 1);
}

function isWithin(category: string, branch: string, parents: ReadonlyMap<string, string | null>): boolean {
  let at: string | null | undefined = category;
  for (let depth = 0; at && depth < 20; depth += 1) {
    if (at === branch) return true;
    at = parents.get(at);
  }
  return false;
}

/** Laid out once a sheet: a ledger asks it for every sale. */
const laidOut = new WeakMap<RuleSheet, ReadonlyMap<string, string | null>>();

/** The parent of every category of a sheet, for {@link takeHomeOf}. */
export function parentsOf(sheet: RuleSheet): ReadonlyMap<string, string | null> {
  let parents = laidOut.get(sheet);
  if (!parents) {
    parents = new Map(sheet.categories.map((c) => [c.id, c.parent]));
    laidOut.set(sheet, parents);
  }
  return parents;
}
