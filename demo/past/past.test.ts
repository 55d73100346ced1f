import { Settings } from '@/contract/records';
import { emptyCourier, step } from '@/core/courier/step';
import { viewOf } from '@/core/courier/view';
import { BUILT_IN } from '@/core/kinds/tree';
import { ratesOf } from '@/core/listing/setup';
import { ordersOf } from '@/core/orders/orders';
import { realMoney } from '@/core/payout/realMoney';
import { reconcileMoney } from '@/core/payout/reconcile';
import { sharesOf } from '@/core/price/profit';
import { saleTakeHome } from '@/core/sales/saleTakeHome';

import { PAST_ITEMS, pastBefore, SHEETS, type Past } from './past';
import { pastItem, shareOfConsignor } from './records';
import { DAY, ORIGINS, RETURNS, STATEMENT_ERRORS } from './rules';

const NOW = Date.parse('2026-11-29T10:00:00Z');
const SETTINGS = Settings.parse({ id: 'settings' });
const past = pastBefore(NOW, SETTINGS.codePattern);
const { sales, records, lines } = past;

/** The courier, as reading its ledger from the start leaves it. */
function replayed(lines: Past['lines']) {
  let state = emptyCourier();
  const refusals: string[] = [];
  const policy = Object.fromEntries(
    SHEETS.map(({ marketplace }) => [
      marketplace,
      { pollEvery: 60_000, byHand: marketplace === 'handbill', looksFirst: true },
    ]),
  );
  for (const { event, at } of lines) {
    const result = step(state, event, at, policy);
    state = result.state;
    if (result.refusal) refusals.push(`${result.refusal}: ${JSON.stringify(event).slice(0, 200)}`);
  }
  return { state, refusals };
}
const { state, refusals } = replayed(lines);
const views = Object.fromEntries([...state.items.values()].map((item) => [item.id, viewOf(item)]));

it('is a year of about 250 sales, the same whenever it is asked for on a day', () => {
  expect(sales).toHaveLength(PAST_ITEMS);
  expect(pastBefore(NOW + 8 * 3_600_000, SETTINGS.codePattern)).toEqual(past);
  expect(Math.max(...sales.map((s) => s.soldAt))).toBeLessThan(NOW);
  expect(Math.min(...sales.map((s) => s.soldAt))).toBeGreaterThan(NOW - 367 * DAY);
});

it.each(['2027-03-02', '2028-02-29', '2027-07-14'])('is whole on any day it begins: %s', (day) => {
  const other = pastBefore(Date.parse(`${day}T23:59:00Z`), SETTINGS.codePattern);
  expect(other.sales).toHaveLength(PAST_ITEMS);
  expect(other.sales.filter((s) => s.back)).toHaveLength(RETURNS.length);
  expect(other.sales.filter((s) => s.fees.charged !== s.fees.told)).toHaveLength(2);
  const after = replayed(other.lines);
  expect([after.refusals, after.state.busy.size]).toEqual([[], 0]);
});

it('has a slow February, a good November, and every way of selling', () => {
  const inMonth = (month: number) => sales.filter((s) => new Date(s.soldAt).getUTCMonth() === month).length;
  expect(inMonth(1)).toBeLessThan(Math.min(...[0, 2, 3, 4, 5, 8, 9, 10].map(inMonth)));
  expect(inMonth(10)).toBe(Math.max(...Array.from({ length: 12 }, (_, m) => inMonth(m))));
  expect(new Set(sales.map((s) => s.market)).size).toBe(SHEETS.length);
  expect(sales.filter((s) => s.back)).toHaveLength(RETURNS.length);
  expect(sales.filter((s) => s.wasOffer)).toHaveLength(12);
  expect(sales.filter((s) => s.auctionDays !== null)).toHaveLength(6);
  expect(sales.filter((s) => s.markdown).length).toBeGreaterThan(40);
});

