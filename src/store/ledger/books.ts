import { useEffect } from 'react';
import { create } from 'zustand';

import type { ConsignorPayment, Statement } from '@/contract/orders';
import type { Booked } from '@/core/ledger/booked';
import type { CashMove } from '@/core/ledger/cash';
import { cashMoves } from '@/core/ledger/cashMoves';
import { bookings, linesByOrder, type ItemBooks, type Sources } from '@/core/ledger/itemBooks';
import { postingsOf, type Posting } from '@/core/ledger/sums';
import { placeOf } from '@/core/listing/otherListings';
import { ratesOf } from '@/core/listing/setup';
import { useAttic } from '@/store/attic/attic';
import { unlessExpected } from '@/store/base/faults';
import { yieldToMain } from '@/store/base/yieldToMain';
import { useCourier } from '@/store/courier/courierLink';
import { otherListingsNow } from '@/store/courier/otherListings';
import { useKinds } from '@/store/items/kinds';

/** The ledger's books: what all its pages are reckoned from. */
export interface Books {
  /** The attic they are of. */
  attic: string;
  booked: readonly Booked[];
  /** In the order they happened. */
  postings: readonly Posting[];
  moves: readonly CashMove[];
  stays: readonly NonNullable<ItemBooks['stay']>[];
  stock: readonly NonNullable<ItemBooks['stock']>[];
  tried: readonly ItemBooks['tried'][number][];
  /** How many sales are not in it, by marketplace: its rules are not known just now. */
  leftOut: Readonly<Record<string, number>>;
  /** Marketplaces that pay by statement, sold something, and of which no statement was read. */
  unread: readonly string[];
}

/** All that the books are worked out from. */
type Kept = Omit<Sources, 'linesOf'> & {
  attic: string;
  statements: Readonly<Record<string, Statement>>;
  payments: Readonly<Record<string, ConsignorPayment>>;
};

const useBooksStore = create<{
  books: Books | null;
  /** What they are to be worked out from next; null: they are of the newest there is. */
  next: Kept | null;
  busy: boolean;
}>(() => ({ books: null, next: null, busy: false }));

/** How long items are worked out before a finger is let through, milliseconds. */
const SLICE = 8;

/**
 * What the ledger holds, kept as it changes while a page asks; null while it is worked out first. It is
 * worked out in slices, so that the page is never held up.
 */
export function useBooks(): Books | null {
  const views = useCourier((s) => s.items);
  const sheets = useCourier((s) => s.sheets);
  const items = useAttic((s) => s.items);
  const hauls = useAttic((s) => s.hauls);
  const owners = useAttic((s) => s.owners);
  const orders = useAttic((s) => s.orders);
  const statements = useAttic((s) => s.statements);
  const payments = useAttic((s) => s.payments);
  const rates = ratesOf(useAttic((s) => s.settings));
  const kinds = useKinds();
  const attic = useCourier((s) => s.attic ?? '');
  useEffect(() => {
    const next: Kept = {
      attic,
      views,
      sheets,
      items,
      hauls,
      owners,
      orders,
      statements,
      payments,
      rates,
      kinds,
      placeOf: (id, market, at) => placeOf(otherListingsNow(), id, market, at),
    };
    useBooksStore.setState({ next });
    void keepUp().catch(unlessExpected('working out the ledger'));
  }, [attic, views, sheets, items, hauls, owners, orders, statements, payments, rates, kinds]);
  const books = useBooksStore((s) => s.books);
  return books?.attic === attic ? books : null;
}

/** One after the other and always the newest: on a busy evening no books would ever be whole otherwise. */
async function keepUp(): Promise<void> {
  if (useBooksStore.getState().busy) return;
  useBooksStore.setState({ busy: true });
  try {
    for (let { next } = useBooksStore.getState(); next; { next } = useBooksStore.getState()) {
      useBooksStore.setState({ next: null });
      useBooksStore.setState({ books: await workOut(next) });
    }
  } finally {
    useBooksStore.setState({ busy: false });
  }
}

async function workOut(sources: Kept): Promise<Books> {
  const { views, items, hauls, orders, statements, payments, sheets } = sources;
  const linesOf = linesByOrder(Object.values(statements));
  await yieldToMain();
  const of = bookings({ ...sources, linesOf });
  const ids = Object.keys(items);
  for (const id of Object.keys(views)) if (!items[id]) ids.push(id);
  const booked: Booked[] = [];
  const postings: Posting[] = [];
  const [stays, stock, tried]: [Stays, Stock, Tried] = [[], [], []];
  const leftOut: Record<string, number> = {};
  await inSlices(ids, (id) => {
    const one = of(id);
    for (const sale of one.booked) {
      booked.push(sale);
      postings.push(...postingsOf(sale));
    }
    for (const market of one.leftOut) leftOut[market] = (leftOut[market] ?? 0) + 1;
    if (one.stay) stays.push(one.stay);
    if (one.stock) stock.push(one.stock);
    tried.push(...one.tried);
  });
  await yieldToMain();
  postings.sort((a, b) => a.at - b.at);
  await yieldToMain();
  const payers = new Set(sheets.flatMap((s) => (s.statement ? [s.marketplace] : [])));
  const paysOut = (market: string) => payers.has(market);
  const moves = cashMoves({
    booked,
    items: Object.values(items),
    hauls,
    orders,
    statements: Object.values(statements),
    payments: Object.values(payments),
    paysOut,
  });
  await yieldToMain();
  const sold = new Set(booked.map((b) => b.market));
  const unread = [...sold].filter((m) => paysOut(m) && !statements[m]);
  return { attic: sources.attic, booked, postings, moves, stays, stock, tried, leftOut, unread };
}

type Stays = NonNullable<ItemBooks['stay']>[];
type Stock = NonNullable<ItemBooks['stock']>[];
type Tried = ItemBooks['tried'][number][];

async function inSlices<T>(all: readonly T[], work: (one: T) => void): Promise<void> {
  let until = performance.now() + SLICE;
  for (const one of all) {
    work(one);
    if (performance.now() < until) continue;
    await yieldToMain();
    until = performance.now() + SLICE;
  }
}
