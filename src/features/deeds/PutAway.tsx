import { useState } from 'react';
import { View } from 'react-native';

import type { Item } from '@/contract/records';
import { isHeard } from '@/core/courier/known';
import { counted, plural } from '@/core/language/plural';
import { sentence } from '@/core/language/sentence';
import { Button, SignButton } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { Said } from '@/parts/ui/Said';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { bringBack, leaving, LEFT_WORDS, letLeave } from '@/store/fulfilment/consignors';

type How = NonNullable<Item['left']>['how'];
const HOWS: readonly How[] = ['given', 'thrown', 'back'];

/** What is no longer to be sold leaves the list and comes down everywhere; and it can come back. */
export function PutAway({ chosen, onBack }: { chosen: ReadonlySet<string>; onBack: () => void }) {
  const items = useAttic((s) => s.items);
  const views = useCourier((s) => s.items);
  const heard = useCourier(isHeard);
  const [done, setDone] = useState<string | null>(null);
  const list = [...chosen].flatMap((id) => items[id] ?? []);
  const away = list.filter((t) => t.left !== null);
  const { here, up } = leaving(list, views);
  const leave = (how: How) => {
    letLeave(here, how);
    setDone(`${counted(here.length, 'item')} put away. “No longer here” shows what was.`);
  };
  return (
    <View role="group" aria-label="Put away" style={{ gap: 8 }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 4 }}>
        <SignButton icon="back" label="Back to what can be done" onPress={onBack} />
        <Text variant="heading" style={{ flex: 1 }}>
          Put away
        </Text>
      </View>
      {heard ? null : (
        <Notice tone="trouble">
          The courier can’t be reached: they stay until they can be taken down everywhere.
        </Notice>
      )}
      {here.length > 0 ? (
        <>
          <Text tone="soft" figures>
            {`${counted(here.length, 'item')}` +
              (up.length > 0
                ? `, with ${plural(up.length, 'one listing', `${up.length} listings`)} to come down.`
                : ', none of them listed.')}
          </Text>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
            {HOWS.map((how) => (
              <Button key={how} disabled={!heard} onPress={() => leave(how)}>
                {sentence(LEFT_WORDS[how])}
              </Button>
            ))}
          </View>
        </>
      ) : null}
      {away.length > 0 ? (
        <Button
          icon="undo"
          onPress={() => {
            bringBack(away);
            setDone(`${plural(away.length, 'One is', `${away.length} are`)} here again.`);
          }}
        >
          {plural(away.length, 'Bring the one back', `Bring all ${away.length} back`)}
        </Button>
      ) : null}
      {here.length + away.length === 0 ? <Text tone="soft">What is sold is not put away.</Text> : null}
      <Said words={done} />
    </View>
  );
}
