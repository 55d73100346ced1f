import { useMemo } from 'react';

import type { CourierItemView } from '@/contract/courier';
import { planId, type Plan, type Item } from '@/contract/records';
import type { RuleSheet } from '@/contract/ruleSheet';
import { addTotals, deedOf, NO_TOTALS, totalsOf, type CellTotals } from '@/core/listing/cells';
import type { CellCheck } from '@/core/listing/examine';
import { twinsAmong, withoutTwins, type MarketCell } from '@/core/listing/twins';
import { useAttic } from '@/store/attic/attic';
import { useChecksNowAndThen } from '@/store/courier/checksNowAndThen';
import { useCourier } from '@/store/courier/courierLink';

interface Known {
  checks: readonly CellCheck[] | undefined;
  view: CourierItemView | undefined;
  plans: readonly (Plan | undefined)[];
  sheets: readonly RuleSheet[];
  cells: MarketCell[];
  totals: CellTotals;
}

/** By item; kept when the view is left, so that coming back is quick. */
const known = new Map<string, Known>();

export interface Cells {
  cells: MarketCell[];
  totals: CellTotals;
  /** Items that can't go with the others: the first of its kind that goes, by item and then marketplace. */
  twins: ReadonlyMap<string, Readonly<Record<string, string>>>;
}

/**
 * All cells of some items, with their totals. Only items of which something changed are worked out anew.
 */
export function useCells(scope: readonly Item[], sheets: readonly RuleSheet[]): Cells {
  const views = useCourier((s) => s.items);
  const plans = useAttic((s) => s.plans);
  const checks = useChecksNowAndThen();
  return useMemo(() => {
    const cells: MarketCell[] = [];
    let totals = NO_TOTALS;
    for (const { id } of scope) {
      const now = {
        checks: checks[id],
        view: views[id],
        plans: sheets.map((s) => plans[planId(id, s.marketplace)]),
        sheets,
      };
      let it = known.get(id);
      if (!it || !same(it, now)) {
        const own = cellsOf(id, now);
        it = { ...now, cells: own, totals: totalsOf(own) };
        known.set(id, it);
      }
      cells.push(...it.cells);
      totals = addTotals(totals, it.totals);
    }
    const found = twinsAmong(cells);
    if (found.size === 0) return { cells, totals, twins: NO_TWINS };
    const twins = new Map<string, Record<string, string>>();
    for (const [{ item, market }, first] of found) twins.set(item, { ...twins.get(item), [market]: first });
    const going = withoutTwins(cells, found);
    return { cells: going, totals: totalsOf(going), twins };
  }, [scope, sheets, checks, views, plans]);
}

const NO_TWINS: Cells['twins'] = new Map();

type Now = Pick<Known, 'checks' | 'view' | 'plans' | 'sheets'>;

function same(a: Now, b: Now): boolean {
  return (
    a.checks === b.checks &&
    a.view === b.view &&
    a.sheets === b.sheets &&
    a.plans.every((p, i) => p === b.plans[i])
  );
}

function cellsOf(item: string, { checks, view, plans, sheets }: Now): MarketCell[] {
  return sheets.map(({ marketplace: market }, i) => {
    const check = checks?.find((c) => c.market === market);
    const listing = view?.listings.find((l) => l.market === market);
    const live = listing?.state === 'live' && listing.want === 'live';
    return { item, market, check, deed: deedOf(check, plans[i], listing, false), live };
  });
}
