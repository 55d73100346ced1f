import { USES, type Item } from '@/contract/records';
import { wordsForUse } from '@/core/condition/grade';
import { Chip, ChipRow } from '@/parts/ui/Button';
import { editItem } from '@/store/items/items';

import { capital } from './UndoBar';

/** How much an item was used, in a tap. */
export function WearChips({ item }: { item: Pick<Item, 'id' | 'use'> }) {
  return (
    <ChipRow label="Wear">
      {USES.map((use) => (
        <Chip key={use} on={item.use === use} onPress={() => editItem(item.id, 'use', { use })}>
          {capital(wordsForUse(use))}
        </Chip>
      ))}
    </ChipRow>
  );
}
