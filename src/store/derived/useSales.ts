import { useMemo } from 'react';

import type { ClosingView, Sale } from '@/contract/courier';
import { orderId } from '@/contract/orders';
import { variationSold } from '@/core/choices/choices';
import { linesByOrder } from '@/core/ledger/itemBooks';
import { placeOf } from '@/core/listing/otherListings';
import { ratesOf } from '@/core/listing/setup';
import { salesOf } from '@/core/orders/orders';
import { realMoney, type RealMoney } from '@/core/payout/realMoney';
import type { TakeHome } from '@/core/price/takeHome';
import { saleTakeHome } from '@/core/sales/saleTakeHome';
import { useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { otherListingsNow } from '@/store/courier/otherListings';
import { useKinds } from '@/store/items/kinds';

export interface SoldItem {
  itemId: string;
  sale: Sale;
  closing: ClosingView | null;
  /** Which of an item with variations; null: one of a kind. */
  piece: string | null;
  /** As expected at the sale; null while that marketplace's schedule is not known. */
  takeHome: TakeHome | null;
  /** With what was really taken and paid since. */
  real: RealMoney | null;
  /** It was cancelled, or came back, and when. */
  undone: boolean;
  undoneAt: number | null;
  /** What was given back of it, and of its fees, as far as that was said. */
  back: { given: number | null; feesBack: number | null };
}

/**
 * Everything sold, newest first.
 *
 * @param past with sales that came to nothing
 */
export function useSales(past = false): SoldItem[] {
  const orders = useAttic((s) => s.orders);
  const statements = useAttic((s) => s.statements);
  const views = useCourier((s) => s.items);
  const sheets = useCourier((s) => s.sheets);
  const items = useAttic((s) => s.items);
  const rates = ratesOf(useAttic((s) => s.settings));
  const kinds = useKinds();
  const linesOf = useMemo(() => linesByOrder(Object.values(statements)), [statements]);
  return useMemo(() => {
    const beside = otherListingsNow();
    return Object.values(views)
      .flatMap((view) => {
        const { id, sale, closing, listings, pastSales } = view;
        const all: (Sale & { undoneAt?: number })[] = [...salesOf(view), ...(past ? pastSales : [])];
        return all.map((one): SoldItem => {
          const sheet = sheets.find((s) => s.marketplace === one.market);
          const category = listings.find((l) => l.market === one.market)?.category ?? '';
          const takeHome = sheet
            ? saleTakeHome(
                one,
                items[id],
                sheet,
                category,
                kinds,
                rates,
                placeOf(beside, id, one.market, one.at),
              )
            : null;
          const last = one.order === sale?.order;
          const piece = variationSold(items[id]?.choices, one);
          const undoneAt = one.undoneAt ?? null;
          const record = orders[orderId(id, one.order)] ?? null;
          const given = record?.back?.given ?? null;
          const mine = linesOf.get(`${one.market} ${one.order}`) ?? [];
          return {
            itemId: id,
            sale: one,
            closing: last ? closing : null,
            takeHome,
            real: takeHome && realMoney(one, takeHome, record, mine),
            piece: piece?.values.join(', ') ?? null,
            undone: undoneAt !== null,
            undoneAt,
            back: { given, feesBack: given === null ? null : (record?.back?.feesBack ?? null) },
          };
        });
      })
      .sort((a, b) => b.sale.at - a.sale.at);
  }, [views, sheets, items, kinds, rates, orders, linesOf, past]);
}
