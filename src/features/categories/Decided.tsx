import { useState } from 'react';
import { View } from 'react-native';

import { Button } from '@/parts/ui/Button';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';

import { ThereLine } from './ThereLine';
import { keyOf, type There } from './useThere';

/** So few are shown at once. */
const FEW = 8;

/** What was decided before: put right here, too. */
export function Decided({ there, onAsk }: { there: readonly There[]; onAsk: (one: There) => void }) {
  const [all, setAll] = useState(false);
  const shown = all || there.length <= FEW ? there : there.slice(0, FEW);
  return (
    <Card label="Decided">
      <Text variant="heading">{`Decided: ${there.length}`}</Text>
      <View role="list" aria-label="Decided ones" style={{ gap: 6 }}>
        {shown.map((one) => (
          <ThereLine key={keyOf(one)} there={one} onAsk={() => onAsk(one)} />
        ))}
      </View>
      {shown.length < there.length ? (
        <Button variant="quiet" onPress={() => setAll(true)}>{`All ${there.length}`}</Button>
      ) : null}
    </Card>
  );
}
