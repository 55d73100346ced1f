import type { Talk } from '@/contract/desk';
import { placeOf } from '@/core/listing/beside';
import { ratesOf } from '@/core/listing/setup';
import { saleTakeHome } from '@/core/sales/saleTakeHome';

import { useAttic } from '../attic';
import { besideNow } from '../beside';
import { useCourier } from '../courierLink';
import { kindsNow } from '../kinds';

/** What a sale at this amount there would leave, minor units; null where too little is known. */
export function whatItLeaves(
  talk: Pick<Talk, 'market'> & { thing: string | null },
  amount: number,
): number | null {
  const { things, settings } = useAttic.getState();
  const { things: views, sheets } = useCourier.getState();
  const sheet = sheets.find((s) => s.marketplace === talk.market);
  const listing = talk.thing ? views[talk.thing]?.listings.find((l) => l.market === talk.market) : undefined;
  if (!talk.thing || !sheet || !listing) return null;
  const sale = {
    market: talk.market,
    order: 'asked',
    amount,
    postage: listing.postage,
    fees: null,
    at: 0,
    knownAt: 0,
  };
  const place = placeOf(besideNow(), talk.thing, talk.market, Date.now());
  const rates = ratesOf(settings);
  return saleTakeHome(sale, things[talk.thing], sheet, listing.category, kindsNow(), rates, place).takeHome;
}
