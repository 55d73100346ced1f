import type { BulkPlan } from '@/core/stock/bulk';

import { change, useAttic } from './attic';
import { thingWith } from './things';

/**
 * Does what was shown, with one undo for all.
 *
 * @param options.quietly undo is there, but not offered each time
 * @returns how many things were changed
 */
export function applyBulk(name: string, plan: BulkPlan, options: { quietly?: boolean } = {}): number {
  const { things } = useAttic.getState();
  const puts = plan.changes.flatMap(({ id, part }) => {
    const thing = things[id];
    return thing ? [thingWith(thing, part)] : [];
  });
  if (puts.length > 0)
    change(
      `${name.toLocaleLowerCase('en')} of ${puts.length === 1 ? 'one thing' : `${puts.length} things`}`,
      puts,
      {
        destructive: !options.quietly,
      },
    );
  return puts.length;
}
