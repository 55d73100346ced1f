import { useRouter } from 'expo-router';
import { useMemo } from 'react';
import { Pressable, View } from 'react-native';

import { openHold } from '@/core/holds/holds';
import { formatMoney } from '@/core/money/money';
import { orderId } from '@/contract/orders';
import { isUnposted, type OrderRow } from '@/core/orders/orders';
import { waits } from '@/core/talks/talks';
import { LinkRow } from '@/parts/LinkRow';
import { Card, Page } from '@/parts/Page';
import { PictureView } from '@/parts/PictureView';
import { Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import { useCourier } from '@/store/courierLink';
import { useTalks } from '@/store/desk/talks';
import { nameOr } from '@/store/names';

import { stageWords, useOrders } from '../desk/useOrders';
import { Calm, useUnheard } from '../shell/Calm';
import { agoWords, exactly } from '../shell/time';
import { useMarketName } from '../shell/useMarketName';
import { ClosingRecord } from './ClosingRecord';
import { rankWords } from './rankWords';
import { useSales, type SoldThing } from './useSales';

/** What was sold, where it went for how much, and the proof that it is gone elsewhere. */
export function Sales() {
  const sales = useSales(true);
  const orders = useOrders();
  const rows = useMemo(() => new Map(orders.map((r) => [r.id, r])), [orders]);
  return (
    <Page title="Sales">
      <Desk orders={orders} />
      {sales.length === 0 ? (
        <Calm
          heading="No sales yet"
          words="When something sells anywhere, it is listed here with the time it was gone from everywhere else."
        />
      ) : null}
      {sales.map((sold) => (
        <SaleCard
          key={`${sold.thingId} ${sold.sale.order}`}
          sold={sold}
          row={rows.get(orderId(sold.thingId, sold.sale.order))}
        />
      ))}
    </Page>
  );
}

/** The desk's own pages, each with what waits there. */
function Desk({ orders }: { orders: readonly OrderRow[] }) {
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
  const things = useAttic((s) => s.things);
  const views = useCourier((s) => s.things);
  const held = Object.values(things).filter((t) => openHold(t) && !views[t.id]?.sale).length;
  const parcels = orders.filter((r) => r.way === 'post' && isUnposted(r)).length;
  const say = (n: number, one: string, many: string, none: string) => (n === 0 ? none : n === 1 ? one : `${n} ${many}`);
  return (
    <Card label="Desk">
      <LinkRow words="Messages and offers" more={say(waiting, 'one waits for you', 'wait for you', nobody)} onPress={() => router.navigate('/talks')} />
      <LinkRow words="Packing" more={say(parcels, 'one parcel', 'parcels', why === null ? 'nothing to pack' : 'not known just now')} onPress={() => router.navigate('/packing')} />
      <LinkRow words="Promises and meetings" more={say(held, 'one thing is promised', 'things are promised', 'nothing is promised')} onPress={() => router.navigate('/promises')} />
      <LinkRow words="Payouts" more="statements against what was told" onPress={() => router.navigate('/payouts')} />
    </Card>
  );
} // prettier-ignore

function SaleCard({ sold, row }: { sold: SoldThing; row: OrderRow | undefined }) {
  const thing = useAttic((s) => s.things[sold.thingId]);
  const currency = useAttic((s) => s.settings.currency);
  const market = useMarketName()(sold.sale.market);
  const router = useRouter();
  const title = nameOr(thing, 'Something not in this attic');
  const name = sold.piece ? `${title}: ${sold.piece}` : title;
  return (
    <Card label={`Sale: ${name}`}>
      <Pressable
        role="link"
        onPress={() => router.navigate(`/thing/${sold.thingId}`)}
        style={{ flexDirection: 'row', gap: 12, alignItems: 'center' }}
      >
        <PictureView id={thing?.pictureIds[0]} alt="" style={{ width: 64, height: 64 }} />
        <View style={{ flex: 1 }}>
          <Words kind="strong" numberOfLines={2}>
            {name}
          </Words>
          <Words tone="soft" figures aria-label={exactly(sold.sale.at)}>
            {`${market}, ${agoWords(sold.sale.at)} · order ${sold.sale.order}`}
          </Words>
        </View>
        <View style={{ alignItems: 'flex-end' }}>
          <Words kind="strong" figures>
            {formatMoney(sold.sale.amount, currency)}
          </Words>
          {sold.real ? (
            <Words
              kind="small"
              tone="soft"
              figures
            >{`home ${formatMoney(sold.real.takeHome, currency)}`}</Words>
          ) : null}
        </View>
      </Pressable>
      {thing && thing.ranks.length > 0 ? (
        <Words kind="small" tone="soft" figures>
          {rankWords(thing.ranks)}
        </Words>
      ) : null}
      <Press
        kind="quiet"
        label={`Order of ${name}`}
        onPress={() => router.navigate(`/order/${orderId(sold.thingId, sold.sale.order)}`)}
      >
        {`Order: ${row ? stageWords(row) : 'open'}`}
      </Press>
      {sold.closing ? <ClosingRecord closing={sold.closing} sale={sold.sale} /> : null}
    </Card>
  );
}
