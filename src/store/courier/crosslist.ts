import { Plan, planId } from '@/contract/records';
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
