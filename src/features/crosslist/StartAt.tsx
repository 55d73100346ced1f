import { useState } from 'react';
import { View } from 'react-native';

import { Chip, ChipRow } from '@/parts/ui/Button';
import { Text } from '@/parts/ui/Text';
import { exactly } from '@/parts/ui/time';

const HOUR = 3_600_000;

/** Times a person would name, from now. */
function times(now: number): [string, number][] {
  const at = (days: number, hour: number) => {
    const day = new Date(now + days * 24 * HOUR);
    return day.setHours(hour, 0, 0, 0);
  };
  const evening = at(0, 19) > now ? at(0, 19) : at(1, 19);
  return [
    ['In an hour', now + HOUR],
    [evening === at(0, 19) ? 'This evening' : 'Tomorrow evening', evening],
    ['Tomorrow morning', at(1, 8)],
    ['On Sunday evening', at((7 - new Date(now).getDay()) % 7 || 7, 19)],
  ];
}

/**
 * When it is to be sent: at once, or at a time that people name. Kept by the courier, so no page has to be
 * open.
 */
export function StartAt(props: { name: string; at: number | null; onChange: (at: number | null) => void }) {
  const { name, at, onChange } = props;
  const [now] = useState(() => Date.now());
  return (
    <View style={{ gap: 6 }}>
      <ChipRow label={`When it is sent to ${name}`}>
        <Chip on={at === null} onPress={() => onChange(null)}>
          At once
        </Chip>
        {times(now).map(([words, time]) => (
          <Chip key={words} on={at === time} onPress={() => onChange(time)}>
            {words}
          </Chip>
        ))}
      </ChipRow>
      {at !== null ? (
        <Text variant="small" tone="soft" figures>
          {`The courier lets it out on ${exactly(at)}, whether a page is open or not.`}
        </Text>
      ) : null}
    </View>
  );
}
