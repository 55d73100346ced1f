import { useQuery } from '@tanstack/react-query';
import { useLocalSearchParams } from 'expo-router';
import { useMemo, useState } from 'react';
import { Pressable, View } from 'react-native';

import type { DepotParcel, DepotStock } from '@/contract/atMarket';
import type { Item } from '@/contract/records';
import { compareStock, parcelState, whyNotToDepot } from '@/core/depot/depot';
import { plural } from '@/core/language/plural';
import { CallBack } from '@/parts/trade/CallBack';
import { ItemLine } from '@/parts/trade/ItemLine';
import { NoSuchMarket } from '@/parts/trade/NoSuchMarket';
import { PictureView } from '@/parts/trade/PictureView';
import { useAsyncAction } from '@/parts/trade/useAsyncAction';
import { Button } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { Tick } from '@/parts/ui/Tick';
import { exactly } from '@/parts/ui/time';
import { useAttic } from '@/store/attic/attic';
import { wordsOf } from '@/store/base/faults';
import { queries } from '@/store/base/queries';
import { useCourier } from '@/store/courier/courierLink';
import { announceParcel, backFromDepot, readParcels, saveContents } from '@/store/courier/depot';
import { enqueue } from '@/store/courier/sendQueue';
import { editPlan } from '@/store/items/items';
import { nameOf, nameOr } from '@/store/items/names';

/** A marketplace that stores items and posts them itself: what goes there, what arrived, what is there. */
export function Depot() {
  const { market = '' } = useLocalSearchParams<{ market?: string }>();
  const sheet = useCourier((s) => s.sheets.find((x) => x.marketplace === market));
  const views = useCourier((s) => s.items);
  const items = useAttic((s) => s.items);
  const asked = useQuery(
    {
      queryKey: ['depot', market],
      queryFn: () => readParcels(market),
      enabled: sheet?.depot === true,
      // Asked each time the page opens, and by hand.
      gcTime: 0,
    },
    queries,
  );
  const said = asked.data;
  const look = () => void asked.refetch();
  const all = useMemo(() => Object.values(items), [items]);
  if (!sheet) return <NoSuchMarket title="Depot" market={market} />;
  if (!sheet.depot)
    return (
      <Page title="Depot" back="/connections">
        <Text tone="soft">That marketplace stores nothing.</Text>
      </Page>
    );
  const fit = all.filter((t) => !views[t.id]?.sale && whyNotToDepot(t, sheet) === null);
  const of = (state: NonNullable<Item['depot']>['state']) =>
    all.filter((t) => t.depot?.market === market && t.depot.state === state);
  const missing = of('missing');
  const back = of('back');
  // What its own buyers bought has left; what sold elsewhere is still there and has to be called back.
  const there = of('there').filter((t) => views[t.id]?.sale?.market !== market);
  return (
    <Page title={`${sheet.name}’s depot`} back="/connections">
      <Text tone="soft">
        {`What is kept there, ${sheet.name} posts itself. Buyers pay no postage for it, so it is ` +
          'compared by its price alone.'}
      </Text>
      {asked.error ? <Notice tone="trouble">{wordsOf(asked.error)}</Notice> : null}
      {missing.map((t) => (
        <Card key={t.id} label={`Missing: ${nameOf(t)}`} tone="trouble">
          <Notice tone="trouble">{`${nameOf(t)} was not in parcel ${t.depot?.parcel}.`}</Notice>
          <ItemLine item={t} />
          <Button label={`${t.code} is here after all`} onPress={() => backFromDepot(t)}>
            It is here after all
          </Button>
        </Card>
      ))}
      <Packing market={market} fit={fit} onSent={look} />
      <Card label="Parcels">
        <Text variant="heading">Parcels</Text>
        {said?.parcels.length === 0 ? <Text tone="soft">None was sent yet.</Text> : null}
        {said?.parcels.map((p) => (
          <Parcel key={p.parcel} parcel={p} />
        ))}
        <Button variant="quiet" disabled={asked.isFetching} onPress={look}>
          {asked.isFetching ? 'Asking…' : 'Ask again'}
        </Button>
      </Card>
      <Stored market={market} there={there} />
      {back.length > 0 ? (
        <Card label="On their way back">
          <Text variant="heading">On their way back</Text>
          {back.map((t) => (
            <View key={t.id} style={{ gap: 8 }}>
              <ItemLine item={t} />
              <CallBack item={t} />
            </View>
          ))}
        </Card>
      ) : null}
      {said ? <Reported market={market} stock={said.stock} /> : null}
    </Page>
  );
}

