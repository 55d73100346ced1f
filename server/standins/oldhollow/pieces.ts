import { randomInt } from 'node:crypto';

import { keeps } from './fees';
import type { Piece } from './validate';
import type { Hooks } from '../kit/hooks';
import { paidOrder } from '../kit/orders';
import type { Frame } from '../kit/service';

export interface Bid {
  who: string;
  cents: number;
  at: number;
}

/** A piece put up here, from the first day to the last. */
export interface Standing {
  ref: string;
  piece: Piece;
  status: 'shown' | 'sold' | 'taken away' | 'lapsed';
  since: number;
  /** When the auction round or the paid place ends. */
  until: number;
  /** An auction that is over: it costs this now. */
  fixedCents: number | null;
  round: number;
  bids: Bid[];
  sale: { number: string; cents: number; kept: number; at: number } | null;
}

/** Our service: what all have, and the tidings it sends. */
export interface Hollow extends Frame {
  hooks: Hooks;
}

/** Days a place that was paid for lasts. */
export const PLACE_DAYS = 90;

/** Whether people bid for it just now. */
export function inAuction(s: Standing): boolean {
  return s.piece.auction !== null && s.fixedCents === null;
}

/** What it costs just now. */
export function askedFor(s: Standing): number {
  return (
    s.fixedCents ?? (s.piece.auction ? (s.bids.at(-1)?.cents ?? s.piece.auction.openCents) : s.piece.cents)
  );
}

/** What it may be had for at once; null while there are bids, or none is asked. */
export function outrightFor(s: Standing): number | null {
  if (!inAuction(s)) return askedFor(s);
  return s.bids.length === 0 ? (s.piece.auction?.outrightCents ?? null) : null;
}

/** Path of its page. */
export function seenAt(base: string, ref: string): string {
  return `${base}/piece/${encodeURIComponent(ref)}`;
}

/** What the seller is told of something that happened. */
function tiding(s: Standing, kind: 'sold' | 'lapsed') {
  return { kind, ref: s.ref, post: s.piece.postCents, sale: s.sale };
}

/** Sold for what was bid or asked. */
export async function settle(
  { store, hooks, switches }: Hollow,
  s: Standing,
  bid: { cents: number; at: number },
): Promise<void> {
  const daysUp = Math.max(1, Math.ceil((bid.at - s.since) / switches.dayLasts));
  const sale = {
    number: `OH-${randomInt(1e6, 9e6)}`,
    cents: bid.cents,
    kept: keeps(bid.cents, s.piece.postCents, daysUp),
    at: bid.at,
  };
  const sold: Standing = { ...s, status: 'sold', sale };
  const told = tiding(sold, 'sold');
  await store.write(
    [
      { sort: 'piece', id: s.ref, body: sold },
      paidOrder({
        no: sale.number,
        ref: s.ref,
        what: s.piece.name,
        cents: bid.cents,
        postCents: s.piece.postCents,
        feeCents: sale.kept,
        at: bid.at,
      }),
      hooks.entry(sale.number, told),
    ],
    [told],
  );
}

async function lapse({ store }: Hollow, s: Standing): Promise<void> {
  const lapsed: Standing = { ...s, status: 'lapsed' };
  await store.write([{ sort: 'piece', id: s.ref, body: lapsed }], [tiding(lapsed, 'lapsed')]);
}

/** Auctions end, and places that were paid for run out. */
export async function endWhatIsOver(hollow: Hollow): Promise<void> {
  const { store, switches } = hollow;
  const day = switches.dayLasts;
  const now = Date.now();
  const keep = (s: Standing) => store.write([{ sort: 'piece', id: s.ref, body: s }]);
  for (const s of await store.all<Standing>('piece')) {
    if (s.status !== 'shown' || s.until > now) continue;
    const { auction } = s.piece;
    const best = s.bids.at(-1);
    if (!auction || !inAuction(s)) await lapse(hollow, s);
    else if (best) await settle(hollow, s, { cents: best.cents, at: s.until });
    else if (s.round <= auction.again)
      await keep({ ...s, round: s.round + 1, until: now + auction.days * day });
    else if (auction.becomesCents !== null)
      await keep({ ...s, fixedCents: auction.becomesCents, until: now + PLACE_DAYS * day });
    else await lapse(hollow, s);
  }
}
