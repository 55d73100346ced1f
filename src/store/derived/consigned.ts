import type { Item } from '@/contract/records';
import type { ConsignedSale } from '@/core/consign/statement';
import { nameOf } from '@/store/items/names';

import type { SoldItem } from './useSales';

/** Of all sales those of one consignor's items, as their statement counts them. */
export function consignedSales(
  ownerId: string,
  sales: readonly SoldItem[],
  items: Readonly<Record<string, Item>>,
): ConsignedSale[] {
  return sales.flatMap((s): ConsignedSale[] => {
    const item = items[s.itemId];
    if (item?.ownerId !== ownerId || !s.takeHome) return [];
    // What coming back cost is the business's own: the consignor is owed as if nothing had been sold.
    const takeHome = s.undone ? s.takeHome.takeHome : (s.real?.takeHome ?? s.takeHome.takeHome);
    return [
      {
        order: s.sale.order,
        what: nameOf(item),
        code: item.code,
        market: s.sale.market,
        at: s.sale.at,
        price: s.sale.amount,
        takeHome,
        undoneAt: s.undoneAt,
      },
    ];
  });
}
