import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';

import type { BuyerOffer } from '@/contract/fulfilment';
import type { SavedAnswer } from '@/contract/orders';
import type { Item } from '@/contract/records';
import { isTheirs, openHold } from '@/core/holds/holds';
import { listed } from '@/core/language/listed';
import { formatMoney } from '@/core/money/money';
import { buyerPast } from '@/core/talks/buyerPast';
import { mayPromise, standingFor, type Standing } from '@/core/talks/standing';
import {
  agreedOffer,
  openOffer,
  rankedByLeaves,
  waits,
  type TalkOf,
  type TalksOfItem,
} from '@/core/talks/talks';
import { HoldSteps } from '@/parts/trade/HoldSteps';
import { MoneyField } from '@/parts/trade/MoneyField';
import { PictureView } from '@/parts/trade/PictureView';
import { useAsyncAction } from '@/parts/trade/useAsyncAction';
import { Chip, ChipRow, Button } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Notice } from '@/parts/ui/Notice';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { agoWords, exactly, meetingTime } from '@/parts/ui/time';
import { useAttic } from '@/store/attic/attic';
import { useTextDraft } from '@/store/attic/drafts';
import { useCourier } from '@/store/courier/courierLink';
import { useMarketName } from '@/store/courier/useMarketName';
import { allAnswers, answerFor, keepAnswer } from '@/store/fulfilment/savedAnswers';
import { standingWords } from '@/store/fulfilment/standing';
import { answer, judged, reply, SAYS_OTHERWISE, useTalks } from '@/store/fulfilment/talks';
import { whatItLeaves } from '@/store/fulfilment/whatItLeaves';
import { nameOr } from '@/store/items/names';
import { useColours, useWide } from '@/theme/theme';
import { buyerPastWords } from '@/wording/meeting';
import { offerReason } from '@/wording/price';

import { Arrange } from './Arrange';

/** The buyers of one item, side by side. */
export function OfItem({ group }: { group: TalksOfItem }) {
  const item = useAttic((s) => (group.item ? s.items[group.item] : undefined));
  const wide = useWide();
  const router = useRouter();
  const name = nameOr(item, group.what);
  const ranked = rankedByLeaves(group.talks, (talk) => {
    const offer = openOffer(talk) ?? agreedOffer(talk);
    return offer && whatItLeaves(talk, offer.amount);
  });
  return (
    <Card label={`About ${name}`}>
      <View style={{ flexDirection: 'row', gap: 12, alignItems: 'center' }}>
        <PictureView id={item?.pictureIds[0]} alt="" style={{ width: 56, height: 56 }} />
        <View style={{ flex: 1 }}>
          <Text variant="strong" numberOfLines={2}>
            {name}
          </Text>
          {item ? <StateOf item={item} /> : null}
          {group.talks.length > 1 ? (
            <Text variant="small" tone="soft" figures>
              {`${group.talks.length} buyers, whoever leaves most first`}
            </Text>
          ) : null}
        </View>
        {item ? (
          <Button variant="quiet" label={`Open ${name}`} onPress={() => router.navigate(`/item/${item.id}`)}>
            Open
          </Button>
        ) : null}
      </View>
      <View style={wide ? { flexDirection: 'row', flexWrap: 'wrap', gap: 14 } : { gap: 14 }}>
        {ranked.map((talk) => (
          <OneTalk key={`${talk.market} ${talk.id}`} talk={talk} wide={wide} />
        ))}
      </View>
    </Card>
  );
}

/** Sold, promised, or where it is up and for how much. */
function StateOf({ item }: { item: Item }) {
  const market = useMarketName();
  const currency = useAttic((s) => s.settings.currency);
  const view = useCourier((s) => s.items[item.id]);
  const hold = openHold(item);
  const up = view?.listings.filter((l) => l.state === 'live' && l.want === 'live') ?? [];
  const prices = [...new Set(up.map((l) => l.price))].sort((a, b) => a - b);
  const words = view?.sale
    ? `Sold on ${market(view.sale.market)}`
    : item.left
      ? 'No longer here'
      : hold
        ? `Promised to ${hold.who || 'somebody'}` +
          (hold.meet ? `, meeting ${meetingTime(hold.meet.at)}` : '')
        : up.length === 0
          ? 'Up nowhere'
          : `Up on ${listed(
              up.map((l) => market(l.market)),
              'and',
            )}, ` + prices.map((p) => formatMoney(p, currency)).join(' to ');
  return (
    <Text variant="small" figures>
      {words}
    </Text>
  );
}

/** What this buyer did here before; nothing of one who comes first. */
function Past({ talk }: { talk: TalkOf }) {
  const talks = useTalks((s) => s.talks);
  const items = useAttic((s) => s.items);
  const past = useMemo(() => buyerPast(talk, talk.item, talks, Object.values(items)), [talk, talks, items]);
  const words = buyerPastWords(past);
  return words === null ? null : (
    <Text variant="small" tone="info">
      {words}
    </Text>
  );
}

