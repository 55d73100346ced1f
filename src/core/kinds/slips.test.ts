import fc from 'fast-check';

import { slipOf } from './slips';
import { BUILT_IN } from './tree';

const spec = (id: string) => BUILT_IN.measures('jumper').find((m) => m.id === id)!;

// What slips look like is common practice: each is one a seller makes.
it.each([
  ['sleeve', 600, null, null],
  ['sleeve', 60, 'tenth', 600],
  ['chest', 1_080, 'around', 540],
  ['chest', 5_400, 'tenfold', 540],
  ['length', 270, 'inches', 685.8],
  ['shoulder', 1_100, 'centimetres', 433.071],
  ['shoulder', 3, 'unusual', null],
])('%s of %p mm: %p', (id, mm, kind, meant) => {
  const slip = slipOf(spec(id), mm);
  expect(slip?.type ?? null).toBe(kind);
  expect(slip?.meant ?? null).toBe(meant);
});

it('what it takes for meant is usual, and usual figures are left alone', () => {
  const any = fc.constantFrom(...BUILT_IN.leaves.flatMap((k) => k.measures));
  fc.assert(
    fc.property(any, fc.integer({ min: 1, max: 20_000 }), (m, mm) => {
      const slip = slipOf(m, mm);
      const usual = (v: number) => v >= m.usual[0] - 0.001 && v <= m.usual[1] + 0.001;
      expect(slip === null).toBe(mm >= m.usual[0] && mm <= m.usual[1]);
      if (slip?.meant) expect(usual(slip.meant)).toBe(true);
      if (slip?.type === 'around') expect(m.doubled).toBe(true);
    }),
  );
});
