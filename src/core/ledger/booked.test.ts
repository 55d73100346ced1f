import { Order, type StatementLine } from '@/contract/orders';
import { Item } from '@/contract/records';

import { bookedOf, type AnySale, type BesideSale } from './booked';
import { postingsOf, profit, sumOf, takeHome } from './sums';

const DAY = 86_400_000;
const SALE = {
  market: 'moor',
  order: 'A',
  amount: 4_800,
  postage: 390,
  fees: 762,
  at: 10 * DAY,
  knownAt: 10 * DAY,
};
const COMPUTED = { fees: [], feeTotal: 762, postageCost: 420, packaging: 60, takeHome: 3_948 };
const HALF = { tiers: [{ under: null, shareBp: 5_000 }], of: 'afterFees' as const };
const item = (part: Partial<Item> = {}) =>
  Item.parse({
    id: 't1',
    code: 'YA-1',
    kind: 'jumper',
    facts: { brand: 'Kittiwake' },
    cost: 900,
    price: 5_200,
    author: 'Bas',
    createdAt: 2 * DAY,
    updatedAt: 2 * DAY,
    ...part,
  });
const order = (part: Partial<Order>) =>
  Order.parse({ id: 't1_A', itemId: 't1', market: 'moor', order: 'A', ...part });
const line = (sort: StatementLine['sort'], amount: number): StatementLine => ({
  sort,
  order: 'A',
  amount,
  day: '2026-11-20',
});
const book = (part: Partial<BesideSale> = {}, sale: Partial<AnySale> = {}) =>
  bookedOf(
    { ...SALE, ...sale },
    {
      itemId: 't1',
      item: item(),
      source: 'Fair',
      owner: null,
      listedAt: 3 * DAY,
      computed: COMPUTED,
      order: null,
      lines: [],
      ...part,
    },
  );
const total = (b: ReturnType<typeof book>) => sumOf(postingsOf(b));

it('takes what the statement and the label say', () => {
  const label = { carrier: 'P', tracking: 'PN', cost: 580, at: 1 };
  const booked = book({ order: order({ label }), lines: [line('fee', -812)] });
  expect(booked).toMatchObject({
    fees: 812,
    sent: 640,
    back: null,
    undone: null,
    asked: 5_200,
    person: 'Bas',
  });
  // By hand: 48.00 + 3.90 - 8.12 - 5.80 - 0.60 = 37.38; less 9.00.
  expect(takeHome(total(booked))).toBe(3_738);
  expect(profit(total(booked))).toBe(2_838);
});

it('a later correction on the statement is part of the fees', () => {
  expect(book({ lines: [line('fee', -812), line('fee', 50)] }).fees).toBe(762);
});

it('a part that was given back counts on the day it was given, and the sale stands', () => {
  const back = {
    reason: 'damaged' as const,
    words: '',
    openedAt: 12 * DAY,
    hereAt: null,
    given: 1_000,
    feesBack: 100,
    doneAt: 14 * DAY,
  };
  const booked = book({ order: order({ back }) });
  expect(booked.back).toEqual({ at: 14 * DAY, given: 1_000, fees: 100 });
  const [sold, given] = postingsOf(booked);
  expect(sold?.sums).toMatchObject({ takings: 4_800, fees: 762, given: 0 });
  expect(given).toMatchObject({ at: 14 * DAY, sums: { sold: 0, undone: 0, given: 1_000, fees: -100 } });
  expect(takeHome(total(booked))).toBe(3_948 - 900);
});

it('what the statement says was given back goes before what the order says', () => {
  const back = {
    ...order({}).back,
    reason: 'damaged' as const,
    words: '',
    openedAt: 1,
    hereAt: 1,
    given: 900,
    feesBack: 0,
    doneAt: 2,
  };
  expect(book({ order: order({ back }), lines: [line('back', -1_100)] }).back?.given).toBe(1_100);
});

describe('a sale that came to nothing', () => {
  const owner = { owner: HALF, item: item({ ownerId: 'o1', cost: null }) };
  it('gives everything back where nobody said what, and the cost is in stock again', () => {
    const booked = book({}, { undoneAt: 20 * DAY, why: 'returned' });
    expect(booked.back).toEqual({ at: 20 * DAY, given: 5_190, fees: 0 });
    const sums = total(booked);
    expect(sums).toMatchObject({ sold: 1, undone: 1, cost: 0, shares: 0 });
    // Fees, postage and packaging are what it cost.
    expect(profit(sums)).toBe(-762 - 480);
  });
  it('costs nothing where it was cancelled before it was posted', () => {
    const booked = book({}, { undoneAt: 11 * DAY, why: 'cancelled' });
    expect(profit(total(booked))).toBe(0);
    expect(booked.sent).toBe(0);
  });
  it('leaves the consignor with what they had', () => {
    const stands = book(owner);
    expect(stands.share).toBe(1_974);
    expect(stands.cost).toBe(0);
    expect(total(book(owner, { undoneAt: 20 * DAY, why: 'returned' })).shares).toBe(0);
  });
});
