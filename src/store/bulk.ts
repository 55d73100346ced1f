import type { Thing } from '@/contract/records';
import type { BulkPlan } from '@/core/stock/bulk';

import { changeMany, useAttic } from './attic';
import { kindsNow } from './kinds';
import { searchFor } from './search';
import { thingWith } from './things';

/**
 * Does what was shown, with one undo for all.
 *
 * @param options.quietly undo is there, but not offered each time
 * @returns how many things were changed
 */
export async function applyBulk(
  name: string,
  plan: BulkPlan,
  options: { quietly?: boolean } = {},
): Promise<number> {
  const { things } = useAttic.getState();
  const makers = plan.changes.flatMap(({ id, part }) => {
    const thing = things[id];
    return thing ? [() => thingWith(thing, part)] : [];
  });
  const search = searchFor(kindsNow());
  if (makers.length > 0)
    await changeMany(
      `${name.toLocaleLowerCase('en')} of ${makers.length === 1 ? 'one thing' : `${makers.length} things`}`,
      makers,
      {
        destructive: !options.quietly,
        // So that the list, drawn again, does not wait for all of their texts.
        onSlice: (ready) => search.prepare(ready as Thing[], 0, ready.length),
      },
    );
  return makers.length;
}
