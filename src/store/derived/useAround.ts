import { useMemo } from 'react';

import type { Around } from '@/core/stock/filter';
import { useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { useKinds } from '@/store/items/kinds';
import { searchFor } from '@/store/items/search';

import { isRefused, standingOf } from './standing';

/**
 * What filters are judged by. What the marketplaces say changes often: it is not asked where it does not
 * matter.
 */
export function useAround(asksStanding: boolean): Around {
  const groups = useAttic((s) => s.groups);
  const kinds = useKinds();
  const asks = asksStanding || Object.values(groups).some((g) => g.filter && g.filter.show !== 'all');
  const views = useCourier((s) => (asks ? s.items : null));
  return useMemo(
    () => ({
      kinds,
      groups,
      search: searchFor(kinds),
      standing: (item) => standingOf(views?.[item.id]),
      isRefused: (item) => isRefused(views?.[item.id]),
    }),
    [kinds, groups, views],
  );
}
