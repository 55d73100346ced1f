import { amountValue, type Column, type Value } from './value';
import { exponentOf } from '../money/money';

/** How books are written: their currency, and moments by the clock where the person is. */
export interface BookWays {
  currency: string;
  toLocal: (at: number) => string;
}

type Of<T> = (row: T) => Value;
const word = <T>(id: string, label: string, of: Of<T>): Column<T> => ({
  id,
  label,
  sort: 'words',
  usual: true,
  of,
});
const figure = <T>(id: string, label: string, of: Of<T>): Column<T> => ({
  id,
  label,
  sort: 'figure',
  usual: true,
  of,
});
const day = <T>(id: string, label: string, of: (row: T) => string | null): Column<T> => ({
  id,
  label,
  sort: 'day',
  usual: true,
  of: (row) => {
    const said = of(row);
    return said === null ? null : { day: said };
  },
});

/** Columns of amounts and moments in the ways of one attic. */
function writing<T>({ currency, toLocal }: BookWays) {
  const exponent = exponentOf(currency);
  return {
    amount: (id: string, label: string, of: (row: T) => number | null): Column<T> => ({
      id,
      label: `${label}, ${currency}`,
      sort: 'amount',
      usual: true,
      of: (row) => amountValue(of(row), exponent),
    }),
    moment: (id: string, label: string, of: (row: T) => number | null): Column<T> => ({
      id,
      label,
      sort: 'moment',
      usual: true,
      of: (row) => {
        const at = of(row);
        return at === null ? null : { moment: toLocal(at) };
      },
    }),
  };
}

/** A sale as the books have it; amounts in minor units. */
export interface SaleRow {
  at: number;
  code: string;
  name: string;
  kind: string;
  brand: string;
  haul: string;
  owner: string;
  market: string;
  order: string;
  piece: string;
  amount: number;
  postage: number;
  fees: number | null;
  takeHome: number | null;
  cost: number | null;
  undoneAt: number | null;
  given: number | null;
}

export function saleColumns(ways: BookWays): Column<SaleRow>[] {
  const { amount, moment } = writing<SaleRow>(ways);
  return [
    moment('soldAt', 'Sold', (s) => s.at),
    word('code', 'Code', (s) => s.code),
    word('title', 'Item', (s) => s.name),
    word('kind', 'Kind', (s) => s.kind),
    word('brand', 'Brand', (s) => s.brand),
    word('haul', 'Haul', (s) => s.haul),
    word('owner', 'Consignor', (s) => s.owner),
    word('market', 'Marketplace', (s) => s.market),
    word('order', 'Order', (s) => s.order),
    word('piece', 'Piece', (s) => s.piece),
    amount('price', 'Price', (s) => s.amount),
    amount('postage', 'Postage paid by the buyer', (s) => s.postage),
    amount('fees', 'Fees', (s) => s.fees),
    amount('takeHome', 'Take-home', (s) => s.takeHome),
    amount('cost', 'Cost', (s) => s.cost),
    amount('afterCost', 'After cost', (s) =>
      s.takeHome === null || s.cost === null ? null : s.takeHome - s.cost,
    ),
    moment('undoneAt', 'Came to nothing', (s) => s.undoneAt),
    amount('given', 'Given back', (s) => s.given),
  ];
}

export interface HaulRow {
  name: string;
  source: string;
  day: string;
  cost: number | null;
  note: string;
  lines: string;
  bought: number;
  taken: number;
  listed: number;
  sold: number;
  waiting: number;
}

export function haulColumns(ways: BookWays): Column<HaulRow>[] {
  const { amount } = writing<HaulRow>(ways);
  return [
    word('name', 'Haul', (h) => h.name),
    word('source', 'Source', (h) => h.source),
    day('day', 'Day', (h) => h.day),
    amount('cost', 'Cost', (h) => h.cost),
    word('lines', 'Bought', (h) => h.lines),
    figure('bought', 'Pieces bought', (h) => h.bought),
    figure('taken', 'Taken in', (h) => h.taken),
    figure('listed', 'Listed', (h) => h.listed),
    figure('sold', 'Sold', (h) => h.sold),
    figure('waiting', 'Waiting', (h) => h.waiting),
    word('note', 'Note', (h) => h.note),
  ];
}

export interface PayoutRow {
  market: string;
  day: string;
  sort: string;
  order: string;
  amount: number;
}

export function payoutColumns(ways: BookWays): Column<PayoutRow>[] {
  const { amount } = writing<PayoutRow>(ways);
  return [
    word('market', 'Marketplace', (p) => p.market),
    day('day', 'Day', (p) => p.day),
    word('sort', 'What', (p) => p.sort),
    word('order', 'Order', (p) => p.order),
    amount('amount', 'Amount', (p) => p.amount),
  ];
}

export interface OwnerRow {
  owner: string;
  at: number;
  sort: string;
  what: string;
  code: string;
  market: string;
  price: number;
  costs: number;
  amount: number;
  balance: number;
}

export function ownerColumns(ways: BookWays): Column<OwnerRow>[] {
  const { amount, moment } = writing<OwnerRow>(ways);
  return [
    word('owner', 'Consignor', (o) => o.owner),
    moment('at', 'When', (o) => o.at),
    word('sort', 'What', (o) => o.sort),
    word('title', 'Item', (o) => o.what),
    word('code', 'Code', (o) => o.code),
    word('market', 'Marketplace', (o) => o.market),
    amount('price', 'Price', (o) => o.price),
    amount('costs', 'Fees and postage', (o) => o.costs),
    amount('amount', 'Theirs', (o) => o.amount),
    amount('balance', 'Owed after it', (o) => o.balance),
  ];
}

export interface DiaryRow {
  at: number;
  who: string;
  code: string;
  name: string;
  what: string;
}

export function diaryColumns(ways: BookWays): Column<DiaryRow>[] {
  const { moment } = writing<DiaryRow>(ways);
  return [
    moment('at', 'When', (d) => d.at),
    word('who', 'Who', (d) => d.who),
    word('code', 'Code', (d) => d.code),
    word('title', 'Item', (d) => d.name),
    word('what', 'What', (d) => d.what),
  ];
}
