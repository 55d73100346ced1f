import { Plan, planId } from '@/contract/records';

import { change, useAttic } from './attic';

/** Plans many things for a marketplace, or takes the plans back, in one change. */
export function wantMany(ids: readonly string[], market: string, wanted: boolean): void {
  const { plans } = useAttic.getState();
  const puts = ids.flatMap((thingId) => {
    const id = planId(thingId, market);
    const before = plans[id] ?? Plan.parse({ id, thingId, market, wanted: false });
    return before.wanted === wanted
      ? []
      : [{ collection: 'plans' as const, id, record: { ...before, wanted } }];
  });
  if (puts.length > 0) change(wanted ? `planned for ${market}` : `not planned for ${market}`, puts);
}

/** When each of many is let out, in one change. */
export function planTimes(
  cells: readonly { thing: string; market: string }[],
  times: readonly number[],
): void {
  const { plans } = useAttic.getState();
  change(
    'when they are sent',
    cells.flatMap(({ thing, market }, i) => {
      const id = planId(thing, market);
      const before = plans[id];
      return before
        ? [{ collection: 'plans' as const, id, record: { ...before, startAt: times[i] ?? null } }]
        : [];
    }),
  );
}
