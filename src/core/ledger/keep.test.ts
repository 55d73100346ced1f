import fc from 'fast-check';

import { FEW_SALES, isSurelyMore, keepsOf, matured, TIME_GIVEN, type Tried } from './keep';
import { remedies, stockAges, type InStock } from './stockAges';

const DAY = 86_400_000;
const NOW = 1_000 * DAY;
const listing = (market: string, age: number, soldAfter: number | null, left = 1_000): Tried => ({
  market,
  listedAt: NOW - age * DAY,
  soldAt: soldAfter === null ? null : NOW - (age - soldAfter) * DAY,
  left: soldAfter === null ? null : left,
});
const many = (n: number, one: Tried) => Array.from({ length: n }, () => one);

describe('marketplaces held against each other', () => {
  it('by listings alone whose time is over, whatever became of them', () => {
    const tried = [
      listing('moor', 100, 10),
      listing('moor', 100, 70),
      listing('moor', 100, null),
      // Too young to be held against others, though it sold at once.
      listing('moor', TIME_GIVEN - 1, 1),
      listing('twick', 20, 2),
    ];
    expect(matured(tried, NOW)).toEqual([
      { market: 'moor', listings: 3, left: [1_000] },
      { market: 'twick', listings: 0, left: [] },
    ]);
    const [moor, twick] = keepsOf(matured(tried, NOW));
    expect(moor).toMatchObject({ market: 'moor', sales: 1, few: true });
    expect(moor?.sold?.value).toBeCloseTo(1 / 3, 9);
    expect(moor?.left?.value).toBeCloseTo(1_000 / 3, 6);
    expect(twick).toMatchObject({ sold: null, left: null, few: true });
  });
  it('and one is only surely better where that can be told', () => {
    const half = [...many(40, listing('moor', 90, 5, 2_000)), ...many(40, listing('moor', 90, null))];
    const tenth = [...many(8, listing('twick', 90, 5, 2_000)), ...many(72, listing('twick', 90, null))];
    const [first, second] = keepsOf(matured([...tenth, ...half], NOW));
    expect([first?.market, second?.market, first?.few, second?.few]).toEqual(['moor', 'twick', false, false]);
    expect(isSurelyMore(first!.left!, second!.left!)).toBe(true);
    expect(isSurelyMore(second!.left!, first!.left!)).toBe(false);
    // The same shares of a tenth as many say nothing for sure.
    const few = [...half.slice(36, 44), ...tenth.slice(7, 15)];
    const [a, b] = keepsOf(matured(few, NOW));
    expect(isSurelyMore(a!.left!, b!.left!)).toBe(false);
    expect(a?.few && b?.few).toBe(true);
    expect(FEW_SALES).toBe(8);
  });
});

describe('stock by age', () => {
  const one = (part: Partial<InStock>): InStock => ({
    id: 'a',
    takenInAt: NOW,
    cost: 100,
    asked: 500,
    leaves: 400,
    pieces: 1,
    comesDown: true,
    ...part,
  });
  it('has each thing once, at the edges of its age', () => {
    const ages = [0, 30, 31, 60, 61, 90, 91, 180, 181, 900];
    const groups = stockAges(
      ages.map((age) => one({ id: `t${age}`, takenInAt: NOW - age * DAY })),
      NOW,
    );
    expect(groups.map((g) => g.ids)).toEqual([
      ['t0', 't30'],
      ['t31', 't60'],
      ['t61', 't90'],
      ['t91', 't180'],
      ['t181', 't900'],
    ]);
  });
  it('adds up to all there is', () => {
    const amount = fc.option(fc.integer({ min: 0, max: 9_000 }));
    const things = fc.array(
      fc.record({
        age: fc.integer({ min: -1, max: 400 }),
        cost: amount,
        asked: amount,
        leaves: amount,
        pieces: fc.integer({ min: 1, max: 4 }),
        comesDown: fc.boolean(),
      }),
    );
    fc.assert(
      fc.property(things, (some) => {
        const stock = some.map(({ age, ...t }, i) => ({ ...t, id: `t${i}`, takenInAt: NOW - age * DAY }));
        const groups = stockAges(stock, NOW);
        const sum = (of: (t: InStock) => number) => stock.reduce((all, t) => all + of(t), 0);
        const all = (of: (g: (typeof groups)[number]) => number) => groups.reduce((n, g) => n + of(g), 0);
        expect(all((g) => g.pieces)).toBe(sum((t) => t.pieces));
        expect(all((g) => g.cost)).toBe(sum((t) => (t.cost ?? 0) * t.pieces));
        expect(all((g) => g.asked)).toBe(sum((t) => (t.asked ?? 0) * t.pieces));
        expect(groups.flatMap((g) => g.ids).sort()).toEqual(stock.map((t) => t.id).sort());
      }),
    );
  });
  it('of what is old says what would help it first', () => {
    const old = { takenInAt: NOW - 120 * DAY };
    const stock = [
      one({ id: 'young', comesDown: false }),
      one({ id: 'priceless', asked: null, leaves: null, ...old }),
      one({ id: 'nowhere', leaves: null, ...old }),
      one({ id: 'dear', comesDown: false, ...old }),
      one({ id: 'fine', ...old }),
    ];
    expect(remedies(stock, NOW)).toEqual({ price: ['priceless'], list: ['nowhere'], markDown: ['dear'] });
  });
});
