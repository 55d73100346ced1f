import { View } from 'react-native';

import { MOST_STOCK } from '@/contract/choices';
import type { Item } from '@/contract/records';
import { WholeField } from '@/parts/ui/WholeField';
import { editItem } from '@/store/items/items';

/** How many of it marketplaces show: not the last ones, and not all of many. */
export function ShownOfIt({ item, ofEach }: { item: Item; ofEach: boolean }) {
  const { choices } = item;
  if (!choices) return null;
  const put = (part: Partial<NonNullable<Item['choices']>>) =>
    editItem(item.id, 'stock shown', (t) => (t.choices ? { choices: { ...t.choices, ...part } } : null));
  return (
    <View style={{ flexDirection: 'row', gap: 10 }}>
      <View style={{ flex: 1 }}>
        <WholeField
          label={ofEach ? 'Hold back of each' : 'Hold back'}
          value={choices.heldBack}
          least={0}
          most={1_000}
          onChange={(n) => put({ heldBack: n })}
        />
      </View>
      <View style={{ flex: 1 }}>
        <WholeField
          label="Shown at most (0: all)"
          value={choices.cap ?? 0}
          least={0}
          most={MOST_STOCK}
          onChange={(n) => put({ cap: n === 0 ? null : n })}
        />
      </View>
    </View>
  );
}
