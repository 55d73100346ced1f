import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';

import { isAway } from '@/core/depot/depot';
import { formatMoney } from '@/core/money/money';
import { postBy, type OrderRow } from '@/core/orders/orders';
import { judgeWeight, promised } from '@/core/orders/packing';
import { judgeScan, lookAlikes, walked, type Scanned } from '@/core/orders/picking';
import { termsFor } from '@/core/terms/terms';
import { Field } from '@/parts/Field';
import { Icon } from '@/parts/Icon';
import { Notice } from '@/parts/Notice';
import { Card, Page } from '@/parts/Page';
import { PictureView } from '@/parts/PictureView';
import { Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import { useCourier } from '@/store/courierLink';
import { buyLabels, fetched, labelsTogether, packed, posted, type LabelTrouble } from '@/store/desk/orders';
import { packingSlips } from '@/store/desk/paper';
import { saveFile } from '@/store/files';
import { useKinds } from '@/store/kinds';
import { nameOf, nameOr } from '@/store/names';
import { useColours } from '@/theme/theme';

import { ScanField } from '../attic/ScanField';
import { CallBack } from '../depot/CallBack';
import { BackTo } from '../shell/BackTo';
import { Calm } from '../shell/Calm';
import { agoWords, dayWords } from '../shell/time';
import { useDo } from '../shell/useDo';
import { useMarketName } from '../shell/useMarketName';
import { useOrders } from './useOrders';

/** A day's parcels in the order they are worked: fetched by spot, packed, labelled many at once, handed in. */
export function Packing() {
  const orders = useOrders().filter((r) => r.way === 'post');
  const things = useAttic((s) => s.things);
  const of = (stage: OrderRow['stage']) => orders.filter((r) => r.stage === stage);
  const toFetch = walked(of('toFetch'), (r) => things[r.thingId]);
  const toPack = of('toPack');
  const nothing = [toFetch, toPack, of('toLabel'), of('toPost')].every((rows) => rows.length === 0);
  return (
    <Page title="Packing" aside={<BackTo path="/sales" />}>
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
    <Card label="To fetch">
      <Words kind="heading" figures>{`To fetch: ${rows.length}`}</Words>
      <Words tone="soft">In the order of the shelves. Scan or type the code on the thing.</Words>
      {rows.map((row) => (
        <FetchOne key={row.id} row={row} />
      ))}
    </Card>
  );
}

function FetchOne({ row }: { row: OrderRow }) {
  const c = useColours();
  const things = useAttic((s) => s.things);
  const views = useCourier((s) => s.things);
  const thing = things[row.thingId];
  const [text, setText] = useState('');
  const [said, setSaid] = useState<Scanned | null>(null);
  const piece = thing?.choices?.pieces.find((p) => p.code === row.sale.piece);
  const name = nameOr(thing, 'Something not in this attic');
  const alike = thing ? lookAlikes(thing, Object.values(things), (id) => views[id]?.sale != null) : [];
  const check = (typed: string) => {
    if (!thing) return;
    setText(typed);
    const judged = judgeScan(typed, thing, Object.values(things), row.sale.piece);
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
        <PictureView id={thing?.pictureIds[0]} alt="" style={{ width: 84, height: 84 }} />
        <View style={{ flex: 1, gap: 2 }}>
          <View style={{ flexDirection: 'row', alignItems: 'center', gap: 6 }}>
            <Icon name="spot" colour={c.slate} />
            <Words kind="heading" figures>
              {thing?.spot || 'No spot recorded'}
            </Words>
          </View>
          <Words numberOfLines={2}>{name}</Words>
          <Words kind="strong" figures>
            {piece ? `${piece.code} · ${piece.values.join(', ')}` : (thing?.code ?? row.sale.order)}
          </Words>
        </View>
      </View>
      {alike.length > 0 ? (
        <Notice tone="caution">
          {`It has a look-alike: ${alike.map((t) => `${t.code}${t.spot ? ` on ${t.spot}` : ''}`).join(', ')}.`}
        </Notice>
      ) : null}
      {thing && isAway(thing) ? (
        <CallBack thing={thing} />
      ) : thing ? (
        <ScanField label={`Code on ${thing.code}`} onText={check} />
      ) : (
        <Press onPress={() => fetched(row)}>Fetched</Press>
      )}
      {said?.is === 'another' ? (
        <Notice tone="trouble">
          {`That is ${said.thing.code}, ${nameOf(said.thing)}${said.thing.spot ? ` from ${said.thing.spot}` : ''}. This order is for ${piece?.code ?? thing?.code}: put it back.`}
        </Notice>
      ) : said?.is === 'unknown' ? (
        <Notice tone="trouble">{`No thing here has the code “${text.trim()}”. Look at the label again.`}</Notice>
      ) : null}
    </View>
  );
}

function PackOne({ row }: { row: OrderRow }) {
  const thing = useAttic((s) => s.things[row.thingId]);
  const records = useAttic((s) => s.terms);
  const kinds = useKinds();
  const market = useMarketName();
  const [grams, setGrams] = useState('');
  const weighed = /^\d{1,6}$/u.test(grams.trim()) ? Number(grams) : null;
  const says = weighed === null ? null : judgeWeight(weighed, thing?.weightG ?? null);
  const name = nameOr(thing, 'Something not in this attic');
  const terms = thing ? termsFor(thing, row.sale.market, Object.values(records), kinds) : null;
  const by = postBy(row.sale, terms?.handlingDays ?? 2);
  return (
    <Card label={`Pack ${name}`}>
      <View style={{ flexDirection: 'row', gap: 12, alignItems: 'center' }}>
        <PictureView id={thing?.pictureIds[0]} alt="" style={{ width: 64, height: 64 }} />
        <View style={{ flex: 1 }}>
          <Words kind="strong" numberOfLines={2}>{`Pack ${name}`}</Words>
          <Words kind="small" tone="soft" figures>
            {`${market(row.sale.market)} · sold ${agoWords(row.sale.at)} · to be posted by ${dayWords(by)}`}
          </Words>
        </View>
      </View>
      {thing?.parcel ? (
        <Words figures>
          {`Box: ${[thing.parcel.lengthMm, thing.parcel.widthMm, thing.parcel.heightMm].map((mm) => (mm ? mm / 10 : '?')).join(' × ')} cm`}
        </Words>
      ) : null}
      {(thing ? promised(thing) : []).map((line) => (
        <Words key={line}>{line}</Words>
      ))}
      <Field
        label="Weight as packed"
        unit="g"
        keyboard="number-pad"
        figures
        value={grams}
        pause={0}
        hint={thing?.weightG ? `Recorded: ${thing.weightG} g` : 'Nobody recorded what it weighs packed.'}
        refuse={(text) => (text.trim() === '' || /^\d{1,6}$/u.test(text.trim()) ? null : 'Whole grams, in figures.')}
        onChange={setGrams}
      />
      {says?.is === 'lighter' || says?.is === 'heavier' ? (
        <Notice tone="caution">
          {`${says.byG} g ${says.is} than recorded: ${says.is === 'lighter' ? 'is something missing?' : 'is it the right one?'}`}
        </Notice>
      ) : says?.is === 'asExpected' ? (
        <Notice tone="good">The weight is as recorded.</Notice>
      ) : null}
      <Press
        kind="main"
        icon="parcel"
        label={`Packed: ${name}`}
        disabled={weighed === null && !thing?.weightG}
        onPress={() => packed(row, weighed)}
      >
        {weighed === null ? 'Packed, weight as recorded' : 'Packed'}
      </Press>
    </Card>
  );
} // prettier-ignore

function Rows({ rows }: { rows: readonly OrderRow[] }) {
  const things = useAttic((s) => s.things);
  const currency = useAttic((s) => s.settings.currency);
  const market = useMarketName();
  const router = useRouter();
  return (
    <>
      {rows.map((row) => (
        <View key={row.id} style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
          <View style={{ flex: 1 }}>
            <Words numberOfLines={1}>{nameOr(things[row.thingId], row.sale.order)}</Words>
            <Words kind="small" tone="soft" figures>
              {[market(row.sale.market), row.record?.label && `${row.record.label.tracking}, ${formatMoney(row.record.label.cost, currency)}`]
                .filter(Boolean)
                .join(' · ')}
            </Words>
          </View>
          <Press kind="quiet" label={`Order ${row.sale.order}`} onPress={() => router.navigate(`/order/${row.id}`)}>
            Open
          </Press>
        </View>
      ))}
    </>
  );
} // prettier-ignore

function Labels({ toLabel }: { toLabel: readonly OrderRow[] }) {
  const things = useAttic((s) => s.things);
  const { run, busy, trouble } = useDo();
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
      <Words kind="heading" figures>{`To label: ${toLabel.length}`}</Words>
      <Rows rows={toLabel} />
      {failed.map(({ row, why }) => (
        <Notice
          key={row.id}
          tone="trouble"
        >{`${nameOr(things[row.thingId], row.sale.order)}: ${why}`}</Notice>
      ))}
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      <Press kind="main" disabled={busy} onPress={buy}>
        {busy
          ? `Buying, ${done} of ${toLabel.length}…`
          : toLabel.length === 1
            ? 'Buy its label'
            : `Buy ${toLabel.length} labels`}
      </Press>
    </Card>
  );
}

