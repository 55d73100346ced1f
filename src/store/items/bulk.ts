import type { Item } from '@/contract/records';
import { plural } from '@/core/language/plural';
import type { BulkPlan } from '@/core/stock/bulk';
import { changeMany, useAttic } from '@/store/attic/attic';

import { itemWith } from './items';
import { kindsNow } from './kinds';
import { searchFor } from './search';

/**
 * Does what was shown, with one undo for all.
 *
 * @param options.quietly undo is there, but not offered each time
 * @returns how many items were changed
 */
export async function applyBulk(
  name: string,
  plan: BulkPlan,
  options: { quietly?: boolean } = {},
): Promise<number> {
  const { items } = useAttic.getState();
  const makers = plan.changes.flatMap(({ id, part }) => {
    const item = items[id];
    return item ? [() => itemWith(item, part)] : [];
  });
  const search = searchFor(kindsNow());
  if (makers.length > 0)
    await changeMany(
      `${name.toLocaleLowerCase('en')} of ${plural(makers.length, 'one item', `${makers.length} items`)}`,
      makers,
      {
        destructive: !options.quietly,
        // So that the list, drawn again, does not wait for all of their texts.
        // All of these makers change items.
        onSlice: (ready) => search.prepare(ready as Item[], 0, ready.length),
      },
    );
  return makers.length;
}
