import { Plan, planId } from '@/contract/records';
import { spreadOver } from '@/core/listing/cells';
import { change, useAttic } from '@/store/attic/attic';

/** Plans many items for a marketplace, or takes the plans back, in one change. */
export function wantMany(ids: readonly string[], market: string, wanted: boolean): void {
  const { plans } = useAttic.getState();
  const puts = ids.flatMap((itemId) => {
    const id = planId(itemId, market);
    const before = plans[id] ?? Plan.parse({ id, itemId, market, wanted: false });
    return before.wanted === wanted
      ? []
      : [{ collection: 'plans' as const, id, record: { ...before, wanted } }];
  });
  if (puts.length > 0) change(wanted ? `planned for ${market}` : `not planned for ${market}`, puts);
}

/**
 * Lets many out spread over a while from now on, the first at once, in one change.
 *
 * @param over milliseconds
 */
export function planOver(cells: readonly { item: string; market: string }[], over: number): void {
  const { plans } = useAttic.getState();
  const times = spreadOver(cells.length, Date.now(), over);
  change(
    'when they are sent',
    cells.flatMap(({ item, market }, i) => {
      const id = planId(item, market);
      const before = plans[id];
      return before
        ? [{ collection: 'plans' as const, id, record: { ...before, startAt: times[i] ?? null } }]
        : [];
    }),
  );
}
