import { View } from 'react-native';

import type { Item } from '@/contract/records';
import { LengthField } from '@/parts/trade/LengthField';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { editItem } from '@/store/items/items';

const SIDES = [
  ['lengthMm', 'Long'],
  ['widthMm', 'Wide'],
  ['heightMm', 'High'],
] as const;

/** The packed parcel's size: a light, bulky one is charged for the room it takes. */
export function ParcelSize({ item }: { item: Item }) {
  const units = useAttic((s) => s.settings.units);
  const set = (side: (typeof SIDES)[number][0], mm: number | null) =>
    editItem(item.id, 'parcel', (t) => {
      const known = t.parcel ?? { lengthMm: null, widthMm: null, heightMm: null };
      return { parcel: { ...known, [side]: mm === null ? null : Math.round(mm) } };
    });
  return (
    <View role="group" aria-label="The packed parcel’s size" style={{ gap: 4 }}>
      <View style={{ flexDirection: 'row', gap: 10 }}>
        {SIDES.map(([side, label]) => (
          <View key={side} style={{ flex: 1 }}>
            <LengthField
              label={label}
              value={item.parcel?.[side] ?? null}
              units={units}
              onChange={(mm) => set(side, mm)}
            />
          </View>
        ))}
      </View>
      {item.parcel ? null : (
        <Text variant="small" tone="soft">
          The packed parcel, only where it is bulky: then the carrier charges for the room it takes.
        </Text>
      )}
    </View>
  );
}
