import { useRouter } from 'expo-router';
import { View } from 'react-native';

import { Button } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { nameOf } from '@/store/items/names';
import { scanAgain, useScanning } from '@/store/scanning/scan';
import { SCAN_REASONS, signalWords } from '@/wording/scanning';

/** How the last scan went, in words and large enough to be seen from the table. */
export function LastScan() {
  const router = useRouter();
  const last = useScanning((s) => s.last);
  const first = useAttic((s) => s.items[last?.itemIds[0] ?? '']);
  if (!last) return null;
  const isGood = last.signal === 'found' || last.signal === 'taken';
  const needsLook = last.signal !== null && !isGood;
  const words =
    last.why !== null
      ? SCAN_REASONS[last.why]
      : last.closed.length > 0
        ? `${last.closed.join(', ')} does not let you list it. It stands below for the others.`
        : '';
  return (
    <View role="status" style={{ gap: 6 }}>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'baseline' }}>
        <Text variant="heading" tone={needsLook ? 'trouble' : isGood ? 'good' : 'soft'}>
          {signalWords(last.signal)}
        </Text>
        <Text figures tone="soft">
          {last.text}
        </Text>
      </View>
      {first && last.why === null ? <Text variant="strong">{nameOf(first)}</Text> : null}
      {words === '' ? null : <Notice tone={needsLook ? 'caution' : 'info'}>{words}</Notice>}
      {last.signal === 'here' && first ? (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
          <Text tone="soft" figures style={{ alignSelf: 'center' }}>
            {[first.code, first.spot].filter(Boolean).join(' · ')}
          </Text>
          <Button icon="add" onPress={() => scanAgain(last.text)}>
            One more of it
          </Button>
          <Button variant="quiet" onPress={() => router.navigate(`/item/${first.id}`)}>
            Its sheet
          </Button>
        </View>
      ) : null}
    </View>
  );
}
