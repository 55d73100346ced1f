import type { Span } from './period';
import type { Minor } from '../money/money';

/** What money went in or out for. */
export const CASH_SORTS = ['payout', 'hand', 'bought', 'sent', 'consignor', 'fee'] as const;
export type CashSort = (typeof CASH_SORTS)[number];

/** Money that truly moved on a day: into the till above zero, out of it below. Minor units. */
export interface CashMove {
  at: number;
  sort: CashSort;
  amount: Minor;
}

export interface CashFlow {
  in: Minor;
  out: Minor;
  by: Record<CashSort, Minor>;
}

/** What went in and out within a span of time. `in` less `out` is the sum of all sorts. */
export function cashOf(moves: readonly CashMove[], { from, to }: Span): CashFlow {
  const flow: CashFlow = {
    in: 0,
    out: 0,
    by: { payout: 0, hand: 0, bought: 0, sent: 0, consignor: 0, fee: 0 },
  };
  for (const { at, sort, amount } of moves) {
    if (at < from || at >= to) continue;
    flow.by[sort] += amount;
    if (amount > 0) flow.in += amount;
    else flow.out -= amount;
  }
  return flow;
}
