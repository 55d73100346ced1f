import fc from 'fast-check';

import { Owner, Item } from '@/contract/records';

import { endings } from './endings';
import { consignorStatement, type ConsignedSale } from './statement';

const ALDOUS = Owner.parse({
  id: 'o',
  name: 'Mrs Aldous',
  days: 90,
  atEnd: 'back',
  of: 'afterFees',
  tiers: [
    { under: 10_000, shareBp: 6_000 },
    { under: null, shareBp: 7_000 },
  ],
});
const sold = (
  order: string,
  at: number,
  price: number,
  takeHome: number,
  undoneAt: number | null = null,
): ConsignedSale => ({
  order,
  what: order,
  code: order,
  market: 'moor',
  at,
  price,
  takeHome,
  undoneAt,
});
const DAY = 86_400_000;

describe('a consignor’s statement', () => {
  // By hand: 60 % of 39.48 is 23.688, so 23.69; 70 % of 101.20 is 70.84; together 94.53.
  it('has her share of every sale by its tier, and what is owed after each line', () => {
    const s = consignorStatement(
      ALDOUS,
      [sold('scarf', 10, 4_800, 3_948), sold('glasses', 20, 12_000, 10_120)],
      [],
      0,
      100,
    );
    expect(s.lines.map((l) => [l.amount, l.balance])).toEqual([
      [2_369, 2_369],
      [7_084, 9_453],
    ]);
    expect(s).toMatchObject({ before: 0, sold: 16_800, earned: 9_453, paid: 0, after: 9_453 });
    expect(s.lines[0]?.costs).toBe(852);
    // Nothing paid is nothing, not less than nothing.
    expect(Object.is(s.paid, 0)).toBe(true);
  });
  it('carries over what came before, and takes off what was paid', () => {
    const s = consignorStatement(
      ALDOUS,
      [sold('scarf', 10, 4_800, 3_948)],
      [{ amount: 2_000, at: 15, note: 'cash' }],
      12,
      100,
    );
    expect(s).toMatchObject({ before: 2_369, earned: 0, paid: 2_000, after: 369 });
    expect(s.lines).toHaveLength(1);
  });
  it('takes a sale back on the day it came to nothing', () => {
    const s = consignorStatement(ALDOUS, [sold('scarf', 10, 4_800, 3_948, 30)], [], 0, 100);
    expect(s.lines.map((l) => l.sort)).toEqual(['sold', 'cameBack']);
    expect(s.after).toBe(0);
    expect(consignorStatement(ALDOUS, [sold('scarf', 10, 4_800, 3_948, 30)], [], 0, 20).after).toBe(2_369);
  });
  it('adds up to the cent wherever it is cut in two', () => {
    const sales = fc.array(
      fc.record({
        at: fc.nat(100),
        price: fc.integer({ min: 0, max: 50_000 }),
        left: fc.integer({ min: 0, max: 100 }),
        undo: fc.option(fc.nat(50)),
      }),
      { maxLength: 20 },
    );
    fc.assert(
      fc.property(
        sales,
        fc.array(fc.record({ at: fc.nat(150), amount: fc.integer({ min: 1, max: 9_000 }) })),
        fc.nat(150),
        (some, paid, cut) => {
          const all = some.map((s, i) =>
            sold(
              `s${i}`,
              s.at,
              s.price,
              Math.floor((s.price * s.left) / 100),
              s.undo === null ? null : s.at + s.undo,
            ),
          );
          const payments = paid.map((p) => ({ ...p, note: '' }));
          const whole = consignorStatement(ALDOUS, all, payments, 0, 1_000);
          const first = consignorStatement(ALDOUS, all, payments, 0, cut);
          const second = consignorStatement(ALDOUS, all, payments, cut, 1_000);
          expect(second.before).toBe(first.after);
          expect(second.after).toBe(whole.after);
          expect(first.lines.length + second.lines.length).toBe(whole.lines.length);
          expect(whole.after).toBe(whole.earned - whole.paid);
        },
      ),
    );
  });
});

describe('items whose time is over', () => {
  const item = (id: string, part: Partial<Item> = {}) =>
    Item.parse({ id, code: id, author: 'me', createdAt: 0, updatedAt: 0, ...part });
  const find = (items: Item[], now: number, up = true) =>
    endings(
      items,
      { o: ALDOUS },
      () => up,
      (id) => id === 'sold',
      now,
      120,
    ).map((e) => [e.item.id, e.sort === 'consignment' ? e.daysLeft : e.days]);
  it('tells of a consignment a week before its end, and after it', () => {
    const hers = item('a', { ownerId: 'o' });
    expect(find([hers], 82 * DAY)).toEqual([]);
    expect(find([hers], 87 * DAY)).toEqual([['a', 3]]);
    expect(find([hers], 92 * DAY)).toEqual([['a', -2]]);
    expect(find([item('a', { ownerId: 'o', moreDays: 30 })], 92 * DAY)).toEqual([]);
  });
  it('asks about our own after the time one is patient, only where it is up', () => {
    expect(find([item('a')], 119 * DAY)).toEqual([]);
    expect(find([item('a')], 140 * DAY)).toEqual([['a', 140]]);
    expect(find([item('a')], 140 * DAY, false)).toEqual([]);
    expect(find([item('a', { patientFrom: 100 * DAY })], 140 * DAY)).toEqual([]);
  });
  it('leaves what is sold, gone or promised in peace', () => {
    const held = item('h', { holds: [{ from: 1, to: null, who: 'x', market: null, meet: null }] });
    expect(find([item('sold'), held, item('l', { left: { how: 'given', at: 1 } })], 500 * DAY)).toEqual([]);
  });
  it('puts the most urgent first, consignments before our own', () => {
    const order = find(
      [item('own'), item('late', { ownerId: 'o' }), item('later', { ownerId: 'o', moreDays: 53 })],
      140 * DAY,
    ).map(([id]) => id);
    expect(order).toEqual(['late', 'later', 'own']);
  });
});
