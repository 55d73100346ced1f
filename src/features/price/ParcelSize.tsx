import { View } from 'react-native';

import type { Thing } from '@/contract/records';
import { LengthField } from '@/parts/LengthField';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import { editThing } from '@/store/things';

const SIDES = [
  ['lengthMm', 'Long'],
  ['widthMm', 'Wide'],
  ['heightMm', 'High'],
] as const;

/** The packed parcel's size: a light, bulky one is charged for the room it takes. */
export function ParcelSize({ thing }: { thing: Thing }) {
  const units = useAttic((s) => s.settings.units);
  const set = (side: (typeof SIDES)[number][0], mm: number | null) =>
    editThing(thing.id, 'parcel', (t) => {
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
              value={thing.parcel?.[side] ?? null}
              units={units}
              onChange={(mm) => set(side, mm)}
            />
          </View>
        ))}
      </View>
      {thing.parcel ? null : (
        <Words kind="small" tone="soft">
          The packed parcel, only where it is bulky: then the carrier charges for the room it takes.
        </Words>
      )}
    </View>
  );
}
