import { useState } from 'react';
import { View } from 'react-native';

import { openHold } from '@/core/holds/holds';
import { HoldSteps } from '@/parts/trade/HoldSteps';
import { ItemLine } from '@/parts/trade/ItemLine';
import { useAsyncAction } from '@/parts/trade/useAsyncAction';
import { Button, Chip, ChipRow, SignButton } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Notice } from '@/parts/ui/Notice';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { setSettings, useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { askToTell, mayTell } from '@/store/fulfilment/meetingReminders';
import { nameOf } from '@/store/items/names';
import { saveCalendar } from '@/store/tables/calendar';

/** Everything that is promised, the next meeting first, and the places to meet at. */
export function Holds() {
  const items = useAttic((s) => s.items);
  const views = useCourier((s) => s.items);
  const held = Object.values(items).flatMap((t) => {
    const hold = views[t.id]?.sale ? undefined : openHold(t);
    return hold ? [{ item: t, hold }] : [];
  });
  held.sort((a, b) => (a.hold.meet?.at ?? Infinity) - (b.hold.meet?.at ?? Infinity));
  return (
    <Page title="Holds and meetings" back="/sales">
      {held.length === 0 ? (
        <Card>
          <Text variant="heading">Nothing is promised</Text>
          <Text tone="soft">
            Take an offer or arrange a meeting in a conversation: the item is held from then on.
          </Text>
        </Card>
      ) : null}
      {held.map(({ item }) => (
        <Card key={item.id} label={`Promised: ${nameOf(item)}`}>
          <ItemLine item={item} />
          <HoldSteps item={item} />
        </Card>
      ))}
      <Reminders />
      <Places />
    </Page>
  );
}

const BEFORE = [
  [30, 'Half an hour'],
  [60, 'An hour'],
  [120, 'Two hours'],
  [1_440, 'A day'],
] as const;

/** How long before a meeting it is told of, and by what. */
function Reminders() {
  const minutes = useAttic((s) => s.settings.remindMinutes);
  const meets = useAttic((s) => Object.values(s.items).some((t) => openHold(t)?.meet));
  const [telling, setTelling] = useState(mayTell);
  const { run, busy, trouble } = useAsyncAction();
  return (
    <Card label="Reminders">
      <Text variant="heading">Reminders</Text>
      <Text tone="soft">How long before a meeting every page tells of it.</Text>
      <ChipRow label="Told before a meeting">
        {BEFORE.map(([value, words]) => (
          <Chip key={value} on={minutes === value} onPress={() => setSettings({ remindMinutes: value })}>
            {words}
          </Chip>
        ))}
      </ChipRow>
      {telling === 'default' ? (
        <Button disabled={busy} onPress={() => run(async () => setTelling(await askToTell()))}>
          Tell me on this device too
        </Button>
      ) : (
        <Text variant="small" tone="soft">
          {telling === 'granted'
            ? 'This device tells of it too, as long as the attic is open in it somewhere.'
            : 'This browser does not let a page tell of it: keep meetings in your calendar.'}
        </Text>
      )}
      {meets ? (
        <Button variant="quiet" disabled={busy} onPress={() => run(() => saveCalendar(Date.now()))}>
          Save meetings for my calendar
        </Button>
      ) : null}
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
    </Card>
  );
}

function Places() {
  const places = useAttic((s) => s.settings.meetingPlaces);
  const [name, setName] = useState('');
  return (
    <Card label="Places to meet at">
      <Text variant="heading">Places to meet at</Text>
      <Text tone="soft">Public ones, where people are about.</Text>
      {places.map((p) => (
        <View key={p} style={{ flexDirection: 'row', alignItems: 'center' }}>
          <Text style={{ flex: 1 }}>{p}</Text>
          <SignButton
            icon="remove"
            label={`Remove ${p}`}
            onPress={() => setSettings({ meetingPlaces: places.filter((x) => x !== p) })}
          />
        </View>
      ))}
      <Field label="Another place" value={name} pause={0} maxLength={120} onChange={setName} />
      <Button
        icon="add"
        disabled={name.trim() === '' || places.includes(name.trim())}
        onPress={() => {
          setSettings({ meetingPlaces: [...places, name.trim()] });
          setName('');
        }}
      >
        Add this place
      </Button>
    </Card>
  );
}
