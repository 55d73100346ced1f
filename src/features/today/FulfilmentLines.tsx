import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';

import type { Item } from '@/contract/records';
import { plural } from '@/core/language/plural';
import { sentence } from '@/core/language/sentence';
import { formatMoney } from '@/core/money/money';
import type { TodayLine } from '@/core/sales/today';
import { openOffer, waits } from '@/core/talks/talks';
import { HoldSteps } from '@/parts/trade/HoldSteps';
import { useAsyncAction } from '@/parts/trade/useAsyncAction';
import { Button } from '@/parts/ui/Button';
import { LinesField } from '@/parts/ui/LinesField';
import { Notice } from '@/parts/ui/Notice';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { dayWords, meetingTime } from '@/parts/ui/time';
import { useAttic } from '@/store/attic/attic';
import { settleSecondSale } from '@/store/courier/sending';
import { useMarketName } from '@/store/courier/useMarketName';
import { useMayLeave } from '@/store/derived/useLetGo';
import {
  buyFromOwner,
  elsewhereFor,
  letLeave,
  LEFT_WORDS,
  markDown,
  moreTime,
  waitLonger,
} from '@/store/fulfilment/consignors';
import { releaseHold } from '@/store/fulfilment/holds';
import { cancelSecond, handledThere } from '@/store/fulfilment/orders';
import { editPlan } from '@/store/items/items';

import { clock, Head, type LineProps } from './lines';

/** The earlier sale stays; the buyer of the later one gets everything back and is told why. */
export function SoldTwice({ line, name, item }: LineProps<'soldTwice'>) {
  const market = useMarketName();
  const currency = useAttic((s) => s.settings.currency);
  const { run, trouble, busy } = useAsyncAction();
  const { sale, second } = line;
  const there = handledThere({ sale: second });
  const [words, setWords] = useState(
    `I am sorry: somebody bought “${name}” in the same moment, and there is only one. I have ` +
      'cancelled your order, and you get everything back.',
  );
  return (
    <Card tone="trouble" label={`Sold twice: ${name}`}>
      <Head item={item} name={name} what="Sold twice" trouble />
      <Text figures>
        {`First on ${market(sale.market)} at ${clock(sale.at)} for ` +
          `${formatMoney(sale.amount, currency)}: that sale stays. `}
        {`Then on ${market(second.market)} at ${clock(second.at)} for ` +
          `${formatMoney(second.amount, currency)}, order ${second.order}.`}
      </Text>
      {there ? (
        <LinesField label="What that buyer is told" value={words} onChange={setWords} />
      ) : (
        <Text tone="soft">
          {`Cancel the later order on ${market(second.market)} and tell that buyer you are sorry.`}
        </Text>
      )}
      {trouble ? <Text tone="trouble">{trouble}</Text> : null}
      {there ? (
        <Button
          variant="trouble"
          label={`Cancel the later order of ${name}`}
          disabled={busy || words.trim() === ''}
          onPress={() => run(() => cancelSecond(line.itemId, second, words.trim()))}
        >
          {`Cancel it on ${market(second.market)} and tell them`}
        </Button>
      ) : null}
      <Button
        variant={there ? 'quiet' : 'trouble'}
        disabled={busy}
        onPress={() => run(() => settleSecondSale(line.itemId, second.order))}
      >
        I have cancelled the later order
      </Button>
    </Card>
  );
}

export function PromisedSold({ line, name, item }: LineProps<'promisedSold'>) {
  const market = useMarketName();
  const { run, trouble, busy } = useAsyncAction();
  return (
    <Card tone="trouble" label={`Promised and sold: ${name}`}>
      <Head
        item={item}
        name={name}
        what={`Promised to ${line.who || 'somebody'}, sold on ${market(line.sale.market)}`}
        trouble
      />
      <Text>{`Tell ${line.who || 'them'} that it is gone. The sale stays.`}</Text>
      {trouble ? <Text tone="trouble">{trouble}</Text> : null}
      {item ? (
        <Button variant="trouble" disabled={busy} onPress={() => run(() => releaseHold(item))}>
          I have told them
        </Button>
      ) : null}
    </Card>
  );
}

