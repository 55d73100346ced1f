import Papa from 'papaparse';

import { bodyOf } from './body';
import { dice } from './dice';
import type { Frame } from './service';
import type { Store } from './store';
import { Turns } from './turns';

/** A bought item, from the payment to its end. */
export interface PaidOrder {
  no: string;
  ref: string;
  what: string;
  cents: number;
  postCents: number;
  /** Kept back from the seller. */
  feeCents: number;
  at: number;
  buyer: { name: string; lines: string[]; zone: 'inland' | 'near' | 'far' };
  state: 'paid' | 'posted' | 'cancelled' | 'given back';
  carrier: string;
  tracking: string;
  why: string;
  /** Given back to the buyer, and fees given back to the seller. */
  backCents: number;
  feeBackCents: number;
}

/** How a service writes its statements: columns, words for sorts of lines, signs. */
export interface StatementStyle {
  separator: string;
  decimal: string;
  columns: { order: string; sort: string; amount: string; day: string };
  sorts: Record<Line['sort'], string>;
}

interface Line {
  sort: 'sale' | 'postage' | 'fee' | 'back' | 'feeBack' | 'payout';
  order: string;
  cents: number;
  at: number;
}

const FIRST = ['Ada', 'Jorun', 'Kester', 'Imke', 'Tamsin', 'Odo', 'Perrin', 'Wilma'];
const LAST = ['Harrow', 'Fenwick-Lund', 'Stavely', 'Quill', 'Marram', 'Thackery', 'Oakes', 'Brindle'];
const STREETS = ['Chandler’s Row', 'Mill Bank', 'Ropewalk', 'Cooper Lane', 'Lantern Steps', 'Salt Quay'];
const TOWNS = {
  inland: ['4410 Saltreach', '4622 Hembury', '5093 Long Wick'],
  near: ['K-120 Osmark', 'K-344 Vell'],
  far: ['90017 Port Amity'],
} as const;

/** Made-up people, the same for the same order. */
export function buyerOf(no: string): PaidOrder['buyer'] {
  const roll = dice([...no].reduce((sum, ch) => (sum * 31 + (ch.codePointAt(0) ?? 0)) % 1_000_003, 7));
  const pick = (list: readonly string[]) => list[Math.floor(roll() * list.length)] ?? '';
  const zone = roll() < 0.8 ? 'inland' : roll() < 0.7 ? 'near' : 'far';
  const name = `${pick(FIRST)} ${pick(LAST)}`;
  return { name, zone, lines: [`${pick(STREETS)} ${1 + Math.floor(roll() * 80)}`, pick(TOWNS[zone])] };
}

/** An order just paid, ready to be written with the sale. */
export function paidOrder(
  part: Pick<PaidOrder, 'no' | 'ref' | 'what' | 'cents' | 'postCents' | 'feeCents' | 'at'>,
  buyer: PaidOrder['buyer'] = buyerOf(part.no),
): { sort: 'paid'; id: string; body: PaidOrder } {
  const body: PaidOrder = {
    ...part,
    buyer,
    state: 'paid',
    carrier: '',
    tracking: '',
    why: '',
    backCents: 0,
    feeBackCents: 0,
  };
  return { sort: 'paid', id: part.no, body };
}

/**
 * What a service keeps of bought items: who gets them, whether they were posted, what was given back, and
 * statements of what was paid out. Money is paid out once an item was posted.
 *
 * @param at path under which the seller asks, `/v1/orders`
 */
export function serveOrders(
  { app, store, switches }: Frame,
  { at, style }: { at: string; style: StatementStyle },
): void {
  const turns = new Turns();
  const changing = (path: string, change: (o: PaidOrder, b: Record<string, unknown>) => PaidOrder | string) =>
    app.post(`${at}/:no${path}`, (c) =>
      turns.run(async () => {
        const o = await store.get<PaidOrder>('paid', c.req.param('no') ?? '');
        if (!o) return c.json({ message: 'No such order.' }, 404);
        const b = await bodyOf(c);
        const next = change(o, b);
        if (typeof next === 'string') return c.json({ message: next }, 409);
        await store.write([{ sort: 'paid', id: o.no, body: next }]);
        return c.json(next);
      }),
    );

  app.get(`${at}/:no`, async (c) => {
    const o = await store.get<PaidOrder>('paid', c.req.param('no'));
    return o ? c.json(o) : c.json({ message: 'No such order.' }, 404);
  });
  changing('/posted', posted);
  changing('/cancel', cancelled);
  changing('/give-back', givenBack);
  app.get(`${at}-statement`, (c) =>
    turns.run(async () => {
      const orders = await store.all<PaidOrder>('paid');
      const lines = linesOf(orders, switches.feesWrong ? 50 : 0);
      return c.json({ statement: statementOf([...lines, ...(await payOut(store, orders, lines))], style) });
    }),
  );
}

