import type { CarrierRates } from '@/contract/carrier';
import type { CourierItemView } from '@/contract/courier';
import { orderId, type Order, type Statement, type StatementLine } from '@/contract/orders';
import type { Haul, Item, Owner } from '@/contract/records';
import type { RuleSheet } from '@/contract/ruleSheet';

import { bookedOf, type AnySale, type Booked } from './booked';
import type { Tried } from './keep';
import type { Named, Stay } from './parts';
import type { InStock } from './stockAges';
import { postingsOf, sumOf, takeHome } from './sums';
import { inStock } from '../choices/choices';
import type { KindTree } from '../kinds/tree';
import { salesOf } from '../orders/orders';
import type { SaleTerms } from '../price/takeHome';
import { saleTakeHome } from '../sales/saleTakeHome';

/** All that the ledger is told from. */
export interface Sources {
  views: Readonly<Record<string, CourierItemView>>;
  items: Readonly<Record<string, Item>>;
  hauls: Readonly<Record<string, Haul>>;
  owners: Readonly<Record<string, Owner>>;
  orders: Readonly<Record<string, Order>>;
  /** Statement lines by {@link linesByOrder}. */
  linesOf: ReadonlyMap<string, readonly StatementLine[]>;
  sheets: readonly RuleSheet[];
  kinds: KindTree;
  rates: CarrierRates;
  /** How long a listing had been up at a moment, and how many of its month came before it. */
  placeOf: (item: string, market: string, at: number) => Pick<SaleTerms, 'daysListed' | 'listedThisMonth'>;
}

export interface ItemBooks {
  booked: Booked[];
  /** Marketplaces of sales that can't be booked: their rules, and with them what they keep, are not known. */
  leftOut: string[];
  /** Put together by whatever sales are; of no marketplace. */
  stay: (Stay & Pick<Booked, Named>) | null;
  stock: InStock | null;
  tried: (Tried & { kind: string })[];
}

/** Tells of one item after the other what the ledger holds of it. */
export function bookings(sources: Sources): (id: string) => ItemBooks {
  const { views, items, hauls, owners, orders, sheets } = sources;
  const sheetOf = new Map(sheets.map((s) => [s.marketplace, s]));
  const { linesOf } = sources;
  const taken = (sale: AnySale, id: string, view: CourierItemView) => {
    const sheet = sheetOf.get(sale.market);
    if (!sheet) return null;
    const category = view.listings.find((l) => l.market === sale.market)?.category ?? '';
    // Only a fee for each time that it is up goes by its place, and only where nobody said what was charged.
    const asksPlace = sale.fees === null && sheet.fees.rules.some((r) => r.type === 'listing');
    const place = asksPlace ? sources.placeOf(id, sale.market, sale.at) : {};
    return saleTakeHome(sale, items[id], sheet, category, sources.kinds, sources.rates, place);
  };
  return (id) => {
    const item = items[id];
    const view = views[id];
    const owner = owners[item?.ownerId ?? ''] ?? null;
    const source = hauls[item?.haulId ?? '']?.source ?? '';
    const up = view?.listings.flatMap((l) => l.listedAt ?? []) ?? [];
    const listedAt = up.length > 0 ? Math.min(...up) : null;
    const sales: AnySale[] = view ? [...salesOf(view), ...view.pastSales] : [];
    const leftOut = sales.flatMap((sale) => (sheetOf.has(sale.market) ? [] : [sale.market]));
    const booked = sales.flatMap((sale): Booked[] => {
      const computed = view ? taken(sale, id, view) : null;
      if (!computed) return [];
      const order = orders[orderId(id, sale.order)] ?? null;
      const lines = linesOf.get(`${sale.market} ${sale.order}`) ?? [];
      return [bookedOf(sale, { itemId: id, item, source, owner, listedAt, computed, order, lines })];
    });
    const standing = booked.filter((b) => b.undone === null);
    const isSold = Boolean(view?.sale);
    return {
      booked,
      leftOut,
      stay: item
        ? {
            from: item.createdAt,
            soldAt: isSold && standing.length > 0 ? Math.max(...standing.map((b) => b.soldAt)) : null,
            leftAt: item.left?.at ?? null,
            market: '',
            kind: item.kind,
            brand: item.facts.brand ?? '',
            haulId: item.haulId,
            source,
            ownerId: item.ownerId,
            person: item.author,
          }
        : null,
      stock: item && !isSold && item.left === null ? stockOf(item, view, (s, v) => taken(s, id, v)) : null,
      tried: (view?.listings ?? []).flatMap((l) => {
        if (l.listedAt === null) return [];
        const sale = standing.find((b) => b.market === l.market);
        const left = sale ? takeHome(sumOf(postingsOf(sale))) : null;
        const kind = item?.kind ?? '';
        return [{ market: l.market, kind, listedAt: l.listedAt, left, soldAt: sale?.soldAt ?? null }];
      }),
    };
  };
}

function stockOf(
  item: Item,
  view: CourierItemView | undefined,
  taken: (sale: AnySale, view: CourierItemView) => { takeHome: number } | null,
): InStock {
  const live = view?.listings.filter((l) => l.state === 'live') ?? [];
  const leaves = live.flatMap((l) => {
    const sale = { market: l.market, order: '-', amount: l.price, postage: l.postage, fees: null };
    // As if it were sold at this moment of its being up.
    const found = view ? taken({ ...sale, at: l.since, knownAt: l.since }, view) : null;
    return found ? [found.takeHome] : [];
  });
  return {
    id: item.id,
    takenInAt: item.createdAt,
    cost: item.ownerId === null ? item.cost : 0,
    asked: live.length > 0 ? Math.max(...live.map((l) => l.price)) : item.price,
    leaves: leaves.length > 0 ? Math.max(...leaves) : null,
    pieces: item.choices ? Math.max(1, inStock(item.choices)) : 1,
    comesDown: item.markdown !== null,
  };
}

/** Statement lines by marketplace and order. */
export function linesByOrder(statements: readonly Statement[]): Map<string, StatementLine[]> {
  const by = new Map<string, StatementLine[]>();
  for (const { id, lines } of statements)
    for (const line of lines) {
      const key = `${id} ${line.order}`;
      const there = by.get(key);
      if (there) there.push(line);
      else by.set(key, [line]);
    }
  return by;
}