export function Asked({ line, name, item }: LineProps<'asked'>) {
  const currency = useAttic((s) => s.settings.currency);
  const market = useMarketName();
  const router = useRouter();
  const waiting = line.talks.talks.filter(waits);
  return (
    <Card label={`Buyers wait: ${name}`}>
      <Head
        item={item}
        name={item ? name : line.talks.what}
        what={plural(
          waiting.length,
          'A buyer waits for an answer',
          `${waiting.length} buyers wait for an answer`,
        )}
      />
      {waiting.slice(0, 3).map((t) => {
        const offer = openOffer(t);
        const said = offer
          ? `offers ${formatMoney(offer.amount, currency)}`
          : `“${t.lines.at(-1)?.words.slice(0, 120) ?? ''}”`;
        return <Text key={`${t.market} ${t.id}`} figures>{`${t.who} on ${market(t.market)}: ${said}`}</Text>;
      })}
      <Button label={`Answer about ${name}`} onPress={() => router.navigate('/talks')}>
        Answer
      </Button>
    </Card>
  );
}

export function MeetingLine({ line, name, item }: LineProps<'meeting'>) {
  const { meet } = line.hold;
  if (!meet || !item) return null;
  return (
    <Card label={`Meeting: ${name}`}>
      <Head
        item={item}
        name={name}
        what={line.late ? `How did it go with ${line.hold.who}?` : `Meeting ${meetingTime(meet.at)}`}
      />
      <HoldSteps item={item} />
    </Card>
  );
}

export function HeldLong({ line, name, item }: LineProps<'heldLong'>) {
  if (!item) return null;
  return (
    <Card label={`Promised long: ${name}`}>
      <Head item={item} name={name} what={`Promised since ${dayWords(line.hold.from)}`} />
      <HoldSteps item={item} />
    </Card>
  );
}

export function ParcelsLine({ line }: LineProps<'parcels'>) {
  const router = useRouter();
  const parts = [
    line.toLabel > 0 ? `${line.toLabel} to pack or label` : '',
    line.toPost > 0 ? `${line.toPost} to hand in` : '',
  ].filter(Boolean);
  return (
    <Card label="Parcels">
      <Text variant="strong">Parcels</Text>
      <Text figures>{`${parts.join(', ')}.`}</Text>
      {line.late > 0 ? (
        <Notice tone="caution">
          {plural(
            line.late,
            'One was sold over three days ago.',
            `${line.late} were sold over three days ago.`,
          )}
        </Notice>
      ) : null}
      <Button icon="parcel" onPress={() => router.navigate('/packing')}>
        Go on packing
      </Button>
    </Card>
  );
}

export function CameBack({ line, name, item }: LineProps<'cameBack'>) {
  const router = useRouter();
  const settled = line.row.record?.back?.given != null;
  return (
    <Card label={`Came back: ${name}`}>
      <Head item={item} name={name} what={settled ? 'It is back: what now?' : 'It is back: look it over'} />
      <Button onPress={() => router.navigate(`/order/${line.row.id}`)}>
        {settled ? 'Decide' : 'Settle it'}
      </Button>
    </Card>
  );
}

export function MoneyOff({ line }: { line: Extract<TodayLine, { sort: 'moneyOff' }> }) {
  const market = useMarketName()(line.market);
  const currency = useAttic((s) => s.settings.currency);
  const router = useRouter();
  return (
    <Card label={`Payouts of ${market}`}>
      <Text variant="strong">{`${market} paid otherwise than it told`}</Text>
      <Text figures>
        {`${plural(line.orders, 'One order', `${line.orders} orders`)}, ` +
          `${formatMoney(Math.abs(line.off), currency)} ${line.off < 0 ? 'less' : 'more'} in all.`}
      </Text>
      <Button label={`Look at ${market}’s statement`} onPress={() => router.navigate('/payouts')}>
        Look at it
      </Button>
    </Card>
  );
}

