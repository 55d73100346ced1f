import { View } from 'react-native';

import type { Item } from '@/contract/records';
import type { Examined } from '@/core/listing/examine';
import { FieldAnswer } from '@/parts/trade/FieldAnswer';
import { Text } from '@/parts/ui/Text';
import type { PlanChange } from '@/store/items/items';

import { withChanged } from './withAnswer';

/** Every field of the category there: what the facts give, and what differs with a way back. */
export function OwnFields(props: { item: Item; examined: Examined; onChange: (change: PlanChange) => void }) {
  const { examined, onChange } = props;
  const { sheet, effective } = examined;
  const put = (id: string, change: (now: string) => string) =>
    onChange((now) => ({ specifics: withChanged(now.specifics, id, effective.specifics[id], change) }));
  return (
    <View role="group" aria-label={`Fields on ${sheet.name}`} style={{ gap: 8 }}>
      {(effective.category?.specifics ?? []).map((field) => {
        const label = `${field.label} there`;
        return (
          <View key={field.id} style={{ gap: 4 }}>
            {field.choices ? (
              <Text variant="small" tone="soft">
                {label}
              </Text>
            ) : null}
            <FieldAnswer
              field={field}
              label={`${label}, ${sheet.name}`}
              value={effective.specifics[field.id] ?? ''}
              onChange={(change) => put(field.id, change)}
            />
          </View>
        );
      })}
    </View>
  );
}
