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
    expect(formatAmount(500, 'JPY')).toBe('500');
    expect(formatAmount(1234, 'KWD')).toBe('1.234');
  });
});

describe('reading an amount', () => {
  it.each([
    ['12', 1200], ['12.5', 1250], ['12,50', 1250], ['1.234,50', 123450], ['1,234.50', 123450], [' € 12 ', 1200],
    ['1.234.567', 123456700], ['0.05', 5], ['.5', 50], ['EUR 12', 1200], ['12 €', 1200],
  ])('reads %p', (text, amount) => expect(parseMoney(text, 'EUR')).toEqual({ ok: true, amount })); // prettier-ignore

  it.each(['', 'abc', '-5', '1,234', '1.2.3,4,5', '12.345', '1,23,4.5', '12e5', '９', '48 or so', 'ca. 48'])(
    'refuses %p with a reason',
    (text) => {
      const parsed = parseMoney(text, 'EUR');
      expect(parsed.ok).toBe(false);
      expect(!parsed.ok && parsed.why.length).toBeGreaterThan(5);
    },
  );

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
