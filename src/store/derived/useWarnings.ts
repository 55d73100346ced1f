import { useEffect, useMemo } from 'react';

import { planId } from '@/contract/records';
import { warningsOf, type Warning } from '@/core/warnings/warnings';
import { useAttic } from '@/store/attic/attic';
import { checking } from '@/store/courier/checking';
import { useChecksNowAndThen } from '@/store/courier/checksNowAndThen';
import { useCourier } from '@/store/courier/courierLink';

import { useUsedSheets } from './useUsedSheets';

export interface WarningsNow {
  warnings: readonly Warning[];
  /** Items that were not checked yet: nothing is known of them. */
  unchecked: number;
}

/** All there is to look at of everything that is listed or wanted, checked as long as it is shown. */
export function useWarnings(): WarningsNow {
  const items = useAttic((s) => s.items);
  const plans = useAttic((s) => s.plans);
  const views = useCourier((s) => s.items);
  const sheets = useUsedSheets();
  const checks = useChecksNowAndThen();
  const concerned = useMemo(() => {
    const wanted = new Set(Object.values(plans).flatMap((p) => (p.wanted ? [p.itemId] : [])));
    return Object.keys(items).filter(
      (id) => !views[id]?.sale && (wanted.has(id) || views[id]?.listings.some((l) => l.want === 'live')),
    );
  }, [items, plans, views]);
  useEffect(() => {
    checking.watch(concerned);
    return () => checking.watch([]);
  }, [concerned]);
  return useMemo(() => {
    const used = new Set(sheets.map((s) => s.marketplace));
    const warnings = concerned.flatMap((item) =>
      (checks[item] ?? [])
        .filter((check) => used.has(check.market))
        .flatMap((check) =>
          warningsOf({
            item,
            check,
            plan: plans[planId(item, check.market)],
            listing: views[item]?.listings.find((l) => l.market === check.market),
            sold: false,
          }),
        ),
    );
    return { warnings, unchecked: concerned.filter((id) => !checks[id]).length };
  }, [concerned, checks, plans, views, sheets]);
}
