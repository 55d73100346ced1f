import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';

import { isAway } from '@/core/depot/depot';
import { plural } from '@/core/language/plural';
import { formatMoney } from '@/core/money/money';
import { postBy, type OrderRow } from '@/core/orders/orders';
import { judgeWeight, promised } from '@/core/orders/packing';
import { judgeScan, lookAlikes, walked, type Scanned } from '@/core/orders/picking';
import { termsFor } from '@/core/terms/terms';
import { CallBack } from '@/parts/trade/CallBack';
import { Calm } from '@/parts/trade/Calm';
import { PictureView } from '@/parts/trade/PictureView';
import { ScanField } from '@/parts/trade/ScanField';
import { useAsyncAction } from '@/parts/trade/useAsyncAction';
import { Button } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Notice } from '@/parts/ui/Notice';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { agoWords, dayWords } from '@/parts/ui/time';
import { useAttic } from '@/store/attic/attic';
import { saveFile } from '@/store/base/files';
import { useCourier } from '@/store/courier/courierLink';
import { useMarketName } from '@/store/courier/useMarketName';
import { useOrders } from '@/store/derived/useOrders';
import {
  buyLabels,
  fetched,
  labelsTogether,
  packed,
  posted,
  type LabelTrouble,
} from '@/store/fulfilment/orders';
import { packingSlips } from '@/store/fulfilment/paper';
import { useKinds } from '@/store/items/kinds';
import { nameOf, nameOr } from '@/store/items/names';
import { Icon } from '@/theme/Icon';
import { useColours } from '@/theme/theme';

/**
 * A day's parcels in the order they are worked: fetched by spot, packed, labelled many at once, handed in.
 */
