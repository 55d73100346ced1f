import type { ConsignorPayment, Order, Statement } from '@/contract/orders';
import { orderId } from '@/contract/orders';
import type { Haul, Item } from '@/contract/records';

import type { Booked } from './booked';
import type { CashMove } from './cash';
import { inStock } from '../choices/choices';

/** What cash is told from. */
export interface CashSources {
  booked: readonly Booked[];
  items: readonly Item[];
  hauls: Readonly<Record<string, Haul>>;
  orders: Readonly<Record<string, Order>>;
  statements: readonly Statement[];
  payments: readonly ConsignorPayment[];
  /** Whether a marketplace pays out by a statement; the others' buyers pay by hand. */
  paysOut: (market: string) => boolean;
}

/** The first moment of a day where the person is. */
const dayOf = (iso: string) => new Date(`${iso}T00:00`).getTime();

/**
 * Money that went in or out: what marketplaces paid out by their statements, what buyers paid by hand, hauls
 * and what was bought alone, labels and packaging, and consignors' payments.
 */
export function cashMoves(sources: CashSources): CashMove[] {
  const { booked, items, hauls, orders, statements, payments, paysOut } = sources;
  const moves: CashMove[] = [];
  const move = (at: number, sort: CashMove['sort'], amount: number) => {
    if (amount !== 0) moves.push({ at, sort, amount });
  };
  for (const { lines } of statements)
    for (const line of lines) if (line.sort === 'payout') move(dayOf(line.day), 'payout', 0 - line.amount);
  for (const b of booked) {
    const label = orders[orderId(b.itemId, b.order)]?.label;
    move(label?.at ?? b.soldAt, 'sent', 0 - b.sent);
    if (paysOut(b.market)) continue;
    move(b.soldAt, 'hand', b.amount + b.postage);
    move(b.soldAt, 'fee', 0 - b.fees);
    if (!b.back) continue;
    move(b.back.at, 'hand', 0 - b.back.given);
    move(b.back.at, 'fee', b.back.fees);
  }
  for (const haul of Object.values(hauls)) move(dayOf(haul.date), 'bought', 0 - (haul.cost ?? 0));
  for (const item of items) {
    // Its cost is a part of its haul's.
    const inHaul = item.haulId !== null && (hauls[item.haulId]?.cost ?? null) !== null;
    if (inHaul || item.ownerId !== null) continue;
    move(
      item.createdAt,
      'bought',
      0 - (item.cost ?? 0) * (item.choices ? Math.max(1, inStock(item.choices)) : 1),
    );
  }
  for (const p of payments) move(p.at, 'consignor', 0 - p.amount);
  return moves;
}
