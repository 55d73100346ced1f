import { useState } from 'react';
import { View } from 'react-native';

import { Button } from '@/parts/ui/Button';
import { useWide } from '@/theme/theme';

import { ThereLine } from './ThereLine';
import { keyOf, type There } from './useThere';

/** So few are shown at once. */
const FEW = 6;

/** Where kinds go, a line each, the first few of them until all are asked for. */
export function Lines(props: { label: string; there: readonly There[]; onAsk: (one: There) => void }) {
  const { label, there, onAsk } = props;
  const wide = useWide();
  const [all, setAll] = useState(false);
  const shown = all || there.length <= FEW + 1 ? there : there.slice(0, FEW);
  return (
    <>
      <View
        role="list"
        aria-label={label}
        style={wide ? { flexDirection: 'row', flexWrap: 'wrap', columnGap: 24 } : undefined}
      >
        {shown.map((one) => (
          <View key={keyOf(one)} role="listitem" style={wide ? { flexBasis: 440, flexGrow: 1 } : undefined}>
            <ThereLine there={one} onAsk={() => onAsk(one)} />
          </View>
        ))}
      </View>
      {shown.length < there.length ? (
        <Button
          variant="quiet"
          label={`${label}: all ${there.length}`}
          onPress={() => setAll(true)}
        >{`All ${there.length}`}</Button>
      ) : null}
    </>
  );
}
