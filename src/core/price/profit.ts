import { NONE, type Coded, type None } from '@/contract/coded';
import type { Owner } from '@/contract/records';

import { shareOf, type Minor } from '../money/money';

export interface Shares {
  consignor: Minor;
  /** What stays with the business; the two always add up to the take-home. */
  ours: Minor;
}

/**
 * A consignor's share of a sale. The tier is the first whose limit is above the price; the share is of what
 * is left after fees, or of the price, and never more than what is left.
 */
export function sharesOf(price: Minor, takeHome: Minor, owner: Pick<Owner, 'tiers' | 'of'> | null): Shares {
  if (!owner || takeHome <= 0) return { consignor: 0, ours: takeHome };
  const tier = owner.tiers.find((t) => t.under === null || price < t.under) ?? owner.tiers.at(-1);
  const base = owner.of === 'beforeFees' ? price : takeHome;
  const consignor = Math.min(takeHome, shareOf(base, tier?.shareBp ?? 0));
  return { consignor, ours: takeHome - consignor };
}

export interface Profit extends Shares {
  /** Ours less the cost; null while the cost is not known. */
  profit: Minor | null;
  /** Price over cost; null where it cost nothing or nobody said. */
  timesCost: number | null;
}

export function profitOf(
  price: Minor,
  takeHome: Minor,
  cost: Minor | null,
  owner: Pick<Owner, 'tiers' | 'of'> | null,
): Profit {
  const shares = sharesOf(price, takeHome, owner);
  return {
    ...shares,
    profit: cost === null ? null : shares.ours - cost,
    timesCost: cost === null || cost === 0 ? null : price / cost,
  };
}

/**
 * The most to pay for something in the field: what it would bring, divided so that the price is a multiple of
 * the cost.
 *
 * @param price what it would sell for
 * @param takeHome what that leaves
 * @returns 0 where it is not worth having for nothing
 */
export function mayPay(price: Minor, takeHome: Minor, multiple: number): Minor {
  return Math.max(0, Math.min(Math.floor(price / multiple), takeHome));
}

/** Why so much, or no, promotion; how many of the brand sold lately. */
export interface PromotionReasonParams {
  wellKnown: { sales: number };
  noneSold: None;
  fewSold: { sales: number };
}
export type PromotionReason = Coded<PromotionReasonParams>;

/**
 * Promotion in basis points and why: none for brands that sell by themselves, the least there is for others.
 * Common practice.
 */
export function promotionAdvice(
  brandSales: number,
  sellThrough: number | null,
  leastBp: number,
): { bp: number; why: PromotionReason } {
  const known = brandSales >= 12 && (sellThrough ?? 0) >= 0.5;
  if (known) return { bp: 0, why: { code: 'wellKnown', params: { sales: brandSales } } };
  return brandSales === 0
    ? { bp: leastBp, why: { code: 'noneSold', params: NONE } }
    : { bp: leastBp, why: { code: 'fewSold', params: { sales: brandSales } } };
}
