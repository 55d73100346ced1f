import fc from 'fast-check';

import { keysOf } from '@/contract/fields';

import { partsOf, pathOf, recordOf, registersOf, writesBetween, type Registers } from './registers';
import { SHAPES, type Shape } from './shapes';

const word = fc.string({ minLength: 1, maxLength: 6 }).filter((text) => text.trim() !== '' && !(text in {}));
const value = fc.oneof(word, fc.integer(), fc.boolean(), fc.constant(null), fc.array(word, { maxLength: 2 }));
const dictionary = <T>(of: fc.Arbitrary<T>) => fc.dictionary(word, of, { maxKeys: 4, noNullPrototype: true });

/** Whatever a field of that shape may hold. */
function anyOf(shape: Shape): fc.Arbitrary<unknown> {
  switch (shape.as) {
    case 'entries':
      return dictionary(value);
    case 'deep':
      return dictionary(dictionary(value));
    case 'log':
      return fc
        .uniqueArray(fc.integer({ min: 0 }), { maxLength: 4 })
        .map((times) => times.sort((a, b) => a - b).map((at) => ({ at, text: 'told' })));
    case 'list': {
      const { by } = shape;
      if (by === null) return fc.array(word, { maxLength: 4 });
      return fc.array(fc.record({ [by]: word, note: value }), { maxLength: 4 });
    }
    default:
      return value;
  }
}

/** A record of a collection, with all fields that have a shape, and some that have none. */
const anyRecord = fc.constantFrom(...keysOf(SHAPES)).chain((collection) => {
  const shaped = Object.entries(SHAPES[collection] ?? {}).map(
    ([field, shape]) => [field, fc.option(anyOf(shape))] as const,
  );
  const fields: Record<string, fc.Arbitrary<unknown>> = {
    ...Object.fromEntries(shaped),
    id: word,
    title: word,
  };
  return fc.record(fields).map((record) => ({ collection, record }));
});

describe('registers', () => {
  it('hold a record whole: it comes back as it was', () => {
    fc.assert(
      fc.property(anyRecord, ({ collection, record }) => {
        expect(recordOf(collection, registersOf(collection, record))).toEqual(record);
      }),
    );
  });

  it('become another record’s by what has to be written', () => {
    fc.assert(
      fc.property(anyRecord, fc.infiniteStream(fc.boolean()), ({ collection, record }, coins) => {
        const after: Record<string, unknown> = { ...record };
        for (const field of Object.keys(record)) if (coins.next().value) after[field] = record.title;
        const registers: Record<string, unknown> = { ...registersOf(collection, record) };
        for (const write of writesBetween(registers, registersOf(collection, after)))
          if (write.value === undefined) delete registers[write.path];
          else registers[write.path] = write.value;
        expect(registers).toEqual(registersOf(collection, after));
      }),
    );
  });

  it('have paths that say which they are, whatever is in a name', () => {
    fc.assert(
      fc.property(fc.array(fc.string(), { minLength: 1, maxLength: 3 }), (parts) =>
        expect(partsOf(pathOf(...parts))).toEqual(parts),
      ),
    );
  });

  const item: Registers = registersOf('items', {
    id: 'a',
    title: 'Blue jumper',
    written: { title: 'x', description: '' },
    facts: { brand: 'Sel & Tide', 'size/EU': '42' },
    flaws: [{ id: 'f1', type: 'hole' }],
    pictureIds: ['p2', 'p1'],
  });

  it('are the smallest parts that are changed as one', () => {
    expect(item).toMatchObject({
      'facts/brand': 'Sel & Tide',
      'facts/size%2FEU': '42',
      'flaws/f1': { id: 'f1', type: 'hole' },
      pictureIds: ['p2', 'p1'],
      'pictureIds/p1': 'p1',
    });
  });

  it('keep together what one decision was about', () => {
    expect(item.title).toEqual({ title: 'Blue jumper', 'written/title': 'x' });
    expect(Object.keys(item).filter((path) => path.startsWith('written'))).toEqual([]);
  });

  it('are written only where something changed', () => {
    const after = { ...item, 'facts/brand': 'Marrow' };
    expect(writesBetween(item, after)).toEqual([{ path: 'facts/brand', value: 'Marrow', was: 'Sel & Tide' }]);
  });

  it('keep two of a list that are known by the same', () => {
    const record = {
      holds: [
        { from: 1, who: 'A' },
        { from: 1, who: 'B' },
      ],
    };
    expect(recordOf('items', registersOf('items', record)).holds).toEqual(record.holds);
  });
});