function HandIn({ toPost }: { toPost: readonly OrderRow[] }) {
  const currency = useAttic((s) => s.settings.currency);
  const { run, busy, trouble } = useDo();
  if (toPost.length === 0) return null;
  const cost = toPost.reduce((sum, r) => sum + (r.record?.label?.cost ?? 0), 0);
  const many = toPost.length > 1;
  return (
    <Card label="To hand in">
      <Words kind="heading" figures>{`To hand in: ${toPost.length}`}</Words>
      <Rows rows={toPost} />
      <Words tone="soft" figures>{`Postage paid: ${formatMoney(cost, currency)}`}</Words>
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      <Press
        icon="down"
        disabled={busy}
        onPress={() => run(async () => saveFile(await labelsTogether(toPost), 'parcel-labels.pdf'))}
      >
        {many ? `Save ${toPost.length} labels as one PDF` : 'Save the label'}
      </Press>
      <Press
        kind="quiet"
        disabled={busy}
        onPress={() => run(async () => saveFile(await packingSlips(toPost), 'packing-slips.pdf'))}
      >
        {many ? 'Save the packing slips' : 'Save the packing slip'}
      </Press>
      <Press kind="main" disabled={busy} onPress={() => run(() => posted(toPost))}>
        {many ? `All ${toPost.length} handed in` : 'Handed in'}
      </Press>
    </Card>
  );
}
