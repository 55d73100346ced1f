import { useEffect, useMemo } from 'react';

import type { StockFilter } from '@/contract/groups';
import type { Around } from '@/core/stock/filter';
import { useAttic } from '@/store/attic/attic';
import { MINUTE, useTime } from '@/store/base/useTime';
import { checking } from '@/store/courier/checking';
import { useChecksNowAndThen } from '@/store/courier/checksNowAndThen';
import { useCourier } from '@/store/courier/courierLink';
import { useKinds } from '@/store/items/kinds';
import { searchFor } from '@/store/items/search';

import { isListed, isRefused, standingOf } from './standing';

/** Ages are days: nothing changes oftener than at midnight somewhere. */
const EVERY = 10 * MINUTE;

/**
 * What filters are judged by. What the marketplaces say changes often: it is not asked where it does not
 * matter.
 *
 * @param filter what is asked for, beside what groups ask for
 * @param options.checks what is listed is checked as long as anything asks whether it was changed; a page
 *   that has its items checked by itself says no
 */
export function useAround(
  filter: Pick<StockFilter, 'show' | 'listedOn' | 'notListedOn' | 'sent'>,
  options: { checks: boolean } = { checks: false },
): Around {
  const groups = useAttic((s) => s.groups);
  const kinds = useKinds();
  const hauls = useAttic((s) => s.hauls);
  const now = useTime(EVERY);
  const all = [filter, ...Object.values(groups).flatMap((g) => g.filter ?? [])];
  const asks = all.some(asksMarkets);
  const views = useCourier((s) => (asks ? s.items : null));
  const isChanged = useChanged(
    all.some((f) => f.sent === 'changed'),
    options.checks,
  );
  const plans = useAttic((s) => (all.some((f) => f.sent === 'broughtIn') ? s.plans : null));
  const broughtIn = useMemo(
    () => new Set(Object.values(plans ?? {}).flatMap((p) => (p.adopted === null ? [] : p.itemId))),
    [plans],
  );
  return useMemo(
    () => ({
      kinds,
      groups,
      hauls,
      now,
      search: searchFor(kinds),
      standing: (item) => standingOf(views?.[item.id]),
      isRefused: (item) => isRefused(views?.[item.id]),
      isListedOn: (item, market) =>
        views?.[item.id]?.listings.some((l) => l.market === market && isListed(l)) ?? false,
      isChanged,
      isBroughtIn: (item) => broughtIn.has(item.id),
    }),
    [kinds, groups, hauls, now, views, isChanged, broughtIn],
  );
}

function asksMarkets(filter: Pick<StockFilter, 'show' | 'listedOn' | 'notListedOn' | 'sent'>): boolean {
  return (
    filter.show !== 'all' || filter.sent !== null || filter.listedOn.length + filter.notListedOn.length > 0
  );
}

/** Whether something of an item that is up would be shown otherwise by now, as far as it was checked yet. */
function useChanged(asked: boolean, checks: boolean): Around['isChanged'] {
  const items = useAttic((s) => (asked && checks ? s.items : null));
  const views = useCourier((s) => (asked && checks ? s.items : null));
  useEffect(() => {
    if (!items || !views) return;
    return checking.watch(
      Object.keys(items).filter(
        (id) => !views[id]?.sale && views[id]?.listings.some((l) => l.state === 'live'),
      ),
    );
  }, [items, views]);
  const found = useChecksNowAndThen(asked);
  return useMemo(() => (item) => found[item.id]?.some((check) => check.changed) ?? false, [found]);
}
