import fc from 'fast-check';

import { RuleSheet, type FeeSchedule } from '@/contract/ruleSheet';

import { parentsOf, takeHomeOf } from './takeHome';
import { SHEET as BRACKENMOOR } from '../../../server/standins/brackenmoor/sheet';
import { feesFor } from '../../../server/standins/brackenmoor/validate';
import { boardFee } from '../../../server/standins/handbill/fees';
import { SHEET as HANDBILL } from '../../../server/standins/handbill/sheet';
import { cardCost } from '../../../server/standins/lanternyard/fees';
import { SHEET as LANTERNYARD } from '../../../server/standins/lanternyard/sheet';
import { keeps } from '../../../server/standins/oldhollow/fees';
import { SHEET as OLDHOLLOW } from '../../../server/standins/oldhollow/sheet';
import { withheld } from '../../../server/standins/quirestack/fees';
import { SHEET as QUIRESTACK } from '../../../server/standins/quirestack/sheet';
import { SHEET as THREADWICK } from '../../../server/standins/threadwick/sheet';
import { part } from '../../../server/standins/threadwick/validate';

const sale = (price: number, more: Partial<Parameters<typeof takeHomeOf>[0]> = {}) => ({
  price,
  postageCharged: 0,
  postageCost: 0,
  packaging: 0,
  category: 'x',
  ...more,
});
const schedule = (rules: FeeSchedule['rules'], taxBp = 0): FeeSchedule => ({ rules, taxBp });

