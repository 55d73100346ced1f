import { review } from './review';
import { isOut, type Frame } from '../kit/service';

export interface Ad {
  /** The seller's own name for it: putting the same one twice changes nothing twice. */
  id: string;
  heading: string;
  body: string;
  euros: number;
  board: string;
  state: string;
  place: string;
  boards?: string[];
  tags?: string[];
  /** Paid for to stand before the others; until then. */
  higherDays?: number;
  higherUntil?: number;
  /** Promised to a neighbour: it stays up, and says so. */
  held?: boolean;
  photos: string[];
  status: 'waiting' | 'up' | 'turned down' | 'closed';
  closedAs: 'sold' | 'withdrawn' | null;
  why: string | null;
  putAt: number;
}

/** What the seller is told of an ad. */
export function stateOf(base: string, ad: Ad) {
  return {
    id: ad.id,
    status: ad.status,
    closedAs: ad.closedAs,
    why: ad.why,
    link: `${base}/ad/${encodeURIComponent(ad.id)}`,
  };
}

/** The person who looks ads over. */
export async function lookOver({ store, base, switches }: Frame): Promise<void> {
  if (isOut(switches)) return;
  for (const ad of await store.all<Ad>('ad')) {
    if (ad.status !== 'waiting' || ad.putAt + switches.reviewTime > Date.now()) continue;
    const why = review(ad.heading, ad.body);
    const next: Ad = { ...ad, status: why ? 'turned down' : 'up', why };
    await store.write([{ sort: 'ad', id: ad.id, body: next }], [stateOf(base, next)]);
  }
}
