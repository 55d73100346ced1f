import fc from 'fast-check';

import { RuleSheet, type FeeSchedule } from '@/contract/ruleSheet';

import { askingPrice, dipAt, inHabit, insideDip, type AskingTerms } from './askingPrice';
import { takeHomeOf } from './takeHome';
import { SHEET as THREADWICK } from '../../../server/standins/threadwick/sheet';

const MAX = 3_000;
const NO_POSTAGE = { postageCharged: 0, postageCost: 0, packaging: 0, category: '' };
const terms = (schedule: FeeSchedule, more: Partial<AskingTerms> = {}): AskingTerms => ({
  sale: NO_POSTAGE,
  schedule,
  min: 0,
  max: MAX,
  ...more,
});
const threadwick = terms(RuleSheet.parse(THREADWICK).fees, { min: 200, max: 200_000 });

const bp = (most: number) => fc.integer({ min: 0, max: most });
const of = fc.constantFrom('price' as const, 'total' as const);
const label = fc.constant('fee');
const rule = fc.oneof(
  fc.record(
    {
      type: fc.constant('share' as const),
      label,
      bp: bp(4_000),
      of,
      cap: bp(900),
      least: bp(300),
    },
    { requiredKeys: ['type', 'label', 'bp', 'of'] },
  ),
  fc.record({ type: fc.constant('fixed' as const), label, amount: bp(400) }),
  fc.record({ type: fc.constant('step' as const), label, upTo: bp(MAX), flat: bp(700), bpAbove: bp(4_000) }),
  fc.record({
    type: fc.constant('tiers' as const),
    label,
    of,
    tiers: fc
      .tuple(fc.integer({ min: 1, max: 3_000 }), bp(3_000), bp(3_000), bp(6_000))
      .map(([upTo, a, b, c]) => [
        { upTo, bp: a },
        { upTo: upTo + 900, bp: b },
        { upTo: null, bp: c },
      ]),
  }),
  fc.record({
    type: fc.constant('listing' as const),
    label,
    amount: bp(60),
    days: fc.constant(90),
    freeAMonth: bp(3),
  }),
);

describe('asking price for a take-home', () => {
  // Against trying every price there is, from the lowest up.
  it('is the same as trying every minor unit, for 1,000 random schedules', () => {
    fc.assert(
      fc.property(
        fc.array(rule, { maxLength: 4 }),
        bp(2_500),
        bp(700),
        bp(700),
        bp(400),
        fc.integer({ min: -500, max: 4_000 }),
        (rules, taxBp, postageCharged, postageCost, min, target) => {
          const one = terms(
            { rules, taxBp },
            { min, sale: { ...NO_POSTAGE, postageCharged, postageCost, packaging: 60, listedThisMonth: 1 } },
          );
          let least: number | null = null;
          for (let price = min; price <= MAX && least === null; price += 1)
            if (takeHomeOf({ ...one.sale, price }, one.schedule).takeHome >= target) least = price;
          expect(askingPrice(target, one)).toBe(least);
        },
      ),
      { numRuns: 1_000 },
    );
  });

  // Worked by hand: at 18.00 Threadwick keeps 2.40 and 15.60 is left; above it keeps 17.5 % of everything.
  // Counted, not timed: what is asked for a price is what takes the time.
  it.each([
    ['fees that take all of what is added', [{ type: 'share', label: 'all', bp: 10_000, of: 'price' }], 1],
    [
      'fees that take all but a hundredth of a per cent',
      [{ type: 'share', label: 'all', bp: 9_999, of: 'price' }],
      60_000_000,
    ],
    [
      'a price that is just out of reach',
      [{ type: 'share', label: 'some', bp: 1_000, of: 'price' }],
      899_999_999,
    ],
  ] as const)('tries a bounded number of prices with %s', (_, rules, target) => {
    let tries = 0;
    const counting = {
      taxBp: 0,
      rules: rules.map((r) => ({
        ...r,
        get bp() {
          tries += 1;
          return r.bp;
        },
      })),
    };
    const terms: AskingTerms = { sale: NO_POSTAGE, schedule: counting, min: 0, max: 999_999_999 };
    const price = askingPrice(target, terms);
    expect(tries).toBeLessThan(50_000);
    if (price !== null)
      expect(
        takeHomeOf({ ...NO_POSTAGE, price }, { taxBp: 0, rules: [...rules] }).takeHome,
      ).toBeGreaterThanOrEqual(target);
    else
      expect(
        takeHomeOf({ ...NO_POSTAGE, price: 999_999_999 }, { taxBp: 0, rules: [...rules] }).takeHome,
      ).toBeLessThan(target);
  });
  it('goes over a threshold only when it has to', () => {
    expect(askingPrice(1_560, threadwick)).toBe(1_800);
    // 18.91 × 0.825 = 15.60075: 3.31 is kept, 15.60 is left. One cent more than 15.60 takes 18.92.
    expect(takeHomeOf({ ...NO_POSTAGE, price: 1_891 }, threadwick.schedule).takeHome).toBe(1_560);
    expect(askingPrice(1_561, threadwick)).toBe(1_892);
  });
  it('says so when no price is enough', () =>
    expect(
      askingPrice(
        100,
        terms({ rules: [{ type: 'share', label: 'all', bp: 10_000, of: 'price' }], taxBp: 0 }),
      ),
    ).toBeNull());
});

