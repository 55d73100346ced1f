import fc from 'fast-check';

import { CODE_PARTS, CodePattern as CodePatternSchema, Settings, type CodePattern } from '@/contract/records';

import { codeFor, costLetters, costOfLetters, labelCode, numberOf } from './code';
import { PAGE_SIZE, pageOf, recordId } from './recordId';

const usual: CodePattern = Settings.parse({ id: 'settings' }).codePattern;
const anyPattern = fc
  .record({
    parts: fc
      .shuffledSubarray(CODE_PARTS.filter((p) => p !== 'spot' && p !== 'number'))
      .chain((some) =>
        fc
          .tuple(fc.nat(some.length), fc.boolean())
          .map(([at, spot]) => [
            ...some.slice(0, at),
            'number' as const,
            ...some.slice(at),
            ...(spot ? ['spot' as const] : []),
          ]),
      ),
    letters: fc.stringMatching(/^[A-Z0-9]{1,8}$/u),
    between: fc.constantFrom<CodePattern['between']>('-', '.', '_'),
    costWord: fc.constantFrom('', 'BUYINGTRAX'),
  })
  .map((p) => CodePatternSchema.parse(p));
const facts = fc.record({
  number: fc.integer({ min: 1, max: 40_000 }),
  haul: fc.string({ unit: 'grapheme', maxLength: 9 }),
  kind: fc.constantFrom('Jumper', 'Pot, jug or dish', ''),
  describing: fc.string({ maxLength: 14 }),
  cost: fc.option(fc.nat(99_999)),
  spot: fc.constantFrom('', 'A3-12', '0001', 'Box 4', '-0002'),
});

it('gives a code by the usual pattern', () => {
  expect(codeFor(usual, { number: 7 })).toBe('YA-0007');
  expect(codeFor(usual, { number: 12_345 })).toBe('YA-12345');
  expect(() => codeFor(usual, { number: 0 })).toThrow(RangeError);
});

it('puts a code together from a pattern, the spot last', () => {
  const pattern = CodePatternSchema.parse({
    parts: ['kind', 'describing', 'number', 'cost', 'spot'],
    letters: 'YA',
    between: '-',
    costWord: 'BUYINGTRAX',
  });
  expect(
    codeFor(pattern, {
      number: 7,
      kind: 'Jumper',
      describing: 'Kittiwake Mills gansey',
      cost: 650,
      spot: 'A3-12',
    }),
  ).toBe('JUM-KMG-0007-GNX-A3-12');
  expect(codeFor(pattern, { number: 8 })).toBe('X-X-0008-X');
});

it('never gives two numbers the same code, whatever the parts hold', () => {
  fc.assert(
    fc.property(anyPattern, facts, facts, (pattern, a, b) => {
      const [one, two] = [codeFor(pattern, a), codeFor(pattern, b)];
      if (a.number !== b.number) expect(one).not.toBe(two);
      expect(one.length).toBeLessThanOrEqual(60);
      expect(one).toMatch(/^[\x21-\x7e]+$/u);
    }),
    { numRuns: 500 },
  );
});

it('refuses patterns that could give a code twice', () => {
  const part = { letters: 'YA', between: '-', costWord: '' };
  for (const parts of [['letters'], ['number', 'number'], ['spot', 'number']])
    expect(CodePatternSchema.safeParse({ ...part, parts }).success).toBe(false);
  expect(CodePatternSchema.safeParse({ ...part, parts: ['number'], costWord: 'BOOKKEEPER' }).success).toBe(
    false,
  );
});

it('writes a cost in letters and reads it back', () => {
  expect(costLetters(1_950, 'BUYINGTRAX')).toBe('BANX');
  fc.assert(
    fc.property(fc.nat(10_000_000), (cost) =>
      expect(costOfLetters(costLetters(cost, 'BUYINGTRAX'), 'BUYINGTRAX')).toBe(cost),
    ),
  );
  expect(costOfLetters('B?', 'BUYINGTRAX')).toBeNull();
});

it('knows the number of an item from before patterns', () => {
  expect(numberOf({ code: 'YA-0042', number: null })).toBe(42);
  expect(numberOf({ code: 'anything', number: 9 })).toBe(9);
  expect(numberOf({ code: 'anything', number: null })).toBeNull();
});

it('puts the spot last on the label, once', () => {
  expect(labelCode('YA-0001', 'A3-12')).toBe('YA-0001 A3-12');
  expect(labelCode('YA-0001', ' ')).toBe('YA-0001');
  expect(labelCode('JUM-0001-A3-12', 'A3-12')).toBe('JUM-0001-A3-12');
});

it('fixes a record’s page by its running number', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 5_000_000 }), (running) => {
      const id = recordId(running, 'abc');
      expect(pageOf(id)).toBe(Math.floor(running / PAGE_SIZE));
      expect(pageOf(`${id}_brackenmoor`)).toBe(pageOf(id));
      expect(id).toMatch(/^[A-Za-z0-9_-]{1,64}$/u);
    }),
  );
  expect(pageOf('???')).toBe(0);
});
