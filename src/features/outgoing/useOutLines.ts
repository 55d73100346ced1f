import { useEffect, useMemo } from 'react';

import type { Item } from '@/contract/records';
import type { RuleSheet } from '@/contract/ruleSheet';
import { outLines, type OutLine, type Wish } from '@/core/outgoing/lines';
import { checking, useChecks } from '@/store/courier/checking';
import { useCourier } from '@/store/courier/courierLink';

/** What a wish comes to for items at marketplaces; they are checked as long as it is shown. */
export function useOutLines(wish: Wish, list: readonly Item[], sheets: readonly RuleSheet[]): OutLine[] {
  const views = useCourier((s) => s.items);
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
          })),
        ),
      ),
    [wish, list, sheets, checks, views],
  );
}
