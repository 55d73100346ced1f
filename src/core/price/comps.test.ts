import fc from 'fast-check';

import type { Comp } from '@/contract/comps';

import {
  compKey,
  histogram,
  judgeComps,
  quantile,
  summarise,
  tukey,
  USUAL_LIKENESS,
  type LikeForLike,
  priceFences,
} from './comps';

const DAY = 86_400_000;
const NOW = 1_790_000_000_000;
let n = 0;
const comp = (price: number, more: Partial<Comp> = {}): Comp => ({
  id: String((n += 1)),
  market: 'threadwick',
  title: 'Ostler jumper, navy',
  brand: 'Ostler',
  category: 'knits',
  wear: 2,
  sold: true,
  price,
  listedAt: NOW - 30 * DAY,
  endedAt: NOW - 10 * DAY,
  ...more,
});
const like = (more: Partial<LikeForLike> = {}): LikeForLike => ({
  ...USUAL_LIKENESS,
  brand: 'Ostler',
  wear: 2,
  ...more,
});
const counted = (comps: Comp[], l = like()) =>
  judgeComps(comps, l, {}, NOW)
    .filter((j) => j.counts)
    .map((j) => j.comp.price);

describe('quartiles', () => {
  // NIST/SEMATECH e-Handbook 7.2.6.2, gauge study of 12 wafers: its second definition gives 95.1957 for the
  // 90th percentile.
  it('are the handbook’s', () =>
    expect(
      quantile(
        [
          95.1772, 95.1567, 95.1937, 95.1959, 95.1442, 95.061, 95.1591, 95.1195, 95.1065, 95.0925, 95.199,
          95.1682,
        ],
        0.9,
      ),
    ).toBeCloseTo(95.1957, 4));
  // Worked by hand: quartiles of 1 to 9 are 3 and 7, so the fences stand at -3 and 13.
  it('put Tukey’s fences one and a half spreads outside', () =>
    expect(tukey([1, 2, 3, 4, 5, 6, 7, 8, 9])).toEqual({ low: -3, high: 13 }));
  it('put no fence around a handful', () => expect(tukey([1, 2, 900])).toBeNull());
});

