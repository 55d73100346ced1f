import { useState } from 'react';
import { View } from 'react-native';

import type { Thing } from '@/contract/records';
import { openHold } from '@/core/holds/holds';
import { formatMoney } from '@/core/money/money';
import { Field } from '@/parts/Field';
import { Notice } from '@/parts/Notice';
import { Card, Page } from '@/parts/Page';
import { Press, SignPress } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { setSettings, useAttic } from '@/store/attic';
import { useCourier } from '@/store/courierLink';
import { handedOver, letGo, moneyReceived } from '@/store/desk/promises';
import { nameOf } from '@/store/names';

import { ThingLine } from '../attic/ThingLine';
import { BackTo } from '../shell/BackTo';
import { dayWords } from '../shell/time';
import { useDo } from '../shell/useDo';
import { useMarketName } from '../shell/useMarketName';

/** Everything that is promised, the next meeting first, and the places to meet at. */
export function Promises() {
  const things = useAttic((s) => s.things);
  const views = useCourier((s) => s.things);
  const held = Object.values(things).flatMap((t) => {
    const hold = views[t.id]?.sale ? undefined : openHold(t);
    return hold ? [{ thing: t, hold }] : [];
  });
  held.sort((a, b) => (a.hold.meet?.at ?? Infinity) - (b.hold.meet?.at ?? Infinity));
  return (
    <Page title="Promises and meetings" aside={<BackTo path="/sales" />}>
      {held.length === 0 ? (
        <Card>
          <Words kind="heading">Nothing is promised</Words>
          <Words tone="soft">Take an offer or arrange a meeting in a conversation: the thing is held from then on.</Words>
        </Card>
      ) : null}
      {held.map(({ thing }) => (
        <Card key={thing.id} label={`Promised: ${nameOf(thing)}`}>
          <ThingLine thing={thing} />
          <HoldSteps thing={thing} />
        </Card>
      ))}
      <Places />
    </Page>
  );
} // prettier-ignore

/** Where a promise stands, and its next step: money before the thing, or nobody came. */
export function HoldSteps({ thing }: { thing: Thing }) {
  const currency = useAttic((s) => s.settings.currency);
  const down = useCourier((s) => s.things[thing.id]?.hold?.down ?? NONE);
  const market = useMarketName();
  const { run, busy, trouble } = useDo();
  const hold = openHold(thing);
  if (!hold) return null;
  const { meet } = hold;
  const name = nameOf(thing);
  return (
    <View style={{ gap: 8 }}>
      <Words figures>
        {meet
          ? `${hold.who || 'Somebody'}, ${meetingTime(meet.at)}, ${meet.place}: ${formatMoney(meet.amount, currency)} ${meet.pay === 'cash' ? 'in cash' : 'by transfer'}.`
          : `Promised to ${hold.who || 'somebody'} since ${dayWords(hold.from)}.`}
      </Words>
      {down.length > 0 ? (
        <Words tone="soft">{`Taken down for it on ${down.map(market).join(', ')}; it goes up again there if nothing comes of it.`}</Words>
      ) : null}
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      {meet && meet.receivedAt === null ? (
        <Press kind="main" label={`Money received for ${name}`} onPress={() => moneyReceived(thing)}>
          {`${formatMoney(meet.amount, currency)} received`}
        </Press>
      ) : null}
      {meet && meet.receivedAt !== null ? (
        <>
          <Words tone="good">{`The money is here. Now it may be handed over.`}</Words>
          <Press kind="main" disabled={busy} label={`Handed over: ${name}`} onPress={() => run(() => handedOver(thing))}>
            Handed over
          </Press>
        </>
      ) : null}
      {meet && meet.receivedAt === null ? (
        <Press disabled={busy} label={`Nobody came for ${name}`} onPress={() => run(() => letGo(thing, true))}>
          Nobody came
        </Press>
      ) : null}
      <Press kind="quiet" disabled={busy} label={`No longer promised: ${name}`} onPress={() => run(() => letGo(thing))}>
        No longer promised
      </Press>
    </View>
  );
} // prettier-ignore

const NONE: string[] = [];

/** "today, 15:30"; with the day when it is another one. */
export function meetingTime(at: number): string {
  const time = new Date(at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
  const today = new Date().toDateString() === new Date(at).toDateString();
  return today ? `today, ${time}` : `${dayWords(at)}, ${time}`;
}

function Places() {
  const places = useAttic((s) => s.settings.meetingPlaces);
  const [name, setName] = useState('');
  return (
    <Card label="Places to meet at">
      <Words kind="heading">Places to meet at</Words>
      <Words tone="soft">Public ones, where people are about.</Words>
      {places.map((p) => (
        <View key={p} style={{ flexDirection: 'row', alignItems: 'center' }}>
          <Words style={{ flex: 1 }}>{p}</Words>
          <SignPress icon="remove" label={`Remove ${p}`} onPress={() => setSettings({ meetingPlaces: places.filter((x) => x !== p) })} />
        </View>
      ))}
      <Field label="Another place" value={name} pause={0} maxLength={120} onChange={setName} />
      <Press
        icon="add"
        disabled={name.trim() === '' || places.includes(name.trim())}
        onPress={() => {
          setSettings({ meetingPlaces: [...places, name.trim()] });
          setName('');
        }}
      >
        Add this place
      </Press>
    </Card>
  );
} // prettier-ignore