function OneTalk({ talk, wide }: { talk: TalkOf; wide: boolean }) {
  const c = useColours();
  const market = useMarketName();
  const waiting = waits(talk);
  const [open, setOpen] = useState(waiting);
  const lines = open ? talk.lines : talk.lines.slice(-1);
  return (
    <View
      role="group"
      aria-label={`${talk.who} on ${market(talk.market)}`}
      style={{
        borderLeftWidth: 4,
        borderColor: waiting ? c.brass : c.line,
        paddingLeft: 12,
        gap: 8,
        ...(wide ? { flexBasis: '46%', flexGrow: 1 } : {}),
      }}
    >
      <Text variant="small" tone="soft" figures>
        {`${talk.who} on ${market(talk.market)} · ${agoWords(talk.changedAt)}`}
      </Text>
      <Past talk={talk} />
      {lines.map((l, i) => (
        <Text key={i}>
          <Text variant="strong">{`${l.by === 'buyer' ? talk.who : 'You'}: `}</Text>
          {l.words}
        </Text>
      ))}
      {talk.offers.slice(open ? 0 : -1).map((o) => (
        <OfferLine key={o.id} offer={o} who={talk.who} />
      ))}
      {openOffer(talk) ? <AnswerOffer talk={talk} /> : null}
      <Agreed talk={talk} />
      {open ? (
        <Reply talk={talk} />
      ) : (
        <Button variant="quiet" label={`Answer ${talk.who}`} onPress={() => setOpen(true)}>
          Read and answer
        </Button>
      )}
    </View>
  );
}

const OFFER_WORDS: Record<BuyerOffer['state'], string> = {
  open: 'waits for your answer',
  accepted: 'you took it',
  refused: 'you said no',
  countered: 'you asked for more',
  paid: 'paid',
  over: 'over',
};

function OfferLine({ offer, who }: { offer: BuyerOffer; who: string }) {
  const currency = useAttic((s) => s.settings.currency);
  const counter = offer.counter !== null ? `: ${formatMoney(offer.counter, currency)}` : '';
  return (
    <Text figures>
      {`${who} offers ${formatMoney(offer.amount, currency)} ` +
        `(${OFFER_WORDS[offer.state]}${offer.state === 'countered' ? counter : ''})`}
    </Text>
  );
}

