import type { News } from '@/core/courier/types';

export interface Listed {
  id: string;
  ref: string;
  state: 'inReview' | 'live' | 'ended' | 'sold' | 'turnedDown';
  reviewUntil: number;
  /**
   * Where it is counted: how many there are of each piece, sold ones included, and how many were sold here.
   * Pieces that are just alike are `any`, and no sale says so.
   */
  stock: Record<string, number> | null;
  sold: Record<string, number>;
}

export interface SimOrder {
  id: string;
  market: string;
  ref: string;
  at: number;
  piece: string | null;
}

/** Worked by hand: nothing there is called, and nobody tells but the person. */
export const BY_HAND = 'handbill';

/** How a simulated marketplace is made: its way of keeping a repeated call from doing harm. */
export interface Style {
  /** New listings wait for a review. */
  review: boolean;
  /** Sends its news by itself as well as offering the feed. */
  webhooks: boolean;
}

/**
 * A marketplace reduced to what matters for the guarantee: it keeps one active listing a reference,
 * lets buyers buy, and reports in a feed. Time is passed in.
 */
export class Marketplace {
  readonly listings: Listed[] = [];
  readonly feed: News[] = [];
  readonly orders: SimOrder[] = [];
  outageUntil = 0;
  /** The seller's key is no good before this moment. */
  lockedUntil = 0;
  /** Broken promises seen by the marketplace itself. */
  readonly violations: string[] = [];

  constructor(
    readonly name: string,
    readonly style: Style,
  ) {}

  publish(ref: string, now: number, stock: Record<string, number> | null = null): Listed {
    const active = this.listings.find((l) => l.ref === ref);
    if (active) return active;
    const listing: Listed = {
      id: `${this.name}-${this.listings.length + 1}`,
      ref,
      state: this.style.review ? 'inReview' : 'live',
      reviewUntil: now + 4_000,
      stock,
      sold: {},
    };
    this.listings.push(listing);
    const item = ref.split('.')[0];
    const live = this.listings.filter((l) => l.ref.split('.')[0] === item && isUp(l));
    if (live.length > 1) this.violations.push(`two listings of ${item} up on ${this.name} at ${now}`);
    return listing;
  }

  withdraw(ref: string): 'withdrawn' | 'absent' | News[] {
    const listing = this.listings.find((l) => l.ref === ref);
    if (!listing) return 'absent';
    if (listing.state === 'sold') return this.whyOver(listing);
    listing.state = 'ended';
    return 'withdrawn';
  }

  /** What it answers of a listing that is over: for several pieces the last sale, and that it is over. */
  whyOver(listing: Listed): News[] {
    const sales = this.feed.filter((n) => n.type === 'sale' && n.ref === listing.ref).slice(-1);
    const ended: News = { type: 'ended', ref: listing.ref, remoteId: listing.id, why: '' };
    return listing.stock ? [...sales, ended] : sales;
  }

  review(now: number, turnsDown: (l: Listed) => boolean): News[] {
    const news: News[] = [];
    for (const l of this.listings)
      if (l.state === 'inReview' && l.reviewUntil <= now) {
        const no = turnsDown(l);
        l.state = no ? 'turnedDown' : 'live';
        news.push(
          no
            ? {
                type: 'turnedDown',
                ref: l.ref,
                remoteId: l.id,
                reasons: [{ field: 'description', message: 'no' }],
              }
            : { type: 'approved', ref: l.ref, remoteId: l.id, url: `/${l.id}` },
        );
      }
    this.feed.push(...news);
    return news;
  }

  /** What is up with other stock than before; what sold out is offered again once there is more of it. */
  restock(ref: string, stock: Record<string, number> | null): void {
    const listing = this.listings.find((l) => l.ref === ref && (isUp(l) || l.state === 'sold'));
    if (!listing || (listing.state === 'sold' && !stock)) return;
    listing.stock = stock;
    const { sold } = listing;
    if (Object.entries(stock ?? {}).some(([code, n]) => n > (sold[code] ?? 0)) && listing.state === 'sold')
      listing.state = 'live';
  }

  /** @returns null where there is none of that piece left */
  buy(listing: Listed, now: number, pieceNo = 0): News | null {
    const left = Object.entries(listing.stock ?? {}).filter(([code, n]) => n > (listing.sold[code] ?? 0));
    const piece = listing.stock ? (left[pieceNo % Math.max(1, left.length)]?.[0] ?? null) : null;
    if (listing.stock && piece === null) return null;
    if (piece !== null) listing.sold[piece] = (listing.sold[piece] ?? 0) + 1;
    if (piece === null || left.reduce((sum, [code, n]) => sum + n - (listing.sold[code] ?? 0), 0) === 0)
      listing.state = 'sold';
    const order: SimOrder = {
      id: `${this.name}-order-${this.orders.length + 1}`,
      market: this.name,
      ref: listing.ref,
      at: now,
      piece,
    };
    this.orders.push(order);
    const news: News = {
      type: 'sale',
      ref: listing.ref,
      remoteId: listing.id,
      order: order.id,
      amount: 2400,
      postage: 420,
      fees: 300,
      at: now,
      ...(piece === null || piece === 'any' ? {} : { piece }),
    };
    this.feed.push(news);
    return news;
  }
}

export function isUp(l: Listed): boolean {
  return l.state === 'live' || l.state === 'inReview';
}
