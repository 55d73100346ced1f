import fc from 'fast-check';
import { jStat } from 'jstat';

import { bootstrapMean, seeded, wilson } from './interval';
import { shareCome, type Observed } from './survival';

describe('the share of some', () => {
  it.each([
    // Newcombe (1998), Stat. Med. 17, 857–872, table I, method 3 (from memory).
    [81, 263, 0.2553, 0.3662],
    [15, 148, 0.0624, 0.1605],
    [0, 20, 0, 0.1611],
    [1, 29, 0.0061, 0.1718],
  ])('%d of %d lies between the published ends', (hold, of, low, high) => {
    const share = wilson(hold, of);
    expect(share.low).toBeCloseTo(low, 4);
    expect(share.high).toBeCloseTo(high, 4);
  });
  it('has ends at which a score test just fails, by a statistics library’s normal quantile', () => {
    const z = jStat.normal.inv(0.975, 0, 1);
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 5_000 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (of, share) => {
          const hold = Math.round(share * of);
          const { value, low, high } = wilson(hold, of);
          expect(low).toBeLessThanOrEqual(value);
          expect(high).toBeGreaterThanOrEqual(value);
          for (const p of [low, high])
            if (p > 0 && p < 1) expect(Math.abs(value - p) / Math.sqrt((p * (1 - p)) / of)).toBeCloseTo(z, 6);
        },
      ),
    );
  });
  it('is none of nothing', () => {
    expect(() => wilson(0, 0)).toThrow(RangeError);
    expect(() => wilson(3, 2)).toThrow(RangeError);
  });
});

describe('a mean, drawn anew many times', () => {
  const sample = (n: number, seed: number) => {
    const random = seeded(seed);
    return Array.from({ length: n }, () => Math.exp(3 + random()));
  };
  it('has the interval of the large-sample theory where there are many, by a statistics library', () => {
    for (const seed of [1, 2, 3]) {
      const values = sample(800, seed);
      const { value, low, high } = bootstrapMean(values, seeded(9));
      const [from, to] = jStat.normalci(jStat.mean(values), 0.05, values);
      expect(value).toBeCloseTo(jStat.mean(values), 9);
      // Two thousand draws: the ends wander by a few hundredths of the width.
      expect(Math.abs(low - from)).toBeLessThan((to - from) * 0.08);
      expect(Math.abs(high - to)).toBeLessThan((to - from) * 0.08);
    }
  });
  it('has for ends the percentiles of its draws, by a statistics library', () => {
    const values = sample(11, 4);
    const random = seeded(7);
    const means = Array.from({ length: 400 }, () =>
      jStat.mean(Array.from({ length: 11 }, () => values[Math.floor(random() * 11)] ?? 0)),
    );
    const { low, high } = bootstrapMean(values, seeded(7), 400);
    expect(low).toBeCloseTo(jStat.percentile(means, 0.025), 9);
    expect(high).toBeCloseTo(jStat.percentile(means, 0.975), 9);
  });
  it('covers the truth about as often as it says', () => {
    // The mean of exp(3 + u), u even between 0 and 1, is e³(e - 1).
    const truth = Math.exp(3) * (Math.E - 1);
    const covered = Array.from({ length: 300 }, (_, seed) =>
      bootstrapMean(sample(40, seed + 50), seeded(1), 400),
    );
    const share = covered.filter((i) => i.low <= truth && truth <= i.high).length / 300;
    expect(share).toBeGreaterThan(0.89);
    expect(share).toBeLessThan(0.99);
  });
  it('comes out alike from the same seed, and of one value is that value', () => {
    expect(bootstrapMean([1, 5, 9], seeded(3))).toEqual(bootstrapMean([1, 5, 9], seeded(3)));
    expect(bootstrapMean([42], seeded(3))).toEqual({ value: 42, low: 42, high: 42 });
    expect(() => bootstrapMean([], seeded(3))).toThrow(RangeError);
  });
});

describe('the share for which it has come', () => {
  it('is that of the published example, waiting cut short included', () => {
    // Weeks in remission, 21 patients of Freireich et al. (1963), as in Kleinbaum & Klein, Survival Analysis,
    // ch. 2 (from memory); `-` where it was cut short.
    const weeks = [6, 6, 6, -6, 7, -9, 10, -10, -11, 13, 16, -17, -19, -20, 22, 23, -25, -32, -32, -34, -35];
    const observed = weeks.map((w): Observed => ({ time: Math.abs(w), came: w > 0 }));
    const waiting = shareCome(observed, [5, 6, 7, 10, 13, 16, 22, 23, 35])
      .map((s) => s ?? NaN)
      .map((s) => 1 - s);
    const published = [1, 0.8571, 0.8067, 0.7529, 0.6902, 0.6275, 0.5378, 0.4482, 0.4482];
    for (const [i, value] of published.entries()) expect(waiting[i]).toBeCloseTo(value, 4);
    expect(shareCome(observed, [36])).toEqual([null]);
  });
  const stays = fc.array(fc.record({ time: fc.integer({ min: 0, max: 400 }), came: fc.boolean() }), {
    maxLength: 60,
  });
  it('is a plain share where nothing was cut short', () => {
    fc.assert(
      fc.property(stays, (some) => {
        const all = some.map((s) => ({ ...s, came: true }));
        for (const by of [0, 30, 400]) {
          const [share] = shareCome(all, [by]);
          if (all.length === 0) expect(share).toBeNull();
          else expect(share).toBeCloseTo(all.filter((s) => s.time <= by).length / all.length, 9);
        }
      }),
    );
  });
  it('never falls with time, and never leaves 0 to 1', () => {
    fc.assert(
      fc.property(stays, (some) => {
        const shares = shareCome(some, [0, 10, 50, 100, 200, 400]).filter((s) => s !== null);
        for (const [i, share] of shares.entries()) {
          expect(share).toBeGreaterThanOrEqual(shares[i - 1] ?? 0);
          expect(share).toBeLessThanOrEqual(1);
        }
      }),
    );
  });
});