describe('the habit of a price', () => {
  it.each([
    [1_763, [0], 1_800],
    [1_763, [50, 0], 1_800],
    [1_741, [0, 50], 1_750],
    [1_741, [95], 1_795],
    [1_796, [95], 1_895],
    [1_741, [99], 1_799],
    [1_741, [], 1_741],
  ])('%i ending in %p is %i', (price, endings, expected) =>
    expect(inHabit(price, 0, endings, 'EUR', terms({ rules: [], taxBp: 0 }))).toBe(expected),
  );
  it('never falls under the target, not even in a dip', () => {
    // 17.61 brings 15.21; the habit's next is 17.99 and brings 15.59. For 15.60, 18.00 does, 18.99 would not
    // be less.
    expect(inHabit(1_761, 1_521, [99], 'EUR', threadwick)).toBe(1_799);
    expect(inHabit(1_800, 1_560, [99], 'EUR', threadwick)).toBe(1_899);
    expect(inHabit(1_800, 1_560, [50], 'EUR', threadwick)).toBe(1_950);
    fc.assert(
      fc.property(bp(4_000), fc.subarray([0, 50, 95, 99], { minLength: 1 }), (target, endings) => {
        const least = askingPrice(target, threadwick);
        const price = least === null ? null : inHabit(least, target, endings, 'EUR', threadwick);
        if (least === null || price === null) return;
        expect(price).toBeGreaterThanOrEqual(least);
        expect(endings).toContain(price % 100);
        expect(takeHomeOf({ ...NO_POSTAGE, price }, threadwick.schedule).takeHome).toBeGreaterThanOrEqual(
          target,
        );
      }),
    );
  });
  it('leaves currencies without hundredths as they come', () =>
    expect(inHabit(1_741, 0, [99], 'JPY', terms({ rules: [], taxBp: 0 }))).toBe(1_741));
});

describe('a threshold', () => {
  it('is told where it bites, and not elsewhere', () => {
    expect(dipAt(1_801, threadwick)).toEqual({ last: 1_800, brings: 1_560, again: 1_891 });
    expect(dipAt(1_750, threadwick)).not.toBeNull();
    expect(dipAt(1_200, threadwick)).toBeNull();
    expect(dipAt(1_891, threadwick)).toBeNull();
    expect(insideDip(1_801, dipAt(1_801, threadwick)!, threadwick)).toEqual({ price: 1_801, brings: 1_486 });
  });
});
