import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';

import { plural } from '@/core/language/plural';
import { formatMoney } from '@/core/money/money';
import { goesAlong, type OrderRow } from '@/core/orders/orders';
import { walked } from '@/core/orders/picking';
import { Calm } from '@/parts/trade/Calm';
import { PictureView } from '@/parts/trade/PictureView';
import { useAsyncAction } from '@/parts/trade/useAsyncAction';
import { Button } from '@/parts/ui/Button';
import { ListDetail } from '@/parts/ui/ListDetail';
import { Notice } from '@/parts/ui/Notice';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { saveFile } from '@/store/base/files';
import { useMarketName } from '@/store/courier/useMarketName';
import { stageWords, useOrders } from '@/store/derived/useOrders';
import { buyLabels, labelsTogether, posted, type LabelTrouble } from '@/store/fulfilment/orders';
import { packingSlips } from '@/store/fulfilment/paper';
import { nameOr } from '@/store/items/names';
import { useWide } from '@/theme/theme';

import { FetchOne } from './FetchOne';
import { OrderBody } from './OrderBody';
import { PackOne } from './PackOne';
import { useAskedAddresses } from './useAskedAddresses';

/**
 * A day's parcels in the order they are worked: fetched by spot, packed, labelled many at once, handed in.
 */
export function Packing() {
  const orders = useOrders().filter((r) => r.way === 'post');
  const items = useAttic((s) => s.items);
  const of = (stage: OrderRow['stage']) => orders.filter((r) => r.stage === stage);
  const toFetch = walked(of('toFetch'), (r) => items[r.itemId]);
  const toPack = of('toPack');
  const rest = { toLabel: of('toLabel'), toPost: of('toPost') };
  const nothing = [toFetch, toPack, rest.toLabel, rest.toPost].every((rows) => rows.length === 0);
  const trouble = useAskedAddresses(toPack);
  const wide = useWide();
  if (wide && !nothing)
    return <PackingDesk toFetch={toFetch} toPack={toPack} rest={rest} trouble={trouble} />;
  return (
    <Page title="Packing" back="/sales">
      {nothing ? (
        <Calm
          heading="Nothing to pack"
          words="What is sold and gone everywhere else is listed here, by where it stands."
        />
      ) : null}
      {toFetch.length > 0 ? <Fetching rows={toFetch} /> : null}
      <Unasked trouble={trouble} />
      {toPack.map((row) => (
        <PackOne key={row.id} row={row} beside={goesAlong(row, orders)} />
      ))}
      <Labels toLabel={rest.toLabel} />
      <HandIn toPost={rest.toPost} />
    </Page>
  );
}

/** Why nobody could be asked who gets a parcel. */
function Unasked({ trouble }: { trouble: string | null }) {
  if (trouble === null) return null;
  return (
    <Notice tone="caution">{`${trouble} Who gets a parcel is asked again when its label is bought.`}</Notice>
  );
}

interface Rest {
  toLabel: readonly OrderRow[];
  toPost: readonly OrderRow[];
}

/** At a desk: all parcels in the order they are worked, and the one at hand. */
function PackingDesk(props: {
  toFetch: readonly OrderRow[];
  toPack: readonly OrderRow[];
  rest: Rest;
  trouble: string | null;
}) {
  const { toFetch, toPack, rest, trouble } = props;
  const router = useRouter();
  const { order } = useLocalSearchParams<{ order?: string }>();
  const items = useAttic((s) => s.items);
  const market = useMarketName();
  const all = [...toFetch, ...toPack, ...rest.toLabel, ...rest.toPost];
  const here = all.find((r) => r.id === order) ?? all[0];
  return (
    <ListDetail
      title="Packing"
      back="/sales"
      lines={all.map((row) => {
        const item = items[row.itemId];
        const name = nameOr(item, row.sale.order);
        return {
          id: row.id,
          name: `Parcel: ${name}`,
          words: name,
          more: [stageWords(row), market(row.sale.market)].join(' · '),
          end: row.stage === 'toFetch' ? (item?.spot ?? '') : '',
          picture: <PictureView id={item?.pictureIds[0]} alt="" style={{ width: 48, height: 48 }} />,
        };
      })}
      here={here?.id ?? null}
      onHere={(next) => router.setParams({ order: next })}
      above={
        <>
          <Unasked trouble={trouble} />
          <Labels toLabel={rest.toLabel} />
          <HandIn toPost={rest.toPost} />
        </>
      }
    >
      {here ? <AtHand key={here.id} row={here} beside={goesAlong(here, all)} /> : null}
    </ListDetail>
  );
}

