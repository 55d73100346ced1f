import fc from 'fast-check';
import { jStat } from 'jstat';

import type { Booked } from './booked';
import { cashOf, CASH_SORTS } from './cash';
import { haulReturns } from './haulReturns';
import { DIMENSIONS, keyBy, partFigures, reachedOf, soldByAge } from './parts';
import { partsOf, spanAt } from './period';
import { NO_SUMS, postingsOf, profit, sumOf, sumsBy, takeHome, within, type Sums } from './sums';

const DAY = 86_400_000;
const FROM = new Date('2026-01-01T00:00').getTime();
const cents = fc.integer({ min: 0, max: 60_000 });
const at = fc.integer({ min: FROM, max: FROM + 360 * DAY });
const one = <T>(...of: T[]) => fc.constantFrom(...of);

/** A sale with whatever may have become of it. */
export const bookedSale: fc.Arbitrary<Booked> = fc
  .record({
    itemId: fc.stringMatching(/^t[a-z0-9]{6}$/u),
    market: one('moor', 'twick', 'stile'),
    order: fc.stringMatching(/^[A-Z]\d{4}$/u),
    kind: one('jumper', 'vase', ''),
    brand: one('Kittiwake', 'KITTIWAKE ', ''),
    haulId: one('h1', 'h2', null),
    source: one('Fair', ''),
    ownerId: one('o1', null),
    person: one('Bas', 'Odile'),
    soldAt: at,
    age: fc.integer({ min: 0, max: 300 }),
    listed: fc.option(fc.integer({ min: 0, max: 300 })),
    asked: fc.option(cents),
    amount: cents,
    postage: cents,
    fees: cents,
    sent: cents,
    cost: fc.option(cents),
    share: cents,
    back: fc.option(fc.record({ at, given: cents, fees: cents })),
    undone: fc.option(fc.record({ at, why: one('cancelled' as const, 'returned' as const) })),
  })
  .map(({ age, listed, ...b }) => ({
    ...b,
    takenInAt: b.soldAt - age * DAY,
    listedAt: listed === null ? null : b.soldAt - listed * DAY,
  }));
const sales = fc.array(bookedSale, { maxLength: 40 });
const plus = (a: Sums, b: Sums): Sums => sumOf([{ sums: a }, { sums: b }]);
const all = (parts: Iterable<Sums>) => [...parts].reduce(plus, { ...NO_SUMS });

it('parts by whatever they are put together by add up to the whole', () => {
  fc.assert(
    fc.property(sales, (some) => {
      const postings = some.flatMap(postingsOf);
      for (const dimension of DIMENSIONS)
        expect(all(sumsBy(postings, keyBy(dimension)).values())).toEqual(sumOf(postings));
    }),
  );
});

it('days add up to their month, and months to their year', () => {
  fc.assert(
    fc.property(sales, at, one('month' as const, 'year' as const, 'week' as const), (some, when, unit) => {
      const postings = some.flatMap(postingsOf);
      const span = spanAt(unit, when, '01-01');
      const parts = partsOf(unit, span).map((part) => sumOf(within(postings, part)));
      expect(all(parts)).toEqual(sumOf(within(postings, span)));
    }),
  );
});

it('what is left is what buyers paid less all that went out of it, to the minor unit', () => {
  fc.assert(
    fc.property(sales, (some) => {
      const sum = (of: (b: Booked) => number) => some.reduce((total, b) => total + of(b), 0);
      const postings = sumOf(some.flatMap(postingsOf));
      const left = sum(
        (b) => b.amount + b.postage - b.fees - b.sent + (b.back?.fees ?? 0) - (b.back?.given ?? 0),
      );
      expect(takeHome(postings)).toBe(left);
      const kept = (b: Booked) => (b.undone ? 0 : (b.cost ?? 0) + b.share);
      expect(profit(postings)).toBe(left - sum(kept));
    }),
  );
});

it('figures of parts are those of a worked example', () => {
  const base: Booked = {
    itemId: 't',
    market: 'moor',
    order: 'A',
    kind: 'jumper',
    brand: '',
    haulId: null,
    source: '',
    ownerId: null,
    person: 'Bas',
    takenInAt: FROM,
    listedAt: FROM,
    soldAt: FROM + 10 * DAY,
    asked: 4_000,
    amount: 3_600,
    postage: 0,
    fees: 600,
    sent: 0,
    cost: 1_000,
    share: 0,
    back: null,
    undone: null,
  };
  const some: Booked[] = [
    base,
    { ...base, soldAt: FROM + 20 * DAY, amount: 2_000, asked: 4_000, cost: null },
    { ...base, soldAt: FROM + 60 * DAY, listedAt: null, asked: null, cost: 500 },
    {
      ...base,
      soldAt: FROM + 30 * DAY,
      amount: 4_000,
      back: { at: FROM + 40 * DAY, given: 4_000, fees: 600 },
      undone: { at: FROM + 40 * DAY, why: 'returned' },
    },
  ];
  const [figures] = partFigures(some.flatMap(postingsOf), 'market');
  expect(figures).toMatchObject({
    key: 'moor',
    // By hand: (36 - 6 - 10) + (36 - 6 - 5) + 0 = 45.00, on a cost of 15.00.
    returnOnCost: 3,
    medianDays: 20,
    daysOf: 3,
    // By hand: (36 + 20 + 40) / (40 + 40 + 40).
    reached: 0.8,
    cameBack: 0.25,
  });
  expect(reachedOf([])).toBeNull();
});

