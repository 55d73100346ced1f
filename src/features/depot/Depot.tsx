import { useLocalSearchParams } from 'expo-router';
import { useEffect, useMemo, useState } from 'react';
import { Pressable, View } from 'react-native';

import type { DepotParcel, DepotStock, ParcelsAnswer } from '@/contract/atMarket';
import type { Thing } from '@/contract/records';
import { compareStock, parcelState, whyNotToDepot } from '@/core/depot/depot';
import { Notice } from '@/parts/Notice';
import { Card, Page } from '@/parts/Page';
import { PictureView } from '@/parts/PictureView';
import { Press } from '@/parts/Press';
import { Tick } from '@/parts/Tick';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import { useCourier } from '@/store/courierLink';
import { announceParcel, backFromDepot, readParcels, saveContents } from '@/store/depot';
import { enqueue } from '@/store/sendQueue';
import { editPlan } from '@/store/things';
import { nameOf, nameOr } from '@/store/names';

import { ThingLine } from '../attic/ThingLine';
import { NoSuchMarket } from '../connections/NoSuchMarket';
import { BackTo } from '../shell/BackTo';
import { exactly } from '../shell/time';
import { useDo } from '../shell/useDo';
import { CallBack } from './CallBack';

/** A marketplace that stores things and posts them itself: what goes there, what arrived, what is there. */
export function Depot() {
  const { market = '' } = useLocalSearchParams<{ market?: string }>();
  const sheet = useCourier((s) => s.sheets.find((x) => x.marketplace === market));
  const views = useCourier((s) => s.things);
  const things = useAttic((s) => s.things);
  const [said, setSaid] = useState<ParcelsAnswer | null>(null);
  const { run, busy, trouble } = useDo();
  const look = () => run(async () => setSaid(await readParcels(market)));
  const known = sheet !== undefined;
  // eslint-disable-next-line react-hooks/exhaustive-deps -- asked once when the page opens, and by hand
  useEffect(() => (known ? look() : undefined), [known, market]);
  const all = useMemo(() => Object.values(things), [things]);
  if (!sheet) return <NoSuchMarket title="Depot" market={market} />;
  if (!sheet.depot)
    return (
      <Page title="Depot" aside={<BackTo path="/connections" />}>
        <Words tone="soft">That marketplace stores nothing.</Words>
      </Page>
    );
  const fit = all.filter((t) => !views[t.id]?.sale && whyNotToDepot(t, sheet) === null);
  const of = (state: NonNullable<Thing['depot']>['state']) =>
    all.filter((t) => t.depot?.market === market && t.depot.state === state);
  const missing = of('missing');
  const back = of('back');
  // What its own buyers bought has left; what sold elsewhere is still there and has to be called back.
  const there = of('there').filter((t) => views[t.id]?.sale?.market !== market);
  return (
    <Page title={`${sheet.name}’s depot`} aside={<BackTo path="/connections" />}>
      <Words tone="soft">
        {`What is kept there, ${sheet.name} posts itself. Buyers pay no postage for it, so it is compared by its price alone.`}
      </Words>
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      {missing.map((t) => (
        <Card key={t.id} label={`Missing: ${nameOf(t)}`} tone="trouble">
          <Notice tone="trouble">{`${nameOf(t)} was not in parcel ${t.depot?.parcel}.`}</Notice>
          <ThingLine thing={t} />
          <Press label={`${t.code} is here after all`} onPress={() => backFromDepot(t)}>
            It is here after all
          </Press>
        </Card>
      ))}
      <Packing market={market} fit={fit} onSent={look} />
      <Card label="Parcels">
        <Words kind="heading">Parcels</Words>
        {said?.parcels.length === 0 ? <Words tone="soft">None was sent yet.</Words> : null}
        {said?.parcels.map((p) => (
          <Parcel key={p.parcel} parcel={p} />
        ))}
        <Press kind="quiet" disabled={busy} onPress={look}>
          {busy ? 'Asking…' : 'Ask again'}
        </Press>
      </Card>
      <Stored market={market} there={there} />
      {back.length > 0 ? (
        <Card label="On their way back">
          <Words kind="heading">On their way back</Words>
          {back.map((t) => (
            <View key={t.id} style={{ gap: 8 }}>
              <ThingLine thing={t} />
              <CallBack thing={t} />
            </View>
          ))}
        </Card>
      ) : null}
      {said ? <Reported market={market} stock={said.stock} /> : null}
    </Page>
  );
} // prettier-ignore

