import { useMemo } from 'react';

import type { ClosingView, Sale } from '@/contract/courier';
import type { TakeHome } from '@/core/price/takeHome';
import { ratesOf } from '@/core/listing/setup';
import { saleTakeHome } from '@/core/sales/saleTakeHome';
import { useAttic } from '@/store/attic';
import { useCourier } from '@/store/courierLink';
import { useKinds } from '@/store/kinds';

export interface SoldThing {
  thingId: string;
  sale: Sale;
  closing: ClosingView | null;
  /** Null while that marketplace's schedule is not known. */
  takeHome: TakeHome | null;
}

/** Everything sold, newest first. */
export function useSales(): SoldThing[] {
  const views = useCourier((s) => s.things);
  const sheets = useCourier((s) => s.sheets);
  const things = useAttic((s) => s.things);
  const rates = ratesOf(useAttic((s) => s.settings));
  const kinds = useKinds();
  return useMemo(
    () =>
      Object.values(views)
        .flatMap(({ id, sale, closing, listings }) => {
          if (!sale) return [];
          const sheet = sheets.find((s) => s.marketplace === sale.market);
          const category = listings.find((l) => l.market === sale.market)?.category ?? '';
          const takeHome = sheet ? saleTakeHome(sale, things[id], sheet, category, kinds, rates) : null;
          return [{ thingId: id, sale, closing, takeHome }];
        })
        .sort((a, b) => b.sale.at - a.sale.at),
    [views, sheets, things, kinds, rates],
  );
}
