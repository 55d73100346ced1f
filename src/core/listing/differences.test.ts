import fc from 'fast-check';

import { ListingDraft } from '@/contract/courier';
import { RuleSheet } from '@/contract/ruleSheet';

import { draftDifferences } from './differences';
import { draftHash } from './draft';
import { SHEET } from '../../../server/standins/brackenmoor/sheet';

const sheet = RuleSheet.parse(SHEET);
const [leaf] = sheet.categories.filter((c) => c.leaf);
const draft = (part: Partial<ListingDraft> = {}) =>
  ListingDraft.parse({
    title: 'Gansey',
    description: 'Navy wool.',
    price: 4_800,
    currency: 'EUR',
    postage: 420,
    category: leaf!.id,
    condition: sheet.conditions[1]!.code,
    specifics: { size: 'M' },
    answers: {},
    pictures: [],
    ...part,
  });

it('says old and new of each value, in words', () => {
  const after = draft({
    price: 4_300,
    condition: sheet.conditions[0]!.code,
    specifics: { size: 'L', colour: 'navy' },
    tags: ['wool'],
    terms: { handlingDays: 3, abroad: [{ zone: 'near', price: 1_150 }] },
  });
  const found = draftDifferences(draft(), after, sheet).map((d) => [d.name, d.before, d.after] as const);
  const label = (id: string) => leaf!.specifics.find((s) => s.id === id)?.label ?? id;
  expect(Object.fromEntries(found.map(([name, ...values]) => [name, values]))).toEqual({
    Price: ['€48.00', '€43.00'],
    Condition: [sheet.conditions[1]!.label, sheet.conditions[0]!.label],
    [label('size')]: ['M', 'L'],
    [label('colour')]: ['', 'navy'],
    'Search words': ['', 'wool'],
    'Handling time': ['', '3 days'],
    'Postage abroad': ['', 'near €11.50'],
  });
});

it('of what was found there, says what nobody told', () => {
  const after = draft({ tags: ['wool'], postage: 390 });
  expect(draftDifferences(draft(), after, sheet, true)).toEqual([
    { name: 'Postage', before: '€4.20', after: '€3.90' },
    { name: 'Search words', before: null, after: 'wool' },
  ]);
});

const word = fc.constantFrom('', 'navy', 'wool', 'M');
const amount = fc.integer({ min: 0, max: 3 }).map((n) => n * 100);
const anyDraft = fc
  .record({
    title: word,
    description: word,
    price: amount,
    postage: amount,
    category: fc.constantFrom(leaf!.id, 'x'),
    condition: fc.constantFrom('a', 'b'),
    specifics: fc.dictionary(fc.constantFrom('size', 'colour'), fc.constantFrom('navy', 'M')),
    answers: fc.dictionary(fc.constantFrom('q', 'r'), fc.constantFrom('yes', 'no')),
    tags: fc.array(fc.constantFrom('navy', 'wool'), { maxLength: 2 }),
    auction: fc.option(
      fc.record({
        opening: amount,
        outright: fc.option(amount),
        days: fc.integer({ min: 1, max: 2 }),
        again: fc.integer({ min: 0, max: 1 }),
        becomes: fc.option(amount),
      }),
    ),
    search: fc.option(
      fc
        .record({
          title: word,
          description: word,
          keywords: fc.array(fc.constantFrom('navy', 'wool'), { maxLength: 2 }),
        })
        .filter((s) => s.title !== ''),
    ),
    terms: fc.option(
      fc.record({
        handlingDays: fc.integer({ min: 0, max: 2 }),
        returnDays: fc.constantFrom(0, 14),
        collect: fc.boolean(),
        further: amount,
      }),
      { freq: 2 },
    ),
    promotionBp: fc.constantFrom(0, 300),
    depotNo: fc.option(fc.constantFrom('D1', 'D2'), { nil: undefined }),
    choices: fc.option(
      fc.record({
        options: fc.constant<string[]>(['Size']),
        pieces: fc.array(
          fc.record({
            code: fc.constantFrom('a', 'b'),
            values: fc.constant<string[]>(['S']),
            price: amount,
            stock: fc.integer({ min: 0, max: 2 }),
          }),
          { minLength: 1, maxLength: 2 },
        ),
        heldBack: fc.option(fc.constant(1), { nil: undefined }),
      }),
      { nil: undefined },
    ),
  })
  .map(({ promotionBp, ...part }) => draft({ ...part, paid: { promotionBp, extras: {} } }));

it('names something exactly where the fingerprint differs', () => {
  fc.assert(
    fc.property(anyDraft, anyDraft, (a, b) => {
      const named = draftDifferences(a, b, sheet).length > 0;
      expect(named).toBe(draftHash(a) !== draftHash(b));
    }),
    { numRuns: 400 },
  );
});
