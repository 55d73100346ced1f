import { useRouter } from 'expo-router';
import { View } from 'react-native';

import type { Item } from '@/contract/records';
import { leftOf, isAlike, variationSold } from '@/core/choices/choices';
import { isAway, postedBy } from '@/core/depot/depot';
import { plural } from '@/core/language/plural';
import { formatMoney } from '@/core/money/money';
import type { TodayLine } from '@/core/sales/today';
import { CallBack } from '@/parts/trade/CallBack';
import { Calm, useUnheard } from '@/parts/trade/Calm';
import { ClosingRecord } from '@/parts/trade/ClosingRecord';
import { TakeDownByHand } from '@/parts/trade/TakeDownByHand';
import { Button } from '@/parts/ui/Button';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { soonWords, tookWords } from '@/parts/ui/time';
import { isNone, useAttic } from '@/store/attic/attic';
import { SECOND, useTime } from '@/store/base/useTime';
import { useCopyNeed } from '@/store/copies/useSinceCopy';
import { useCourier } from '@/store/courier/courierLink';
import { enqueue } from '@/store/courier/sendQueue';
import { useMarketName } from '@/store/courier/useMarketName';
import { useIsFirstStart } from '@/store/derived/useAtticSort';
import { useSales } from '@/store/derived/useSales';
import { useToday } from '@/store/derived/useToday';
import { packedNow } from '@/store/fulfilment/orders';
import { editPlan } from '@/store/items/items';
import { nameOr } from '@/store/items/names';
import { Icon } from '@/theme/Icon';
import { useColours, useWide } from '@/theme/theme';
import { findingWords } from '@/wording/check';
import { reasonWords, troubleWords } from '@/wording/courier';

import { CopyLine } from './CopyLine';
import { FirstStart } from './FirstStart';
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
} from './FulfilmentLines';
import { Head, type LineProps } from './lines';
import { LockedLine, LostLine, RulesLine, StrangersLine, useMarketLines } from './MarketLines';
import { RoundLine } from './RoundLine';
import { ToLookAtLine } from './ToLookAtLine';
import { UnaskedLine } from './UnaskedLine';
import { UnbidLine } from './UnbidLine';

/** What a new attic asks, or what needs a person. */
export function Today() {
  return useIsFirstStart() ? <FirstStart /> : <Lines />;
}

/** What needs a person, worst first; each line does it in one tap. */
function Lines() {
  const lines = useToday();
  const { locked, changed, strangers, lost } = useMarketLines();
  const empty = useAttic((s) => isNone(s.items));
  const copyNeed = useCopyNeed();
  const wide = useWide();
  return (
    <Page title="Today" maxWidth={1240}>
      <Takings />
      <RoundLine />
      {empty ? null : <ToLookAtLine />}
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
        {copyNeed ? (
          <View style={wide ? { width: '48.8%' } : null}>
            <CopyLine need={copyNeed} />
          </View>
        ) : null}
      </View>
      {empty ? (
        <EmptyAttic />
      ) : lines.length + locked.length + changed.length + strangers.length + lost === 0 && !copyNeed ? (
        <Calm
          heading="Nothing needs you"
          words="Everything sold is gone from everywhere else, and nothing was refused."
        />
      ) : null}
    </Page>
  );
}

