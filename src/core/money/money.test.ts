import currencyCodes from 'currency-codes';
import fc from 'fast-check';

import { exponentOf, formatAmount, formatMoney, parseMoney, shareOf } from './money';
import { splitCost } from './split';

describe('minor units', () => {
  // ISO 4217, by way of the currency-codes package (list published by the standard's maintenance agency).
  it.each(['EUR', 'USD', 'GBP', 'JPY', 'KWD', 'CHF', 'SEK', 'BHD', 'KRW', 'TND'])(
    '%s has the digits of ISO 4217',
    (code) => {
      expect(currencyCodes.codes()).toContain(code);
      expect(exponentOf(code)).toBe(currencyCodes.code(code)?.digits);
    },
  );

  it('refuses a malformed code', () => expect(() => exponentOf('E')).toThrow(RangeError));

  it('writes amounts with their decimals', () => {
    expect(formatMoney(2400, 'EUR')).toBe('€24.00');
    // The sign of ISO 80000-2, as wide as a plus.
    expect(formatMoney(-190, 'EUR')).toBe('\u2212€1.90');
    expect(formatAmount(500, 'JPY')).toBe('500');
    expect(formatAmount(1234, 'KWD')).toBe('1.234');
  });
});

describe('reading an amount', () => {
  it.each([
    ['12', 1200],
    ['12.5', 1250],
    ['12,50', 1250],
    ['1.234,50', 123450],
    ['1,234.50', 123450],
    [' € 12 ', 1200],
    ['1.234.567', 123456700],
    ['0.05', 5],
    ['.5', 50],
    ['EUR 12', 1200],
    ['12 €', 1200],
  ])('reads %p', (text, amount) => expect(parseMoney(text, 'EUR')).toEqual({ ok: true, amount }));

  it.each([
    ['', 'amountMissing'],
    ['abc', 'amountNotDigits'],
    ['-5', 'amountBelowZero'],
    ['\u22125', 'amountBelowZero'],
    ['1,234', 'twoReadings'],
    ['1.2.3,4,5', 'tooManySeparators'],
    ['12.345', 'twoReadings'],
    ['12.3456', 'tooManyDecimals'],
    ['1,23,4.5', 'separatorsDoNotFit'],
    ['12e5', 'amountNotDigits'],
    ['９', 'amountNotDigits'],
    ['48 or so', 'amountNotDigits'],
    ['ca. 48', 'amountNotDigits'],
    ['99999999999999', 'amountTooLarge'],
  ])('refuses %p: %s', (text, code) =>
    expect(parseMoney(text, 'EUR')).toMatchObject({ ok: false, why: { code } }),
  );

  // What is typed in another currency is not that many of this one.
  it.each([
    ['£5', 'EUR'],
    ['5 £', 'EUR'],
    ['USD 5', 'EUR'],
    ['$5', 'EUR'],
    ['€5', 'GBP'],
    ['¥500', 'EUR'],
    ['EUR 5', 'JPY'],
    ['US$5', 'EUR'],
  ])('refuses %p where amounts are in %s', (text, currency) =>
    expect(parseMoney(text, currency)).toMatchObject({
      ok: false,
      why: { code: 'otherCurrency' },
    }),
  );
  it.each([
    ['£5', 'GBP', 500],
    ['GBP 5', 'GBP', 500],
    ['$5', 'USD', 500],
    ['$5', 'AUD', 500],
    ['A$5', 'AUD', 500],
    ['¥500', 'JPY', 500],
    ['5 CHF', 'CHF', 500],
    ['5 €', 'EUR', 500],
    // Without decimals, a lone separator can only part thousands.
    ['1,000', 'JPY', 1_000],
    ['1.000', 'JPY', 1_000],
    ['¥12,500', 'JPY', 12_500],
    ['1,234,567', 'JPY', 1_234_567],
    ['1,234', 'KWD', 1_234],
  ])('reads %p in %s as %i', (text, currency, amount) =>
    expect(parseMoney(text, currency)).toEqual({ ok: true, amount }),
  );
  it('reads no decimals where there are none', () => {
    for (const text of ['1.5', '12,50', '1,0']) expect(parseMoney(text, 'JPY').ok).toBe(false);
  });

  it('reads back every amount it writes', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 99_999_999 }),
        fc.constantFrom('EUR', 'JPY', 'KWD'),
        (amount, currency) => {
          expect(parseMoney(formatAmount(amount, currency), currency)).toEqual({ ok: true, amount });
        },
      ),
    );
  });

  it('never guesses: hostile text is refused or is a whole number of minor units', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary' }), (text) => {
        const parsed = parseMoney(text, 'EUR');
        expect(!parsed.ok || (Number.isSafeInteger(parsed.amount) && parsed.amount >= 0)).toBe(true);
      }),
    );
  });
});

describe('shares', () => {
  // Common practice, and the worked example of the trade: 10 % of 19.00 is 1.90.
  it('takes 10 % of 19.00 as 1.90', () => expect(shareOf(1900, 1000)).toBe(190));
  it('rounds half a cent up', () => expect(shareOf(5, 1000)).toBe(1));
});

describe('splitting a cost', () => {
  it('gives the odd cents to the largest remainders', () =>
    expect(splitCost(100, [1, 1, 1])).toEqual([34, 33, 33]));
  it('splits evenly where no weight is known', () => expect(splitCost(10, [0, 0])).toEqual([5, 5]));
  it('refuses a weight below zero', () => expect(() => splitCost(10, [1, -1])).toThrow(RangeError));

  // By hand: two over 1, 7 and 2 is 0.2, 1.4 and 0.4; the cents cut off the last two are equal.
  it.each([
    [2, [1, 7, 2], [0, 2, 0]],
    [2, [1, 3, 10], [0, 1, 1]],
    [2, [1, 19, 6], [0, 2, 0]],
  ])('splits %i over %j as %j', (total, weights, parts) => expect(splitCost(total, weights)).toEqual(parts));
  // Largest remainder, Hamilton's method, in whole numbers: a tie goes to the earlier item, whatever
  // floating point makes of it.
  it('gives a tied cent to the earlier item', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 1_000_000 }),
        fc.array(fc.integer({ min: 0, max: 5_000_000 }), { minLength: 1, maxLength: 12 }),
        fc.integer({ min: 1, max: 1_000_000 }),
        (total, some, times) => {
          // The same ratios in larger numbers: nothing may change.
          const weights = [...some, ...some];
          const parts = splitCost(total, weights);
          expect(
            splitCost(
              total,
              weights.map((w) => w * times),
            ),
          ).toEqual(parts);
          const sum = weights.reduce((a, b) => a + b, 0);
          if (sum === 0) return;
          const rest = weights.map((w) => (BigInt(total) * BigInt(w)) % BigInt(sum));
          const got = weights.map((w, i) => BigInt(parts[i]!) - (BigInt(total) * BigInt(w)) / BigInt(sum));
          for (let i = 0; i < weights.length; i += 1)
            for (let j = 0; j < weights.length; j += 1)
              if (rest[i]! > rest[j]! || (rest[i] === rest[j] && i < j))
                expect(got[i]! >= got[j]!).toBe(true);
        },
      ),
    );
  });
  it('never loses or makes a cent', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 10_000_000 }),
        fc.array(fc.double({ min: 0, max: 1e6, noNaN: true }), { minLength: 1, maxLength: 40 }),
        (total, weights) => {
          const parts = splitCost(total, weights);
          expect(parts.reduce((a, b) => a + b, 0)).toBe(total);
          expect(parts.every((p) => p >= 0)).toBe(true);
        },
      ),
    );
  });
});
