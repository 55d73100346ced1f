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
  /**
   * What was given back of price and postage, as far as it was said; null: all of it. Of undone orders only.
   */
  given?: Minor | null;
  /** What the marketplace said it gives back of its fees; null: all of them. Of undone orders only. */
  feesBack?: Minor | null;
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

/**
 * What an order should leave: price and postage, less fees; of one that was undone also less what was given
 * back, with the fees that come back. Nothing else was said of it: then all goes back, and nothing is left.
 */
function expectedOf({ amount, postage, fees, undone, given, feesBack }: Expected): Minor | null {
  if (!undone) return fees === null ? null : amount + postage - fees;
  const kept = amount + postage - (given ?? amount + postage);
  // Fees that nobody knew are known to come back where all of them do.
  if (fees === null) return feesBack == null ? kept : null;
  return kept - fees + (feesBack ?? fees);
}

/** Holds what was expected of each order against what the statement says. */
export function reconcileMoney(expected: readonly Expected[], lines: readonly StatementLine[]): Reconciled {
  const byOrder = new Map<string, StatementLine[]>();
  for (const line of lines)
    if (line.sort !== 'payout') byOrder.set(line.order, [...(byOrder.get(line.order) ?? []), line]);
  const sum = (some: readonly StatementLine[]) => some.reduce((total, l) => total + l.amount, 0);
  const orders = expected.map((e): OrderMoney => {
    const mine = byOrder.get(e.order);
    const fees = 0 - sum((mine ?? []).filter((l) => l.sort === 'fee' || l.sort === 'feeBack'));
    const should = expectedOf(e);
    const real = mine ? sum(mine) : null;
    // Money goes back days after the sale: until the statement has that, it says nothing of it.
    const pending = e.undone && !mine?.some((l) => l.sort === 'back') && mine?.some((l) => l.sort === 'sale');
    const off = should === null || real === null || pending ? 0 : real - should;
    const back = e.undone ? (e.feesBack ?? e.fees) : 0;
    return {
      order: e.order,
      expected: should,
      real,
      fees: { expected: e.fees === null || back === null ? null : e.fees - back, real: fees },
      off,
    };
  });
  const known = new Set(expected.map((e) => e.order));
  const earned = sum(lines.filter((l) => l.sort !== 'payout'));
  const paidOut = 0 - sum(lines.filter((l) => l.sort === 'payout'));
  const strange = [...byOrder.keys()].filter((order) => !known.has(order));
  return { orders, strange, earned, paidOut, owed: earned - paidOut };
}