it('the middle of the days to sell is that of a statistics library', () => {
  fc.assert(
    fc.property(sales, (some) => {
      for (const { key, medianDays, daysOf } of partFigures(some.flatMap(postingsOf), 'person')) {
        const days = some.flatMap((b) =>
          b.person === key && b.listedAt !== null ? [(b.soldAt - b.listedAt) / DAY] : [],
        );
        expect(daysOf).toBe(days.length);
        if (days.length === 0) expect(medianDays).toBeNull();
        else expect(medianDays).toBeCloseTo(jStat.median(days), 9);
      }
    }),
  );
});

it('the share sold by an age does not count as unsold what is still young', () => {
  const stay = (age: number, sold: number | null) => ({
    from: FROM - age * DAY,
    soldAt: sold === null ? null : FROM - age * DAY + sold * DAY,
    leftAt: null,
  });
  // By hand: of five, one sold on day 20 (4/5 wait); one is 25 days old; of the three left one sold on day 50
  // (4/5 × 2/3 = 8/15 wait).
  const stays = [stay(100, 20), stay(100, 50), stay(100, null), stay(100, null), stay(25, null)];
  const [by30, by60, by90, by180] = soldByAge(stays, FROM);
  expect(by30).toBeCloseTo(0.2, 9);
  expect(by60).toBeCloseTo(7 / 15, 9);
  expect(by90).toBeCloseTo(7 / 15, 9);
  expect(by180).toBeNull();
});

describe('a haul', () => {
  it('is paid back from the day after which nothing takes it below its cost again', () => {
    const sale = (day: number, amount: number, backOn?: number): Booked => ({
      itemId: `t${day}`,
      market: 'moor',
      order: `A${day}`,
      kind: '',
      brand: '',
      haulId: 'h1',
      source: '',
      ownerId: null,
      person: '',
      takenInAt: FROM,
      listedAt: FROM,
      soldAt: FROM + day * DAY,
      asked: null,
      amount,
      postage: 0,
      fees: 0,
      sent: 0,
      cost: 100,
      share: 0,
      back: backOn === undefined ? null : { at: FROM + backOn * DAY, given: amount, fees: 0 },
      undone: backOn === undefined ? null : { at: FROM + backOn * DAY, why: 'returned' },
    });
    const some = [sale(1, 6_000), sale(2, 5_000, 5), sale(9, 4_500)];
    expect(haulReturns(some, 10_000)).toMatchObject({ brought: 10_500, paidBackAt: FROM + 9 * DAY });
    expect(haulReturns(some, 6_000)).toMatchObject({ paidBackAt: FROM + DAY });
    expect(haulReturns(some, 20_000).paidBackAt).toBeNull();
    expect(haulReturns(some, null).paidBackAt).toBeNull();
  });
  it('that is paid back has brought what it cost on that day and on every one after it', () => {
    fc.assert(
      fc.property(sales, fc.integer({ min: 0, max: 200_000 }), (some, cost) => {
        const { brought, steps, paidBackAt } = haulReturns(some, cost);
        expect(brought).toBe(
          some.reduce((sum, b) => sum + profit(sumOf(postingsOf(b))) + (b.undone ? 0 : (b.cost ?? 0)), 0),
        );
        if (paidBackAt === null) return expect(brought < cost || steps.length === 0).toBe(true);
        const after = steps.slice(steps.findIndex((s) => s.at === paidBackAt));
        expect(after.at(-1)?.brought).toBeGreaterThanOrEqual(cost);
      }),
    );
  });
});

it('cash in less cash out is the sum of what moved', () => {
  const moves = fc.array(
    fc.record({ at, sort: one(...CASH_SORTS), amount: fc.integer({ min: -90_000, max: 90_000 }) }),
    { maxLength: 50 },
  );
  fc.assert(
    fc.property(moves, (some) => {
      const flow = cashOf(some, { from: FROM, to: FROM + 400 * DAY });
      expect(flow.in - flow.out).toBe(some.reduce((sum, m) => sum + m.amount, 0));
      expect(CASH_SORTS.reduce((sum, s) => sum + flow.by[s], 0)).toBe(flow.in - flow.out);
      expect(Math.min(flow.in, flow.out)).toBeGreaterThanOrEqual(0);
    }),
  );
});
