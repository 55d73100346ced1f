import { randomBytes } from 'node:crypto';

import { feesFor, type Entry } from './validate';
import type { Hooks } from '../kit/hooks';
import { paidOrder } from '../kit/orders';
import type { Frame } from '../kit/service';

export interface Listing {
  id: string;
  entry: Entry;
  state: 'live' | 'ended' | 'sold';
  listedAt: number;
  order: Order | null;
  /** Of a listing with choices: how many of each piece went. */
  sold?: Record<string, number>;
  /** Of one without: how many went. */
  gone?: number;
}

export interface Order {
  order: string;
  listing: string;
  reference: string;
  paidCents: number;
  postageCents: number;
  feesCents: number;
  soldAt: number;
  piece?: string;
}

/** How many of a piece are left. */
export function left(l: Listing, code: string): number {
  const piece = l.entry.choices?.pieces.find((p) => p.code === code);
  return Math.max(0, (piece?.stock ?? 0) - (l.sold?.[code] ?? 0));
}

/** How many are left of a listing without choices. */
export function leftAlike(l: Listing): number {
  // What was sold before we counted was one.
  return Math.max(0, (l.entry.quantity ?? 1) - (l.gone ?? (l.state === 'sold' ? 1 : 0)));
}

/** Whether it has anything to sell, or would have. */
export function anyLeft(l: Listing): boolean {
  return l.entry.choices ? l.entry.choices.pieces.some((p) => left(l, p.code) > 0) : leftAlike(l) > 0;
}

/** Our service: what all have, and the webhooks it sends. */
export interface Moor extends Frame {
  hooks: Hooks;
}

/** Sells it, or a piece of it, at the price asked or agreed; false when it is gone. */
export async function sell(
  { store, hooks }: Moor,
  l: Listing,
  { code, agreed }: { code?: string; agreed?: number },
): Promise<boolean> {
  const piece = l.entry.choices?.pieces.find((p) => p.code === code);
  if (l.state !== 'live' || (code !== undefined && left(l, code) <= 0)) return false;
  const { postageCents, category, reference } = l.entry;
  const askingCents = agreed ?? piece?.cents ?? l.entry.askingCents;
  const order: Order = {
    order: `BM${randomBytes(5).toString('hex').toUpperCase()}`,
    listing: l.id,
    reference,
    paidCents: askingCents,
    postageCents,
    feesCents: feesFor(category, askingCents, postageCents, {
      promotionPercent: l.entry.promotionPercent,
      secondLine: l.entry.secondLine !== undefined,
      secondCategory: l.entry.secondCategory !== undefined,
    }),
    soldAt: Date.now(),
    ...(code === undefined ? {} : { piece: code }),
  };
  const counted: Listing =
    code === undefined
      ? { ...l, gone: (l.gone ?? 0) + 1 }
      : { ...l, sold: { ...l.sold, [code]: (l.sold?.[code] ?? 0) + 1 } };
  const sold: Listing = { ...counted, state: anyLeft(counted) ? 'live' : 'sold', order };
  await store.write(
    [
      { sort: 'listing', id: l.id, body: sold },
      paidOrder({
        no: order.order,
        ref: reference,
        what: l.entry.headline,
        cents: askingCents,
        postCents: postageCents,
        feeCents: order.feesCents,
        at: order.soldAt,
      }),
      hooks.entry(order.order, { kind: 'sold', ...order }),
    ],
    [order],
  );
  return true;
}
