import { Settings } from '@/contract/records';
import { emptyCourier, step } from '@/core/courier/step';
import { viewOf } from '@/core/courier/view';
import { BUILT_IN } from '@/core/kinds/tree';
import { cashOf } from '@/core/ledger/cash';
import { cashMoves } from '@/core/ledger/cashMoves';
import { haulReturns } from '@/core/ledger/haulReturns';
import { bookings, linesByOrder } from '@/core/ledger/itemBooks';
import { matured } from '@/core/ledger/keep';
import { partFigures } from '@/core/ledger/parts';
import { partsOf, spanAt, type Span } from '@/core/ledger/period';
import { postingsOf, sumOf, takeHome, within, type Sums } from '@/core/ledger/sums';
import { ratesOf } from '@/core/listing/setup';

import { pastBefore, SHEETS } from './past';
import { shareOfConsignor } from './records';
import { DAY, ORIGINS } from './rules';
import type { PastSale } from './year';

const NOW = Date.parse('2026-11-29T10:00:00Z');
const SETTINGS = Settings.parse({ id: 'settings' });
const { sales, records, lines } = pastBefore(NOW, SETTINGS.codePattern);

const byId = <T extends { id: string }>(all: readonly T[]) =>
  Object.fromEntries(all.map((one) => [one.id, one]));
const views = (() => {
  let state = emptyCourier();
  const policy = Object.fromEntries(
    SHEETS.map(({ marketplace }) => [
      marketplace,
      { pollEvery: 60_000, byHand: marketplace === 'handbill', looksFirst: true },
    ]),
  );
  for (const { event, at } of lines) state = step(state, event, at, policy).state;
  return byId([...state.items.values()].map((item) => viewOf(item)));
})();
const books = bookings({
  views,
  items: byId(records.items),
  hauls: byId(records.hauls),
  owners: byId(records.owners),
  orders: byId(records.orders),
  linesOf: linesByOrder(records.statements),
  sheets: SHEETS,
  kinds: BUILT_IN,
  rates: ratesOf(SETTINGS),
  placeOf: () => ({}),
});
const all = records.items.map((item) => books(item.id));
const booked = all.flatMap((one) => one.booked);
const postings = booked.flatMap(postingsOf);

const sum = <T>(of: readonly T[], value: (one: T) => number) =>
  of.reduce((total, one) => total + value(one), 0);
const stood = (of: readonly PastSale[]) => of.filter((s) => s.back === null);
const sentOf = ({ sent }: PastSale) => (sent ? sent.label + sent.packaging : 0);

/** What the script says of a time: sales by their day, what was given back by its own. */
function truth({ from, to }: Span): Omit<Sums, 'shares'> {
  const sold = sales.filter((s) => s.soldAt >= from && s.soldAt < to);
  const back = sales.filter((s) => s.back && s.back.at >= from && s.back.at < to);
  return {
    sold: sold.length,
    undone: back.length,
    takings: sum(sold, (s) => s.amount),
    postage: sum(sold, (s) => s.postage),
    given: sum(back, (s) => s.back?.given ?? 0),
    fees: sum(sold, (s) => s.fees.charged) - sum(back, (s) => s.back?.feesBack ?? 0),
    sent: sum(sold, sentOf),
    cost: sum(sold, (s) => s.cost ?? 0) - sum(back, (s) => s.cost ?? 0),
    costUnknown: 0,
  };
}
it('a year, each month and each week come to what the script says, to the cent', () => {
  const year = spanAt('year', NOW, '12-01');
  expect(sumOf(within(postings, year)).sold).toBeGreaterThan(200);
  const spans = [
    { from: 0, to: NOW },
    year,
    ...partsOf('year', year),
    ...Array.from({ length: 52 }, (_, week) => spanAt('week', NOW - week * 7 * DAY, '01-01')),
  ];
  for (const span of spans) {
    const { shares: _, ...found } = sumOf(within(postings, span));
    expect([new Date(span.from).toISOString(), found]).toEqual([
      new Date(span.from).toISOString(),
      truth(span),
    ]);
  }
  expect(takeHome(sumOf(postings))).toBe(sum(sales, (s) => s.takeHome));
  expect(sumOf(postings).shares).toBe(sum(sales, shareOfConsignor));
});

