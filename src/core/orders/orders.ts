import type { CourierItemView, Sale } from '@/contract/courier';
import type { Address } from '@/contract/fulfilment';
import { orderId, type Order } from '@/contract/orders';
import type { Item } from '@/contract/records';
import type { RuleSheet } from '@/contract/ruleSheet';

import { postedBy } from '../depot/depot';

/** How far an order is, in the order it is worked. */
export const STAGES = [
  'toFetch',
  'toPack',
  'toLabel',
  'toPost',
  'underWay',
  'arrived',
  'back',
  'over',
] as const;
export type OrderStage = (typeof STAGES)[number];

export interface OrderRow {
  id: string;
  itemId: string;
  sale: Sale;
  record: Order | null;
  stage: OrderStage;
  /** Handed over in person, or posted by the marketplace's own depot: nothing is packed. */
  way: 'post' | 'inPerson' | 'depot';
}

/**
 * How long after it arrived an order counts as closed where nobody says otherwise: the usual time to send
 * back, milliseconds.
 */
export const RETURN_TIME = 14 * 86_400_000;

/** Every order of every item, the oldest sale first; what came to nothing is there too, as over. */
export function ordersOf(
  views: Readonly<Record<string, CourierItemView>>,
  items: Readonly<Record<string, Item>>,
  records: Readonly<Record<string, Order>>,
  sheets: readonly RuleSheet[],
  now: number,
): OrderRow[] {
  const rows: OrderRow[] = [];
  for (const view of Object.values(views)) {
    const open = salesOf(view);
    const past = new Set(view.pastSales.map((s) => s.order));
    for (const sale of [...open, ...view.pastSales]) {
      const id = orderId(view.id, sale.order);
      const record = records[id] ?? null;
      const way = wayOf(sale, items[view.id], sheets);
      const undone = past.has(sale.order);
      rows.push({ id, itemId: view.id, sale, record, way, stage: stageOf(record, way, undone, now) });
    }
  }
  return rows.sort((a, b) => a.sale.at - b.sale.at);
}

/** What the same person at the same place bought at the same marketplace, and is not labelled yet. */
export function goesAlong(row: OrderRow, rows: readonly OrderRow[]): OrderRow[] {
  const to = row.record?.address;
  if (!to) return [];
  const where = (a: Address) => [a.name, ...a.lines].join('\n');
  return rows.filter(
    (r) =>
      r.id !== row.id &&
      r.sale.market === row.sale.market &&
      (r.stage === 'toFetch' || r.stage === 'toPack' || r.stage === 'toLabel') &&
      r.record?.address &&
      where(r.record.address) === where(to),
  );
}

/** Sales that count: the one of a one-off, every piece of an item with variations. */
export function salesOf(view: Pick<CourierItemView, 'sale' | 'pieceSales'>): Sale[] {
  const { sale, pieceSales } = view;
  return [...pieceSales, ...(sale && !pieceSales.some((p) => p.order === sale.order) ? [sale] : [])];
}

function wayOf(sale: Sale, item: Item | undefined, sheets: readonly RuleSheet[]): OrderRow['way'] {
  const sheet = sheets.find((s) => s.marketplace === sale.market);
  if (sheet?.depot && postedBy(sale.market, item)) return 'depot';
  return sheet?.handover === 'collect' ? 'inPerson' : 'post';
}

function stageOf(o: Order | null, way: OrderRow['way'], undone: boolean, now: number): OrderStage {
  if (o?.back && o.back.doneAt === null) return 'back';
  if (undone || o?.cancelled || o?.closedAt || o?.back) return 'over';
  // Fetched, or handed over already; seen, where the depot posts it.
  if (way !== 'post') return o?.packedAt ? 'over' : 'toFetch';
  if (o?.arrivedAt) return now - o.arrivedAt > RETURN_TIME ? 'over' : 'arrived';
  if (o?.postedAt) return 'underWay';
  if (o?.label) return 'toPost';
  if (o?.packedAt) return 'toLabel';
  return o?.fetchedAt ? 'toPack' : 'toFetch';
}

/** Sold, and not handed in yet. */
export function isUnposted({ stage }: Pick<OrderRow, 'stage'>): boolean {
  return STAGES.indexOf(stage) <= STAGES.indexOf('toPost');
}

/** Until when it is to be posted: the day of the sale and the days that were promised. */
export function postBy(sale: Sale, handlingDays: number): number {
  return sale.at + handlingDays * 86_400_000;
}
