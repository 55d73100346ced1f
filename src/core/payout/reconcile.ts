import type { StatementLine } from '@/contract/orders';

import type { Minor } from '../money/money';

/** What an order should have brought, as it was told at the sale. */
export interface Expected {
  order: string;
  amount: Minor;
  postage: Minor;
  /** With tax; null where nobody could tell. */
  fees: Minor | null;
  /** Cancelled or sent back. */
  undone: boolean;
}

/** One order against its statement. */
export interface OrderMoney {
  order: string;
  /** Price and postage, less fees, as expected; null where the fees were not known. */
  expected: Minor | null;
  /** As the statement has it; null: it is not there yet. */
  real: Minor | null;
  fees: { expected: Minor | null; real: Minor };
  /** Real less expected; 0 where either is not known. */
  off: Minor;
}

export interface Reconciled {
  orders: OrderMoney[];
  /** Orders the statement has and nobody here knows. */
  strange: string[];
  earned: Minor;
  paidOut: Minor;
  /** Earned and not paid out yet. */
  owed: Minor;
}

/** Holds what was expected of each order against what the statement says. What was undone is expected to bring nothing. */
export function reconcileMoney(expected: readonly Expected[], lines: readonly StatementLine[]): Reconciled {
  const byOrder = new Map<string, StatementLine[]>();
  for (const line of lines)
    if (line.sort !== 'payout') byOrder.set(line.order, [...(byOrder.get(line.order) ?? []), line]);
  const sum = (some: readonly StatementLine[]) => some.reduce((total, l) => total + l.amount, 0);
  const orders = expected.map((e): OrderMoney => {
    const mine = byOrder.get(e.order);
    const fees = 0 - sum((mine ?? []).filter((l) => l.sort === 'fee' || l.sort === 'feeBack'));
    const should = e.undone ? 0 : e.fees === null ? null : e.amount + e.postage - e.fees;
    const real = mine ? sum(mine) : null;
    const off = should === null || real === null || e.undone ? 0 : real - should;
    return {
      order: e.order,
      expected: should,
      real,
      fees: { expected: e.undone ? 0 : e.fees, real: fees },
      off,
    };
  });
  const known = new Set(expected.map((e) => e.order));
  const earned = sum(lines.filter((l) => l.sort !== 'payout'));
  const paidOut = 0 - sum(lines.filter((l) => l.sort === 'payout'));
  const strange = [...byOrder.keys()].filter((order) => !known.has(order));
  return { orders, strange, earned, paidOut, owed: earned - paidOut };
}