describe('fees and take-home', () => {
  // Worked by hand; the first is the trade's own example (common practice): 10 % on 19.00.
  it('leaves 17.10 of 19.00 at 10 %', () => {
    const result = takeHomeOf(sale(1900), schedule([{ type: 'share', label: 'fee', bp: 1000, of: 'price' }]));
    expect(result).toMatchObject({ feeTotal: 190, takeHome: 1710 });
  });
  it('caps a share', () => {
    const result = takeHomeOf(
      sale(100_000),
      schedule([{ type: 'share', label: 'fee', bp: 1000, of: 'price', cap: 6000 }]),
    );
    expect(result.feeTotal).toBe(6000);
  });
  it('takes tax on the fees', () => {
    // 11.5 % of 48.00 + 4.20 = 6.003 -> 6.00; + 0.35 = 6.35; 20 % of it 1.27; together 7.62.
    const sheet = RuleSheet.parse(BRACKENMOOR);
    const result = takeHomeOf(
      sale(4800, { postageCharged: 420, postageCost: 420, packaging: 60, category: 'wear.knit' }),
      sheet.fees,
      parentsOf(sheet),
    );
    expect(result.fees.map((f) => f.amount)).toEqual([600, 35, 127]);
    expect(result.takeHome).toBe(4800 + 420 - 762 - 420 - 60);
  });
  it('pays less just above a threshold than at it', () => {
    const { fees } = RuleSheet.parse(THREADWICK);
    expect(takeHomeOf(sale(1800), fees).takeHome).toBe(1560);
    expect(takeHomeOf(sale(1801), fees).takeHome).toBe(1486);
  });
  it('may come out below zero, and says so', () =>
    expect(takeHomeOf(sale(100), schedule([{ type: 'fixed', label: 'fee', amount: 240 }])).takeHome).toBe(
      -140,
    ));

  it('adds up: price and postage less every line is what is left', () => {
    const rule = fc.oneof(
      fc.record({
        type: fc.constant('share' as const),
        label: fc.constant('s'),
        bp: fc.integer({ min: 0, max: 5000 }),
        of: fc.constantFrom('price' as const, 'total' as const),
      }),
      fc.record({
        type: fc.constant('fixed' as const),
        label: fc.constant('f'),
        amount: fc.integer({ min: 0, max: 999 }),
      }),
      fc.record({
        type: fc.constant('step' as const),
        label: fc.constant('t'),
        upTo: fc.integer({ min: 0, max: 5000 }),
        flat: fc.integer({ min: 0, max: 500 }),
        bpAbove: fc.integer({ min: 0, max: 4000 }),
      }),
    );
    fc.assert(
      fc.property(
        fc.array(rule, { maxLength: 5 }),
        fc.integer({ min: 0, max: 3000 }),
        fc.nat(500_000),
        fc.nat(2000),
        fc.nat(2000),
        (rules, taxBp, price, charged, cost) => {
          const r = takeHomeOf(
            sale(price, { postageCharged: charged, postageCost: cost, packaging: 60 }),
            schedule(rules, taxBp),
          );
          expect(r.fees.reduce((n, f) => n + f.amount, 0)).toBe(r.feeTotal);
          expect(price + charged - r.feeTotal - cost - 60).toBe(r.takeHome);
        },
      ),
    );
  });

  // The marketplaces compute their fees with code of their own: the sheet must predict them to the cent.
  it('predicts what Brackenmoor charges', () => {
    const sheet = RuleSheet.parse(BRACKENMOOR);
    const parents = parentsOf(sheet);
    const leaves = sheet.categories.filter((c) => c.leaf).map((c) => c.id);
    fc.assert(
      fc.property(
        fc.constantFrom(...leaves),
        fc.integer({ min: 100, max: 2_500_000 }),
        fc.integer({ min: 0, max: 2000 }),
        (category, price, postage) => {
          expect(
            takeHomeOf(sale(price, { postageCharged: postage, category }), sheet.fees, parents).feeTotal,
          ).toBe(feesFor(category, price, postage));
        },
      ),
    );
  });
  it('predicts Brackenmoor’s paid extras', () => {
    const { fees } = RuleSheet.parse(BRACKENMOOR);
    fc.assert(
      fc.property(
        fc.integer({ min: 100, max: 200_000 }),
        fc.integer({ min: 1, max: 30 }),
        fc.boolean(),
        (price, promotionPercent, line) => {
          const ours = sale(price, {
            category: 'none',
            promotionBp: promotionPercent * 100,
            extras: line ? { secondLine: 1 } : {},
          });
          const none =
            feesFor('bench', price, 0, {}) -
            feesFor('bench', price, 0, { promotionPercent, secondLine: line });
          const without =
            takeHomeOf(sale(price, { category: 'none' }), fees).feeTotal - takeHomeOf(ours, fees).feeTotal;
          // Tax is rounded on the sum, so the two ways of taking a difference may be a cent apart.
          expect(Math.abs(none - without)).toBeLessThanOrEqual(1);
        },
      ),
    );
  });
  it.each<
    [string, unknown, (price: number, charged: number) => number, Partial<Parameters<typeof takeHomeOf>[0]>]
  >([
    ['Oldhollow', OLDHOLLOW, (price, charged) => keeps(price, charged, 200), { daysListed: 200 }],
    [
      'Quirestack',
      QUIRESTACK,
      (price) => withheld('sound', price),
      { category: 'sound', postageCharged: 280 },
    ],
    ['Lanternyard', LANTERNYARD, (price, charged) => cardCost(price + charged), {}],
    ['Handbill', HANDBILL, (price) => boardFee(price), {}],
  ])('predicts what %s charges', (_, raw, theirs, more) => {
    const sheet = RuleSheet.parse(raw);
    fc.assert(
      fc.property(fc.integer({ min: 50, max: 150_000 }), fc.nat(2_000), (price, charged) =>
        expect(
          takeHomeOf(sale(price, { postageCharged: charged, ...more }), sheet.fees, parentsOf(sheet))
            .feeTotal,
        ).toBe(theirs(price, charged)),
      ),
    );
  });
  it('predicts what Threadwick charges, at every cent up to 50.00', () => {
    const { fees } = RuleSheet.parse(THREADWICK);
    for (let price = 200; price <= 5000; price += 1)
      expect(takeHomeOf(sale(price), fees).feeTotal).toBe(part(price));
  });
});
