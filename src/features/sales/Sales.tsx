import { useRouter } from 'expo-router';
import { useMemo } from 'react';
import { Pressable, View } from 'react-native';

import { orderId } from '@/contract/orders';
import { sentence } from '@/core/language/sentence';
import { formatMoney } from '@/core/money/money';
import type { OrderRow } from '@/core/orders/orders';
import { ClosingRecord } from '@/parts/trade/ClosingRecord';
import { PictureView } from '@/parts/trade/PictureView';
import { WhenListed } from '@/parts/trade/WhenListed';
import { LinkRow } from '@/parts/ui/LinkRow';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { agoWords, exactly } from '@/parts/ui/time';
import { useAttic } from '@/store/attic/attic';
import { useMarketName } from '@/store/courier/useMarketName';
import { stageWords, useOrders } from '@/store/derived/useOrders';
import { useSales, type SoldItem } from '@/store/derived/useSales';
import { useWide } from '@/theme/theme';

import { AfterSale } from './AfterSale';
import { NoSales } from './NoSales';
import { SalesDesk } from './SalesDesk';
import { soldName } from './soldName';

/** What was sold, where it went for how much, and the proof that it is gone elsewhere. */
export function Sales() {
  return useWide() ? <SalesDesk /> : <SalesList />;
}

function SalesList() {
  const sales = useSales(true);
  const orders = useOrders();
  const rows = useMemo(() => new Map(orders.map((r) => [r.id, r])), [orders]);
  return (
    <Page title="Sales">
      <AfterSale orders={orders} />
      {sales.length === 0 ? <NoSales /> : null}
      {sales.map((sold) => (
        <SaleCard
          key={`${sold.itemId} ${sold.sale.order}`}
          sold={sold}
          row={rows.get(orderId(sold.itemId, sold.sale.order))}
        />
      ))}
    </Page>
  );
}

function SaleCard({ sold, row }: { sold: SoldItem; row: OrderRow | undefined }) {
  const item = useAttic((s) => s.items[sold.itemId]);
  const currency = useAttic((s) => s.settings.currency);
  const market = useMarketName()(sold.sale.market);
  const router = useRouter();
  const name = soldName(item, sold);
  return (
    <Card label={`Sale: ${name}`}>
      <Pressable
        role="link"
        onPress={() => router.navigate(`/item/${sold.itemId}`)}
        style={{ flexDirection: 'row', gap: 12, alignItems: 'center' }}
      >
        <PictureView id={item?.pictureIds[0]} alt="" style={{ width: 64, height: 64 }} />
        <View style={{ flex: 1 }}>
          <Text variant="strong" numberOfLines={2}>
            {name}
          </Text>
          <Text tone="soft" figures aria-label={exactly(sold.sale.at)}>
            {`${market}, ${agoWords(sold.sale.at)}`}
          </Text>
        </View>
        <View style={{ alignItems: 'flex-end' }}>
          <Text variant="strong" figures>
            {formatMoney(sold.sale.amount, currency)}
          </Text>
          {sold.real ? (
            <Text
              variant="small"
              tone="soft"
              figures
            >{`home ${formatMoney(sold.real.takeHome, currency)}`}</Text>
          ) : null}
        </View>
      </Pressable>
      {item ? <WhenListed item={item} sale={sold.sale} /> : null}
      <LinkRow
        words={row ? sentence(stageWords(row)) : 'Open'}
        more={`Order ${sold.sale.order}`}
        label={`Order of ${name}`}
        onPress={() => router.navigate(`/order/${orderId(sold.itemId, sold.sale.order)}`)}
      />
      {sold.closing ? <ClosingRecord closing={sold.closing} sale={sold.sale} /> : null}
    </Card>
  );
}
