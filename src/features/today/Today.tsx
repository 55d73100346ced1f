import { useRouter } from 'expo-router';
import { View } from 'react-native';

import type { Thing } from '@/contract/records';
import { isAway, postedBy } from '@/core/depot/depot';
import { formatMoney } from '@/core/money/money';
import type { TodayLine } from '@/core/sales/today';
import { Card, Page } from '@/parts/Page';
import { Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { Icon } from '@/parts/Icon';
import { isNone, useAttic } from '@/store/attic';
import { useCourier } from '@/store/courierLink';
import { enqueue } from '@/store/sendQueue';
import { packedNow } from '@/store/desk/orders';
import { editPlan } from '@/store/things';
import { nameOr } from '@/store/names';
import { useColours, useWide } from '@/theme/theme';

import { TakeDownByHand } from '../crosslist/TakeDownByHand';
import { CallBack } from '../depot/CallBack';
import { ClosingRecord } from '../sales/ClosingRecord';
import { useSales } from '../sales/useSales';
import { Calm, useUnheard } from '../shell/Calm';
import { soonWords, tookWords } from '../shell/time';
import { SECOND, useTime } from '../shell/useTime';
import { useMarketName } from '../shell/useMarketName';
import {
  Asked,
  CameBack,
  EndingLine,
  HeldLong,
  MeetingLine,
  MoneyOff,
  ParcelsLine,
  PromisedSold,
  SoldTwice,
} from './DeskLines';
import { Head, type LineProps } from './lines';
import { LockedLine, LostLine, RulesLine, StrangersLine, useMarketLines } from './MarketLines';
import { useToday } from './useToday';

/** What needs a person, worst first; each line does it in one tap. */
export function Today() {
  const lines = useToday();
  const { locked, changed, strangers, lost } = useMarketLines();
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
        {lost > 0 ? (
          <View style={wide ? { width: '48.8%' } : null}>
            <LostLine count={lost} />
          </View>
        ) : null}
        {strangers.map((market) => (
          <View key={`strangers ${market.id}`} style={wide ? { width: '48.8%' } : null}>
            <StrangersLine market={market} />
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
      ) : lines.length + locked.length + changed.length + strangers.length + lost === 0 ? (
        <Calm
          heading="Nothing needs you"
          words="Everything sold is gone from everywhere else, and nothing was refused."
        />
      ) : null}
    </Page>
  );
}

function keyOf(line: TodayLine): string {
  const more =
    line.sort === 'moneyOff'
      ? line.market
      : line.sort === 'asked'
        ? (line.talks.talks[0]?.id ?? '')
        : line.sort === 'cameBack'
          ? line.row.id
          : line.sort === 'soldTwice'
            ? line.second.order
            : line.sort === 'toFetch'
              ? line.sale.order
              : line.sort === 'refused' ||
                  line.sort === 'changeRefused' ||
                  line.sort === 'endedThere' ||
                  line.sort === 'editedThere'
                ? line.listing.market
                : '';
  return `${line.sort}.${line.thingId}.${more}${line.sort === 'nearlyReady' || line.sort === 'putUp' ? line.market : ''}`;
}

function Takings() {
  const currency = useAttic((s) => s.settings.currency);
  const sales = useSales();
  const midnight = new Date().setHours(0, 0, 0, 0);
  const today = sales.filter((s) => s.sale.at >= midnight);
  const known = today.flatMap((s) => (s.takeHome ? [s.takeHome.takeHome] : []));
  const why = useUnheard();
  const count = `${today.length === 1 ? 'One sale' : `${today.length} sales`}${why === null ? '' : ' known'}`;
  return (
    <Words tone="soft" figures>
      {today.length === 0
        ? (why ?? 'No sales yet today.')
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
  const name = nameOr(thing, 'Something not in this attic');
  switch (line.sort) {
    case 'soldTwice':
      return <SoldTwice line={line} name={name} thing={thing} />;
    case 'notGoneYet':
      return <NotGoneYet line={line} name={name} thing={thing} />;
    case 'promisedSold':
      return <PromisedSold line={line} name={name} thing={thing} />;
    case 'asked':
      return <Asked line={line} name={name} thing={thing} />;
    case 'meeting':
      return <MeetingLine line={line} name={name} thing={thing} />;
    case 'heldLong':
      return <HeldLong line={line} name={name} thing={thing} />;
    case 'parcels':
      return <ParcelsLine line={line} name={name} thing={thing} />;
    case 'cameBack':
      return <CameBack line={line} name={name} thing={thing} />;
    case 'moneyOff':
      return <MoneyOff line={line} />;
    case 'ending':
      return <EndingLine line={line} name={name} thing={thing} />;
    case 'toFetch':
      return <ToFetch line={line} name={name} thing={thing} />;
    case 'refused':
    case 'changeRefused':
      return <RefusedLine line={line} name={name} thing={thing} />;
    case 'endedThere':
      return <EndedThere line={line} name={name} thing={thing} />;
    case 'editedThere':
      return <EditedThere line={line} name={name} thing={thing} />;
    case 'putUp':
      return <PutUp line={line} name={name} thing={thing} />;
    case 'nearlyReady':
      return <NearlyReady line={line} name={name} thing={thing} />;
  }
}

function NotGoneYet({ line, name, thing }: LineProps<'notGoneYet'>) {
  const market = useMarketName();
  const closing = useCourier((s) => s.things[line.thingId]?.closing);
  const listings = useCourier((s) => s.things[line.thingId]?.listings);
  const markets = useCourier((s) => s.markets);
  const now = useTime(SECOND);
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

/** Where it is to be fetched; where it is, as long as nobody can fetch it. */
function spotWords(thing: Thing | undefined): string {
  if (!thing?.spot) return 'No spot recorded';
  return isAway(thing) ? thing.spot : `Fetch it from ${thing.spot}`;
}

function ToFetch({ line, name, thing }: LineProps<'toFetch'>) {
  const router = useRouter();
  const market = useMarketName();
  const currency = useAttic((s) => s.settings.currency);
  const closing = useCourier((s) => s.things[line.thingId]?.closing);
  const c = useColours();
  const sold = useSales().find((s) => s.thingId === line.thingId && s.sale.order === line.sale.order);
  const takeHome = sold?.takeHome;
  const postedThere = postedBy(line.sale.market, thing);
  const away = thing !== undefined && !postedThere && isAway(thing);
  const piece = thing?.choices?.pieces.find((p) => p.code === line.sale.piece);
  return (
    <Card label={`Sold: ${name}`}>
      <Head
        thing={thing}
        name={name}
        what={`Sold on ${market(line.sale.market)} for ${formatMoney(line.sale.amount, currency)}`}
      />
      {piece ? <Words kind="heading" figures>{`${piece.values.join(', ')} · ${piece.code}`}</Words> : null}
      {takeHome ? <Words figures>{`Take-home ${formatMoney(takeHome.takeHome, currency)}`}</Words> : null}
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <Icon name="spot" colour={c.slate} />
        <Words kind="heading" figures>
          {postedThere ? `${market(line.sale.market)} posts it from its depot` : spotWords(thing)}
        </Words>
      </View>
      {line.closedIn === null ? null : (
        <Words tone="good">{`Gone everywhere in ${tookWords(line.closedIn)}.`}</Words>
      )}
      {closing && line.closedIn !== null ? <ClosingRecord closing={closing} sale={line.sale} /> : null}
      {thing && away ? <CallBack thing={thing} /> : null}
      {thing && !away ? (
        <Press icon="parcel" onPress={() => packedNow(line.thingId, line.sale)}>
          {postedThere ? 'Seen' : 'Fetched and packed'}
        </Press>
      ) : null}
      {thing && !postedThere && !away ? (
        <Press kind="quiet" label={`Fetch and pack ${name}`} onPress={() => router.navigate('/packing')}>
          Scan and weigh it
        </Press>
      ) : null}
    </Card>
  );
}

/** It is not there any more, and nobody here took it down. */
function EndedThere({ line, name, thing }: LineProps<'endedThere'>) {
  const market = useMarketName()(line.listing.market);
  const about = { thing: line.thingId, market: line.listing.market };
  return (
    <Card label={`Ended on ${market}: ${name}`}>
      <Head thing={thing} name={name} what={`It ended on ${market}`} />
      {line.listing.reasons.map((reason) => (
        <Words key={reason.message}>{reason.message}</Words>
      ))}
      <Press
        label={`Put ${name} up again on ${market}`}
        onPress={() => enqueue([{ ...about, action: 'send' }])}
      >
        Put it up again
      </Press>
      <Press
        kind="quiet"
        label={`Leave ${name} off ${market}`}
        onPress={() => editPlan(about.thing, about.market, `${name} left off ${market}`, { wanted: false })}
      >
        Leave it off
      </Press>
    </Card>
  );
}

/** Somebody changed it at the marketplace itself: which of the two is right, a person has to say. */
function EditedThere({ line, name, thing }: LineProps<'editedThere'>) {
  const market = useMarketName()(line.listing.market);
  const currency = useAttic((s) => s.settings.currency);
  const { edited } = line.listing;
  const about = { thing: line.thingId, market: line.listing.market };
  if (!edited) return null;
  const say = (amount: number) => formatMoney(amount, currency);
  const theirs = {
    ...(edited.price === null ? {} : { price: edited.price }),
    ...(edited.title === null ? {} : { title: edited.title }),
  };
  const send = () => enqueue([{ ...about, action: 'send' }]);
  return (
    <Card label={`Changed on ${market}: ${name}`}>
      <Head thing={thing} name={name} what={`It was changed on ${market} itself`} />
      {edited.price === null ? null : (
        <Words figures>{`It asks ${say(edited.price)} there; you sent ${say(line.listing.price)}.`}</Words>
      )}
      {edited.title === null ? null : <Words>{`It is called “${edited.title}” there.`}</Words>}
      <Press label={`Send mine again to ${market}: ${name}`} onPress={send}>
        Send mine again
      </Press>
      <Press
        kind="quiet"
        label={`Keep what ${market} has: ${name}`}
        onPress={() => {
          editPlan(about.thing, about.market, `as ${market} has it`, theirs);
          send();
        }}
      >
        Keep theirs
      </Press>
    </Card>
  );
}

function RefusedLine({ line, name, thing }: LineProps<'refused' | 'changeRefused'>) {
  const market = useMarketName();
  const there = market(line.listing.market);
  const router = useRouter();
  return (
    <Card label={`${line.sort === 'changeRefused' ? 'Change refused' : 'Refused'}: ${name}`}>
      <Head
        thing={thing}
        name={name}
        what={
          line.sort === 'changeRefused'
            ? `${there} did not take a change: buyers there still see it as it was`
            : line.listing.stopped
              ? `It did not get to ${there}, and is not tried any more`
              : `${there} refused it`
        }
      />
      {line.listing.stopped && line.listing.trouble ? (
        <Words>{`${line.listing.trouble} Send it again.`}</Words>
      ) : null}
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
      {line.sort === 'changeRefused' ? (
        <Press
          kind="quiet"
          label={`Send ${name} to ${there} once more`}
          onPress={() => enqueue([{ thing: line.thingId, market: line.listing.market, action: 'send' }])}
        >
          Send it once more
        </Press>
      ) : null}
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