function EmptyAttic() {
  const router = useRouter();
  return (
    <Card label="An empty attic">
      <Text variant="heading">An empty attic</Text>
      <Text tone="soft">
        Take the first picture of an item: it is saved the moment you do, and gets its code.
      </Text>
      <Button variant="main" icon="camera" onPress={() => router.navigate('/intake')}>
        Begin with a picture
      </Button>
      <Text tone="soft">
        Or go on with what was in another browser, or in this one before it was cleared.
      </Text>
      <Button icon="attic" onPress={() => router.navigate('/copies')}>
        Bring back a copy
      </Button>
    </Card>
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
                  line.sort === 'editedThere' ||
                  line.sort === 'unasked'
                ? line.listing.market
                : '';
  return `${line.sort}.${line.itemId}.${more}${
    line.sort === 'nearlyReady' || line.sort === 'putUp' ? line.market : ''
  }`;
}

function Takings() {
  const currency = useAttic((s) => s.settings.currency);
  const sales = useSales();
  const midnight = new Date().setHours(0, 0, 0, 0);
  const today = sales.filter((s) => s.sale.at >= midnight);
  const known = today.flatMap((s) => (s.takeHome ? [s.takeHome.takeHome] : []));
  const why = useUnheard();
  const count = `${plural(today.length, 'One sale', `${today.length} sales`)}${why === null ? '' : ' known'}`;
  return (
    <Text tone="soft" figures>
      {today.length === 0
        ? (why ?? 'No sales yet today.')
        : known.length < today.length
          ? `${count} today.`
          : `${count} today: ${formatMoney(
              known.reduce((a, b) => a + b, 0),
              currency,
            )} to take home.`}
    </Text>
  );
}

function Line({ line }: { line: TodayLine }) {
  const item = useAttic((s) => s.items[line.itemId]);
  const name = nameOr(item, 'Something not in this attic');
  switch (line.sort) {
    case 'soldTwice':
      return <SoldTwice line={line} name={name} item={item} />;
    case 'notGoneYet':
      return <NotGoneYet line={line} name={name} item={item} />;
    case 'promisedSold':
      return <PromisedSold line={line} name={name} item={item} />;
    case 'asked':
      return <Asked line={line} name={name} item={item} />;
    case 'meeting':
      return <MeetingLine line={line} name={name} item={item} />;
    case 'heldLong':
      return <HeldLong line={line} name={name} item={item} />;
    case 'parcels':
      return <ParcelsLine line={line} name={name} item={item} />;
    case 'cameBack':
      return <CameBack line={line} name={name} item={item} />;
    case 'moneyOff':
      return <MoneyOff line={line} />;
    case 'unbid':
      return <UnbidLine line={line} name={name} item={item} />;
    case 'unasked':
      return <UnaskedLine line={line} name={name} item={item} />;
    case 'ending':
      return <EndingLine line={line} name={name} item={item} />;
    case 'toFetch':
      return <ToFetch line={line} name={name} item={item} />;
    case 'refused':
    case 'changeRefused':
      return <RefusedLine line={line} name={name} item={item} />;
    case 'endedThere':
      return <EndedThere line={line} name={name} item={item} />;
    case 'editedThere':
      return <EditedThere line={line} name={name} item={item} />;
    case 'putUp':
      return <PutUp line={line} name={name} item={item} />;
    case 'nearlyReady':
      return <NearlyReady line={line} name={name} item={item} />;
  }
}

function NotGoneYet({ line, name, item }: LineProps<'notGoneYet'>) {
  const market = useMarketName();
  const closing = useCourier((s) => s.items[line.itemId]?.closing);
  const listings = useCourier((s) => s.items[line.itemId]?.listings);
  const markets = useCourier((s) => s.markets);
  const now = useTime(SECOND);
  return (
    <Card tone="trouble" label={`Not gone everywhere yet: ${name}`}>
      <Head
        item={item}
        name={name}
        what={`Sold on ${market(line.sale.market)}, not gone everywhere yet`}
        trouble
      />
      {line.markets.map((m) => {
        const byHand = markets.find((x) => x.id === m.market)?.byHand;
        const listing = listings?.find((l) => l.market === m.market);
        if (byHand && listing)
          return (
            <TakeDownByHand key={m.market} item={line.itemId} listing={listing} name={market(m.market)} />
          );
        return (
          <Text key={m.market} figures>
            {`Still up on ${market(m.market)}. `}
            {m.trouble
              ? `${troubleWords(m.trouble)} Tried ${plural(m.tries, 'once', `${m.tries} times`)}; `
              : ''}
            {m.trouble
              ? `the courier tries again ${soonWords(m.nextTryAt, now)}.`
              : 'It is being withdrawn now.'}
          </Text>
        );
      })}
      {closing ? <ClosingRecord closing={closing} sale={line.sale} /> : null}
    </Card>
  );
}

/** Where it is to be fetched; where it is, as long as nobody can fetch it. */
function spotWords(item: Item | undefined): string {
  if (!item?.spot) return 'No spot recorded';
  return isAway(item) ? item.spot : `Fetch it from ${item.spot}`;
}

function ToFetch({ line, name, item }: LineProps<'toFetch'>) {
  const router = useRouter();
  const market = useMarketName();
  const currency = useAttic((s) => s.settings.currency);
  const closing = useCourier((s) => s.items[line.itemId]?.closing);
  const c = useColours();
  const sold = useSales().find((s) => s.itemId === line.itemId && s.sale.order === line.sale.order);
  const takeHome = sold?.takeHome;
  const postedThere = postedBy(line.sale.market, item);
  const away = item !== undefined && !postedThere && isAway(item);
  const sales = useCourier((s) => s.items[line.itemId]?.pieceSales);
  const piece = variationSold(item?.choices, line.sale);
  const alike = item?.choices && isAlike(item.choices) ? item.choices : null;
  return (
    <Card label={`Sold: ${name}`}>
      <Head
        item={item}
        name={name}
        what={`Sold on ${market(line.sale.market)} for ${formatMoney(line.sale.amount, currency)}`}
      />
      {piece ? <Text variant="heading" figures>{`${piece.values.join(', ')} · ${piece.code}`}</Text> : null}
      {alike ? <Text figures>{`${leftOf(alike, sales ?? [])} of it left`}</Text> : null}
      {takeHome ? <Text figures>{`Take-home ${formatMoney(takeHome.takeHome, currency)}`}</Text> : null}
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <Icon name="spot" colour={c.slate} />
        <Text variant="heading" figures>
          {postedThere ? `${market(line.sale.market)} posts it from its depot` : spotWords(item)}
        </Text>
      </View>
      {line.closedIn === null ? null : (
        <Text tone="good">{`Gone everywhere in ${tookWords(line.closedIn)}.`}</Text>
      )}
      {closing && line.closedIn !== null ? <ClosingRecord closing={closing} sale={line.sale} /> : null}
      {item && away ? <CallBack item={item} /> : null}
      {item && !away ? (
        <Button icon="parcel" onPress={() => packedNow(line.itemId, line.sale)}>
          {postedThere ? 'Seen' : 'Picked and packed'}
        </Button>
      ) : null}
      {item && !postedThere && !away ? (
        <Button variant="quiet" label={`Fetch and pack ${name}`} onPress={() => router.navigate('/packing')}>
          Scan and weigh it
        </Button>
      ) : null}
    </Card>
  );
}

/** It is not there any more, and nobody here took it down. */
function EndedThere({ line, name, item }: LineProps<'endedThere'>) {
  const market = useMarketName()(line.listing.market);
  const about = { item: line.itemId, market: line.listing.market };
  return (
    <Card label={`Ended on ${market}: ${name}`}>
      <Head item={item} name={name} what={`It ended on ${market}`} />
      {line.listing.reasons.map((reason) => (
        <Text key={reasonWords(reason)}>{reasonWords(reason)}</Text>
      ))}
      <Button
        label={`Put ${name} up again on ${market}`}
        onPress={() => enqueue([{ ...about, action: 'send' }])}
      >
        List it again
      </Button>
      <Button
        variant="quiet"
        label={`Leave ${name} off ${market}`}
        onPress={() => editPlan(about.item, about.market, `${name} left off ${market}`, { wanted: false })}
      >
        Leave it off
      </Button>
    </Card>
  );
}

/** Somebody changed it at the marketplace itself: which of the two is right, a person has to say. */
function EditedThere({ line, name, item }: LineProps<'editedThere'>) {
  const market = useMarketName()(line.listing.market);
  const currency = useAttic((s) => s.settings.currency);
  const { edited } = line.listing;
  const about = { item: line.itemId, market: line.listing.market };
  if (!edited) return null;
  const say = (amount: number) => formatMoney(amount, currency);
  const theirs = {
    ...(edited.price === null ? {} : { price: edited.price }),
    ...(edited.title === null ? {} : { title: edited.title }),
  };
  const send = () => enqueue([{ ...about, action: 'send' }]);
  return (
    <Card label={`Changed on ${market}: ${name}`}>
      <Head item={item} name={name} what={`It was changed on ${market} itself`} />
      {edited.price === null ? null : (
        <Text figures>{`It asks ${say(edited.price)} there; you sent ${say(line.listing.price)}.`}</Text>
      )}
      {edited.title === null ? null : <Text>{`It is called “${edited.title}” there.`}</Text>}
      <Button label={`Send mine again to ${market}: ${name}`} onPress={send}>
        Send mine again
      </Button>
      <Button
        variant="quiet"
        label={`Keep what ${market} has: ${name}`}
        onPress={() => {
          editPlan(about.item, about.market, `as ${market} has it`, theirs);
          send();
        }}
      >
        Keep theirs
      </Button>
    </Card>
  );
}

function RefusedLine({ line, name, item }: LineProps<'refused' | 'changeRefused'>) {
  const market = useMarketName();
  const there = market(line.listing.market);
  const router = useRouter();
  return (
    <Card label={`${line.sort === 'changeRefused' ? 'Change refused' : 'Refused'}: ${name}`}>
      <Head
        item={item}
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
        <Text>{`${troubleWords(line.listing.trouble)} Send it again.`}</Text>
      ) : null}
      {line.listing.reasons.map((reason) => (
        <Text key={reasonWords(reason)}>{reason.code ? reasonWords(reason) : `“${reason.message}”`}</Text>
      ))}
      <Button
        onPress={() =>
          router.navigate(`/item/${line.itemId}?at=${line.listing.reasons[0]?.field || 'markets'}`)
        }
      >
        Put it right
      </Button>
      {line.sort === 'changeRefused' ? (
        <Button
          variant="quiet"
          label={`Send ${name} to ${there} once more`}
          onPress={() => enqueue([{ item: line.itemId, market: line.listing.market, action: 'send' }])}
        >
          Send it once more
        </Button>
      ) : null}
    </Card>
  );
}

function PutUp({ line, name, item }: LineProps<'putUp'>) {
  const market = useMarketName();
  const router = useRouter();
  return (
    <Card label={`Put up by hand: ${name}`}>
      <Head item={item} name={name} what={`To put up on ${market(line.market)} by hand`} />
      <Button onPress={() => router.navigate(`/item/${line.itemId}?at=markets`)}>List it</Button>
    </Card>
  );
}

function NearlyReady({ line, name, item }: LineProps<'nearlyReady'>) {
  const market = useMarketName();
  const router = useRouter();
  return (
    <Card label={`One step from ready: ${name}`}>
      <Head item={item} name={name} what={`One step from ready for ${market(line.market)}`} />
      <Text>{findingWords(line.finding)}</Text>
      <Button onPress={() => router.navigate(`/item/${line.itemId}?at=${line.finding.field}`)}>
        Finish it
      </Button>
    </Card>
  );
}
