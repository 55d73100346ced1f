import fc from 'fast-check';

import type { Comp } from '@/contract/comps';

import { AUCTION_LIMITS, auctionTrouble, expectAuction, expectFixed } from './auction';
import { answerOffer, floorOf, limitsTrouble, paysUnderFloor, startHigh, stockShown } from './floor';
import { markdownDays, planTrouble, priceOn, USUAL_MARKDOWN } from './markdown';
import { mayPay, profitOf, promotionAdvice, sharesOf } from './profit';

const DAY = 86_400_000;
const amount = fc.nat(100_000);
const maybe = fc.option(amount, { nil: null });

describe('floor', () => {
  // Three times the cost, plus postage: common practice.
  it('is a multiple of the cost and what the price carries', () => {
    expect(floorOf(600, 3, 0)).toBe(1_800);
    expect(floorOf(600, 2, 480)).toBe(1_680);
    expect(floorOf(null, 3, 0)).toBeNull();
  });
  it('warns when others sold for less', () => {
    expect(paysUnderFloor(1_800, 1_500)).toBe(true);
    expect(paysUnderFloor(1_800, 1_800)).toBe(false);
    expect(paysUnderFloor(1_800, null)).toBe(false);
  });
});

describe('offers', () => {
  // 10.00 taken by itself, under 9.50 refused, asked in between, on an item priced 10.50: common practice.
  const limits = { acceptFrom: 1_000, refuseUnder: 950, floor: null };
  it.each([
    [1_000, 'accept'],
    [1_049, 'accept'],
    [1_050, 'accept'],
    [999, 'ask'],
    [950, 'ask'],
    [949, 'refuse'],
  ])('%i on 10.50: %s', (offer, expected) => expect(answerOffer(1_050, offer, limits).type).toBe(expected));
  it('never takes one under the floor, and counters neither under it nor above the price', () => {
    fc.assert(
      fc.property(amount, amount, maybe, maybe, maybe, (price, offer, acceptFrom, refuseUnder, floor) => {
        const answer = answerOffer(price, offer, { acceptFrom, refuseUnder, floor });
        if (answer.type === 'accept') expect(offer >= price || offer >= (floor ?? 0)).toBe(true);
        if (answer.type === 'ask') {
          expect(answer.counter).toBeLessThanOrEqual(price);
          expect(answer.counter).toBeGreaterThanOrEqual(Math.min(price, floor ?? 0));
        }
      }),
    );
  });
  it('says what is wrong with limits', () => {
    expect(limitsTrouble(1_050, limits)).toBeNull();
    expect(limitsTrouble(900, limits)).toBe('acceptAbovePrice');
    expect(limitsTrouble(1_050, { ...limits, refuseUnder: 1_010 })).toBe('declineAboveAccept');
    expect(limitsTrouble(1_050, { ...limits, floor: 1_020 })).toBe('acceptUnderFloor');
  });
});

describe('markdown', () => {
  // A tenth off after four weeks, worked by hand: 48.00 becomes 43.20, 38.40, 33.60.
  it('comes down on its days', () => {
    expect(markdownDays(4_800, USUAL_MARKDOWN, null, 0).map((d) => [d.at / DAY, d.price])).toEqual([
      [28, 4_320],
      [56, 3_840],
      [84, 3_360],
    ]);
    expect(markdownDays(4_800, USUAL_MARKDOWN, 4_000, 0)).toEqual([
      { at: 28 * DAY, price: 4_320, atFloor: false },
      { at: 56 * DAY, price: 4_000, atFloor: true },
    ]);
  });
  it('stands still while it is held', () => {
    const held = [
      { from: 20 * DAY, to: 30 * DAY },
      { from: 25 * DAY, to: 27 * DAY },
    ];
    expect(priceOn(4_800, USUAL_MARKDOWN, null, 0, 37 * DAY, held)).toBe(4_800);
    expect(priceOn(4_800, USUAL_MARKDOWN, null, 0, 38 * DAY, held)).toBe(4_320);
    expect(priceOn(4_800, USUAL_MARKDOWN, null, 0, 400 * DAY, [{ from: DAY, to: null }])).toBe(4_800);
  });
  it('never goes under the floor, and never up by itself', () => {
    const step = fc.record({
      day: fc.integer({ min: 1, max: 200 }),
      offBp: fc.integer({ min: 1, max: 9_500 }),
    });
    const pause = fc.record({ from: fc.nat(200), to: fc.option(fc.nat(200), { nil: null }) });
    fc.assert(
      fc.property(
        amount,
        fc.array(step, { maxLength: 6 }),
        maybe,
        fc.array(pause, { maxLength: 3 }),
        (first, steps, floor, raw) => {
          const pauses = raw.map((p) => ({ from: p.from * DAY, to: p.to === null ? null : p.to * DAY }));
          let before = first;
          for (let day = 0; day < 260; day += 5) {
            const price = priceOn(first, { steps }, floor, 0, day * DAY, pauses);
            expect(price).toBeLessThanOrEqual(before);
            expect(price).toBeGreaterThanOrEqual(Math.min(first, floor ?? 0));
            before = price;
          }
        },
      ),
    );
  });
  it('says what is wrong with a plan', () => {
    expect(planTrouble(USUAL_MARKDOWN)).toBeNull();
    expect(planTrouble({ steps: [{ day: 0, offBp: 100 }] })).toMatchObject({ code: 'stepDay' });
    expect(
      planTrouble({
        steps: [
          { day: 9, offBp: 300 },
          { day: 20, offBp: 200 },
        ],
      }),
    ).toMatchObject({ code: 'laterStepLess' });
    expect(
      planTrouble({
        steps: [
          { day: 9, offBp: 300 },
          { day: 9, offBp: 400 },
        ],
      }),
    ).toMatchObject({ code: 'twoSteps', params: { day: 9 } });
  });
});