/** Ticking what goes into the next parcel. */
function Packing(props: { market: string; fit: readonly Item[]; onSent: () => void }) {
  const { market, fit, onSent } = props;
  // What was meant for it when it was taken in is ticked already.
  const [ticked, setTicked] = useState<readonly string[]>(() =>
    fit.filter((t) => t.meantFor === market).map(({ id }) => id),
  );
  const [number, setNumber] = useState<string | null>(null);
  const { run, busy, trouble } = useAsyncAction();
  const chosen = fit.filter((t) => ticked.includes(t.id));
  return (
    <Card label="Next parcel">
      <Text variant="heading">Next parcel</Text>
      {number ? (
        <Notice tone="good">{`Write ${number} on the parcel. Its list is kept below.`}</Notice>
      ) : null}
      {fit.length === 0 ? (
        <Text tone="soft">Nothing fits: an item needs a barcode that has a record there.</Text>
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
              <Text numberOfLines={2}>{nameOf(t)}</Text>
              <Text variant="small" tone="soft" figures>
                {[t.code, t.spot].filter(Boolean).join(' · ')}
              </Text>
            </View>
          </Pressable>
        );
      })}
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      {fit.length > 0 ? (
        <Button
          variant="main"
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
            : `Announce a parcel of ${plural(chosen.length, 'one item', `${chosen.length} items`)}`}
        </Button>
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
        <Text variant="strong" figures>
          {parcel.parcel}
        </Text>
        <Text variant="small" tone={missing.length > 0 ? 'trouble' : 'soft'} figures>
          {`${exactly(parcel.at)} · ${plural(sent, 'one item', `${sent} items`)} sent · ${state}`}
        </Text>
      </View>
      <Button
        variant="quiet"
        label={`Save the list of ${parcel.parcel}`}
        onPress={() => saveContents(parcel)}
      >
        Save its list
      </Button>
    </View>
  );
}

/** What is there now, and whether it is offered from there. */
function Stored({ market, there }: { market: string; there: readonly Item[] }) {
  const views = useCourier((s) => s.items);
  const listingOf = (t: Item) => views[t.id]?.listings.find((l) => l.market === market && l.want === 'live');
  const toOffer = there.filter((t) => {
    if (views[t.id]?.sale) return false;
    const listing = listingOf(t);
    return !listing || (listing.state === 'live' && listing.postage !== 0);
  });
  return (
    <Card label="At the depot now">
      <Text variant="heading">At the depot now</Text>
      {there.length === 0 ? <Text tone="soft">Nothing.</Text> : null}
      {there.some(listingOf) ? (
        <Text tone="soft">To have something back that is offered from there, take it down first.</Text>
      ) : null}
      {there.map((t) => (
        <View key={t.id} style={{ gap: 8 }}>
          <View>
            <ItemLine item={t} />
            <Text variant="small" tone="soft" figures>
              {`${t.depot?.no} · ${views[t.id]?.sale ? 'sold elsewhere' : offerWords(listingOf(t))}`}
            </Text>
          </View>
          <CallBack item={t} />
        </View>
      ))}
      {toOffer.length > 0 ? (
        <Button
          variant="main"
          onPress={() => {
            for (const t of toOffer) editPlan(t.id, market, 'offered from the depot', { wanted: true });
            enqueue(toOffer.map((t) => ({ item: t.id, market, action: 'send' as const })));
          }}
        >
          {`Offer ${plural(toOffer.length, 'it', `${toOffer.length} items`)} from there`}
        </Button>
      ) : null}
    </Card>
  );
}

/** The depot's report of the day against what is known here. */
function Reported({ market, stock }: { market: string; stock: DepotStock }) {
  const items = useAttic((s) => s.items);
  const views = useCourier((s) => s.items);
  const compared = useMemo(() => {
    const sold = new Set(Object.values(views).flatMap((v) => (v.sale ? [v.id] : [])));
    return compareStock(Object.values(items), stock, market, sold);
  }, [items, views, stock, market]);
  const kept = stock.lines.filter((l) => l.state === 'kept').length;
  const posted = stock.lines.filter((l) => l.state === 'posted').length;
  return (
    <Card label="Report of the day">
      <Text variant="heading">Report of the day</Text>
      <Text figures>{`${stock.day}: ${kept} kept there, ${posted} posted to buyers.`}</Text>
      {compared.absent.map((id) => (
        <Notice key={id} tone="trouble">
          {`${nameOr(items[id], 'An item')} should be there, and is not in the report.`}
        </Notice>
      ))}
      {compared.strange.length > 0 ? (
        <Notice tone="caution">
          {`The report has what nobody here sent: ${compared.strange.join(', ')}.`}
        </Notice>
      ) : null}
      {compared.absent.length + compared.strange.length === 0 ? (
        <Text tone="soft">It agrees with what is known here.</Text>
      ) : null}
    </Card>
  );
}

function offerWords(listing: { state: string; postage: number } | undefined): string {
  if (!listing) return 'not offered';
  return listing.postage === 0 ? 'offered from there' : 'offered, but as posted by you';
}
