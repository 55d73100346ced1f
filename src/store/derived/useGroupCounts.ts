import { useDeferredValue, useMemo } from 'react';

import { itemsOf, type Around } from '@/core/stock/filter';
import { useAttic } from '@/store/attic/attic';

/** How many items each group holds, those of the groups below it counted in; by the group's id. */
export function useGroupCounts(around: Around): Readonly<Record<string, number>> {
  // Counted when there is time.
  const items = useDeferredValue(useAttic((s) => s.items));
  const groups = useAttic((s) => s.groups);
  return useMemo(() => {
    const all = Object.values(items);
    return Object.fromEntries(Object.values(groups).map((g) => [g.id, itemsOf(g, all, around).length]));
  }, [items, groups, around]);
}
