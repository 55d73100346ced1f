import fc from 'fast-check';
import type { z } from 'zod';

import { Haul, SPLITS, Item } from '@/contract/records';

import { haulCount, haulSplit, lineFor } from './haul';

const haul = (part: Partial<z.input<typeof Haul>>): Haul =>
  Haul.parse({ id: 'h', name: 'Quayside', date: '2026-11-08', createdAt: 0, ...part });
const item = (id: string, part: Partial<Item> = {}): Item =>
  Item.parse({ id, code: id, author: 'me', createdAt: 0, updatedAt: 0, haulId: 'h', ...part });
const grams = (t: Item) => t.weightG ?? 500;

it('counts what was bought, what is worked, and what waits', () => {
  const one = haul({
    lines: [
      { id: 'l1', what: 'jumpers', count: 4 },
      { id: 'l2', what: 'lamps', count: 2 },
    ],
  });
  const items = [item('a', { lineId: 'l1' }), item('b'), item('c', { haulId: 'other', lineId: 'l1' })];
  const standing = (t: Item) => ({ listed: true, sold: t.id === 'a' });
  expect(haulCount(one, items, standing)).toEqual({
    bought: 6,
    taken: 2,
    listed: 1,
    sold: 1,
    waiting: 4,
    unsaid: 1,
    lines: [
      { id: 'l1', what: 'jumpers', bought: 4, taken: 1, listed: 0, sold: 1, waiting: 3 },
      { id: 'l2', what: 'lamps', bought: 2, taken: 0, listed: 0, sold: 0, waiting: 2 },
    ],
  });
});

it('takes an item of no line for one of those bought, and of the only line where there is one', () => {
  const one = haul({ cost: 1_200, lines: [{ id: 'l1', what: 'crates', count: 12 }] });
  expect(haulCount(one, [item('a')])).toMatchObject({
    bought: 12,
    taken: 1,
    waiting: 11,
    unsaid: 0,
    lines: [{ bought: 12, taken: 1, waiting: 11 }],
  });
  expect(haulSplit(one, [item('a')], grams)).toEqual({ costs: new Map([['a', 100]]), waiting: 1_100 });
  // More than all lines hold were bought besides.
  const more = Array.from({ length: 14 }, (_, i) => item(`t${i}`));
  expect(haulCount(one, more)).toMatchObject({ bought: 14, waiting: 0 });
});

it('knows which line an item is of when it is taken in', () => {
  const [l1, l2] = [
    { id: 'l1', what: 'jumpers', count: 4 },
    { id: 'l2', what: 'lamps', count: 2 },
  ];
  expect(lineFor(haul({ lines: [l1, l2] }), 'l2')).toBe('l2');
  expect(lineFor(haul({ lines: [l1, l2] }), 'gone')).toBeNull();
  expect(lineFor(haul({ lines: [l1] }), null)).toBe('l1');
  expect(lineFor(haul({}), 'l1')).toBeNull();
});

it('splits evenly over items and waiting pieces, by weight, and by price; the parts add up', () => {
  const items = [
    item('a', { lineId: 'l1', weightG: 1_000, price: 3_000 }),
    item('b', { weightG: 3_000, price: 1_000 }),
  ];
  const lines = [{ id: 'l1', what: 'jumpers', count: 3 }];
  const by = (splitBy: Haul['splitBy']) => haulSplit(haul({ cost: 1_000, lines, splitBy }), items, grams)!;
  // Worked by hand: three pieces; 333.33 each, the left-over cent to the first of equal remainders.
  expect([...by('evenly').costs.values(), by('evenly').waiting]).toEqual([334, 333, 333]);
  // 1000 g, 3000 g, and one of the mean, 2000 g.
  expect([...by('weight').costs.values(), by('weight').waiting]).toEqual([167, 500, 333]);
  expect([...by('price').costs.values(), by('price').waiting]).toEqual([500, 167, 333]);
});

// By hand: a price list of 3 at 2.50 and 1 at 4.00, with 1.50 for the crate: 13.00 in all.
it('keeps what a piece was bought at; the others share the rest, and what does not fit is spread', () => {
  const lines = [
    { id: 'l1', what: 'jumpers', count: 3, each: 250 },
    { id: 'l2', what: 'lamps', count: 1 },
  ];
  const items = [item('a', { lineId: 'l1' }), item('b', { lineId: 'l2' })];
  expect(haulSplit(haul({ cost: 1_150, lines }), items, grams)).toEqual({
    costs: new Map([
      ['a', 250],
      ['b', 400],
    ]),
    waiting: 500,
  });
  // All of them priced, and more paid than that: in proportion.
  const all = [{ id: 'l1', what: 'jumpers', count: 2, each: 250 }];
  expect(haulSplit(haul({ cost: 600, lines: all }), [item('a')], grams)).toEqual({
    costs: new Map([['a', 300]]),
    waiting: 300,
  });
  // Less paid than the prices say: what has none counts as they do on the mean.
  const less = haulSplit(haul({ cost: 400, lines }), items, grams)!;
  expect([...less.costs.values(), less.waiting]).toEqual([100, 100, 200]);
});

it('says nothing while nobody has said what it cost', () =>
  expect(haulSplit(haul({}), [item('a')], grams)).toBeNull());

it('adds up to the cost to the minor unit, whatever the haul', () => {
  fc.assert(
    fc.property(
      fc.nat(10_000_000),
      fc.constantFrom(...SPLITS),
      fc.array(
        fc.record({
          price: fc.option(fc.nat(100_000)),
          weightG: fc.option(fc.integer({ min: 1, max: 30_000 })),
        }),
        { maxLength: 12 },
      ),
      fc.array(fc.tuple(fc.integer({ min: 1, max: 9 }), fc.option(fc.nat(5_000))), { maxLength: 4 }),
      (cost, splitBy, made, bought) => {
        const items = made.map((part, i) => item(`t${i}`, { ...part, lineId: `l${i % 3}` }));
        const lines = bought.map(([count, each], i) => ({ id: `l${i}`, what: 'x', count, each }));
        const split = haulSplit(haul({ cost, splitBy, lines }), items, grams)!;
        const sum = [...split.costs.values()].reduce((a, b) => a + b, split.waiting);
        const pieces = haulCount(haul({ lines }), items).bought;
        expect(sum).toBe(pieces === 0 ? 0 : cost);
        for (const part of split.costs.values()) expect(part).toBeGreaterThanOrEqual(0);
      },
    ),
  );
});
