import { useState } from 'react';
import { View } from 'react-native';

import { openHold } from '@/core/holds/holds';
import { HoldSteps } from '@/parts/trade/HoldSteps';
import { ItemLine } from '@/parts/trade/ItemLine';
import { Button, SignButton } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { setSettings, useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { nameOf } from '@/store/items/names';

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
      <Places />
    </Page>
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
