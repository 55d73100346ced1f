import { useRouter } from 'expo-router';
import { Pressable, View } from 'react-native';

import { formatMoney } from '@/core/money/money';
import { Card, Page } from '@/parts/Page';
import { PictureView } from '@/parts/PictureView';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import { useCourier } from '@/store/courierLink';

import { agoWords, exactly } from '../shell/time';
import { ClosingRecord } from './ClosingRecord';
import { rankWords } from './rankWords';
import { useSales, type SoldThing } from './useSales';

/** What was sold, where it went for how much, and the proof that it is gone elsewhere. */
export function Sales() {
  const sales = useSales();
  return (
    <Page title="Sales">
      {sales.length === 0 ? (
        <Card>
          <Words kind="heading">No sales yet</Words>
          <Words tone="soft">
            When something sells anywhere, it is listed here with the time it was gone from everywhere else.
          </Words>
        </Card>
      ) : null}
      {sales.map((sold) => (
        <SaleCard key={sold.thingId} sold={sold} />
      ))}
    </Page>
  );
}

function SaleCard({ sold }: { sold: SoldThing }) {
  const thing = useAttic((s) => s.things[sold.thingId]);
  const currency = useAttic((s) => s.settings.currency);
  const market = useCourier(
    (s) => s.markets.find((m) => m.id === sold.sale.market)?.name ?? sold.sale.market,
  );
  const router = useRouter();
  const name = thing?.title || thing?.code || 'Something not in this attic';
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
          {sold.takeHome ? (
            <Words
              kind="small"
              tone="soft"
              figures
            >{`home ${formatMoney(sold.takeHome.takeHome, currency)}`}</Words>
          ) : null}
        </View>
      </Pressable>
      {thing && thing.ranks.length > 0 ? (
        <Words kind="small" tone="soft" figures>
          {rankWords(thing.ranks)}
        </Words>
      ) : null}
      {sold.closing ? <ClosingRecord closing={sold.closing} sale={sold.sale} /> : null}
    </Card>
  );
}
