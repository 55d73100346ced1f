import { View } from 'react-native';

import type { SheetSpecific } from '@/contract/ruleSheet';
import { counted } from '@/core/language/plural';
import { mostValues, valuesOf, withPressed, withTyped } from '@/core/mapping/fieldValues';
import { Chip, ChipRow } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';

/** A field of a marketplace as it takes it: of its list, in words of one's own, one value or several. */
export function FieldAnswer(props: {
  field: SheetSpecific;
  /** Of the whole, and of what is typed. */
  label: string;
  value: string;
  /** By what stands there when it is written: what is shown may be of a moment before. */
  onChange: (change: (now: string) => string) => void;
  refuse?: (typed: string) => string | null;
}) {
  const { field, label, value, onChange, refuse } = props;
  const { choices, own, maxLength = 400 } = field;
  const most = mostValues(field);
  const values = valuesOf(field, value);
  const typed = choices ? values.filter((v) => !choices.includes(v)) : values;
  return (
    <View style={{ gap: 5 }}>
      {choices ? (
        <ChipRow label={label} radio={most === 1}>
          {choices.map((choice) => (
            <Chip
              key={choice}
              role={most === 1 ? 'radio' : 'checkbox'}
              on={values.includes(choice)}
              onPress={() => onChange((now) => withPressed(field, now, choice))}
            >
              {choice}
            </Chip>
          ))}
        </ChipRow>
      ) : null}
      {!choices || own ? (
        <Field
          label={choices ? `${label}: of your own` : label}
          value={typed.join(', ')}
          maxLength={maxLength * most}
          hint={most > 1 ? `Up to ${counted(most, 'value')} at once, with commas between` : undefined}
          refuse={refuse}
          onChange={(text) => onChange((now) => withTyped(field, now, text))}
        />
      ) : null}
    </View>
  );
}
