import type { Sale } from '@/contract/courier';
import type { Order, StatementLine } from '@/contract/orders';

import type { Minor } from '../money/money';
import type { TakeHome } from '../price/takeHome';

/** What a sale really left, with where each figure comes from. */
export interface RealMoney {
  fees: Minor;
  feesFrom: 'statement' | 'marketplace' | 'schedule';
  /** Of the fees given back; `fees` is what is left of them. */
  feesBack: Minor;
  postage: Minor;
  postageFrom: 'label' | 'tariff';
  packaging: Minor;
  /** Given back to the buyer. */
  back: Minor;
  takeHome: Minor;
}

/** What an order's record says about money. */
export type OrderMoney = Pick<Order, 'label' | 'cancelled' | 'back'>;

/**
 * Price and postage, less what was really taken, paid and given back: fees and what was given back by the
 * statement where it is there, else as the marketplace said at the sale and the person since, else by its
 * schedule; postage by the label, else by the tariff.
 *
 * @param lines the statement's lines of this order
 */
export function realMoney(
  sale: Sale,
  computed: TakeHome,
  order: OrderMoney | null,
  lines: readonly StatementLine[],
): RealMoney {
  const stated = (sort: StatementLine['sort']) => {
    const of = lines.filter((l) => l.sort === sort);
    return of.length === 0 ? null : of.reduce((total, l) => total + l.amount, 0);
  };
  const [fee, feeBack, paidBack] = [stated('fee'), stated('feeBack'), stated('back')];
  const fromStatement = fee !== null || feeBack !== null;
  const neverPosted = order?.cancelled != null;
  const back =
    paidBack === null ? (order?.back?.given ?? (neverPosted ? sale.amount + sale.postage : 0)) : -paidBack;
  const saidBack = order?.back?.feesBack ?? (neverPosted ? computed.feeTotal : 0);
  const feesBack = fromStatement ? (feeBack ?? 0) : saidBack;
  const fees = (fromStatement ? -(fee ?? 0) : computed.feeTotal) - feesBack;
  const postage = order?.label?.cost ?? (neverPosted ? 0 : computed.postageCost);
  const packaging = neverPosted ? 0 : computed.packaging;
  return {
    fees,
    feesFrom: fromStatement ? 'statement' : sale.fees !== null ? 'marketplace' : 'schedule',
    feesBack,
    postage,
    postageFrom: order?.label ? 'label' : 'tariff',
    packaging,
    back,
    takeHome: sale.amount + sale.postage - fees - postage - packaging - back,
  };
}
