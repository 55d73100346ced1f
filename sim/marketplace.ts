import type { News } from '@/core/courier/types';

export interface Listed {
  id: string;
  ref: string;
  state: 'inReview' | 'live' | 'ended' | 'sold' | 'turnedDown';
  reviewUntil: number;
}

export interface Order {
  id: string;
  market: string;
  ref: string;
  at: number;
}

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
  readonly orders: Order[] = [];
  outageUntil = 0;
  /** Broken promises seen by the marketplace itself. */
  readonly violations: string[] = [];

  constructor(
    readonly name: string,
    readonly style: Style,
  ) {}

  publish(ref: string, now: number): Listed {
    const active = this.listings.find((l) => l.ref === ref);
    if (active) return active;
    const listing: Listed = {
      id: `${this.name}-${this.listings.length + 1}`,
      ref,
      state: this.style.review ? 'inReview' : 'live',
      reviewUntil: now + 4_000,
    };
    this.listings.push(listing);
    const thing = ref.split('.')[0];
    const live = this.listings.filter((l) => l.ref.split('.')[0] === thing && isUp(l));
    if (live.length > 1) this.violations.push(`two listings of ${thing} up on ${this.name} at ${now}`);
    return listing;
  }

  withdraw(ref: string): 'withdrawn' | 'absent' | News {
    const listing = this.listings.find((l) => l.ref === ref);
    if (!listing) return 'absent';
    if (listing.state === 'sold')
      return this.feed.find((n) => n.kind === 'sale' && n.ref === ref) ?? 'withdrawn';
    listing.state = 'ended';
    return 'withdrawn';
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
                kind: 'turnedDown',
                ref: l.ref,
                remoteId: l.id,
                reasons: [{ field: 'description', message: 'no' }],
              }
            : { kind: 'approved', ref: l.ref, remoteId: l.id, url: `/${l.id}` },
        );
      }
    this.feed.push(...news);
    return news;
  }

  buy(listing: Listed, now: number): News {
    listing.state = 'sold';
    const order: Order = {
      id: `${this.name}-order-${this.orders.length + 1}`,
      market: this.name,
      ref: listing.ref,
      at: now,
    };
    this.orders.push(order);
    const news: News = {
      kind: 'sale', ref: listing.ref, remoteId: listing.id, order: order.id, amount: 2400, postage: 420, fees: 300, at: now,
    }; // prettier-ignore
    this.feed.push(news);
    return news;
  }
}

export function isUp(l: Listed): boolean {
  return l.state === 'live' || l.state === 'inReview';
}
