import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';

import type { Thing } from '@/contract/records';
import { formatMoney } from '@/core/money/money';
import type { TodayLine } from '@/core/sales/today';
import { openOffer, waits } from '@/core/talks/talks';
import { Notice } from '@/parts/Notice';
import { Card } from '@/parts/Page';
import { Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import {
  buyFromOwner,
  elsewhereFor,
  letLeave,
  LEFT_WORDS,
  markDown,
  moreTime,
  waitLonger,
} from '@/store/desk/consignors';
import { cancelSecond, handledThere } from '@/store/desk/orders';
import { letGo } from '@/store/desk/promises';
import { settleSecondSale } from '@/store/sending';
import { editPlan } from '@/store/things';

import { LinesField } from '../desk/LinesField';
import { HoldSteps, meetingTime } from '../desk/Promises';
import { useMarketName } from '../shell/useMarketName';
import { dayWords } from '../shell/time';
import { useDo } from '../shell/useDo';
import { clock, Head, type LineProps } from './lines';

/** The earlier sale stays; the buyer of the later one gets everything back and is told why. */
export function SoldTwice({ line, name, thing }: LineProps<'soldTwice'>) {
  const market = useMarketName();
  const currency = useAttic((s) => s.settings.currency);
  const { run, trouble, busy } = useDo();
  const { sale, second } = line;
  const there = handledThere({ sale: second });
  const [words, setWords] = useState(
    `I am sorry: somebody bought “${name}” in the same moment, and there is only one. I have cancelled your order, and you get everything back.`,
  );
  return (
    <Card tone="trouble" label={`Sold twice: ${name}`}>
      <Head thing={thing} name={name} what="Sold twice" trouble />
      <Words figures>
        {`First on ${market(sale.market)} at ${clock(sale.at)} for ${formatMoney(sale.amount, currency)}: that sale stays. `}
        {`Then on ${market(second.market)} at ${clock(second.at)} for ${formatMoney(second.amount, currency)}, order ${second.order}.`}
      </Words>
      {there ? (
        <LinesField label="What that buyer is told" value={words} onChange={setWords} />
      ) : (
        <Words tone="soft">{`Cancel the later order on ${market(second.market)} and tell that buyer you are sorry.`}</Words>
      )}
      {trouble ? <Words tone="trouble">{trouble}</Words> : null}
      {there ? (
        <Press
          kind="trouble"
          label={`Cancel the later order of ${name}`}
          disabled={busy || words.trim() === ''}
          onPress={() => run(() => cancelSecond(line.thingId, second, words.trim()))}
        >
          {`Cancel it on ${market(second.market)} and tell them`}
        </Press>
      ) : null}
      <Press
        kind={there ? 'quiet' : 'trouble'}
        disabled={busy}
        onPress={() => run(() => settleSecondSale(line.thingId, second.order))}
      >
        I have cancelled the later order
      </Press>
    </Card>
  );
}

export function PromisedSold({ line, name, thing }: LineProps<'promisedSold'>) {
  const market = useMarketName();
  const { run, trouble, busy } = useDo();
  return (
    <Card tone="trouble" label={`Promised and sold: ${name}`}>
      <Head thing={thing} name={name} what={`Promised to ${line.who || 'somebody'}, sold on ${market(line.sale.market)}`} trouble />
      <Words>{`Tell ${line.who || 'them'} that it is gone. The sale stays.`}</Words>
      {trouble ? <Words tone="trouble">{trouble}</Words> : null}
      {thing ? (
        <Press kind="trouble" disabled={busy} onPress={() => run(() => letGo(thing))}>
          I have told them
        </Press>
      ) : null}
    </Card>
  );
} // prettier-ignore

export function Asked({ line, name, thing }: LineProps<'asked'>) {
  const currency = useAttic((s) => s.settings.currency);
  const market = useMarketName();
  const router = useRouter();
  const waiting = line.talks.talks.filter(waits);
  return (
    <Card label={`Buyers wait: ${name}`}>
      <Head thing={thing} name={thing ? name : line.talks.what} what={waiting.length === 1 ? 'A buyer waits for an answer' : `${waiting.length} buyers wait for an answer`} />
      {waiting.slice(0, 3).map((t) => {
        const offer = openOffer(t);
        const said = offer ? `offers ${formatMoney(offer.amount, currency)}` : `“${t.lines.at(-1)?.words.slice(0, 120) ?? ''}”`;
        return <Words key={`${t.market} ${t.id}`} figures>{`${t.who} on ${market(t.market)}: ${said}`}</Words>;
      })}
      <Press label={`Answer about ${name}`} onPress={() => router.navigate('/talks')}>
        Answer
      </Press>
    </Card>
  );
} // prettier-ignore

export function MeetingLine({ line, name, thing }: LineProps<'meeting'>) {
  const { meet } = line.hold;
  if (!meet || !thing) return null;
  return (
    <Card label={`Meeting: ${name}`}>
      <Head
        thing={thing}
        name={name}
        what={line.late ? `How did it go with ${line.hold.who}?` : `Meeting ${meetingTime(meet.at)}`}
      />
      <HoldSteps thing={thing} />
    </Card>
  );
}

export function HeldLong({ line, name, thing }: LineProps<'heldLong'>) {
  if (!thing) return null;
  return (
    <Card label={`Promised long: ${name}`}>
      <Head thing={thing} name={name} what={`Promised since ${dayWords(line.hold.from)}`} />
      <HoldSteps thing={thing} />
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
      <Words kind="strong">Parcels</Words>
      <Words figures>{`${parts.join(', ')}.`}</Words>
      {line.late > 0 ? (
        <Notice tone="caution">{line.late === 1 ? 'One was sold over three days ago.' : `${line.late} were sold over three days ago.`}</Notice>
      ) : null}
      <Press icon="parcel" onPress={() => router.navigate('/packing')}>
        Go on packing
      </Press>
    </Card>
  );
} // prettier-ignore

export function CameBack({ line, name, thing }: LineProps<'cameBack'>) {
  const router = useRouter();
  const settled = line.row.record?.back?.given != null;
  return (
    <Card label={`Came back: ${name}`}>
      <Head thing={thing} name={name} what={settled ? 'It is back: what now?' : 'It is back: look it over'} />
      <Press onPress={() => router.navigate(`/order/${line.row.id}`)}>
        {settled ? 'Decide' : 'Settle it'}
      </Press>
    </Card>
  );
}

export function MoneyOff({ line }: { line: Extract<TodayLine, { sort: 'moneyOff' }> }) {
  const market = useMarketName()(line.market);
  const currency = useAttic((s) => s.settings.currency);
  const router = useRouter();
  return (
    <Card label={`Payouts of ${market}`}>
      <Words kind="strong">{`${market} paid otherwise than it told`}</Words>
      <Words figures>
        {`${line.orders === 1 ? 'One order' : `${line.orders} orders`}, ${formatMoney(Math.abs(line.off), currency)} ${line.off < 0 ? 'less' : 'more'} in all.`}
      </Words>
      <Press label={`Look at ${market}’s statement`} onPress={() => router.navigate('/payouts')}>
        Look at it
      </Press>
    </Card>
  );
} // prettier-ignore

export function EndingLine({ line, name, thing }: LineProps<'ending'>) {
  const { ending } = line;
  if (!thing) return null;
  return ending.sort === 'consignment' ? (
    <ConsignmentEnds ending={ending} name={name} thing={thing} />
  ) : (
    <PatienceEnds days={ending.days} name={name} thing={thing} />
  );
}

type ConsignmentEnding = Extract<Extract<TodayLine, { sort: 'ending' }>['ending'], { sort: 'consignment' }>;

function ConsignmentEnds({ ending, name, thing }: { ending: ConsignmentEnding; name: string; thing: Thing }) {
  const { daysLeft, owner } = ending;
  const when = daysLeft > 0 ? `ends in ${daysLeft === 1 ? 'a day' : `${daysLeft} days`}` : daysLeft === 0 ? 'ends today' : `ended ${-daysLeft === 1 ? 'a day' : `${-daysLeft} days`} ago`;
  const agreed = { back: 'Agreed: it goes back to them.', given: 'Agreed: it is given away.', bought: 'Agreed: we buy it.' }[owner.atEnd];
  return (
    <Card label={`Consignment ends: ${name}`}>
      <Head thing={thing} name={name} what={`${owner.name}’s time ${when}`} />
      <Words tone="soft">{agreed}</Words>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <Press label={`30 more days for ${name}`} onPress={() => moreTime(thing, 30)}>
          30 more days
        </Press>
        <Press label={`Mark ${name} down`} onPress={() => markDown(thing)}>
          A tenth less
        </Press>
        {owner.atEnd === 'bought' ? (
          <Press label={`Buy ${name} from ${owner.name}`} onPress={() => buyFromOwner(thing, owner.least)}>
            It is ours now
          </Press>
        ) : null}
        <Press kind={owner.atEnd === 'back' ? 'main' : 'plain'} label={`Give ${name} back`} onPress={() => letLeave(thing, 'back')}>
          {sentence(LEFT_WORDS.back)}
        </Press>
        <Press kind={owner.atEnd === 'given' ? 'main' : 'quiet'} label={`Give ${name} away`} onPress={() => letLeave(thing, 'given')}>
          {sentence(LEFT_WORDS.given)}
        </Press>
      </View>
    </Card>
  );
} // prettier-ignore

function PatienceEnds({ days, name, thing }: { days: number; name: string; thing: Thing }) {
  const market = useMarketName();
  const others = elsewhereFor(thing);
  const [first] = others;
  const router = useRouter();
  return (
    <Card label={`Unsold long: ${name}`}>
      <Head thing={thing} name={name} what={`Unsold for ${days} days`} />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <Press label={`Mark ${name} down`} onPress={() => markDown(thing)}>
          A tenth less
        </Press>
        {first ? (
          <Press
            label={`Try ${name} elsewhere`}
            onPress={() => {
              editPlan(thing.id, first, `to be tried on ${market(first)}`, { wanted: true });
              waitLonger(thing);
              router.navigate(`/thing/${thing.id}?at=markets`);
            }}
          >
            {`Try ${market(first)}`}
          </Press>
        ) : null}
        <Press kind="quiet" label={`Give ${name} away`} onPress={() => letLeave(thing, 'given')}>
          {sentence(LEFT_WORDS.given)}
        </Press>
        <Press kind="quiet" label={`Wait longer with ${name}`} onPress={() => waitLonger(thing)}>
          Wait longer
        </Press>
      </View>
    </Card>
  );
}

const sentence = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);
