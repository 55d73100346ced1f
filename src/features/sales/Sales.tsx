import { useRouter } from 'expo-router';
import { useMemo } from 'react';
import { Pressable, View } from 'react-native';

import { orderId } from '@/contract/orders';
import { openHold } from '@/core/holds/holds';
import { plural } from '@/core/language/plural';
import { sentence } from '@/core/language/sentence';
import { formatMoney } from '@/core/money/money';
import { isUnposted, type OrderRow } from '@/core/orders/orders';
import { waits } from '@/core/talks/talks';
import { Calm, useUnheard } from '@/parts/trade/Calm';
import { ClosingRecord } from '@/parts/trade/ClosingRecord';
import { PictureView } from '@/parts/trade/PictureView';
import { rankWords } from '@/parts/trade/rankWords';
import { LinkRow } from '@/parts/ui/LinkRow';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { agoWords, exactly } from '@/parts/ui/time';
import { useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { useMarketName } from '@/store/courier/useMarketName';
import { stageWords, useOrders } from '@/store/derived/useOrders';
import { useSales, type SoldItem } from '@/store/derived/useSales';
import { useTalks } from '@/store/fulfilment/talks';
import { nameOr } from '@/store/items/names';

/** What was sold, where it went for how much, and the proof that it is gone elsewhere. */
export function Sales() {
  const sales = useSales(true);
  const orders = useOrders();
  const rows = useMemo(() => new Map(orders.map((r) => [r.id, r])), [orders]);
  return (
    <Page title="Sales">
      <AfterSale orders={orders} />
      {sales.length === 0 ? (
        <Calm
          heading="No sales yet"
          words={
            'When something sells anywhere, it is listed here ' +
            'with the time it was gone from everywhere else.'
          }
        />
      ) : null}
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

/** The pages for what comes after a sale, each with what waits there. */
function AfterSale({ orders }: { orders: readonly OrderRow[] }) {
  const router = useRouter();
  const waiting = useTalks((s) => s.talks.filter(waits).length);
  const readAt = useTalks((s) => s.readAt);
  const silent = useTalks((s) => s.missing.length > 0);
  const why = useUnheard();
  const nobody =
    readAt === null
      ? 'not asked yet'
      : silent
        ? 'not all could be asked'
        : why === null
          ? 'nobody waits'
          : `nobody waited ${agoWords(readAt)}`;
  const items = useAttic((s) => s.items);
  const views = useCourier((s) => s.items);
  const held = Object.values(items).filter((t) => openHold(t) && !views[t.id]?.sale).length;
  const parcels = orders.filter((r) => r.way === 'post' && isUnposted(r)).length;
  const say = (n: number, one: string, many: string, none: string) =>
    n === 0 ? none : plural(n, one, `${n} ${many}`);
  return (
    <Card label="After the sale">
      <LinkRow
        words="Messages and offers"
        more={say(waiting, 'one waits for you', 'wait for you', nobody)}
        onPress={() => router.navigate('/talks')}
      />
      <LinkRow
        words="Packing"
        more={say(parcels, 'one parcel', 'parcels', why === null ? 'nothing to pack' : 'not known just now')}
        onPress={() => router.navigate('/packing')}
      />
      <LinkRow
        words="Holds and meetings"
        more={say(held, 'one item is promised', 'items are promised', 'nothing is promised')}
        onPress={() => router.navigate('/holds')}
      />
      <LinkRow
        words="Payouts"
        more="statements against what was told"
        onPress={() => router.navigate('/payouts')}
      />
    </Card>
  );
}

function SaleCard({ sold, row }: { sold: SoldItem; row: OrderRow | undefined }) {
  const item = useAttic((s) => s.items[sold.itemId]);
  const currency = useAttic((s) => s.settings.currency);
  const market = useMarketName()(sold.sale.market);
  const router = useRouter();
  const title = nameOr(item, 'Something not in this attic');
  const name = sold.piece ? `${title}: ${sold.piece}` : title;
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
      {item && item.ranks.length > 0 ? (
        <Text variant="small" tone="soft" figures>
          {rankWords(item.ranks)}
        </Text>
      ) : null}
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