export function EndingLine({ line, name, item }: LineProps<'ending'>) {
  const { ending } = line;
  if (!item) return null;
  return ending.sort === 'consignment' ? (
    <ConsignmentEnds ending={ending} name={name} item={item} />
  ) : (
    <PatienceEnds days={ending.days} name={name} item={item} />
  );
}

type ConsignmentEnding = Extract<Extract<TodayLine, { sort: 'ending' }>['ending'], { sort: 'consignment' }>;

function ConsignmentEnds({ ending, name, item }: { ending: ConsignmentEnding; name: string; item: Item }) {
  const { daysLeft, owner } = ending;
  const when =
    daysLeft > 0
      ? `ends in ${plural(daysLeft, 'a day', `${daysLeft} days`)}`
      : daysLeft === 0
        ? 'ends today'
        : `ended ${plural(-daysLeft, 'a day', `${-daysLeft} days`)} ago`;
  const mayLeave = useMayLeave();
  const agreed = {
    back: 'Agreed: it goes back to them.',
    given: 'Agreed: it is given away.',
    bought: 'Agreed: we buy it.',
  }[owner.atEnd];
  return (
    <Card label={`Consignment ends: ${name}`}>
      <Head item={item} name={name} what={`${owner.name}’s time ${when}`} />
      <Text tone="soft">{agreed}</Text>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <Button label={`30 more days for ${name}`} onPress={() => moreTime(item, 30)}>
          30 more days
        </Button>
        <Button label={`Mark ${name} down`} onPress={() => markDown(item)}>
          A tenth less
        </Button>
        {owner.atEnd === 'bought' ? (
          <Button label={`Buy ${name} from ${owner.name}`} onPress={() => buyFromOwner(item, owner.least)}>
            It is ours now
          </Button>
        ) : null}
        <Button
          variant={owner.atEnd === 'back' ? 'main' : 'plain'}
          label={`Give ${name} back`}
          disabled={!mayLeave}
          onPress={() => letLeave([item], 'back')}
        >
          {sentence(LEFT_WORDS.back)}
        </Button>
        <Button
          variant={owner.atEnd === 'given' ? 'main' : 'quiet'}
          label={`Give ${name} away`}
          disabled={!mayLeave}
          onPress={() => letLeave([item], 'given')}
        >
          {sentence(LEFT_WORDS.given)}
        </Button>
      </View>
    </Card>
  );
}

function PatienceEnds({ days, name, item }: { days: number; name: string; item: Item }) {
  const market = useMarketName();
  const others = elsewhereFor(item);
  const [first] = others;
  const mayLeave = useMayLeave();
  const router = useRouter();
  return (
    <Card label={`Unsold long: ${name}`}>
      <Head item={item} name={name} what={`Unsold for ${days} days`} />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <Button label={`Mark ${name} down`} onPress={() => markDown(item)}>
          A tenth less
        </Button>
        {first ? (
          <Button
            label={`Try ${name} elsewhere`}
            onPress={() => {
              editPlan(item.id, first, `to be tried on ${market(first)}`, { wanted: true });
              waitLonger(item);
              router.navigate(`/item/${item.id}?at=markets`);
            }}
          >
            {`Try ${market(first)}`}
          </Button>
        ) : null}
        <Button
          variant="quiet"
          label={`Give ${name} away`}
          disabled={!mayLeave}
          onPress={() => letLeave([item], 'given')}
        >
          {sentence(LEFT_WORDS.given)}
        </Button>
        <Button variant="quiet" label={`Wait longer with ${name}`} onPress={() => waitLonger(item)}>
          Wait longer
        </Button>
      </View>
    </Card>
  );
}
