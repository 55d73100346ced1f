import { useLocalSearchParams, useRouter } from 'expo-router';
import { useMemo } from 'react';

import { orderId } from '@/contract/orders';
import { formatMoney } from '@/core/money/money';
import { isUnposted, type OrderRow } from '@/core/orders/orders';
import { PictureView } from '@/parts/trade/PictureView';
import { ListDetail, type DeskLine } from '@/parts/ui/ListDetail';
import { Text } from '@/parts/ui/Text';
import { agoWords } from '@/parts/ui/time';
import { useAttic } from '@/store/attic/attic';
import { marketName, useCourier } from '@/store/courier/courierLink';
import { stageWords, useOrders } from '@/store/derived/useOrders';
import { useSales, type SoldItem } from '@/store/derived/useSales';
import { nameOr } from '@/store/items/names';

import { AfterSale } from './AfterSale';
import { NoSales } from './NoSales';
import { soldName } from './soldName';
import { OrderBody } from '../fulfilment/OrderBody';

/** Sales at a desk: all of them, and the order of the one that is chosen. */
export function SalesDesk() {
  const router = useRouter();
  const { id } = useLocalSearchParams<{ id?: string }>();
  const sales = useSales(true);
  const orders = useOrders();
  const rows = useMemo(() => new Map(orders.map((r) => [r.id, r])), [orders]);
  const lines = useLines(sales, rows);
  const here = id ?? lines[0]?.id;
  const row = here === undefined ? undefined : rows.get(here);
  const item = useAttic((s) => (row ? s.items[row.itemId] : undefined));
  return (
    <ListDetail
      title="Sales"
      lines={lines}
      here={here ?? null}
      onHere={(next) => router.setParams({ id: next })}
      above={<AfterSale orders={orders} />}
    >
      {row ? (
        <>
          <Text variant="title">{nameOr(item, 'Something not in this attic')}</Text>
          <OrderBody row={row} />
        </>
      ) : here !== undefined ? (
        <Text tone="soft">There is no such order.</Text>
      ) : (
        <NoSales />
      )}
    </ListDetail>
  );
}

/** One a sale; those that are still to be posted are marked. Made anew only when something of it changed. */
function useLines(sales: readonly SoldItem[], rows: ReadonlyMap<string, OrderRow>) {
  const items = useAttic((s) => s.items);
  const currency = useAttic((s) => s.settings.currency);
  const markets = useCourier((s) => s.markets);
  return useMemo(
    () =>
      sales.map((sold): DeskLine => {
        const id = orderId(sold.itemId, sold.sale.order);
        const item = items[sold.itemId];
        const name = soldName(item, sold);
        const row = rows.get(id);
        const market = marketName(sold.sale.market, markets);
        return {
          id,
          name: `Order of ${name}`,
          words: name,
          more: [row ? stageWords(row) : 'open', market, agoWords(sold.sale.at)].join(' · '),
          end: formatMoney(sold.sale.amount, currency),
          picture: <PictureView id={item?.pictureIds[0]} alt="" style={{ width: 48, height: 48 }} />,
          marked: row !== undefined && isUnposted(row),
        };
      }),
    [sales, rows, items, currency, markets],
  );
}