const reasonOf = (b: Record<string, unknown>) => String(b.why ?? '').slice(0, 500);

function posted(o: PaidOrder, b: Record<string, unknown>): PaidOrder | string {
  if (o.state === 'cancelled' || o.state === 'given back') return 'That order is over.';
  const tracking = String(b.tracking ?? '').slice(0, 40);
  return { ...o, state: 'posted', carrier: String(b.carrier ?? '').slice(0, 60), tracking };
}

/** Cancelled before it was posted: the buyer gets everything back, and the fee goes with it. */
function cancelled(o: PaidOrder, b: Record<string, unknown>): PaidOrder | string {
  if (o.state === 'cancelled') return o;
  if (o.state !== 'paid') return 'It was posted already.';
  const backCents = o.cents + o.postCents;
  return { ...o, state: 'cancelled', why: reasonOf(b), backCents, feeBackCents: o.feeCents };
}

/** Given back after it was posted: the fee is given back in the same share as the price. */
function givenBack(o: PaidOrder, b: Record<string, unknown>): PaidOrder | string {
  const cents = Number(b.cents);
  const most = o.cents + o.postCents;
  if (!Number.isInteger(cents) || cents < 1 || cents > most)
    return `Between 1 and ${most} can be given back.`;
  if (o.state === 'given back') return o.backCents === cents ? o : 'Something was given back already.';
  if (o.state !== 'posted') return 'It was not posted; cancel it.';
  const share = Math.min(1, cents / Math.max(1, o.cents));
  const feeBackCents = Math.floor(o.feeCents * share);
  return { ...o, state: 'given back', why: reasonOf(b), backCents: cents, feeBackCents };
}

/** What a statement says of orders, without what was paid out. @param extraCents taken too much of each */
function linesOf(orders: readonly PaidOrder[], extraCents: number): Line[] {
  return orders.flatMap((o) => {
    const line = (sort: Line['sort'], cents: number, at: number): Line[] =>
      cents === 0 ? [] : [{ sort, order: o.no, cents, at }];
    return [
      { sort: 'sale' as const, order: o.no, cents: o.cents, at: o.at },
      ...line('postage', o.postCents, o.at),
      ...line('fee', -(o.feeCents + extraCents), o.at),
      ...line('back', -o.backCents, o.at + 1),
      ...line('feeBack', o.feeBackCents, o.at + 1),
    ];
  });
}

/** What was paid out so far; what is due is paid out when somebody asks. */
async function payOut(store: Store, orders: readonly PaidOrder[], lines: readonly Line[]): Promise<Line[]> {
  const waiting = new Set(orders.filter((o) => o.state === 'paid').map((o) => o.no));
  const due = lines.filter((l) => !waiting.has(l.order)).reduce((sum, l) => sum + l.cents, 0);
  const paid = await store.all<{ no: string; cents: number; at: number }>('payout');
  const owed = due - paid.reduce((sum, p) => sum + p.cents, 0);
  if (owed > 0) {
    const payout = { no: `P${paid.length + 1}`, cents: owed, at: Date.now() };
    await store.write([{ sort: 'payout', id: payout.no, body: payout }]);
    paid.push(payout);
  }
  return paid.map((p) => ({ sort: 'payout', order: p.no, cents: -p.cents, at: p.at }));
}

function statementOf(lines: readonly Line[], style: StatementStyle): string {
  const { order, sort, amount, day } = style.columns;
  const rows = [...lines]
    .sort((a, b) => a.at - b.at)
    .map((l) => [
      new Date(l.at).toISOString().slice(0, 10),
      style.sorts[l.sort],
      l.order,
      (l.cents / 100).toFixed(2).replace('.', style.decimal),
    ]);
  const text = Papa.unparse([[day, sort, order, amount], ...rows], {
    delimiter: style.separator,
    newline: '\r\n',
  });
  return `${text}\r\n`;
}
