import { memo } from 'react';
import { View } from 'react-native';

import type { FactSpec } from '@/core/kinds/spec';
import { answersOf, factValue, readable, toggled } from '@/core/kinds/values';
import { Chip, ChipRow } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Text } from '@/parts/ui/Text';
import { setFact } from '@/store/items/items';
import { barcodeSeen } from '@/store/research/lookUp';
import { typedTrouble } from '@/wording/typed';

/** One item specific: typed, or tapped where there are answers to choose from. */
export const FactField = memo(function FactField(props: { itemId: string; spec: FactSpec; value: string }) {
  const { itemId, spec, value } = props;
  const choices = spec.type === 'yesNo' ? ['Yes', 'No'] : (spec.choices ?? []);
  const only = spec.type === 'yesNo' || (spec.closed === true && choices.length > 0);
  const label = spec.private ? `${spec.label} (private)` : spec.label;
  const set = (text: string) => {
    setFact(itemId, spec, text);
    if (spec.id === 'barcode') barcodeSeen(itemId, text);
  };
  const answers = answersOf(value);
  // A tap saves typing; once there is a value the suggestions are out of the way, unless several may stand.
  const offer = choices.length > 0 && (only || spec.several || value === '');
  return (
    <View style={{ gap: 6 }}>
      {only ? (
        <Text variant="small" tone="soft">
          {label}
        </Text>
      ) : (
        <Field
          label={label}
          value={spec.several ? readable(value) : value}
          unit={spec.unit}
          figures={spec.type === 'number' || spec.type === 'year'}
          keyboard={spec.type === 'number' ? 'decimal-pad' : spec.type === 'year' ? 'number-pad' : 'default'}
          hint={spec.several ? 'Several, with commas between' : undefined}
          refuse={(text) => {
            const judged = factValue(spec, spec.several ? text.replaceAll(',', '\n') : text);
            return judged.ok ? null : typedTrouble(judged.why);
          }}
          onChange={(text) => set(spec.several ? text.replaceAll(',', '\n') : text)}
        />
      )}
      {offer ? (
        <ChipRow label={only ? label : `${label}: suggestions`} radio={false}>
          {choices.map((choice) => (
            <Chip
              key={choice}
              role="button"
              label={`${spec.label}: ${choice}`}
              on={answers.includes(choice)}
              onPress={() =>
                set(spec.several ? toggled(value, choice) : answers.includes(choice) ? '' : choice)
              }
            >
              {choice}
            </Chip>
          ))}
        </ChipRow>
      ) : null}
    </View>
  );
});
