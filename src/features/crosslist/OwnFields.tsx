import { View } from 'react-native';

import type { Item } from '@/contract/records';
import type { Examined } from '@/core/listing/examine';
import { Chip, ChipRow } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Text } from '@/parts/ui/Text';
import type { PlanChange } from '@/store/items/items';

import { withAnswer } from './withAnswer';

/** Every field of the category there: what the facts give, and what differs with a way back. */
export function OwnFields(props: { item: Item; examined: Examined; onChange: (change: PlanChange) => void }) {
  const { examined, onChange } = props;
  const { sheet, effective } = examined;
  const put = (id: string, value: string | null) =>
    onChange((now) => ({ specifics: withAnswer(now.specifics, id, value) }));
  return (
    <View role="group" aria-label={`Fields on ${sheet.name}`} style={{ gap: 8 }}>
      {(effective.category?.specifics ?? []).map((field) => {
        const value = effective.specifics[field.id] ?? '';
        const label = `${field.label} there`;
        return (
          <View key={field.id} style={{ gap: 4 }}>
            {field.choices ? (
              <>
                <Text variant="small" tone="soft">
                  {label}
                </Text>
                <ChipRow label={`${label}, ${sheet.name}`}>
                  {field.choices.map((choice) => (
                    <Chip key={choice} on={value === choice} onPress={() => put(field.id, choice)}>
                      {choice}
                    </Chip>
                  ))}
                </ChipRow>
              </>
            ) : (
              <Field
                label={`${label}, ${sheet.name}`}
                value={value}
                maxLength={field.maxLength ?? 400}
                onChange={(text) => put(field.id, text.trim() === '' ? null : text)}
              />
            )}
          </View>
        );
      })}
    </View>
  );
}
