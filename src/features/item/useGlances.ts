import { useMemo } from 'react';

import type { CourierListingView, MarketView } from '@/contract/courier';
import type { Item } from '@/contract/records';
import type { Examined } from '@/core/listing/examine';
import { glanceOf, type Glance } from '@/core/listing/glance';
import { useCourier } from '@/store/courier/courierLink';
import { useUsedSheets } from '@/store/derived/useUsedSheets';

/** A marketplace in a table of all of them. */
export interface GlanceLine {
  examined: Examined;
  glance: Glance;
  listing: CourierListingView | undefined;
  market: MarketView | undefined;
}

const NO_SALES: readonly [] = [];

/** An item on every marketplace that is used, at a glance. */
export function useGlances(item: Item, examined: readonly Examined[]): GlanceLine[] {
  const view = useCourier((s) => s.items[item.id]);
  const markets = useCourier((s) => s.markets);
  const used = useUsedSheets();
  return useMemo(
    () =>
      examined
        .filter((e) => used.some((s) => s.marketplace === e.sheet.marketplace))
        .map((e) => {
          const { marketplace } = e.sheet;
          const listing = view?.listings.find((l) => l.market === marketplace);
          return {
            examined: e,
            glance: glanceOf(item, e, listing, view?.pieceSales ?? NO_SALES),
            listing,
            market: markets.find((m) => m.id === marketplace),
          };
        }),
    [item, examined, view, markets, used],
  );
}
