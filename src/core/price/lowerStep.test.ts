import fc from 'fast-check';

import { lowerStep } from './lowerStep';

describe('a lower price for what nobody asked about', () => {
  it.each([
    [4_000, null, 'EUR', 3_600],
    [4_050, null, 'EUR', 3_600],
    [500, null, 'EUR', 400],
    [100, null, 'EUR', null],
    [4_000, 3_601, 'EUR', null],
    [4_000, 3_600, 'EUR', 3_600],
    // ISO 4217: the yen has no minor unit.
    [4_000, null, 'JPY', 3_600],
  ])('from %i with a floor of %p in %s is %p', (price, floor, currency, lower) =>
    expect(lowerStep(price, floor, currency)).toBe(lower),
  );
  it('is never under the floor, and always less', () => {
    fc.assert(
      fc.property(fc.nat(500_000), fc.nat(500_000), (price, floor) => {
        const lower = lowerStep(price, floor, 'EUR');
        expect(lower === null || (lower >= floor && lower < price && lower % 100 === 0)).toBe(true);
      }),
    );
  });
});
