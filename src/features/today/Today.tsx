import { useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { View } from 'react-native';

import type { Thing } from '@/contract/records';
import { formatMoney } from '@/core/money/money';
import type { TodayLine } from '@/core/sales/today';
import { Card, Page } from '@/parts/Page';
import { PictureView } from '@/parts/PictureView';
import { Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { Icon } from '@/parts/Icon';
import { isNone, useAttic } from '@/store/attic';
import { useCourier } from '@/store/courierLink';
import { settleSecondSale } from '@/store/sending';
import { editThing } from '@/store/things';
import { useColours, useWide } from '@/theme/theme';

import { TakeDownByHand } from '../crosslist/TakeDownByHand';
import { ClosingRecord } from '../sales/ClosingRecord';
import { useSales } from '../sales/useSales';
import { useDo } from '../shell/useDo';
import { soonWords } from '../shell/time';
import { LockedLine, RulesLine, useMarketLines } from './MarketLines';
import { useToday } from './useToday';

/** What needs a person, worst first; each line does it in one tap. */
export function Today() {
  const c = useColours();
  const lines = useToday();
  const { locked, changed } = useMarketLines();
  const empty = useAttic((s) => isNone(s.things));
  const router = useRouter();
  const wide = useWide();
  return (
    <Page title="Today" maxWidth={1240}>
      <Takings />
      <View
        style={
          wide ? { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'flex-start', gap: 14 } : { gap: 12 }
        }
      >
        {locked.map((market) => (
          <View key={market.id} style={wide ? { width: '48.8%' } : null}>
            <LockedLine market={market} />
          </View>
        ))}
        {lines.map((line) => (
          <View key={keyOf(line)} style={wide ? { width: '48.8%' } : null}>
            <Line line={line} />
          </View>
        ))}
        {changed.map(({ marketplace }) => (
          <View key={marketplace} style={wide ? { width: '48.8%' } : null}>
            <RulesLine market={marketplace} />
          </View>
        ))}
      </View>
      {empty ? (
        <Card>
          <Words kind="heading">An empty attic</Words>
          <Words tone="soft">
            Take the first picture of a thing: it is saved the moment you do, and gets its code.
          </Words>
          <Press kind="main" icon="camera" onPress={() => router.navigate('/intake')}>
            Begin with a picture
          </Press>
        </Card>
      ) : lines.length + locked.length + changed.length === 0 ? (
        <Card>
          <View style={{ flexDirection: 'row', gap: 10, alignItems: 'center' }}>
            <Icon name="check" colour={c.moss} size={26} />
            <Words kind="heading">Nothing needs you</Words>
          </View>
          <Words tone="soft">Everything sold is gone from everywhere else, and nothing was refused.</Words>
        </Card>
      ) : null}
    </Page>
  );
}

function keyOf(line: TodayLine): string {
  const more =
    line.sort === 'soldTwice' ? line.second.order : line.sort === 'refused' ? line.listing.market : '';
  return `${line.sort}.${line.thingId}.${more}${line.sort === 'nearlyReady' || line.sort === 'putUp' ? line.market : ''}`;
}

function Takings() {
  const currency = useAttic((s) => s.settings.currency);
  const sales = useSales();
  const midnight = new Date().setHours(0, 0, 0, 0);
  const today = sales.filter((s) => s.sale.at >= midnight);
  const known = today.flatMap((s) => (s.takeHome ? [s.takeHome.takeHome] : []));
  const count = today.length === 1 ? 'One sale' : `${today.length} sales`;
  return (
    <Words tone="soft" figures>
      {today.length === 0
        ? 'No sales yet today.'
        : known.length < today.length
          ? `${count} today.`
          : `${count} today: ${formatMoney(
              known.reduce((a, b) => a + b, 0),
              currency,
            )} to take home.`}
    </Words>
  );
}

function Line({ line }: { line: TodayLine }) {
  const thing = useAttic((s) => s.things[line.thingId]);
  const name = thing?.title || thing?.code || 'Something not in this attic';
  switch (line.sort) {
    case 'soldTwice':
      return <SoldTwice line={line} name={name} thing={thing} />;
    case 'notGoneYet':
      return <NotGoneYet line={line} name={name} thing={thing} />;
    case 'toFetch':
      return <ToFetch line={line} name={name} thing={thing} />;
    case 'refused':
      return <RefusedLine line={line} name={name} thing={thing} />;
    case 'putUp':
      return <PutUp line={line} name={name} thing={thing} />;
    case 'nearlyReady':
      return <NearlyReady line={line} name={name} thing={thing} />;
  }
}

interface LineProps<S extends TodayLine['sort']> {
  line: Extract<TodayLine, { sort: S }>;
  name: string;
  thing: Thing | undefined;
}

function Head({
  thing,
  name,
  what,
  trouble,
}: {
  thing: Thing | undefined;
  name: string;
  what: string;
  trouble?: boolean;
}) {
  const c = useColours();
  return (
    <View style={{ flexDirection: 'row', gap: 12, alignItems: 'center' }}>
      <PictureView id={thing?.pictureIds[0]} alt="" style={{ width: 64, height: 64 }} />
      <View style={{ flex: 1, gap: 2 }}>
        <View style={{ flexDirection: 'row', gap: 6, alignItems: 'center' }}>
          {trouble ? <Icon name="alert" colour={c.brick} size={18} /> : null}
          <Words kind="strong" tone={trouble ? 'trouble' : 'ink'} style={{ flexShrink: 1 }}>
            {what}
          </Words>
        </View>
        <Words numberOfLines={2}>{name}</Words>
      </View>
    </View>
  );
}

function useMarketName(): (id: string) => string {
  const markets = useCourier((s) => s.markets);
  return (id) => markets.find((m) => m.id === id)?.name ?? id;
}

function SoldTwice({ line, name, thing }: LineProps<'soldTwice'>) {
  const market = useMarketName();
  const currency = useAttic((s) => s.settings.currency);
  const { run, trouble, busy } = useDo();
  const { sale, second } = line;
  return (
    <Card tone="trouble" label={`Sold twice: ${name}`}>
      <Head thing={thing} name={name} what="Sold twice" trouble />
      <Words figures>
        {`First on ${market(sale.market)} at ${clock(sale.at)} for ${formatMoney(sale.amount, currency)}: that sale stays. `}
        {`Then on ${market(second.market)} at ${clock(second.at)} for ${formatMoney(second.amount, currency)}, order ${second.order}.`}
      </Words>
      <Words tone="soft">{`Cancel the later order on ${market(second.market)} and tell that buyer you are sorry.`}</Words>
      {trouble ? <Words tone="trouble">{trouble}</Words> : null}
      <Press
        kind="trouble"
        disabled={busy}
        onPress={() => run(() => settleSecondSale(line.thingId, second.order))}
      >
        I have cancelled the later order
      </Press>
    </Card>
  );
}

function NotGoneYet({ line, name, thing }: LineProps<'notGoneYet'>) {
  const market = useMarketName();
  const closing = useCourier((s) => s.things[line.thingId]?.closing);
  const listings = useCourier((s) => s.things[line.thingId]?.listings);
  const markets = useCourier((s) => s.markets);
  const now = useNow();
  return (
    <Card tone="trouble" label={`Not gone everywhere yet: ${name}`}>
      <Head
        thing={thing}
        name={name}
        what={`Sold on ${market(line.sale.market)}, not gone everywhere yet`}
        trouble
      />
      {line.markets.map((m) => {
        const byHand = markets.find((x) => x.id === m.market)?.byHand;
        const listing = listings?.find((l) => l.market === m.market);
        if (byHand && listing)
          return (
            <TakeDownByHand key={m.market} thing={line.thingId} listing={listing} name={market(m.market)} />
          );
        return (
          <Words key={m.market} figures>
            {`Still up on ${market(m.market)}. `}
            {m.trouble ? `${m.trouble} Tried ${m.tries === 1 ? 'once' : `${m.tries} times`}; ` : ''}
            {m.trouble
              ? `the courier tries again ${soonWords(m.nextTryAt, now)}.`
              : 'It is being withdrawn now.'}
          </Words>
        );
      })}
      {closing ? <ClosingRecord closing={closing} sale={line.sale} /> : null}
    </Card>
  );
}

function ToFetch({ line, name, thing }: LineProps<'toFetch'>) {
  const market = useMarketName();
  const currency = useAttic((s) => s.settings.currency);
  const closing = useCourier((s) => s.things[line.thingId]?.closing);
  const c = useColours();
  const takeHome = useSales().find((s) => s.thingId === line.thingId)?.takeHome;
  return (
    <Card label={`Sold: ${name}`}>
      <Head
        thing={thing}
        name={name}
        what={`Sold on ${market(line.sale.market)} for ${formatMoney(line.sale.amount, currency)}`}
      />
      {takeHome ? <Words figures>{`Take-home ${formatMoney(takeHome.takeHome, currency)}`}</Words> : null}
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <Icon name="spot" colour={c.slate} />
        <Words kind="heading" figures>
          {thing?.spot ? `Fetch it from ${thing.spot}` : 'No spot recorded'}
        </Words>
      </View>
      <Words tone="good">{`Gone everywhere in ${seconds(line.closedIn)}.`}</Words>
      {closing ? <ClosingRecord closing={closing} sale={line.sale} /> : null}
      {thing ? (
        <Press
          icon="parcel"
          onPress={() => editThing(thing.id, 'fetched and packed', { packedAt: Date.now() })}
        >
          Fetched and packed
        </Press>
      ) : null}
    </Card>
  );
}

function RefusedLine({ line, name, thing }: LineProps<'refused'>) {
  const market = useMarketName();
  const router = useRouter();
  return (
    <Card label={`Refused: ${name}`}>
      <Head thing={thing} name={name} what={`${market(line.listing.market)} refused it`} />
      {line.listing.reasons.map((reason) => (
        <Words key={reason.message}>{`“${reason.message}”`}</Words>
      ))}
      <Press
        onPress={() =>
          router.navigate(`/thing/${line.thingId}?at=${line.listing.reasons[0]?.field || 'markets'}`)
        }
      >
        Put it right
      </Press>
    </Card>
  );
}

function PutUp({ line, name, thing }: LineProps<'putUp'>) {
  const market = useMarketName();
  const router = useRouter();
  return (
    <Card label={`Put up by hand: ${name}`}>
      <Head thing={thing} name={name} what={`To put up on ${market(line.market)} by hand`} />
      <Press onPress={() => router.navigate(`/thing/${line.thingId}?at=markets`)}>Put it up</Press>
    </Card>
  );
}

function NearlyReady({ line, name, thing }: LineProps<'nearlyReady'>) {
  const market = useMarketName();
  const router = useRouter();
  return (
    <Card label={`One step from ready: ${name}`}>
      <Head thing={thing} name={name} what={`One step from ready for ${market(line.market)}`} />
      <Words>{line.finding.message}</Words>
      <Press onPress={() => router.navigate(`/thing/${line.thingId}?at=${line.finding.field}`)}>
        Finish it
      </Press>
    </Card>
  );
}

function useNow(): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), 1_000);
    return () => clearInterval(timer);
  }, []);
  return now;
}

function clock(at: number): string {
  return new Date(at).toLocaleTimeString('en-GB');
}

function seconds(ms: number): string {
  return ms < 1_000
    ? 'under a second'
    : ms < 90_000
      ? `${Math.round(ms / 1_000)} seconds`
      : `${Math.round(ms / 60_000)} minutes`;
}
