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

/**
 * All there is to look at of everything that is listed or wanted, checked as long as it is shown.
 *
 * @param only of one marketplace; absent: of all that are used
 */
export function useWarnings(only?: string): WarningsNow {
  const plans = useAttic((s) => s.plans);
  const views = useCourier((s) => s.items);
  const sheets = useUsedSheets();
  const checks = useChecksNowAndThen();
  const concerned = useConcerned(only);
  useEffect(() => checking.watch(concerned), [concerned]);
  return useMemo(() => {
    const used = new Set(
      sheets.map((s) => s.marketplace).filter((market) => only === undefined || market === only),
    );
    const warnings = concerned.flatMap((item) =>
      (checks[item] ?? []).flatMap((check) =>
        used.has(check.market)
          ? warningsOf({
              ...{ item, check, sold: false, plan: plans[planId(item, check.market)] },
              listing: views[item]?.listings.find((l) => l.market === check.market),
            })
          : [],
      ),
    );
    return { warnings, unchecked: concerned.filter((id) => !checks[id]).length };
  }, [concerned, checks, plans, views, sheets, only]);
}

/** Items that are shown or wanted somewhere and not sold; the same array as long as they are the same. */
function useConcerned(only: string | undefined): readonly string[] {
  const items = useAttic((s) => s.items);
  const plans = useAttic((s) => s.plans);
  const views = useCourier((s) => s.items);
  const text = useMemo(() => {
    const of = (market: string) => only === undefined || market === only;
    const wanted = new Set(Object.values(plans).flatMap((p) => (p.wanted && of(p.market) ? [p.itemId] : [])));
    return Object.keys(items)
      .filter((id) => !items[id]?.left && !views[id]?.sale)
      .filter((id) => wanted.has(id) || views[id]?.listings.some((l) => l.want === 'live' && of(l.market)))
      .join(' ');
  }, [items, plans, views, only]);
  return useMemo(() => (text === '' ? [] : text.split(' ')), [text]);
}
