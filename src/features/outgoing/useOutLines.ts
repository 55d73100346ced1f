import { useEffect, useMemo } from 'react';

import { planId, type Item } from '@/contract/records';
import type { RuleSheet } from '@/contract/ruleSheet';
import { outLines, type OutLine, type Wish } from '@/core/outgoing/lines';
import { useAttic } from '@/store/attic/attic';
import { checking, useChecks } from '@/store/courier/checking';
import { useCourier } from '@/store/courier/courierLink';

/** What a wish comes to for items at marketplaces; they are checked as long as it is shown. */
export function useOutLines(wish: Wish, list: readonly Item[], sheets: readonly RuleSheet[]): OutLine[] {
  const views = useCourier((s) => s.items);
  const plans = useAttic((s) => s.plans);
  const checks = useChecks();
  useEffect(() => checking.watch(list.map((t) => t.id)), [list]);
  return useMemo(
    () =>
      outLines(
        wish,
        list.flatMap(({ id }) =>
          sheets.map(({ marketplace: market }) => ({
            item: id,
            market,
            check: checks[id]?.find((c) => c.market === market),
            listing: views[id]?.listings.find((l) => l.market === market),
            sold: !!views[id]?.sale,
            plan: plans[planId(id, market)],
          })),
        ),
      ),
    [wish, list, sheets, checks, views, plans],
  );
}
