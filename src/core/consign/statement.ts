import type { ConsignorPayment } from '@/contract/orders';
import type { Owner } from '@/contract/records';

import type { Minor } from '../money/money';
import { sharesOf } from '../price/profit';

/** A sale of a consignor's item. */
export interface ConsignedSale {
  order: string;
  what: string;
  code: string;
  market: string;
  at: number;
  price: Minor;
  /** What was left after fees and postage. */
  takeHome: Minor;
  /** It came back or was cancelled, and when. */
  undoneAt: number | null;
}

export interface ConsignorLine {
  at: number;
  sort: 'sold' | 'cameBack' | 'paid';
  what: string;
  code: string;
  market: string;
  price: Minor;
  /** Fees and postage between the price and what was left. */
  costs: Minor;
  /** Theirs: positive for what they earn, negative for what was paid or taken back. */
  amount: Minor;
  /** What is owed to them after this line. */
  balance: Minor;
}

export interface ConsignorStatement {
  /** Owed before the first day. */
  before: Minor;
  lines: ConsignorLine[];
  sold: Minor;
  earned: Minor;
  paid: Minor;
  /** Owed after the last day. */
  after: Minor;
}

/**
 * What a consignor is owed and why, line by line. A sale that came to nothing stays, with a line that takes
 * it back on the day it did.
 *
 * @param from first moment of the statement; what came before is in `before`
 * @param to first moment after it
 */
export function consignorStatement(
  owner: Pick<Owner, 'tiers' | 'of'>,
  sales: readonly ConsignedSale[],
  payments: readonly Pick<ConsignorPayment, 'amount' | 'at' | 'note'>[],
  from: number,
  to: number,
): ConsignorStatement {
  const all: Omit<ConsignorLine, 'balance'>[] = [];
  for (const s of sales) {
    const amount = sharesOf(s.price, s.takeHome, owner).consignor;
    const costs = s.price - s.takeHome;
    const line = { what: s.what, code: s.code, market: s.market, price: s.price, costs };
    all.push({ ...line, at: s.at, sort: 'sold', amount });
    if (s.undoneAt !== null)
      all.push({
        ...line,
        at: s.undoneAt,
        sort: 'cameBack',
        price: -s.price,
        costs: -costs,
        amount: -amount,
      });
  }
  for (const p of payments)
    all.push({
      at: p.at,
      sort: 'paid',
      what: p.note,
      code: '',
      market: '',
      price: 0,
      costs: 0,
      amount: -p.amount,
    });
  all.sort((a, b) => a.at - b.at);
  const sum = (some: readonly { amount: Minor }[]) => some.reduce((total, l) => total + l.amount, 0);
  const before = sum(all.filter((l) => l.at < from));
  let balance = before;
  const lines = all
    .filter((l) => l.at >= from && l.at < to)
    .map((l) => ({ ...l, balance: (balance += l.amount) }));
  return {
    before,
    lines,
    sold: lines.reduce((total, l) => total + l.price, 0),
    earned: sum(lines.filter((l) => l.sort !== 'paid')),
    paid: 0 - sum(lines.filter((l) => l.sort === 'paid')),
    after: balance,
  };
}
