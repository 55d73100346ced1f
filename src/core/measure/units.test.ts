import fc from 'fast-check';

import {
  aroundFromFlat,
  formatLength,
  formatWeight,
  GRAMS_PER_OUNCE,
  lengthFigure,
  MM_PER_INCH,
  parseLength,
  parseWeight,
} from './units';

describe('lengths', () => {
  // International yard and pound agreement, 1959: 1 yd = 0.9144 m exactly, so 1 in = 25.4 mm.
  it('has the inch of 1959', () => expect(MM_PER_INCH * 36).toBeCloseTo(914.4, 10));

  it.each([
    [540, 'metric', '54 cm'],
    [545, 'metric', '54.5 cm'],
    [539.75, 'imperial', '21 1/4 in'],
    [9.525, 'imperial', '3/8 in'],
    [25.4, 'imperial', '1 in'],
    [12.7, 'imperial', '1/2 in'],
  ] as const)('writes %d mm (%s) as %s', (mm, units, words) => expect(formatLength(mm, units)).toBe(words));

  it.each([
    ['54.5', 'metric', 545],
    ['54,5', 'metric', 545],
    ['54 cm', 'metric', 540],
    ['21 1/4', 'imperial', 539.75],
    ['3/8', 'imperial', 9.525],
    ['21.25', 'imperial', 539.75],
  ] as const)('reads %p (%s)', (text, units, value) =>
    expect(parseLength(text, units)).toEqual({ ok: true, value }),
  );

  it.each(['', 'abc', '0', '-3', '1/0', '99999', '5 ft', '1e3', '٣'])('refuses %p', (text) =>
    expect(parseLength(text, 'metric').ok).toBe(false),
  );
  it('refuses a fraction ending in /0', () => expect(parseLength('1/0', 'imperial').ok).toBe(false));

  it('reads back what it writes, to the eighth', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1500 }), (eighths) => {
        const mm = (eighths / 8) * MM_PER_INCH;
        const read = parseLength(lengthFigure(mm, 'imperial'), 'imperial');
        expect(read.ok && Math.abs(read.value - mm) < 0.001).toBe(true);
      }),
    );
  });

  it('takes around as twice flat', () => expect(aroundFromFlat(540)).toBe(1080));
});

describe('weights', () => {
  // 1 lb = 0.453 592 37 kg exactly, by the same agreement.
  it('has the pound of 1959', () => expect(GRAMS_PER_OUNCE * 16).toBeCloseTo(453.59237, 10));
  it.each([
    [850, 'metric', '850 g'],
    [2400, 'metric', '2.4 kg'],
    [850, 'imperial', '1 lb 14 oz'],
    [200, 'imperial', '7 oz'],
  ] as const)('writes %d g (%s) as %s', (g, units, words) => expect(formatWeight(g, units)).toBe(words));
  it('reads grams and ounces', () => {
    expect(parseWeight('850', 'metric')).toEqual({ ok: true, value: 850 });
    expect(parseWeight('30', 'imperial')).toEqual({ ok: true, value: 850 });
  });
  it('refuses nothing and nonsense', () => {
    expect(parseWeight('0', 'metric').ok).toBe(false);
    expect(parseWeight('heavy', 'metric').ok).toBe(false);
  });
});