export function Packing() {
  const orders = useOrders().filter((r) => r.way === 'post');
  const items = useAttic((s) => s.items);
  const of = (stage: OrderRow['stage']) => orders.filter((r) => r.stage === stage);
  const toFetch = walked(of('toFetch'), (r) => items[r.itemId]);
  const toPack = of('toPack');
  const nothing = [toFetch, toPack, of('toLabel'), of('toPost')].every((rows) => rows.length === 0);
  return (
    <Page title="Packing" back="/sales">
      {nothing ? (
        <Calm
          heading="Nothing to pack"
          words="What is sold and gone everywhere else is listed here, by where it stands."
        />
      ) : null}
      {toFetch.length > 0 ? <Fetching rows={toFetch} /> : null}
      {toPack.map((row) => (
        <PackOne key={row.id} row={row} />
      ))}
      <Labels toLabel={of('toLabel')} />
      <HandIn toPost={of('toPost')} />
    </Page>
  );
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

function FetchOne({ row }: { row: OrderRow }) {
  const c = useColours();
  const items = useAttic((s) => s.items);
  const views = useCourier((s) => s.items);
  const item = items[row.itemId];
  const [text, setText] = useState('');
  const [said, setSaid] = useState<Scanned | null>(null);
  const piece = item?.choices?.pieces.find((p) => p.code === row.sale.piece);
  const name = nameOr(item, 'Something not in this attic');
  const alike = item ? lookAlikes(item, Object.values(items), (id) => views[id]?.sale != null) : [];
  const check = (typed: string) => {
    if (!item) return;
    setText(typed);
    const judged = judgeScan(typed, item, Object.values(items), row.sale.piece);
    setSaid(judged);
    if (judged.is === 'right') fetched(row);
  };
  return (
    <View
      role="group"
      aria-label={`Fetch ${name}${piece ? `, ${piece.values.join(', ')}` : ''}`}
      style={{ borderTopWidth: 1, borderColor: c.line, paddingTop: 10, gap: 8 }}
    >
      <View style={{ flexDirection: 'row', gap: 12, alignItems: 'center' }}>
        <PictureView id={item?.pictureIds[0]} alt="" style={{ width: 84, height: 84 }} />
        <View style={{ flex: 1, gap: 2 }}>
          <View style={{ flexDirection: 'row', alignItems: 'center', gap: 6 }}>
            <Icon name="spot" colour={c.slate} />
            <Text variant="heading" figures>
              {item?.spot || 'No spot recorded'}
            </Text>
          </View>
          <Text numberOfLines={2}>{name}</Text>
          <Text variant="strong" figures>
            {piece ? `${piece.code} · ${piece.values.join(', ')}` : (item?.code ?? row.sale.order)}
          </Text>
        </View>
      </View>
      {alike.length > 0 ? (
        <Notice tone="caution">
          {'It has a look-alike: ' +
            `${alike.map((t) => `${t.code}${t.spot ? ` on ${t.spot}` : ''}`).join(', ')}.`}
        </Notice>
      ) : null}
      {item && isAway(item) ? (
        <CallBack item={item} />
      ) : item ? (
        <ScanField label={`Code on ${item.code}`} onText={check} />
      ) : (
        <Button onPress={() => fetched(row)}>Picked</Button>
      )}
      {said?.is === 'another' ? (
        <Notice tone="trouble">
          {`That is ${said.item.code}, ` +
            `${nameOf(said.item)}${said.item.spot ? ` from ${said.item.spot}` : ''}. This order is ` +
            `for ${piece?.code ?? item?.code}: put it back.`}
        </Notice>
      ) : said?.is === 'unknown' ? (
        <Notice tone="trouble">
          {`No item here has the code “${text.trim()}”. Look at the label again.`}
        </Notice>
      ) : null}
    </View>
  );
}

function PackOne({ row }: { row: OrderRow }) {
  const item = useAttic((s) => s.items[row.itemId]);
  const records = useAttic((s) => s.terms);
  const kinds = useKinds();
  const market = useMarketName();
  const [grams, setGrams] = useState('');
  const weighed = /^\d{1,6}$/u.test(grams.trim()) ? Number(grams) : null;
  const says = weighed === null ? null : judgeWeight(weighed, item?.weightG ?? null);
  const name = nameOr(item, 'Something not in this attic');
  const terms = item ? termsFor(item, row.sale.market, Object.values(records), kinds) : null;
  const by = postBy(row.sale, terms?.handlingDays ?? 2);
  return (
    <Card label={`Pack ${name}`}>
      <View style={{ flexDirection: 'row', gap: 12, alignItems: 'center' }}>
        <PictureView id={item?.pictureIds[0]} alt="" style={{ width: 64, height: 64 }} />
        <View style={{ flex: 1 }}>
          <Text variant="strong" numberOfLines={2}>{`Pack ${name}`}</Text>
          <Text variant="small" tone="soft" figures>
            {`${market(row.sale.market)} · sold ${agoWords(row.sale.at)} · to be posted by ${dayWords(by)}`}
          </Text>
        </View>
      </View>
      {item?.parcel ? (
        <Text figures>
          {'Box: ' +
            `${[item.parcel.lengthMm, item.parcel.widthMm, item.parcel.heightMm]
              .map((mm) => (mm ? mm / 10 : '?'))
              .join(' × ')} ` +
            'cm'}
        </Text>
      ) : null}
      {(item ? promised(item) : []).map((line) => (
        <Text key={line}>{line}</Text>
      ))}
      <Field
        label="Weight as packed"
        unit="g"
        keyboard="number-pad"
        figures
        value={grams}
        pause={0}
        hint={item?.weightG ? `Recorded: ${item.weightG} g` : 'Nobody recorded what it weighs packed.'}
        refuse={(text) =>
          text.trim() === '' || /^\d{1,6}$/u.test(text.trim()) ? null : 'Whole grams, in figures.'
        }
        onChange={setGrams}
      />
      {says?.is === 'lighter' || says?.is === 'heavier' ? (
        <Notice tone="caution">
          {`${says.byG} g ${says.is} than recorded: ` +
            `${says.is === 'lighter' ? 'is something missing?' : 'is it the right one?'}`}
        </Notice>
      ) : says?.is === 'asExpected' ? (
        <Notice tone="good">The weight is as recorded.</Notice>
      ) : null}
      <Button
        variant="main"
        icon="parcel"
        label={`Packed: ${name}`}
        disabled={weighed === null && !item?.weightG}
        onPress={() => packed(row, weighed)}
      >
        {weighed === null ? 'Packed, weight as recorded' : 'Packed'}
      </Button>
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
