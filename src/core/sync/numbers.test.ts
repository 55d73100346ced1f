import fc from 'fast-check';

import { given, highest, left, taken, wanting, type Blocks } from './numbers';

const unused = () => false;

describe('running numbers of several devices', () => {
  it('are given in turn, from one block after the other', () => {
    let blocks: Blocks = [
      { from: 8, to: 9 },
      { from: 20, to: 29 },
    ];
    const numbers = [1, 2, 3].map(() => {
      const next = taken(blocks, () => 0, unused);
      blocks = next.blocks;
      return next.number;
    });
    expect(numbers).toEqual([8, 9, 20]);
    expect(left(blocks)).toBe(9);
  });

  it('leave out what is used already', () => {
    const next = taken(
      [{ from: 8, to: 12 }],
      () => 0,
      (number) => number < 11,
    );
    expect(next).toEqual({ number: 11, blocks: [{ from: 12, to: 12 }] });
  });

  it('are drawn from nine digits where none is left, and never one that is used', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 1, maxExcluded: true, noNaN: true }), { minLength: 3 }),
        (draws) => {
          const used = new Set([taken([], () => draws[0] ?? 0, unused).number]);
          let i = 0;
          const { number } = taken(
            [],
            () => draws[i++] ?? i / 1_000,
            (one) => used.has(one),
          );
          expect(String(number)).toHaveLength(9);
          expect(used.has(number)).toBe(false);
        },
      ),
    );
  });

  it('come in blocks that overlap with nothing', () => {
    fc.assert(
      fc.property(fc.nat(100_000), fc.integer({ min: 1, max: 4 }), (high, many) => {
        const blocks = given(high, many);
        const numbers = blocks.flatMap(({ from, to }) =>
          Array.from({ length: to - from + 1 }, (_, i) => from + i),
        );
        expect(new Set(numbers).size).toBe(numbers.length);
        expect(Math.min(...numbers)).toBeGreaterThan(high);
      }),
    );
  });

  it('are asked for before they run out, and drawn ones are nobody’s block', () => {
    expect(wanting([])).toBe(2);
    expect(wanting([{ from: 1, to: 200 }])).toBe(0);
    expect(highest([3, 17, 412_000_000])).toBe(17);
  });
});
