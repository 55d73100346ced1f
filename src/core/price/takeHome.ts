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
    const amount = feeOf(rule, sale, parents);
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

function feeOf(rule: FeeRule, sale: SaleTerms, parents: ReadonlyMap<string, string | null>): Minor | null {
  switch (rule.kind) {
    case 'fixed':
      return rule.amount;
    case 'step':
      return sale.price <= rule.upTo ? rule.flat : shareOf(sale.price, rule.bpAbove);
    case 'share': {
      if (rule.categories && !rule.categories.some((c) => isWithin(sale.category, c, parents))) return null;
      const base = rule.of === 'price' ? sale.price : sale.price + sale.postageCharged;
      const share = shareOf(base, rule.bp);
      return rule.cap === undefined ? share : Math.min(share, rule.cap);
    }
  }
}

function isWithin(category: string, branch: string, parents: ReadonlyMap<string, string | null>): boolean {
  let at: string | null | undefined = category;
  for (let depth = 0; at && depth < 20; depth += 1) {
    if (at === branch) return true;
    at = parents.get(at);
  }
  return false;
}

/** The parent of every category of a sheet, for {@link takeHomeOf}. */
export function parentsOf(sheet: RuleSheet): Map<string, string | null> {
  return new Map(sheet.categories.map((c) => [c.id, c.parent]));
}
