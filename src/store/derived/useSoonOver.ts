import { useMemo } from 'react';

import { endings } from '@/core/consign/endings';
import { soonOver, type Soon } from '@/core/warnings/soon';
import { useAttic } from '@/store/attic/attic';
import { MINUTE, useTime } from '@/store/base/useTime';
import { useAuctions } from '@/store/courier/auctions';
import { useCourier } from '@/store/courier/courierLink';
import { otherListingsNow } from '@/store/courier/otherListings';

import { useUsedSheets } from './useUsedSheets';

/** What is nearly over: a month's allowance, auctions, consignments. */
export function useSoonOver(): Soon[] {
  const items = useAttic((s) => s.items);
  const owners = useAttic((s) => s.owners);
  const patience = useAttic((s) => s.settings.patienceDays);
  const views = useCourier((s) => s.items);
  const auctions = useAuctions((s) => s.auctions);
  const sheets = useUsedSheets();
  const now = useTime(MINUTE);
  return useMemo(() => {
    const isUp = (id: string) => views[id]?.listings.some((l) => l.state === 'live') ?? false;
    return soonOver({
      ...{ sheets, auctions, now, thisMonth: otherListingsNow().thisMonth },
      endings: endings(Object.values(items), owners, isUp, (id) => views[id]?.sale != null, now, patience),
      itemOf: (market, remoteId) =>
        Object.values(views).find(({ id, listings }) =>
          listings.some((l) => id in items && l.market === market && l.remoteId === remoteId),
        )?.id,
    });
  }, [items, owners, patience, views, auctions, sheets, now]);
}
