import type { CourierListingView } from '@/contract/courier';
import { ownAddress } from '@/core/listing/link';
import { useCourier } from '@/store/courier/courierLink';

/** The address of a listing’s own page; null: it has none, or its link leads elsewhere. */
export function useListingAddress(listing: Pick<CourierListingView, 'market' | 'url'>): string | null {
  const home = useCourier((s) => s.markets.find((m) => m.id === listing.market)?.home ?? null);
  return listing.url ? ownAddress(listing.url, home, window.location.href) : null;
}