/** Ticking what goes into the next parcel. */
function Packing(props: { market: string; fit: readonly Thing[]; onSent: () => void }) {
  const { market, fit, onSent } = props;
  const [ticked, setTicked] = useState<readonly string[]>([]);
  const [number, setNumber] = useState<string | null>(null);
  const { run, busy, trouble } = useDo();
  const chosen = fit.filter((t) => ticked.includes(t.id));
  return (
    <Card label="Next parcel">
      <Words kind="heading">Next parcel</Words>
      {number ? (
        <Notice tone="good">{`Write ${number} on the parcel. Its list is kept below.`}</Notice>
      ) : null}
      {fit.length === 0 ? (
        <Words tone="soft">Nothing fits: a thing needs a barcode that has a record there.</Words>
      ) : null}
      {fit.map((t) => {
        const on = ticked.includes(t.id);
        return (
          <Pressable
            key={t.id}
            role="checkbox"
            aria-checked={on}
            aria-label={nameOf(t)}
            onPress={() => setTicked(on ? ticked.filter((id) => id !== t.id) : [...ticked, t.id])}
            style={{ flexDirection: 'row', gap: 10, alignItems: 'center', minHeight: 52 }}
          >
            <Tick on={on} />
            <PictureView id={t.pictureIds[0]} alt="" style={{ width: 44, height: 44 }} />
            <View style={{ flex: 1 }}>
              <Words numberOfLines={2}>{nameOf(t)}</Words>
              <Words kind="small" tone="soft" figures>
                {[t.code, t.spot].filter(Boolean).join(' · ')}
              </Words>
            </View>
          </Pressable>
        );
      })}
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      {fit.length > 0 ? (
        <Press
          kind="main"
          disabled={busy || chosen.length === 0}
          onPress={() =>
            run(async () => {
              setNumber(await announceParcel(market, chosen));
              setTicked([]);
              onSent();
            })
          }
        >
          {chosen.length === 0
            ? 'Tick what goes into it'
            : `Announce a parcel of ${chosen.length === 1 ? 'one thing' : `${chosen.length} things`}`}
        </Press>
      ) : null}
    </Card>
  );
}

function Parcel({ parcel }: { parcel: DepotParcel }) {
  const { sent, arrived, missing } = parcelState(parcel);
  const state =
    parcel.countedAt === null
      ? 'on its way'
      : `${arrived} of ${sent} arrived${missing.length > 0 ? `, missing ${missing.join(', ')}` : ''}`;
  return (
    <View
      role="group"
      aria-label={`Parcel ${parcel.parcel}`}
      style={{ flexDirection: 'row', gap: 8, alignItems: 'center' }}
    >
      <View style={{ flex: 1 }}>
        <Words kind="strong" figures>
          {parcel.parcel}
        </Words>
        <Words kind="small" tone={missing.length > 0 ? 'trouble' : 'soft'} figures>
          {`${exactly(parcel.at)} · ${sent === 1 ? 'one thing' : `${sent} things`} sent · ${state}`}
        </Words>
      </View>
      <Press kind="quiet" label={`Save the list of ${parcel.parcel}`} onPress={() => saveContents(parcel)}>
        Save its list
      </Press>
    </View>
  );
}

/** What is there now, and whether it is offered from there. */
function Stored({ market, there }: { market: string; there: readonly Thing[] }) {
  const views = useCourier((s) => s.things);
  const listingOf = (t: Thing) => views[t.id]?.listings.find((l) => l.market === market && l.want === 'live');
  const toOffer = there.filter((t) => {
    if (views[t.id]?.sale) return false;
    const listing = listingOf(t);
    return !listing || (listing.state === 'live' && listing.postage !== 0);
  });
  return (
    <Card label="At the depot now">
      <Words kind="heading">At the depot now</Words>
      {there.length === 0 ? <Words tone="soft">Nothing.</Words> : null}
      {there.some(listingOf) ? (
        <Words tone="soft">To have something back that is offered from there, take it down first.</Words>
      ) : null}
      {there.map((t) => (
        <View key={t.id} style={{ gap: 8 }}>
          <View>
            <ThingLine thing={t} />
            <Words kind="small" tone="soft" figures>
              {`${t.depot?.no} · ${views[t.id]?.sale ? 'sold elsewhere' : offerWords(listingOf(t))}`}
            </Words>
          </View>
          <CallBack thing={t} />
        </View>
      ))}
      {toOffer.length > 0 ? (
        <Press
          kind="main"
          onPress={() => {
            for (const t of toOffer) editPlan(t.id, market, 'offered from the depot', { wanted: true });
            enqueue(toOffer.map((t) => ({ thing: t.id, market, action: 'send' as const })));
          }}
        >
          {`Offer ${toOffer.length === 1 ? 'it' : `${toOffer.length} things`} from there`}
        </Press>
      ) : null}
    </Card>
  );
}

/** The depot's report of the day against what is known here. */
function Reported({ market, stock }: { market: string; stock: DepotStock }) {
  const things = useAttic((s) => s.things);
  const views = useCourier((s) => s.things);
  const compared = useMemo(() => {
    const sold = new Set(Object.values(views).flatMap((v) => (v.sale ? [v.id] : [])));
    return compareStock(Object.values(things), stock, market, sold);
  }, [things, views, stock, market]);
  const kept = stock.lines.filter((l) => l.state === 'kept').length;
  const posted = stock.lines.filter((l) => l.state === 'posted').length;
  return (
    <Card label="Report of the day">
      <Words kind="heading">Report of the day</Words>
      <Words figures>{`${stock.day}: ${kept} kept there, ${posted} posted to buyers.`}</Words>
      {compared.absent.map((id) => (
        <Notice key={id} tone="trouble">
          {`${nameOr(things[id], 'A thing')} should be there, and is not in the report.`}
        </Notice>
      ))}
      {compared.strange.length > 0 ? (
        <Notice tone="caution">{`The report has what nobody here sent: ${compared.strange.join(', ')}.`}</Notice>
      ) : null}
      {compared.absent.length + compared.strange.length === 0 ? (
        <Words tone="soft">It agrees with what is known here.</Words>
      ) : null}
    </Card>
  );
}

function offerWords(listing: { state: string; postage: number } | undefined): string {
  if (!listing) return 'not offered';
  return listing.postage === 0 ? 'offered from there' : 'offered, but as posted by you';
}
