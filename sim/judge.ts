import { isOver } from '@/core/courier/refs';
import type { CourierItem, CourierState } from '@/core/courier/types';
import { stockShown } from '@/core/price/floor';

import { SEVERAL, stockIn, type Limits } from './drafts';
import { isUp, type Marketplace, type SimOrder } from './marketplace';

/** What is to be judged at the end of an evening. */
export interface Evidence {
  markets: ReadonlyMap<string, Marketplace>;
  /** What the ledger says. */
  state: CourierState;
  /** The ledger was lost this evening. */
  forgot: boolean;
  /** Commands that were given, and those that were taken down in the ledger. */
  given: ReadonlySet<string>;
  taken: ReadonlySet<string>;
  limits: Limits;
}

const isOf = (id: string) => (l: { ref: string }) => l.ref.startsWith(`${id}.`);

/**
 * Holds what happened at the marketplaces against what the courier promises.
 *
 * @returns the promises that were broken, in words for whoever reads the seed; and how often an item was sold
 * twice
 */
export function judge(evidence: Evidence): { violations: string[]; doubles: number } {
  const { markets, state, forgot, given, taken } = evidence;
  const violations: string[] = [];
  let doubles = 0;
  const orders = [...markets.values()].flatMap((m) => m.orders);
  // After all memory is lost, calls of the life before may still make a second listing: then what counts is
  // that it is put right.
  for (const market of markets.values()) if (!forgot) violations.push(...market.violations);
  for (const id of given) if (!taken.has(id)) violations.push(`command ${id} was lost`);
  for (const id of new Set([...state.items.keys(), ...orders.map((o) => o.ref.split('.')[0] ?? '')])) {
    const item = state.items.get(id);
    const mine = orders.filter(isOf(id));
    if (id === SEVERAL) {
      violations.push(...judgeStock(mine, item, evidence));
      if (!item?.sale) continue;
    }
    if (mine.length > 1) doubles += 1;
    violations.push(...judgeSales(id, item, mine), ...judgeListings(id, item, markets));
  }
  return { violations, doubles };
}

/** No sale lost, the earlier one stays, and two are never silent. */
function judgeSales(id: string, item: CourierItem | undefined, orders: readonly SimOrder[]): string[] {
  const violations: string[] = [];
  const past = item?.pastSales ?? [];
  const counted = [
    ...(item?.sale ? [item.sale] : []),
    ...(item?.laterSales ?? []),
    ...(item?.pieceSales ?? []),
  ];
  const known = [...counted, ...past];
  for (const order of orders)
    if (!known.some((s) => s.order === order.id)) violations.push(`sale ${order.id} of ${id} was lost`);
  if (id === SEVERAL) return violations;
  const toldLater = item?.laterSales.filter((s) => !s.settled).length ?? 0;
  const stand = orders.filter((o) => !past.some((s) => s.order === o.id)).length;
  if (orders.length > 1 && toldLater < stand - 1) violations.push(`${id} was sold twice and nobody was told`);
  const earliest = Math.min(...counted.map((s) => s.at));
  if (item?.sale && item.sale.at !== earliest) violations.push(`${id}: the earlier sale did not stay`);
  return violations;
}

/** Everything gone after a sale, one listing a marketplace, and what is held of them is so. */
function judgeListings(
  id: string,
  item: CourierItem | undefined,
  markets: ReadonlyMap<string, Marketplace>,
): string[] {
  const violations: string[] = [];
  for (const market of markets.values()) {
    const up = market.listings.filter((l) => isOf(id)(l) && isUp(l));
    if (item?.sale) for (const l of up) violations.push(`${l.ref} is still up after the sale`);
    if (up.length > 1) violations.push(`${up.length} listings of ${id} stayed up on ${market.name}`);
  }
  if (item?.sale && !item.closing?.doneAt) violations.push(`the closing of ${id} never ended`);
  for (const l of Object.values(item?.listings ?? {})) {
    const there = markets.get(l.market)?.listings.find((x) => x.ref === l.ref);
    const isThere = there !== undefined && isUp(there);
    if (isOver(l) && isThere) violations.push(`${l.ref} is up though the courier holds it over`);
    if (l.state === 'live' && l.want === 'live' && !isThere)
      violations.push(`${l.ref} is held to be live, but nobody sees it`);
    if (!isOver(l) && l.job) violations.push(`${l.ref}: ${l.job.action} never came to an end`);
  }
  return violations;
}

/** What was there is sold or still there; one sold too often is told. */
function judgeStock(
  orders: readonly SimOrder[],
  item: CourierItem | undefined,
  { markets, limits }: Evidence,
): string[] {
  const violations: string[] = [];
  const isPast = (o: SimOrder) => item?.pastSales?.some((s) => s.order === o.id) === true;
  for (const order of orders) {
    const same = (s: { order: string }) => s.order === order.id;
    if (!isPast(order) && !item?.pieceSales.some(same) && !item?.laterSales.some(same))
      violations.push(`sale ${order.id} of ${SEVERAL} was lost`);
  }
  for (const [code, stock] of Object.entries(stockIn(limits))) {
    const sold = item?.pieceSales.filter((s) => s.piece === code).length ?? 0;
    if (sold > stock) violations.push(`${sold} of ${stock} ${code} counted as sold`);
    // Where one is shown nobody names a piece; and a deal of the person's own is no order.
    const named = orders.filter((o) => (limits.alike || o.piece === code) && !isPast(o)).length;
    const deals = [...(item?.pieceSales ?? []), ...(item?.laterSales ?? [])].filter(
      (s) => s.piece === code && s.order.startsWith('deal-'),
    ).length;
    const ordered = named + deals;
    const told = item?.laterSales.filter((s) => s.piece === code).length ?? 0;
    if (Math.max(0, ordered - stock) !== told)
      violations.push(`${ordered} of ${stock} ${code} ordered, ${told} told of as too many`);
    if (item?.sale) continue;
    const most = stockShown(stock - sold, limits.heldBack ?? 0, limits.cap ?? null);
    for (const l of [...markets.values()].flatMap((m) => m.listings)) {
      if (!isOf(SEVERAL)(l) || l.state !== 'live') continue;
      const shown = l.stock ? (l.stock[code] ?? 0) - (l.sold[code] ?? 0) : 1;
      if (shown > most)
        violations.push(
          `${l.ref} still shows ${shown} ${code}, there are ${stock - sold} and ${most} to show`,
        );
    }
  }
  return violations;
}
