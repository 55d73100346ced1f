import { View } from 'react-native';

import { Chip, ChipRow } from './Button';
import { Text } from './Text';

/** One of several choices, with its label over it. */
export function OneOf<T extends string>(props: {
  label: string;
  options: readonly (readonly [T, string])[];
  value: T;
  onChoose: (value: T) => void;
}) {
  return (
    <View style={{ gap: 4 }}>
      <Text variant="small" tone="soft">
        {props.label}
      </Text>
      <ChipRow label={props.label}>
        {props.options.map(([id, words]) => (
          <Chip key={id} on={props.value === id} onPress={() => props.onChoose(id)}>
            {words}
          </Chip>
        ))}
      </ChipRow>
    </View>
  );
}

/** Any number of choices, with their label over them. Nothing where there is nothing to choose from. */
export function AnyOf<T extends string>(props: {
  label: string;
  /** What stands over them, where that is not their label. */
  title?: string;
  options: readonly (readonly [T, string])[];
  chosen: readonly T[];
  onChoose: (chosen: T[]) => void;
}) {
  const { label, title = label, options, chosen, onChoose } = props;
  if (options.length === 0) return null;
  return (
    <View style={{ gap: 4 }}>
      <Text variant="small" tone="soft">
        {title}
      </Text>
      <ChipRow label={label} radio={false}>
        {options.map(([id, words]) => {
          const on = chosen.includes(id);
          return (
            <Chip
              key={id}
              role="checkbox"
              on={on}
              onPress={() => onChoose(on ? chosen.filter((x) => x !== id) : [...chosen, id])}
            >
              {words}
            </Chip>
          );
        })}
      </ChipRow>
    </View>
  );
}