/** What is to be done with one parcel next. */
function AtHand({ row, beside }: { row: OrderRow; beside: readonly OrderRow[] }) {
  if (row.stage === 'toFetch')
    return (
      <Card label="To pick">
        <Text variant="heading">To pick</Text>
        <FetchOne row={row} />
      </Card>
    );
  if (row.stage === 'toPack') return <PackOne row={row} beside={beside} />;
  return <OrderBody row={row} />;
}

/** The walk past the shelves: one after the other, each confirmed by its code. */
function Fetching({ rows }: { rows: readonly OrderRow[] }) {
  return (
    <Card label="To pick">
      <Text variant="heading" figures>{`To pick: ${rows.length}`}</Text>
      <Text tone="soft">In the order of the shelves. Scan or type the code on the item.</Text>
      {rows.map((row) => (
        <FetchOne key={row.id} row={row} />
      ))}
    </Card>
  );
}

function Rows({ rows }: { rows: readonly OrderRow[] }) {
  const items = useAttic((s) => s.items);
  const currency = useAttic((s) => s.settings.currency);
  const market = useMarketName();
  const router = useRouter();
  return (
    <>
      {rows.map((row) => (
        <View key={row.id} style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
          <View style={{ flex: 1 }}>
            <Text numberOfLines={1}>{nameOr(items[row.itemId], row.sale.order)}</Text>
            <Text variant="small" tone="soft" figures>
              {[
                market(row.sale.market),
                row.record?.label &&
                  `${row.record.label.tracking}, ${formatMoney(row.record.label.cost, currency)}`,
              ]
                .filter(Boolean)
                .join(' · ')}
            </Text>
          </View>
          <Button
            variant="quiet"
            label={`Order of ${nameOr(items[row.itemId], row.sale.order)}`}
            onPress={() => router.navigate(`/order/${row.id}`)}
          >
            Open
          </Button>
        </View>
      ))}
    </>
  );
}

function Labels({ toLabel }: { toLabel: readonly OrderRow[] }) {
  const items = useAttic((s) => s.items);
  const { run, busy, trouble } = useAsyncAction();
  const [failed, setFailed] = useState<LabelTrouble[]>([]);
  const [done, setDone] = useState(0);
  if (toLabel.length === 0) return null;
  const buy = () =>
    run(async () => {
      setDone(0);
      setFailed(await buyLabels(toLabel, () => setDone((n) => n + 1)));
    });
  return (
    <Card label="Labels">
      <Text variant="heading" figures>{`To label: ${toLabel.length}`}</Text>
      <Rows rows={toLabel} />
      {failed.map(({ row, why }) => (
        <Notice key={row.id} tone="trouble">{`${nameOr(items[row.itemId], row.sale.order)}: ${why}`}</Notice>
      ))}
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      <Button variant="main" disabled={busy} onPress={buy}>
        {busy
          ? `Buying, ${done} of ${toLabel.length}…`
          : plural(toLabel.length, 'Buy its label', `Buy ${toLabel.length} labels`)}
      </Button>
    </Card>
  );
}

function HandIn({ toPost }: { toPost: readonly OrderRow[] }) {
  const currency = useAttic((s) => s.settings.currency);
  const { run, busy, trouble } = useAsyncAction();
  if (toPost.length === 0) return null;
  const cost = toPost.reduce((sum, r) => sum + (r.record?.label?.cost ?? 0), 0);
  const many = toPost.length > 1;
  return (
    <Card label="To drop off">
      <Text variant="heading" figures>{`To drop off: ${toPost.length}`}</Text>
      <Rows rows={toPost} />
      <Text tone="soft" figures>{`Postage paid: ${formatMoney(cost, currency)}`}</Text>
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      <Button
        icon="down"
        disabled={busy}
        onPress={() => run(async () => saveFile(await labelsTogether(toPost), 'parcel-labels.pdf'))}
      >
        {many ? `Save ${toPost.length} labels as one PDF` : 'Save the label'}
      </Button>
      <Button
        variant="quiet"
        disabled={busy}
        onPress={() => run(async () => saveFile(await packingSlips(toPost), 'packing-slips.pdf'))}
      >
        {many ? 'Save the packing slips' : 'Save the packing slip'}
      </Button>
      <Button variant="main" disabled={busy} onPress={() => run(() => posted(toPost))}>
        {many ? `All ${toPost.length} handed in` : 'Handed in'}
      </Button>
    </Card>
  );
}