describe('stock shown', () => {
  // Common practice: 3 with 1 held back shows 2; 100 with a cap of 20 shows 20 until fewer are left.
  it.each([
    [3, 1, null, 2],
    [100, 0, 20, 20],
    [19, 0, 20, 19],
    [0, 1, 20, 0],
  ])('%i, %i held back, cap %p: %i', (stock, back, cap, shown) =>
    expect(stockShown(stock, back, cap)).toBe(shown),
  );
});

describe('a consignor’s share', () => {
  const owner = {
    tiers: [
      { under: 5_000, shareBp: 4_000 },
      { under: null, shareBp: 6_000 },
    ],
    of: 'afterFees' as const,
  };
  // Worked by hand: 40 % of 15.60 is 6.24; above 50.00 it is 60 %.
  it('goes by tiers, after fees or before', () => {
    expect(sharesOf(1_800, 1_560, owner)).toEqual({ consignor: 624, ours: 936 });
    expect(sharesOf(5_000, 4_000, owner)).toEqual({ consignor: 2_400, ours: 1_600 });
    expect(sharesOf(1_800, 1_560, { ...owner, of: 'beforeFees' })).toEqual({ consignor: 720, ours: 840 });
    expect(sharesOf(1_800, 1_560, null)).toEqual({ consignor: 0, ours: 1_560 });
  });
  it('adds up to the take-home, to the minor unit', () => {
    fc.assert(
      fc.property(
        amount,
        fc.integer({ min: -5_000, max: 100_000 }),
        fc.boolean(),
        (price, takeHome, after) => {
          const { consignor, ours } = sharesOf(price, takeHome, {
            ...owner,
            of: after ? 'afterFees' : 'beforeFees',
          });
          expect(consignor + ours).toBe(takeHome);
          expect(consignor).toBeGreaterThanOrEqual(0);
          if (takeHome > 0) expect(ours).toBeGreaterThanOrEqual(0);
        },
      ),
    );
  });
  it('leaves a profit after the cost', () =>
    expect(profitOf(1_800, 1_560, 600, owner)).toMatchObject({ profit: 336, timesCost: 3 }));
});

describe('buying', () => {
  // Three times what it cost, and never more than it leaves: common practice.
  it('says the most to pay', () => {
    expect(mayPay(4_800, 3_900, 3)).toBe(1_600);
    expect(mayPay(300, 40, 3)).toBe(40);
    expect(mayPay(200, -100, 3)).toBe(0);
  });
  it('advises promotion by how known a brand is', () => {
    expect(promotionAdvice(30, 0.7, 200).bp).toBe(0);
    expect(promotionAdvice(0, null, 200).bp).toBe(200);
    expect(promotionAdvice(30, 0.2, 200).bp).toBe(200);
  });
  // Common practice: a tenth more, up to the next whole unit of the currency.
  it.each([
    [4_800, 'EUR', 5_300],
    [3_000, 'EUR', 3_300],
    [4_800, 'JPY', 5_280],
    [4_800, 'KWD', 6_000],
  ])('starts high on a local board, at a round amount: %i %s becomes %i', (price, currency, high) =>
    expect(startHigh(price, currency)).toBe(high),
  );
});

const history = (sold: number[], unsold: number[]): Comp[] =>
  [...sold.map((p) => [p, true] as const), ...unsold.map((p) => [p, false] as const)].map(
    ([price, isSold], i) => ({
      id: String(i),
      market: 'oldhollow',
      title: '',
      brand: '',
      category: '',
      wear: 2,
      sold: isSold,
      price,
      listedAt: 0,
      endedAt: 1,
    }),
  );

describe('auction or fixed', () => {
  const plan = { opening: 2_000, outright: null, days: 7, again: 0, becomes: null };
  it('keeps to the limits', () => {
    expect(auctionTrouble(plan, null)).toBeNull();
    expect(auctionTrouble({ ...plan, days: AUCTION_LIMITS.days + 1 }, null)).toMatchObject({
      code: 'auctionTooLong',
    });
    expect(auctionTrouble({ ...plan, again: 4 }, null)).toMatchObject({ code: 'tooOften' });
    expect(auctionTrouble({ ...plan, outright: 2_000 }, null)).toMatchObject({ code: 'outrightNotAbove' });
    expect(auctionTrouble(plan, 2_100)).toMatchObject({ code: 'openingUnderFloor' });
  });
  // Worked by hand: two paid 30.00 or more, one asked less in vain: 2 of 3.
  it('estimates a fixed price from those who would and would not', () =>
    expect(expectFixed(3_000, history([2_000, 3_000, 4_000], [2_500, 5_000]))).toEqual({
      chance: 2 / 3,
      price: 3_000,
      expected: 2_000,
    }));
  it('expects less than nothing of nothing', () =>
    expect(expectFixed(3_000, history([1_000], []))).toBeNull());
  it('hopes for more when it is put up again, never for less than the opening price', () => {
    const past = history([2_000, 3_000, 4_000], [2_000, 2_000, 1_500]);
    const once = expectAuction(plan, past)!;
    const again = expectAuction({ ...plan, again: 3 }, past)!;
    expect(again.chance).toBeGreaterThan(once.chance);
    expect(once.price).toBeGreaterThanOrEqual(plan.opening);
    expect(expectAuction({ ...plan, outright: 2_100 }, past)!.price).toBe(2_100);
  });
});
