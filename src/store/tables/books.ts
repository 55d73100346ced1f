import { useMemo } from 'react';

import { consignorStatement } from '@/core/consign/statement';
import { haulCount } from '@/core/hauls/haul';
import {
  ownerColumns,
  saleColumns,
  haulColumns,
  payoutColumns,
  diaryColumns,
  type BookWays,
  DiaryRow,
  HaulRow,
  OwnerRow,
  PayoutRow,
  SaleRow,
} from '@/core/tables/books';
import { toLocal } from '@/core/tables/localTime';
import type { Column } from '@/core/tables/value';
import { useAttic } from '@/store/attic/attic';
import { marketName, useCourier } from '@/store/courier/courierLink';
import { consignedSales } from '@/store/derived/consigned';
import { haulStanding } from '@/store/derived/standing';
import { useSales, type SoldItem } from '@/store/derived/useSales';
import { kindsNow } from '@/store/items/kinds';
import { nameOr } from '@/store/items/names';

import { saveTable, type ColumnName, type Progress, type TableName } from './tableOut';

/** One of the books, as a table that can be saved: its lines are worked out when it is. */
export interface Book {
  columns: readonly ColumnName[];
  count: () => number;
  /** @returns how many cells hold more than one of a spreadsheet can */
  save: (chosen: readonly ColumnName[], progress: Progress) => Promise<number>;
}

function bookOf<T>(name: TableName, columns: readonly Column<T>[], rows: () => readonly T[]): Book {
  const byId = new Map(columns.map((c) => [c.id, c]));
  return {
    columns,
    count: () => rows().length,
    save: (chosen, progress) =>
      saveTable(
        name,
        chosen.flatMap(({ id }) => byId.get(id) ?? []),
        rows(),
        (row) => [row],
        progress,
      ),
  };
}

const STATEMENT_WORDS = {
  sale: 'sale',
  postage: 'postage',
  fee: 'fee',
  back: 'given back',
  feeBack: 'fee given back',
  payout: 'payout',
} as const;
const LINE_WORDS = { sold: 'sold', cameBack: 'came back', paid: 'paid' } as const;

function saleRow(sold: SoldItem): SaleRow {
  const { items, hauls, owners } = useAttic.getState();
  const item = items[sold.itemId];
  const { sale, real, back } = sold;
  return {
    at: sale.at,
    code: item?.code ?? '',
    name: nameOr(item, ''),
    kind: kindsNow().get(item?.kind ?? '')?.name ?? '',
    brand: item?.facts.brand ?? '',
    haul: hauls[item?.haulId ?? '']?.name ?? '',
    owner: owners[item?.ownerId ?? '']?.name ?? '',
    market: marketName(sale.market),
    order: sale.order,
    piece: sold.piece ?? '',
    amount: sale.amount,
    postage: sale.postage,
    fees: real?.fees ?? sale.fees,
    takeHome: real?.takeHome ?? null,
    cost: item?.cost ?? null,
    undoneAt: sold.undoneAt,
    given: back.given,
  };
}

function haulRows(): HaulRow[] {
  const { hauls, items } = useAttic.getState();
  const all = Object.values(items);
  // The same as on a haul's own page.
  const standing = haulStanding(useCourier.getState().items);
  return Object.values(hauls)
    .sort((a, b) => b.date.localeCompare(a.date))
    .map((haul) => {
      const { bought, taken, listed, sold, waiting } = haulCount(haul, all, standing);
      return {
        name: haul.name,
        source: haul.source,
        day: haul.date,
        cost: haul.cost,
        note: haul.note,
        lines: haul.lines.map((l) => `${l.count} × ${l.what}`).join('; '),
        bought,
        taken,
        listed,
        sold,
        waiting,
      };
    });
}

function payoutRows(): PayoutRow[] {
  const { statements } = useAttic.getState();
  return Object.values(statements)
    .flatMap(({ id, lines }) =>
      lines.map(({ sort, order, amount, day }) => ({
        market: marketName(id),
        day,
        sort: STATEMENT_WORDS[sort],
        order,
        amount,
      })),
    )
    .sort((a, b) => b.day.localeCompare(a.day));
}

function ownerRows(sales: readonly SoldItem[]): OwnerRow[] {
  const { owners, items, payments } = useAttic.getState();
  return Object.values(owners).flatMap((owner) => {
    const theirs = consignedSales(owner.id, sales, items);
    const paid = Object.values(payments).filter((p) => p.ownerId === owner.id);
    const { lines } = consignorStatement(owner, theirs, paid, 0, Number.MAX_SAFE_INTEGER);
    return lines.map((l) => ({
      owner: owner.name,
      at: l.at,
      sort: LINE_WORDS[l.sort],
      what: l.what,
      code: l.code,
      market: l.market && marketName(l.market),
      price: l.price,
      costs: l.costs,
      amount: l.amount,
      balance: l.balance,
    }));
  });
}

function diaryRows(): DiaryRow[] {
  const { diary, items } = useAttic.getState();
  return Object.values(diary)
    .flatMap(({ id, lines }) =>
      lines.map(({ at, who, what }) => ({
        at,
        who,
        what,
        code: items[id]?.code ?? '',
        name: nameOr(items[id], ''),
      })),
    )
    .sort((a, b) => a.at - b.at);
}

/** All books that can be saved as tables. */
export function useBooks(): Record<Exclude<TableName, 'stock'>, Book> {
  const sales = useSales(true);
  const currency = useAttic((s) => s.settings.currency);
  return useMemo(() => {
    const ways: BookWays = { currency, toLocal };
    return {
      sales: bookOf('sales', saleColumns(ways), () => sales.map(saleRow)),
      hauls: bookOf('hauls', haulColumns(ways), haulRows),
      payouts: bookOf('payouts', payoutColumns(ways), payoutRows),
      consignors: bookOf('consignors', ownerColumns(ways), () => ownerRows(sales)),
      diary: bookOf('diary', diaryColumns(ways), diaryRows),
    };
  }, [sales, currency]);
}
