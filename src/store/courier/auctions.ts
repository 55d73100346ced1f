import { create } from 'zustand';

import { AuctionsAnswer, type AuctionStanding } from '@/contract/auctions';
import type { CourierListingView } from '@/contract/courier';
import { repeating } from '@/store/base/repeating';

import { ask, useCourier } from './courierLink';

/** How often auctions are looked at while one is up, milliseconds: bids come late. */
const EVERY = 60_000;

/** How auctions stand, as far as the marketplaces told. */
export const useAuctions = create<{ auctions: AuctionStanding[]; askedAt: number | null }>(() => ({
  auctions: [],
  askedAt: null,
}));

/** Whether anything is up where items are auctioned. */
function mayBeUp(): boolean {
  const { items, sheets } = useCourier.getState();
  const there = new Set(sheets.flatMap((s) => (s.auction ? [s.marketplace] : [])));
  return Object.values(items).some((view) =>
    view.listings.some((l) => l.state === 'live' && there.has(l.market)),
  );
}

/** @throws CourierTrouble with words for a person */
export async function askAuctions(): Promise<void> {
  if (!useCourier.getState().connected || !mayBeUp()) return;
  const { auctions, missing } = AuctionsAnswer.parse(await (await ask('/auctions')).json());
  const away = new Set(missing.map((m) => m.market));
  // What a marketplace that is away told last still stands.
  const kept = useAuctions.getState().auctions.filter((a) => away.has(a.market));
  useAuctions.setState({ auctions: [...auctions, ...kept], askedAt: Date.now() });
}

/** From now on it is known how auctions stand. @returns stops */
export function beginAuctions(): () => void {
  return repeating('looking at auctions', askAuctions, { first: 4_000, every: EVERY });
}

/** How the auction of a listing stands; undefined: it is none, or nobody told. */
export function useAuction(listing: CourierListingView | undefined): AuctionStanding | undefined {
  return useAuctions((s) =>
    listing?.remoteId == null
      ? undefined
      : s.auctions.find((a) => a.market === listing.market && a.remoteId === listing.remoteId),
  );
}
