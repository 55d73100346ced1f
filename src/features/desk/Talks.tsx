import { useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { View } from 'react-native';

import { MoneyField } from '@/parts/MoneyField';
import { Field } from '@/parts/Field';
import { Notice } from '@/parts/Notice';
import { Card, Page } from '@/parts/Page';
import { PictureView } from '@/parts/PictureView';
import { Chip, ChipRow, Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import type { BuyerOffer } from '@/contract/desk';
import { openHold } from '@/core/holds/holds';
import { formatMoney } from '@/core/money/money';
import {
  agreedOffer,
  openOffer,
  talksByThing,
  waits,
  type TalkOf,
  type TalksOfThing,
} from '@/core/talks/talks';
import { mayPromise, standingFor, type Standing } from '@/core/talks/standing';
import { useAttic } from '@/store/attic';
import { useCourier } from '@/store/courierLink';
import { useTextDraft } from '@/store/drafts';
import { answerFor, keepAnswer, STARTING_ANSWERS } from '@/store/desk/savedAnswers';
import { standingWords } from '@/store/desk/standing';
import { answer, judged, readTalks, reply, SAYS_OTHERWISE, useTalks } from '@/store/desk/talks';
import { whatItLeaves } from '@/store/desk/whatItLeaves';
import { nameOr } from '@/store/names';
import { useColours, useWide } from '@/theme/theme';

import { BackTo } from '../shell/BackTo';
import { Calm } from '../shell/Calm';
import { agoWords, exactly } from '../shell/time';
import { useDo } from '../shell/useDo';
import { Arrange } from './Arrange';
import { useMarketName } from '../shell/useMarketName';

/** What buyers ask and offer, of all marketplaces, by thing: several buyers of one side by side. */
export function Talks() {
  const { talks, missing, readAt } = useTalks();
  const market = useMarketName();
  const { run, busy, trouble } = useDo();
  const connected = useCourier((s) => s.connected);
  const look = () => run(readTalks);
  // eslint-disable-next-line react-hooks/exhaustive-deps -- asked when the page opens, and by hand
  useEffect(() => (connected ? look() : undefined), [connected]);
  const groups = talksByThing(talks);
  return (
    <Page title="Messages and offers" aside={<BackTo path="/sales" />} maxWidth={1240}>
      {missing.map((m) => (
        <Notice key={m.market} tone="caution">{`${market(m.market)} could not be asked: ${m.why}`}</Notice>
      ))}
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      {connected ? null : (
        <Words tone="soft">
          {readAt === null ? 'No marketplace was asked yet.' : `As it was ${agoWords(readAt)}.`}
        </Words>
      )}
      {readAt !== null && groups.length === 0 ? (
        missing.length === 0 ? (
          <Calm
            heading="Nobody has written"
            words="Questions and offers from every marketplace come here, sorted by thing."
          />
        ) : (
          <Words tone="soft">Where it could be asked, nobody has written.</Words>
        )
      ) : null}
      {groups.map((group) => (
        <OfThing key={`${group.thing} ${group.talks[0]?.id}`} group={group} />
      ))}
      <Press kind="quiet" disabled={busy} onPress={look}>
        {busy ? 'Asking…' : 'Ask again'}
      </Press>
    </Page>
  );
}

function OfThing({ group }: { group: TalksOfThing }) {
  const thing = useAttic((s) => (group.thing ? s.things[group.thing] : undefined));
  const sale = useCourier((s) => (group.thing ? s.things[group.thing]?.sale : null));
  const wide = useWide();
  const router = useRouter();
  const name = nameOr(thing, group.what);
  const hold = thing && openHold(thing);
  return (
    <Card label={`About ${name}`}>
      <View style={{ flexDirection: 'row', gap: 12, alignItems: 'center' }}>
        <PictureView id={thing?.pictureIds[0]} alt="" style={{ width: 56, height: 56 }} />
        <View style={{ flex: 1 }}>
          <Words kind="strong" numberOfLines={2}>
            {name}
          </Words>
          <Words kind="small" tone="soft" figures>
            {sale ? 'sold' : hold ? `promised to ${hold.who || 'somebody'}` : `${group.talks.length === 1 ? 'one buyer' : `${group.talks.length} buyers`}`}
          </Words>
        </View>
        {thing ? (
          <Press kind="quiet" label={`Open ${name}`} onPress={() => router.navigate(`/thing/${thing.id}`)}>
            Open
          </Press>
        ) : null}
      </View>
      <View style={wide ? { flexDirection: 'row', flexWrap: 'wrap', gap: 14 } : { gap: 14 }}>
        {group.talks.map((talk) => (
          <OneTalk key={`${talk.market} ${talk.id}`} talk={talk} wide={wide} />
        ))}
      </View>
    </Card>
  );
} // prettier-ignore

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
      <Words kind="small" tone="soft" figures>
        {`${talk.who} on ${market(talk.market)} · ${agoWords(talk.changedAt)}`}
      </Words>
      {lines.map((l, i) => (
        <Words key={i}>
          <Words kind="strong">{`${l.by === 'buyer' ? talk.who : 'You'}: `}</Words>
          {l.words}
        </Words>
      ))}
      {talk.offers.slice(open ? 0 : -1).map((o) => (
        <OfferLine key={o.id} offer={o} who={talk.who} />
      ))}
      {openOffer(talk) ? <AnswerOffer talk={talk} /> : null}
      <Agreed talk={talk} />
      {open ? (
        <Reply talk={talk} />
      ) : (
        <Press kind="quiet" label={`Answer ${talk.who}`} onPress={() => setOpen(true)}>
          Read and answer
        </Press>
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
    <Words figures>
      {`${who} offers ${formatMoney(offer.amount, currency)} (${OFFER_WORDS[offer.state]}${offer.state === 'countered' ? counter : ''})`}
    </Words>
  );
}

/** The three ways to answer, each with what it would leave. */
function AnswerOffer({ talk }: { talk: TalkOf }) {
  const currency = useAttic((s) => s.settings.currency);
  const says = judged(talk);
  const offer = openOffer(talk);
  const [counter, setCounter] = useState<number | null>(says?.do === 'ask' ? says.counter : null);
  const { run, busy, trouble } = useDo();
  const stands = useStanding(talk);
  if (!offer) return null;
  const no = (
    <Press kind="quiet" disabled={busy} label={`Say no to ${talk.who}`} onPress={() => run(() => answer(talk, 'refuse'))}>
      Say no
    </Press>
  );
  if (stands && !mayPromise(stands.standing))
    return (
      <View style={{ gap: 8 }}>
        <Notice tone="caution">{`It is ${stands.words}${stands.standing.is === 'held' ? ': let that go first to take this offer, or say no' : ': say no'}.`}</Notice>
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
      {says ? <Words tone="soft">{`Your limits: ${says.why}.`}</Words> : null}
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      <Press kind="main" disabled={busy} label={`Take ${talk.who}’s offer`} onPress={() => run(() => answer(talk, 'accept'))}>
        {[`Take ${formatMoney(offer.amount, currency)}`, leaves(offer.amount)].filter(Boolean).join(', ')}
      </Press>
      <View style={{ flexDirection: 'row', gap: 8, alignItems: 'center' }}>
        <View style={{ flex: 1 }}>
          <MoneyField label={`Ask ${talk.who} for`} value={counter} currency={currency} onChange={setCounter} />
        </View>
        <Press
          disabled={busy || counter === null || counter <= offer.amount}
          label={`Ask ${talk.who} for more`}
          onPress={() => run(() => answer(talk, 'counter', counter))}
        >
          {leaves(counter) ? `Ask (${leaves(counter)})` : 'Ask'}
        </Press>
      </View>
      {no}
    </View>
  );
} // prettier-ignore

/** How the thing stands towards this buyer, in words; null where it can be had, or is not known here. */
function useStanding(talk: TalkOf): { standing: Standing; words: string } | null {
  const market = useMarketName();
  const thing = useAttic((s) => (talk.thing ? s.things[talk.thing] : undefined));
  const view = useCourier((s) => (talk.thing ? s.things[talk.thing] : undefined));
  const talks = useTalks((s) => s.talks);
  if (!thing) return null;
  const standing = standingFor(talk, thing, view, talks);
  const words = standingWords(standing, market);
  if (words === null) return null;
  const until =
    standing.is === 'held' && standing.until !== null ? `; they meet ${exactly(standing.until)}` : '';
  return { standing, words: words + until };
}

/** Where no money passes at the marketplace, what was agreed is handed over in person. */
function Agreed({ talk }: { talk: TalkOf }) {
  const thing = useAttic((s) => (talk.thing ? s.things[talk.thing] : undefined));
  const sheet = useCourier((s) => s.sheets.find((x) => x.marketplace === talk.market));
  const sold = useCourier((s) => (talk.thing ? s.things[talk.thing]?.sale : null));
  if (!thing || sold || sheet?.handover !== 'collect') return null;
  const hold = openHold(thing);
  if (hold?.meet || (hold && hold.who !== talk.who)) return null;
  const offer = agreedOffer(talk);
  return <Arrange thing={thing} who={talk.who} market={talk.market} amount={offer?.amount ?? null} />;
}

function Reply({ talk }: { talk: TalkOf }) {
  const saved = useAttic((s) => s.settings.savedAnswers);
  const thing = useAttic((s) => (talk.thing ? s.things[talk.thing] : undefined));
  const [text, setText, clearText] = useTextDraft(`reply:${talk.market}:${talk.id}`);
  const [lacks, setLacks] = useState<string[]>([]);
  // The saved answer that gave way to how the thing stands.
  const [instead, setInstead] = useState<string | null>(null);
  const [name, setName] = useState('');
  const { run, busy, trouble, field } = useDo();
  const stands = useStanding(talk);
  const send = (anyway: boolean) =>
    run(async () => {
      await reply(talk, text.trim(), anyway);
      clearText();
      setLacks([]);
      setInstead(null);
    });
  const answers = [...saved, ...STARTING_ANSWERS.filter((a) => !saved.some((s) => s.id === a.id))];
  return (
    <View style={{ gap: 8 }}>
      {thing ? (
        <ChipRow label="Saved answers" radio={false}>
          {answers.map((a) => (
            <Chip
              key={a.id}
              role="button"
              on={false}
              label={`${a.name}, to ${talk.who}`}
              onPress={() => {
                const { words, missing, gaveWay } = answerFor(a, thing, talk);
                setText(words);
                setLacks(missing);
                setInstead(gaveWay ? a.name : null);
              }}
            >
              {a.name}
            </Chip>
          ))}
        </ChipRow>
      ) : null}
      {instead && stands ? (
        <Notice tone="caution">{`“${instead}” is for what can be had; it is ${stands.words}.`}</Notice>
      ) : null}
      {lacks.length > 0 ? (
        <Notice tone="caution">{`Not recorded: ${lacks.join(', ')}. Put it in where the dots are.`}</Notice>
      ) : null}
      <Field label={`Answer to ${talk.who}`} value={text} multiline pause={0} maxLength={2_000} onChange={setText} />
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      <Press
        disabled={busy || text.trim() === '' || text.includes('…')}
        label={`Send to ${talk.who}`}
        onPress={() => send(false)}
      >
        Send
      </Press>
      {field === SAYS_OTHERWISE ? (
        <Press kind="quiet" disabled={busy} label={`Send it to ${talk.who} all the same`} onPress={() => send(true)}>
          I mean it: send it
        </Press>
      ) : null}
      {text.trim() !== '' ? (
        <View style={{ flexDirection: 'row', gap: 8, alignItems: 'center' }}>
          <View style={{ flex: 1 }}>
            <Field label="Keep this answer as" value={name} pause={0} maxLength={80} onChange={setName} />
          </View>
          <Press
            disabled={name.trim() === ''}
            onPress={() => {
              keepAnswer(name.trim(), text.trim(), thing, talk);
              setName('');
            }}
          >
            Keep it
          </Press>
        </View>
      ) : null}
    </View>
  );
} // prettier-ignore
