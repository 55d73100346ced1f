import { sortOf, type AtticSort } from '@/core/identity/atticSort';
import { isNone, useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';

/** Of which sort the attic is that is open; null before one is. */
export function useAtticSort(): AtticSort | null {
  return useCourier((s) => (s.attic === null ? null : sortOf(s.attic)));
}

/**
 * Whether the attic is new: nothing is in it, nobody was asked anything, and the courier knows of nothing
 * either. An attic that a browser has lost is not a new one.
 */
export function useIsFirstStart(): boolean {
  const sort = useAtticSort();
  const isNew = useAttic((s) => s.settings.begunAt === null && isNone(s.items) && isNone(s.hauls));
  const isUnheardOf = useCourier((s) => s.caughtUp && isNone(s.items));
  return isNew && isUnheardOf && sort !== 'demo';
}
