import { Mapping, mappingId } from '@/contract/mapping';
import type { SheetCategory } from '@/contract/ruleSheet';

import { mappingsFor, specificsFromFacts, translate } from './values';
import { BUILT_IN } from '../kinds/tree';

const category: SheetCategory = {
  id: 'c',
  name: 'C',
  parent: null,
  leaf: true,
  specifics: [
    { id: 'colour', label: 'Colour', need: 'required', choices: ['Blue', 'Camel', 'Mixed'] },
    { id: 'decade', label: 'Decade', need: 'optional', choices: ['Before 1900', '1900s', '1950s'] },
    { id: 'brand', label: 'Maker', need: 'optional' },
    { id: 'origin', label: 'Where it was made', need: 'optional' },
  ],
};
const mapping = (kind: string, part: Partial<Mapping>) =>
  Mapping.parse({ id: mappingId('moor', kind), market: 'moor', kind, ...part });

describe('our words in theirs', () => {
  // Shades and their plainer colours: common practice.
  it.each([
    ['navy', ['Blue'], 'Blue'],
    ['NAVY ', ['Navy', 'Blue'], 'Navy'],
    ['tan', ['Brown', 'Camel'], 'Camel'],
    ['thunder', ['Blue'], null],
    ['petrol', ['Red', 'Green', 'Blue', 'Turquoise'], 'Turquoise'],
    ['Dusty rose', ['Red', 'Green', 'Pink'], 'Pink'],
    ['1953', ['1940s', '1950s'], '1950s'],
    ['1890s', ['Before 1900', '1900s'], 'Before 1900'],
    ['1905', ['Before 1900', '1910s'], null],
    ['anything', undefined, 'anything'],
    ['  ', undefined, null],
  ])('%s among %j: %s', (value, choices, expected) => expect(translate(value, choices)).toBe(expected));
});

describe('their fields from our facts', () => {
  const facts = { colour: 'Navy', year: '1953', brand: 'Ostler', country: 'Fennick' };
  it('come from the fact of the same name, a year for a decade, where it was made from the country', () =>
    expect(specificsFromFacts(category, facts)).toEqual({
      colour: 'Blue',
      decade: '1950s',
      brand: 'Ostler',
      origin: 'Fennick',
    }));
  it('follow the person’s rules: always the same, from another fact, never by themselves', () => {
    const rules = [
      mapping('', {
        fields: {
          brand: { from: 'fixed', value: 'Unknown' },
          origin: { from: 'fact', fact: 'brand' },
          colour: { from: 'ask' },
        },
      }),
    ];
    expect(specificsFromFacts(category, facts, rules)).toEqual({
      decade: '1950s',
      brand: 'Unknown',
      origin: 'Ostler',
    });
  });
  it('use a word learned before, also where it is no shade anybody knows', () => {
    const rules = [
      mapping('', { values: { colour: { thunder: 'Blue' }, brand: { ostler: 'Ostler & Sons' } } }),
    ];
    expect(specificsFromFacts(category, { colour: 'Thunder', brand: 'Ostler' }, rules)).toEqual({
      colour: 'Blue',
      brand: 'Ostler & Sons',
    });
  });
  it('take the rules of the nearest kind first', () => {
    const near = mapping('jumper', { fields: { brand: { from: 'fixed', value: 'near' } } });
    const far = mapping('clothes', { fields: { brand: { from: 'fixed', value: 'far' } } });
    const all = mapping('', {});
    expect(mappingsFor('moor', 'jumper', BUILT_IN, [all, far, near])).toEqual([near, far, all]);
    expect(mappingsFor('moor', 'coat', BUILT_IN, [all, far, near])).toEqual([far, all]);
    expect(mappingsFor('wick', 'jumper', BUILT_IN, [all, far, near])).toEqual([]);
  });
});
