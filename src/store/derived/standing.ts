import type { CourierItemView, CourierListingView } from '@/contract/courier';
import type { Standing } from '@/core/hauls/haul';
import { notTaken } from '@/core/listing/signState';

/** How an item stands at the marketplaces, as the courier says. */
export function standingOf(view: CourierItemView | undefined): 'unlisted' | 'listed' | 'sold' {
  if (view?.sale) return 'sold';
  const up = view?.listings.some(isListed) ?? false;
  return up ? 'listed' : 'unlisted';
}

/** Whether it is up, or on its way there, or not gone yet. */
export function isListed(listing: CourierListingView): boolean {
  return listing.want === 'live' || listing.doing === 'withdraw';
}

/** Whether a marketplace did not take it, or a change of it, as long as it is to be sold. */
export function isRefused(view: CourierItemView | undefined): boolean {
  return !view?.sale && (view?.listings.some(notTaken) ?? false);
}

/** Where the items of a haul stand, as far as the courier told. */
export function haulStanding(told: Readonly<Record<string, CourierItemView>>): Standing {
  return (item) => ({
    listed: told[item.id]?.listings.some((l) => l.state === 'live') ?? false,
    sold: Boolean(told[item.id]?.sale),
  });
}
