import fc from 'fast-check';

import { isTaken, joinedValues, readableValues, valuesOf, withPressed, withTyped } from './fieldValues';
import { specificsFromFacts } from './values';

const CLOTH = {
  id: 'material',
  label: 'Cloth',
  need: 'optional',
  choices: ['Wool', 'Silk', 'Linen'],
} as const;
const several = { ...CLOTH, choices: [...CLOTH.choices], most: 2, own: true };
const one = { ...CLOTH, choices: [...CLOTH.choices] };
const free = { id: 'material', label: 'Cloth', need: 'optional' as const, most: 3 };
const from = (field: Parameters<typeof specificsFromFacts>[0]['specifics'][number], material: string) =>
  specificsFromFacts({ id: 'c', name: 'c', parent: null, leaf: true, specifics: [field] }, { material })
    .material;

describe('a field of a marketplace', () => {
  it('takes one value of its list, or several', () => {
    expect(withPressed(one, 'Wool', 'Silk')).toBe('Silk');
    expect(withPressed(several, 'Wool', 'Silk')).toBe('Wool | Silk');
    expect(withPressed(several, 'Wool | Silk', 'Wool')).toBe('Silk');
    expect(withPressed(several, 'Wool | Silk', 'Linen')).toBe('Wool | Linen');
    expect(readableValues(several, 'Wool | Silk')).toBe('Wool, Silk');
    expect([readableValues(one, 'a | b'), readableValues(undefined, 'a | b')]).toEqual(['a | b', 'a | b']);
  });
  it('takes values of one’s own beside those of its list', () => {
    expect(withTyped(several, 'Wool', 'Possum')).toBe('Wool | Possum');
    expect(withTyped(several, 'Wool | Possum', 'Alpaca | mohair, ')).toBe('Wool | Alpaca | mohair');
    expect(withTyped({ ...one, own: true } as typeof one, 'Wool', ' Possum ')).toBe('Possum');
    expect([isTaken(several, 'Possum'), isTaken(one, 'Possum'), isTaken(free, 'x')]).toEqual([
      true,
      false,
      true,
    ]);
  });
  it('is filled with as many of a fact’s words as it takes', () => {
    expect(from(one, 'possum, silk')).toBeUndefined();
    expect(from(one, 'silk')).toBe('Silk');
    expect(from(several, 'wool and silk')).toBe('Wool | Silk');
    expect(from(several, 'possum, wool, silk')).toBe('possum | Wool');
    expect(from({ ...several, own: false }, 'possum, wool')).toBe('Wool');
    expect(from({ ...one, own: true }, 'Possum')).toBe('Possum');
    expect(from(free, 'wool\nsilk / linen')).toBe('wool | silk | linen');
  });
  it('gives back what was put into it, each once', () => {
    const value = fc.stringMatching(/^[a-z]{1,6}( [a-z]{1,6})?$/u);
    fc.assert(
      fc.property(fc.array(value, { maxLength: 5 }), (values) => {
        expect(valuesOf(free, joinedValues(values))).toEqual([...new Set(values)]);
      }),
    );
  });
});
