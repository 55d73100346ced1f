import type { Sale } from '@/contract/courier';
import type { Order, StatementLine } from '@/contract/orders';

import type { Minor } from '../money/money';
import type { TakeHome } from '../price/takeHome';

/** What a sale really left, with where each figure comes from. */
export interface RealMoney {
  fees: Minor;
  feesFrom: 'statement' | 'marketplace' | 'schedule';
  postage: Minor;
  postageFrom: 'label' | 'tariff';
  packaging: Minor;
  /** Given back to the buyer. */
  back: Minor;
  takeHome: Minor;
}

/**
 * Price and postage, less what was really taken and paid: fees by the statement where it is there, else as
 * the marketplace said at the sale, else by its schedule; postage by the label, else by the tariff.
 *
 * @param lines the statement's lines of this order
 */
export function realMoney(
  sale: Sale,
  computed: TakeHome,
  order: Order | null,
  lines: readonly StatementLine[],
): RealMoney {
  const charged = lines.filter((l) => l.sort === 'fee' || l.sort === 'feeBack');
  const fromStatement = charged.length > 0;
  const sum = charged.reduce((total, l) => total - l.amount, 0);
  const given = order?.back?.given ?? (order?.cancelled ? sale.amount + sale.postage : 0);
  const feesBack = order?.back?.feesBack ?? (order?.cancelled ? computed.feeTotal : 0);
  const fees = fromStatement ? sum : computed.feeTotal - feesBack;
  const neverPosted = order?.cancelled != null;
  const postage = order?.label?.cost ?? (neverPosted ? 0 : computed.postageCost);
  const packaging = neverPosted ? 0 : computed.packaging;
  return {
    fees,
    feesFrom: fromStatement ? 'statement' : sale.fees !== null ? 'marketplace' : 'schedule',
    postage,
    postageFrom: order?.label ? 'label' : 'tariff',
    packaging,
    back: given,
    takeHome: sale.amount + sale.postage - fees - postage - packaging - given,
  };
}