/** The three ways to answer, each with what it would leave. */
function AnswerOffer({ talk }: { talk: TalkOf }) {
  const currency = useAttic((s) => s.settings.currency);
  const says = judged(talk);
  const offer = openOffer(talk);
  const [counter, setCounter] = useState<number | null>(says?.type === 'ask' ? says.counter : null);
  const { run, busy, trouble } = useAsyncAction();
  const stands = useStanding(talk);
  if (!offer) return null;
  const no = (
    <Button
      variant="quiet"
      disabled={busy}
      label={`Say no to ${talk.who}`}
      onPress={() => run(() => answer(talk, 'refuse'))}
    >
      Say no
    </Button>
  );
  if (stands && !mayPromise(stands.standing))
    return (
      <View style={{ gap: 8 }}>
        <Notice tone="caution">
          {'It is ' +
            `${stands.words}${
              stands.standing.is === 'held' ? ': let that go first to take this offer, or say no' : ': say no'
            }.`}
        </Notice>
        {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
        {no}
      </View>
    );
  const leaves = (amount: number | null) => {
    const home = amount === null ? null : whatItLeaves(talk, amount);
    return home === null ? null : `leaves ${formatMoney(home, currency)}`;
  };
  return (
    <View style={{ gap: 8 }}>
      {says ? <Text tone="soft">{`Your limits: ${offerReason(says.why)}.`}</Text> : null}
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      <Button
        variant="main"
        disabled={busy}
        label={`Take ${talk.who}’s offer`}
        onPress={() => run(() => answer(talk, 'accept'))}
      >
        {[`Take ${formatMoney(offer.amount, currency)}`, leaves(offer.amount)].filter(Boolean).join(', ')}
      </Button>
      <View style={{ flexDirection: 'row', gap: 8, alignItems: 'center' }}>
        <View style={{ flex: 1 }}>
          <MoneyField
            label={`Ask ${talk.who} for`}
            value={counter}
            currency={currency}
            onChange={setCounter}
          />
        </View>
        <Button
          disabled={busy || counter === null || counter <= offer.amount}
          label={`Ask ${talk.who} for more`}
          onPress={() => run(() => answer(talk, 'counter', counter))}
        >
          {leaves(counter) ? `Ask (${leaves(counter)})` : 'Ask'}
        </Button>
      </View>
      {no}
    </View>
  );
}

/** How the item stands towards this buyer, in words; null where it can be had, or is not known here. */
function useStanding(talk: TalkOf): { standing: Standing; words: string } | null {
  const market = useMarketName();
  const item = useAttic((s) => (talk.item ? s.items[talk.item] : undefined));
  const view = useCourier((s) => (talk.item ? s.items[talk.item] : undefined));
  const talks = useTalks((s) => s.talks);
  if (!item) return null;
  const standing = standingFor(talk, item, view, talks);
  const words = standingWords(standing, market);
  if (words === null) return null;
  const until =
    standing.is === 'held' && standing.until !== null ? `; they meet ${exactly(standing.until)}` : '';
  return { standing, words: words + until };
}

/** Where no money passes at the marketplace, what was agreed is handed over in person. */
function Agreed({ talk }: { talk: TalkOf }) {
  const item = useAttic((s) => (talk.item ? s.items[talk.item] : undefined));
  const sheet = useCourier((s) => s.sheets.find((x) => x.marketplace === talk.market));
  const sold = useCourier((s) => (talk.item ? s.items[talk.item]?.sale : null));
  if (!item || sold || sheet?.handover !== 'collect') return null;
  const hold = openHold(item);
  if (hold && !isTheirs(hold, talk)) return null;
  if (hold?.meet) return <HoldSteps item={item} />;
  const offer = agreedOffer(talk);
  return <Arrange item={item} talk={talk} amount={offer?.amount ?? null} />;
}

function Reply({ talk }: { talk: TalkOf }) {
  const item = useAttic((s) => (talk.item ? s.items[talk.item] : undefined));
  const [text, setText, clearText] = useTextDraft(`reply:${talk.market}:${talk.id}`);
  const [lacks, setLacks] = useState<string[]>([]);
  // The saved answer that gave way to how the item stands.
  const [instead, setInstead] = useState<string | null>(null);
  const { run, busy, trouble, field } = useAsyncAction();
  const stands = useStanding(talk);
  const send = (anyway: boolean) =>
    run(async () => {
      await reply(talk, text.trim(), anyway);
      clearText();
      setLacks([]);
      setInstead(null);
    });
  return (
    <View style={{ gap: 8 }}>
      {item ? (
        <SavedAnswers
          who={talk.who}
          onChoose={(answer) => {
            const { words, missing, gaveWay } = answerFor(answer, item, talk);
            setText(words);
            setLacks(missing);
            setInstead(gaveWay ? answer.name : null);
          }}
        />
      ) : null}
      {instead && stands ? (
        <Notice tone="caution">{`“${instead}” is for what can be had; it is ${stands.words}.`}</Notice>
      ) : null}
      {lacks.length > 0 ? (
        <Notice tone="caution">{`Not recorded: ${lacks.join(', ')}. Put it in where the dots are.`}</Notice>
      ) : null}
      <Field
        label={`Answer to ${talk.who}`}
        value={text}
        multiline
        pause={0}
        maxLength={2_000}
        onChange={setText}
      />
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      <Button
        disabled={busy || text.trim() === '' || text.includes('…')}
        label={`Send to ${talk.who}`}
        onPress={() => send(false)}
      >
        Send
      </Button>
      {field === SAYS_OTHERWISE ? (
        <Button
          variant="quiet"
          disabled={busy}
          label={`Send it to ${talk.who} all the same`}
          onPress={() => send(true)}
        >
          I mean it: send it
        </Button>
      ) : null}
      {text.trim() !== '' ? <KeepAnswer text={text.trim()} item={item} talk={talk} /> : null}
    </View>
  );
}

function SavedAnswers({ who, onChoose }: { who: string; onChoose: (answer: SavedAnswer) => void }) {
  const saved = useAttic((s) => s.settings.savedAnswers);
  const answers = allAnswers(saved);
  return (
    <ChipRow label="Saved answers" radio={false}>
      {answers.map((a) => (
        <Chip key={a.id} role="button" on={false} label={`${a.name}, to ${who}`} onPress={() => onChoose(a)}>
          {a.name}
        </Chip>
      ))}
    </ChipRow>
  );
}

function KeepAnswer({ text, item, talk }: { text: string; item: Item | undefined; talk: TalkOf }) {
  const [name, setName] = useState('');
  return (
    <View style={{ flexDirection: 'row', gap: 8, alignItems: 'center' }}>
      <View style={{ flex: 1 }}>
        <Field label="Keep this answer as" value={name} pause={0} maxLength={80} onChange={setName} />
      </View>
      <Button
        disabled={name.trim() === ''}
        onPress={() => {
          keepAnswer(name.trim(), text, item, talk);
          setName('');
        }}
      >
        Keep it
      </Button>
    </View>
  );
}
