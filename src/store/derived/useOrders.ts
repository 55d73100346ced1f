import { useMemo } from 'react';

import { ordersOf, type OrderRow } from '@/core/orders/orders';
import { useAttic } from '@/store/attic/attic';
import { MINUTE, useTime } from '@/store/base/useTime';
import { useCourier } from '@/store/courier/courierLink';

/** All orders, as far as they are worked. */
export function useOrders(): OrderRow[] {
  const items = useAttic((s) => s.items);
  const records = useAttic((s) => s.orders);
  const views = useCourier((s) => s.items);
  const sheets = useCourier((s) => s.sheets);
  const now = useTime(MINUTE);
  return useMemo(() => ordersOf(views, items, records, sheets, now), [views, items, records, sheets, now]);
}

const STAGE_WORDS: Record<OrderRow['stage'], string> = {
  toFetch: 'to pick',
  toPack: 'to pack',
  toLabel: 'needs a label',
  toPost: 'to hand in',
  underWay: 'on its way',
  arrived: 'arrived',
  back: 'comes back',
  over: 'closed',
};

/** How far an order is, in a few words. */
export function stageWords(row: OrderRow): string {
  const { record, stage } = row;
  if (record?.cancelled) return 'cancelled';
  if (stage === 'back') {
    if (record?.back?.given !== null) return 'back: what now?';
    return record?.back?.hereAt ? 'back: to be settled' : 'coming back';
  }
  if (record?.back?.doneAt) return 'came back';
  if (stage === 'over' && row.way === 'inPerson') return 'handed over';
  if (stage === 'over' && row.way === 'depot') return 'posted by the depot';
  return STAGE_WORDS[stage];
}
