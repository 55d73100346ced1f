import { useMemo } from 'react';

import { ordersOf, type OrderRow } from '@/core/orders/orders';
import { useAttic } from '@/store/attic';
import { useCourier } from '@/store/courierLink';

import { MINUTE, useTime } from '../shell/useTime';

/** All orders, as far as the desk has worked them. */
export function useOrders(): OrderRow[] {
  const things = useAttic((s) => s.things);
  const records = useAttic((s) => s.orders);
  const views = useCourier((s) => s.things);
  const sheets = useCourier((s) => s.sheets);
  const now = useTime(MINUTE);
  return useMemo(() => ordersOf(views, things, records, sheets, now), [views, things, records, sheets, now]);
}

const STAGE_WORDS: Record<OrderRow['stage'], string> = {
  toFetch: 'to fetch',
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
