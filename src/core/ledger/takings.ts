import type { Sale } from '@/contract/courier';

import type { Minor } from '../money/money';

export interface SaleFigures {
  sale: Sale;
  takeHome: Minor;
  /** What the item cost; null where nobody said. */
  cost: Minor | null;
}

export interface Takings {
  count: number;
  /** Sum of prices paid for the items themselves. */
  turnover: Minor;
  takeHome: Minor;
  /** Take-home less cost, over the sales whose cost is known. */
  profit: Minor;
  costUnknown: number;
}

/** Totals of a list of sales, minor units. */
export function takingsOf(sales: readonly SaleFigures[]): Takings {
  return sales.reduce<Takings>(
    (sum, { sale, takeHome, cost }) => ({
      count: sum.count + 1,
      turnover: sum.turnover + sale.amount,
      takeHome: sum.takeHome + takeHome,
      profit: sum.profit + (cost === null ? 0 : takeHome - cost),
      costUnknown: sum.costUnknown + (cost === null ? 1 : 0),
    }),
    { count: 0, turnover: 0, takeHome: 0, profit: 0, costUnknown: 0 },
  );
}