it('by marketplace, haul, consignor and person it is what the script says', () => {
  const keys = {
    market: (s: PastSale) => s.market,
    person: (s: PastSale) => s.good.by,
    haul: (s: PastSale) => records.hauls.find((h) => h.name === s.origin.haul?.name)?.id ?? '',
    consignor: (s: PastSale) => records.owners.find((o) => o.name === s.origin.owner?.name)?.id ?? '',
    kind: (s: PastSale) => s.good.kind,
  } as const;
  for (const [dimension, keyOf] of Object.entries(keys)) {
    const parts = partFigures(postings, dimension as keyof typeof keys);
    expect(new Set(parts.map((p) => p.key))).toEqual(new Set(sales.map(keyOf)));
    for (const part of parts) {
      const mine = sales.filter((s) => keyOf(s) === part.key);
      expect([part.key, takeHome(part.sums)]).toEqual([part.key, sum(mine, (s) => s.takeHome)]);
      expect(part.sums).toMatchObject({ sold: mine.length, undone: mine.length - stood(mine).length });
      expect(part.reached).toBeCloseTo(sum(mine, (s) => s.amount) / sum(mine, (s) => s.asked.first), 9);
      const cost = sum(stood(mine), (s) => s.cost ?? 0);
      if (cost > 0 && dimension !== 'consignor') {
        const paid = mine.filter((s) => (s.cost ?? 0) > 0);
        expect(part.returnOnCost).toBeCloseTo((sum(paid, (s) => s.takeHome) - cost) / cost, 9);
      }
      // What ran out unsold was put up again: from then on it is counted.
      const days = mine
        .map((s) => (s.soldAt - s.listedAt) / DAY - (s.auctionDays ?? 0))
        .sort((a, b) => a - b);
      const at = (days.length - 1) / 2;
      const middle = ((days[Math.floor(at)] ?? 0) + (days[Math.ceil(at)] ?? 0)) / 2;
      // Listings go up one after the other: some minutes later than the first, and confirmed a moment later.
      expect(Math.abs((part.medianDays ?? 0) - middle)).toBeLessThan(0.02);
    }
  }
});

it('a haul is paid back on the day the script says', () => {
  for (const origin of ORIGINS.filter((o) => o.haul)) {
    const id = records.hauls.find((h) => h.name === origin.haul?.name)?.id;
    const cost = origin.haul?.cost ?? 0;
    const mine = sales.filter((s) => s.origin === origin);
    const moves = mine
      .flatMap((s) => [
        { at: s.soldAt, cents: s.takeHome + (s.back ? s.back.given - s.back.feesBack : 0) },
        ...(s.back ? [{ at: s.back.at, cents: s.back.feesBack - s.back.given }] : []),
      ])
      .sort((a, b) => a.at - b.at);
    let brought = 0;
    let since: number | null = null;
    for (const { at, cents } of moves) {
      brought += cents;
      since = brought < cost ? null : (since ?? at);
    }
    const found = haulReturns(
      booked.filter((b) => b.haulId === id),
      cost,
    );
    expect([origin.key, found.brought, found.paidBackAt]).toEqual([origin.key, brought, since]);
  }
});

it('cash is what the statements paid, what was paid by hand, and what was spent', () => {
  const moves = cashMoves({
    booked,
    items: records.items,
    hauls: byId(records.hauls),
    orders: byId(records.orders),
    statements: records.statements,
    payments: records.payments,
    paysOut: (market) => Boolean(SHEETS.find((s) => s.marketplace === market)?.statement),
  });
  const { by } = cashOf(moves, { from: 0, to: NOW });
  const byHand = sales.filter((s) => !SHEETS.find((t) => t.marketplace === s.market)?.statement);
  expect(by.hand).toBe(sum(byHand, (s) => s.amount + s.postage - (s.back?.given ?? 0)));
  expect(by.sent).toBe(-sum(sales, sentOf));
  expect(by.bought).toBe(-sum(sales, (s) => s.cost ?? 0));
  expect(by.consignor).toBe(-sum(records.payments, (p) => p.amount));
  const paid = records.statements.flatMap((s) => s.lines).filter((l) => l.sort === 'payout');
  expect(by.payout).toBe(-sum(paid, (l) => l.amount));
});

it('of every listing it is known whether it sold there in time', () => {
  const tried = all.flatMap((one) => one.tried);
  for (const { market, listings, left } of matured(tried, NOW)) {
    const up = sales.filter((s) => s.markets.includes(market) && NOW - s.listedAt > 60.5 * DAY);
    const there = stood(up).filter((s) => s.market === market && s.soldAt - s.listedAt < 59.5 * DAY);
    // What was up first for an auction, or on the edge of its days, is told apart by minutes.
    expect(Math.abs(listings - up.length)).toBeLessThanOrEqual(3);
    expect(Math.abs(left.length - there.length)).toBeLessThanOrEqual(6);
  }
  expect(tried.length).toBeGreaterThan(sales.length);
});
