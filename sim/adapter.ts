import type { OwnListing } from '@/contract/ownListing';

import { isUp, type Listed, type Marketplace } from './marketplace';
import { failed, Refused, type Adapter, type AlreadyOver, type Published } from '../server/courier/adapter';

/** How a call gets there and its answer back; it may do neither. */
export type Network = <T>(market: Marketplace, reach: () => T) => Promise<T>;

interface SimAdapterOptions {
  pollEvery: number;
  showsHolds?: boolean;
  network: Network;
  now: () => number;
  /** How much of what there is a draft says. */
  stockOf: (draft: Parameters<Adapter['revise']>[2]) => Record<string, number> | null;
  /** Before a call goes out: what the judge looks at. */
  onPublish: (ref: string) => void;
  onWithdraw: (ref: string) => void;
  /** The feed's entries come twice and out of order. */
  muddled: () => boolean;
  tell: (line: string) => void;
  /** What is shown of every listing. */
  shown: Pick<OwnListing, 'title' | 'price' | 'text' | 'postage' | 'category' | 'condition'>;
}

/** How many entries of the feed come at once. */
const PAGE = 5;

/** The courier's adapter to a simulated marketplace, over a simulated network. */
export function simAdapter(market: Marketplace, by: SimAdapterOptions): Adapter {
  const { name } = market;
  const call = <T>(reach: () => T) => by.network(market, reach);
  return {
    id: name,
    name,
    letters: 'Xx',
    home: '/',
    capabilities: {
      webhooks: market.style.webhooks,
      review: market.style.review,
      pollEvery: by.pollEvery,
      ...(by.showsHolds ? { showsHolds: true } : {}),
    },
    // Rules are read by pages alone, and there is none here.
    ruleSheet: () => Promise.reject(failed('closed', false)),
    history: async () => [],
    searchDemand: async () => [],
    publish({ ref, draft }) {
      by.onPublish(ref);
      return call(() => published(market, ref, by.stockOf(draft), by));
    },
    revise: (ref, _, draft) =>
      call(() => {
        const stock = by.stockOf(draft);
        refuseNothing(stock);
        market.restock(ref, stock);
        return 'revised';
      }),
    withdraw(ref) {
      by.onWithdraw(ref);
      return call(() => {
        const outcome = market.withdraw(ref);
        by.tell(`  ${name}: withdraw ${ref} -> ${typeof outcome === 'string' ? outcome : 'sold'}`);
        return typeof outcome === 'string' ? outcome : { news: outcome };
      });
    },
    lookUp: (ref) =>
      call(() => {
        const listing = market.listings.find((l) => l.ref === ref);
        return listing ? { ...whereOf(listing), over: !isUp(listing) } : null;
      }),
    eventsSince: (cursor) =>
      call(() => {
        const from = Number(cursor ?? 0);
        const news = market.feed.slice(from, from + PAGE);
        return {
          news: news.length > 0 && by.muddled() ? [...news, ...news].reverse() : news,
          cursor: String(from + news.length),
        };
      }),
    listOwnListings: () => call(() => market.listings.filter(isUp).map((l) => ownOf(l, name, by))),
  };
}

/** @throws Refused: no marketplace keeps a listing of nothing */
function refuseNothing(stock: Record<string, number> | null): void {
  if (stock !== null && Object.values(stock).every((n) => n === 0))
    throw new Refused([{ field: 'choices', message: 'There is nothing to sell.' }]);
}

/** Like a real service, it answers a repeated call with what became of the listing. */
function published(
  market: Marketplace,
  ref: string,
  stock: Record<string, number> | null,
  by: SimAdapterOptions,
): Published | AlreadyOver {
  refuseNothing(stock);
  const l = market.publish(ref, by.now(), stock);
  by.tell(`  ${market.name}: publish ${ref} -> ${l.state}`);
  if (isUp(l)) return whereOf(l);
  const news = l.state === 'sold' ? market.whyOver(l) : market.feed.filter((n) => n.ref === l.ref);
  return { news: news.length > 0 ? news : [{ type: 'ended', ref: l.ref, remoteId: l.id, why: '' }] };
}

function whereOf(l: Listed): Published {
  return { remoteId: l.id, url: `/${l.id}`, state: l.state === 'inReview' ? 'inReview' : 'live' };
}

function ownOf(l: Listed, market: string, by: SimAdapterOptions): OwnListing {
  return {
    ...by.shown,
    ...whereOf(l),
    market,
    ref: l.ref,
    specifics: {},
    pictures: [],
    listedAt: null,
  };
}