it('hauls were paid for to the cent, and have paid themselves back', () => {
  for (const origin of ORIGINS.filter((o) => o.haul)) {
    const mine = sales.filter((s) => s.origin === origin);
    expect(mine.reduce((sum, s) => sum + (s.cost ?? 0), 0)).toBe(origin.haul?.cost);
    expect(mine.reduce((sum, s) => sum + s.takeHome, 0)).toBeGreaterThan(origin.haul?.cost ?? 0);
  }
});

it('the courier read it without a word against it, and has nothing left to do', () => {
  expect(refusals).toEqual([]);
  expect(state.busy.size).toBe(0);
  for (const sale of sales) {
    const view = views[pastItem(sale.no)]!;
    const told = sale.back ? view.pastSales[0] : view.sale;
    expect(told).toMatchObject({ market: sale.market, order: sale.order, amount: sale.amount });
    expect(view.listings.every((l) => ['sold', 'ended'].includes(l.state))).toBe(true);
    if (!sale.back) expect(view.closing?.doneAt).not.toBeNull();
  }
});

it('all of it is over: nothing is of a time still to come', () => {
  const today = Math.floor(NOW / DAY) * DAY;
  const times = [
    ...lines.map((l) => l.at),
    ...records.diary.flatMap((d) => d.lines.map((l) => l.at)),
    ...records.items.flatMap((i) => [i.createdAt, i.updatedAt]),
    ...records.orders.flatMap((o) => [o.packedAt ?? 0, o.postedAt ?? 0, o.arrivedAt ?? 0, o.closedAt ?? 0]),
    ...records.payments.map((p) => p.at),
    ...records.statements.map((s) => s.readAt),
  ];
  expect(Math.max(...times)).toBeLessThan(today);
});

it('no order waits for anybody', () => {
  const items = Object.fromEntries(records.items.map((i) => [i.id, i]));
  const orders = Object.fromEntries(records.orders.map((o) => [o.id, o]));
  const rows = ordersOf(views, items, orders, SHEETS, NOW);
  expect(rows).toHaveLength(sales.length);
  expect(new Set(rows.map((r) => r.stage))).toEqual(new Set(['over']));
});

it('what the app works out of its records is what it truly left, to the cent', () => {
  const items = Object.fromEntries(records.items.map((i) => [i.id, i]));
  for (const sale of sales) {
    const id = pastItem(sale.no);
    const view = views[id]!;
    const told = view.sale ?? view.pastSales[0]!;
    const sheet = SHEETS.find((s) => s.marketplace === sale.market)!;
    const computed = saleTakeHome(told, items[id], sheet, '', BUILT_IN, ratesOf(SETTINGS), {});
    const statement = records.statements.find((s) => s.id === sale.market);
    const real = realMoney(
      told,
      computed,
      records.orders.find((o) => o.itemId === id) ?? null,
      statement?.lines.filter((l) => l.order === sale.order) ?? [],
    );
    expect([sale.no, real.takeHome]).toEqual([sale.no, sale.takeHome]);
    const owner = records.owners.find((o) => o.id === items[id]?.ownerId) ?? null;
    if (owner && !sale.back)
      expect(sharesOf(sale.amount, real.takeHome, owner).consignor).toBe(shareOfConsignor(sale));
  }
});

it('statements are right but for two errors, each in the marketplace’s favour', () => {
  const off = records.statements.flatMap(({ id, lines: of }) => {
    const told = sales
      .filter((s) => s.market === id)
      .map(({ order, amount, postage, fees, back }) => ({
        order,
        amount,
        postage,
        fees: fees.told,
        undone: back !== null,
        given: back?.given ?? null,
        feesBack: back?.feesBack ?? null,
      }));
    const found = reconcileMoney(told, of);
    expect(found.strange).toEqual([]);
    return found.orders.filter((o) => o.off !== 0).map((o) => [id, o.off]);
  });
  expect(off).toEqual(Object.entries(STATEMENT_ERRORS).map(([id, cents]) => [id, -cents]));
});
