import { View } from 'react-native';

import { Chip, ChipRow } from '@/parts/ui/Button';
import { Text } from '@/parts/ui/Text';

/** One of some, or none of them: a second tap takes the choice back. */
export function Choice<T extends string | null>(props: {
  label: string;
  now: T;
  none: T;
  choices: readonly (readonly [NonNullable<T>, string])[];
  onChoose: (choice: T) => void;
}) {
  const { label, now, none, choices, onChoose } = props;
  return (
    <View style={{ gap: 4 }}>
      <Text variant="small" tone="soft">
        {label}
      </Text>
      <ChipRow label={label} radio={false}>
        {choices.map(([id, words]) => (
          <Chip
            key={id}
            role="checkbox"
            on={now === id}
            label={`${label}: ${words}`}
            onPress={() => onChoose(now === id ? none : id)}
          >
            {words}
          </Chip>
        ))}
      </ChipRow>
    </View>
  );
}
