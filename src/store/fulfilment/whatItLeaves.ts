import type { Talk } from '@/contract/fulfilment';
import { placeOf } from '@/core/listing/otherListings';
import { ratesOf } from '@/core/listing/setup';
import { saleTakeHome } from '@/core/sales/saleTakeHome';
import { useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { otherListingsNow } from '@/store/courier/otherListings';
import { kindsNow } from '@/store/items/kinds';

/** What a sale at this amount there would leave, minor units; null where too little is known. */
export function whatItLeaves(
  talk: Pick<Talk, 'market'> & { item: string | null },
  amount: number,
): number | null {
  const { items, settings } = useAttic.getState();
  const { items: views, sheets } = useCourier.getState();
  const sheet = sheets.find((s) => s.marketplace === talk.market);
  const listing = talk.item ? views[talk.item]?.listings.find((l) => l.market === talk.market) : undefined;
  if (!talk.item || !sheet || !listing) return null;
  const sale = {
    market: talk.market,
    order: 'asked',
    amount,
    postage: listing.postage,
    fees: null,
    at: 0,
    knownAt: 0,
  };
  const place = placeOf(otherListingsNow(), talk.item, talk.market, Date.now());
  const rates = ratesOf(settings);
  return saleTakeHome(sale, items[talk.item], sheet, listing.category, kindsNow(), rates, place).takeHome;
}
