import { useState } from 'react';
import { View } from 'react-native';

import type { Item } from '@/contract/records';
import { meetingHints } from '@/core/holds/hints';
import { openHold } from '@/core/holds/holds';
import { buyerPast } from '@/core/talks/buyerPast';
import type { TalkOf } from '@/core/talks/talks';
import { MoneyField } from '@/parts/trade/MoneyField';
import { useAsyncAction } from '@/parts/trade/useAsyncAction';
import { Button } from '@/parts/ui/Button';
import { OneOf } from '@/parts/ui/Choices';
import { Field } from '@/parts/ui/Field';
import { MomentField } from '@/parts/ui/MomentField';
import { Notice } from '@/parts/ui/Notice';
import { Text } from '@/parts/ui/Text';
import { comingWords } from '@/parts/ui/time';
import { setSettings, useAttic } from '@/store/attic/attic';
import { useTextDraft } from '@/store/attic/drafts';
import { useCourier } from '@/store/courier/courierLink';
import { arrangeMeeting, holdFor, newMeeting, type Meeting } from '@/store/fulfilment/holds';
import { writeOfMeeting } from '@/store/fulfilment/meetings';
import { useTalks } from '@/store/fulfilment/talks';
import { meetingHintWords } from '@/wording/meeting';

import { meetingTimes } from './meetingTimes';
import { useMeetingPlaces } from './useMeetingPlaces';

/** No place is called so. */
const OTHER = '\u0000other';
const PAID = [
  ['cash', 'In cash'],
  ['transfer', 'By transfer'],
] as const;
const ELSEWHERE = [
  ['withdraw', 'Taken down'],
  ['leave', 'Left up'],
] as const;

/** What the two agree on before an item is handed over in person, picked with a thumb, and told. */
export function Arrange({ item, talk, amount }: { item: Item; talk: TalkOf; amount: number | null }) {
  const { who } = talk;
  const [open, setOpen] = useState(false);
  return open ? (
    <Agreeing item={item} talk={talk} amount={amount} onDone={() => setOpen(false)} />
  ) : (
    <Button icon="sales" label={`Arrange a meeting with ${who}`} onPress={() => setOpen(true)}>
      Arrange a meeting
    </Button>
  );
}

function Agreeing(props: { item: Item; talk: TalkOf; amount: number | null; onDone: () => void }) {
  const { item, talk, onDone } = props;
  const { who, market } = talk;
  const currency = useAttic((s) => s.settings.currency);
  const listed = useCourier((s) => s.items[item.id]?.listings.find((l) => l.market === market)?.price);
  const places = useMeetingPlaces(item.id, market);
  const [place, setPlace, clearPlace] = useTextDraft(`meet:${item.id}:${who}`, places[0] ?? '');
  const [begun] = useState(Date.now);
  const times = meetingTimes(begun);
  const [at, setAt] = useState(times[0] ?? begun);
  const [pay, setPay] = useState<Meeting['pay']>('cash');
  const [amount, setAmount] = useState<number | null>(props.amount ?? listed ?? item.price);
  const { run, busy, trouble } = useAsyncAction();
  const meet =
    place.trim() === '' || amount === null ? null : newMeeting({ place: place.trim(), at, pay, amount });
  const keep = (tell: boolean) =>
    run(async () => {
      if (!meet) return;
      rememberPlace(meet.place);
      if (openHold(item)) arrangeMeeting(item, meet, market);
      else await holdFor(item, who, meet, market);
      clearPlace();
      onDone();
      // What can't be told stays to be told, where the meeting stands.
      if (tell) await writeOfMeeting(item.id, talk, 'tell');
    });
  return (
    <View role="group" aria-label={`Meeting with ${who}`} style={{ gap: 8 }}>
      <PlaceChoice places={places} place={place} onChange={setPlace} />
      <OneOf
        label="When"
        options={times.map((moment) => [String(moment), comingWords(moment, begun)] as const)}
        value={String(at)}
        onChoose={(moment) => setAt(Number(moment))}
      />
      <MomentField label="Day and time" at={at} least={begun} onChange={setAt} />
      <MoneyField label="For" value={amount} currency={currency} onChange={setAmount} />
      <OneOf label="Paid" options={PAID} value={pay} onChoose={setPay} />
      <Meanwhile />
      {meet ? <Hints item={item} talk={talk} meet={meet} /> : null}
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      <Button variant="main" disabled={busy || !meet} onPress={() => keep(true)}>
        {`Promise it and tell ${who}`}
      </Button>
      <Button
        variant="quiet"
        label={`Promise it to ${who}`}
        disabled={busy || !meet}
        onPress={() => keep(false)}
      >
        Promise it, they know already
      </Button>
      <Text variant="small" tone="soft">
        It is sold only once it is handed over.
      </Text>
    </View>
  );
}

/** Places that were met at before, and those of the marketplace; another one is typed. */
function PlaceChoice(props: { places: readonly string[]; place: string; onChange: (place: string) => void }) {
  const { places, place, onChange } = props;
  const [other, setOther] = useState(places.length === 0 || (place !== '' && !places.includes(place)));
  return (
    <>
      <OneOf
        label="Where"
        options={[...places.map((p) => [p, p] as const), [OTHER, 'Another place']]}
        value={other ? OTHER : place}
        onChoose={(p) => {
          setOther(p === OTHER);
          onChange(p === OTHER ? '' : p);
        }}
      />
      {other ? (
        <Field label="Public place" value={place} pause={0} maxLength={120} onChange={onChange} />
      ) : null}
    </>
  );
}

/** What fits this item, this buyer and this hour. */
function Hints({ item, talk, meet }: { item: Item; talk: TalkOf; meet: Meeting }) {
  const talks = useTalks((s) => s.talks);
  const items = useAttic((s) => s.items);
  const { missed } = buyerPast(talk, item.id, talks, Object.values(items));
  const hints = meetingHints({ item, meet, hour: new Date(meet.at).getHours(), missed });
  return (
    <View role="list" aria-label="Good to know" style={{ gap: 4 }}>
      {hints.map((hint) => (
        <View key={hint.code} role="listitem">
          <Text variant="small" tone="info">
            {meetingHintWords(hint)}
          </Text>
        </View>
      ))}
    </View>
  );
}

/** A place that was met at once is offered the next time. */
function rememberPlace(place: string): void {
  const { meetingPlaces } = useAttic.getState().settings;
  if (!meetingPlaces.includes(place)) setSettings({ meetingPlaces: [...meetingPlaces, place] });
}

/** What becomes of its listings elsewhere while it is promised. */
function Meanwhile() {
  const whenPromised = useAttic((s) => s.settings.whenPromised);
  return (
    <OneOf
      label="Elsewhere meanwhile"
      options={ELSEWHERE}
      value={whenPromised}
      onChoose={(value) => setSettings({ whenPromised: value })}
    />
  );
}