describe('like for like', () => {
  it('leaves out what is old, of another brand, in another condition, or says a word left out', () => {
    const rest = [
      comp(1_000, { endedAt: NOW - 91 * DAY }),
      comp(1_100, { brand: 'Marrow & Pike' }),
      comp(1_200, { wear: 4 }),
      comp(1_300, { title: 'Ostler jumper for felting' }),
    ];
    const judged = judgeComps([comp(2_000), ...rest], like({ leftOut: ['felting'] }), {}, NOW);
    expect(judged.map((j) => j.why)).toEqual([
      null,
      { code: 'older', params: { days: 90 } },
      { code: 'otherBrand', params: { brand: 'Marrow & Pike' } },
      { code: 'otherCondition', params: {} },
      { code: 'leftOut', params: { word: 'felting' } },
    ]);
    expect(judged.map((j) => j.counts)).toEqual([true, false, false, false, false]);
  });
  it('knows a brand in any case and with or without accents', () =>
    expect(counted([comp(1, { brand: 'OSTLÉR ' })])).toEqual([1]));
  it.each([
    ['Ostler’s', "Ostler's", true],
    ["Ostler's", 'Ostlers', true],
    ['Ostler', 'Ostler’s', true],
    ['Ark', 'Starkey', false],
    ['Ark', 'Ark & Daughter', true],
    ['Marrow & Pike', 'marrow and pike', false],
    ['Marrow & Pike', 'MARROW & PIKE', true],
    ['Marrow-Pike', 'Marrow Pike', true],
  ])('looking for %s, %s is it: %s', (wanted, brand, isIt) =>
    expect(counted([comp(1, { brand })], like({ brand: wanted }))).toEqual(isIt ? [1] : []),
  );
  it('looks for the brand in the title where there is no field for it', () =>
    expect(counted([comp(1, { brand: '' }), comp(2, { brand: '', title: 'A jumper' })])).toEqual([1]));
  it('drops what is far from all others, and says why', () => {
    const comps = [1_900, 2_000, 2_050, 2_100, 2_200, 9_900].map((p) => comp(p));
    expect(judgeComps(comps, like(), {}, NOW).at(-1)).toMatchObject({
      counts: false,
      why: { code: 'farFromOthers' },
    });
  });
  it('what did not sell is never thrown out by its price: it tells how much does not sell', () => {
    const sold = [1_000, 1_010, 1_020, 1_000, 1_010, 1_000].map((p) => comp(p));
    const unsold = Array.from({ length: 10 }, () => comp(1_800, { sold: false }));
    const { sellThrough } = summarise(judgeComps([...sold, ...unsold], like(), {}, NOW));
    expect(sellThrough).toBe(6 / 16);
  });
  it('many equal prices do not fence out their neighbours, only what is far', () => {
    const prices = [2_000, 2_000, 2_000, 2_000, 2_000, 2_000, 2_150, 1_700, 9_900];
    expect(counted(prices.map((p) => comp(p)))).toEqual(prices.slice(0, -1));
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 100, max: 9_000 }), { minLength: 5, maxLength: 30 }), (some) => {
        const fences = priceFences(some)!;
        const typical = quantile(some, 0.5);
        for (const p of some)
          if (Math.abs(p - typical) <= typical / 4) expect(p >= fences.low && p <= fences.high).toBe(true);
      }),
    );
  });
  it('keeps a person’s word through every new asking', () => {
    const far = comp(9_900);
    const near = comp(2_000);
    const byHand = { [compKey(far)]: 'keep', [compKey(near)]: 'drop' } as const;
    const first = [1_900, 2_000, 2_050, 2_100, 2_200].map((p) => comp(p));
    for (const comps of [
      [...first, far, near],
      [far, ...first.slice(2), near, comp(2_300)],
    ]) {
      const judged = judgeComps(comps, like(), byHand, NOW);
      expect(judged.find((j) => j.comp === far)?.counts).toBe(true);
      expect(judged.find((j) => j.comp === near)?.counts).toBe(false);
    }
  });
  it('counts one record once', () => {
    const one = comp(2_000);
    expect(judgeComps([one, { ...one }], like(), {}, NOW)).toHaveLength(1);
  });
});

describe('a summary', () => {
  // Worked by hand: of 1,000 to 5,000 the quartiles are 2,000, 3,000, 4,000; five of eight sold; 20 days
  // each.
  it('gives low, typical, high, sell-through and days', () => {
    const sold = [1_000, 2_000, 3_000, 4_000, 5_000].map((p) => comp(p));
    const unsold = [6_000, 6_500, 7_000].map((p) => comp(p, { sold: false }));
    expect(summarise(judgeComps([...sold, ...unsold], like(), {}, NOW))).toMatchObject({
      sold: 5,
      unsold: 3,
      low: 2_000,
      typical: 3_000,
      high: 4_000,
      sellThrough: 0.625,
      daysToSell: 20,
      sure: 'fair',
    });
  });
  it('does not pretend to know', () => {
    expect(summarise([])).toMatchObject({ typical: null, sellThrough: null, daysToSell: null, sure: 'none' });
    expect(summarise(judgeComps([comp(2_000)], like(), {}, NOW)).sure).toBe('thin');
    const tight = Array.from({ length: 14 }, (_, i) => comp(2_000 + i * 10));
    expect(summarise(judgeComps(tight, like(), {}, NOW)).sure).toBe('good');
  });
  it('draws every price exactly once', () => {
    fc.assert(
      fc.property(
        fc.array(fc.nat(100_000), { minLength: 1 }),
        fc.integer({ min: 1, max: 20 }),
        (values, bins) => {
          const drawn = histogram(values, bins);
          expect(drawn).toHaveLength(bins);
          expect(drawn.reduce((sum, b) => sum + b.count, 0)).toBe(values.length);
        },
      ),
    );
  });
});
