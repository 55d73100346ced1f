import fc from 'fast-check';

import { Item } from '@/contract/records';
import { listed } from '@/core/language/listed';
import { counted } from '@/core/language/plural';

import { countAs } from './count';
import { findPrivate } from './privacy';
import { titleFromFacts } from './title';
import { BUILT_IN } from '../kinds/tree';
import { wholePhrase } from '../language/wholeWord';

describe('counting', () => {
  // UAX #29: a family emoji joined by ZWJ is one user-perceived character; UTF-16 length by ECMA-262.
  it.each([
    ['jumper', 6, 6],
    ['né', 2, 2],
    ['ne\u0301', 2, 3],
    ['👨‍👩‍👧‍👦', 1, 11],
    ['🧶x', 2, 3],
    ['', 0, 0],
  ])('counts %p', (text, characters, units) => {
    expect(countAs(text, 'characters')).toBe(characters);
    expect(countAs(text, 'codeUnits')).toBe(units);
  });
});

describe('private words', () => {
  it.each([
    ['write to odile@saltreach.example', 'email'],
    ['call 0151 234 5678', 'phone'],
    ['call +44 (0)151 2345678', 'phone'],
    ['see www.attic.example/x', 'webAddress'],
    ['it is in A3-12.', 'spot'],
    // As roughly as marketplaces look.
    ['a pair@2.50', 'email'],
    ['@odile@saltreach.1', 'email'],
    ['http:attic', 'webAddress'],
    ['Awww.', 'webAddress'],
  ])('finds %p', (text, what) => expect(findPrivate(text, 'A3-12').map((f) => f.what.code)).toContain(what));

  it.each([
    'size 38-40, 1930s',
    'pit to pit 54 cm, length 68.5 cm',
    'model 2034567',
    'made 1950-1960',
    'BA3-125',
    'worn @home. Then not.',
    'two @ 2.50',
  ])('leaves %p alone', (text) => expect(findPrivate(text, 'A3-12')).toEqual([]));
  it('tells of an address without what only stands beside it, and not without end', () => {
    expect(findPrivate('(write to <odile@saltreach.example>, please)', '')[0]?.words).toBe(
      'odile@saltreach.example',
    );
    expect(findPrivate(`a@${'x'.repeat(5_000)}.example`, '')[0]?.words).toHaveLength(120);
  });
  it('is not fooled by signs in a spot', () =>
    expect(findPrivate('shelf (x)* here', '(x)*').map((f) => f.what.code)).toEqual(['spot']));
  it('answers quickly whatever it is given', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 5_000 }), fc.string({ maxLength: 20 }), (text, spot) =>
        Array.isArray(findPrivate(text, spot)),
      ),
    );
  });
});

describe('a phrase', () => {
  it.each([
    ['best price', 'Best price!', true],
    ['best price', 'the best-price', true],
    ['best price', 'best,\nprice', true],
    ['best price', 'best prices', false],
    ['best price', 'bestprice', false],
    ['dupe', 'éDupe', false],
    ['c++', 'in c++.', true],
    ['c++', 'c', false],
    [' ', 'a b', false],
  ])('%p in %p: %p', (phrase, text, found) => expect(wholePhrase(phrase).test(text)).toBe(found));
});

const item = (part: Partial<Item>) =>
  Item.parse({ id: 't', code: 'YA-0001', author: 'me', createdAt: 0, updatedAt: 0, ...part });

describe('a title from the facts', () => {
  const gansey = item({
    kind: 'jumper',
    facts: {
      brand: 'Kittiwake Mills',
      department: 'Men',
      size: 'M',
      colour: 'Navy',
      material: 'Wool',
      model: 'gansey',
    },
  });
  // Order of a title: common practice of the trade.
  it('puts brand, for whom and what first, colour and size last', () =>
    expect(titleFromFacts(gansey, BUILT_IN, 80)).toBe('Kittiwake Mills Men jumper gansey Wool Navy size M'));
  it('drops the least important part when room is short', () =>
    expect(titleFromFacts(gansey, BUILT_IN, 45)).toBe('Kittiwake Mills Men jumper gansey Navy size M'));
  it('always fits, and no word stands twice', () => {
    fc.assert(
      fc.property(
        fc.dictionary(
          fc.constantFrom('brand', 'colour', 'size', 'material', 'model'),
          fc.string({ maxLength: 30 }),
        ),
        fc.integer({ min: 0, max: 90 }),
        (facts, max) => {
          const title = titleFromFacts(item({ kind: 'jumper', facts }), BUILT_IN, max);
          expect(countAs(title, 'characters')).toBeLessThanOrEqual(max);
          const words = title.toLocaleLowerCase('en').split(' ');
          expect(new Set(words).size).toBe(words.length);
        },
      ),
    );
  });
});

describe('lists and counts in a sentence', () => {
  it.each([
    [[], ''],
    [['wool'], 'wool'],
    [['wool', 'cotton'], 'wool and cotton'],
    [['wool', 'cotton', 'linen'], 'wool, cotton and linen'],
  ])('%o: “%s”', (words, said) => {
    expect(listed(words, 'and')).toBe(said);
    expect(listed(words, 'or')).toBe(said.replace(' and ', ' or '));
  });
  it('one of something is not several', () => {
    expect([0, 1, 2].map((n) => counted(n, 'item'))).toEqual(['0 items', '1 item', '2 items']);
  });
});
