import fc from 'fast-check';

import { SIZE_SYSTEMS, sizesElsewhere, type SizeAsked } from './sizes';

const words = (asked: SizeAsked) => sizesElsewhere(asked).map((s) => s.words);

// Pairs as printed side by side on makers' shoe boxes: common practice, from memory.
it.each([
  ['Men', 'EU', '42', ['UK 8', 'US 9']],
  ['Men', 'EU', '44', ['UK 9.5', 'US 10.5']],
  ['Women', 'EU', '38', ['UK 5', 'US 7']],
  ['Women', 'UK', '6', ['EU 39.5', 'US 8']],
  ['Men', 'US', '10', ['UK 9', 'EU 43']],
  ['Men', 'UK', '8½', ['EU 42.5', 'US 9.5']],
] as const)('%s’s shoes %s %s', (wearer, system, size, expected) =>
  expect(words({ worn: 'footwear', wearer, system, size })).toEqual(expected),
);

// The usual table of women's sizes: common practice, from memory.
it.each([
  ['UK', '12', ['US 8', 'DE 38', 'FR 40', 'IT 44']],
  ['US', '4', ['UK 8', 'DE 34', 'FR 36', 'IT 40']],
  ['FR', '42', ['UK 14', 'US 10', 'DE 40', 'IT 46']],
] as const)('women’s clothes %s %s', (system, size, expected) =>
  expect(words({ worn: 'clothes', wearer: 'Women', system, size })).toEqual(expected),
);

it('gives men’s jackets by the chest, and letters as the girth they stand for', () => {
  expect(words({ worn: 'clothes', wearer: 'Men', system: 'UK', size: '40' })).toEqual([
    'EU 50',
    'chest about 102 cm',
  ]);
  // EN 13402-3, letter codes: men's M is a chest of 94 to 102 cm, women's M a bust of 90 to 98 cm. From
  // memory.
  expect(words({ worn: 'clothes', wearer: 'Men', system: 'Letters', size: 'm' })).toEqual([
    'chest 94 to 102 cm',
  ]);
  expect(words({ worn: 'clothes', wearer: 'Women', system: 'Letters', size: 'M' })).toEqual([
    'bust 90 to 98 cm',
  ]);
});

it('says nothing where a size says too little', () => {
  for (const size of ['', '7.25', 'forty', '99', '13 wide'])
    expect(words({ worn: 'footwear', wearer: 'Men', system: 'UK', size })).toEqual([]);
  expect(words({ worn: 'clothes', wearer: 'Women', system: 'EU', size: '40' })).toEqual([]);
});

it('never fails, and every suggestion names its source', () => {
  const asked = fc.record({
    worn: fc.constantFrom('clothes' as const, 'footwear' as const),
    wearer: fc.constantFrom('Women' as const, 'Men' as const),
    system: fc.constantFrom(...SIZE_SYSTEMS),
    size: fc.oneof(fc.string({ unit: 'grapheme' }), fc.nat(70).map(String)),
  });
  fc.assert(
    fc.property(asked, (a) => {
      for (const s of sizesElsewhere(a)) {
        expect(s.source).not.toBe('');
        expect(s.words).not.toMatch(/NaN|-\d/u);
      }
    }),
  );
});

it('comes back to the size it set out from, there and back', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 4, max: 24 }),
      fc.constantFrom('Women' as const, 'Men' as const),
      (half, wearer) => {
        const uk = half / 2;
        const eu = words({ worn: 'footwear', wearer, system: 'UK', size: String(uk) }).find((w) =>
          w.startsWith('EU'),
        );
        if (!eu) return;
        const back = words({ worn: 'footwear', wearer, system: 'EU', size: eu.slice(3) });
        const ukBack = Number(back.find((w) => w.startsWith('UK'))?.slice(3));
        // An English half size is shorter than a Paris point, so half a size may be lost on the way.
        expect(Math.abs(ukBack - uk)).toBeLessThanOrEqual(0.5);
      },
    ),
  );
});
