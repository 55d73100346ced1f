import fc from 'fast-check';

import { CatalogueRecord } from '@/contract/catalogue';

import { toldBy } from './record';
import { BUILT_IN } from '../kinds/tree';

const record = (part: Partial<CatalogueRecord>): CatalogueRecord =>
  CatalogueRecord.parse({ barcode: '2000000000015', title: 'Wading Birds of the Estuary', ...part });
const field = (told: ReturnType<typeof toldBy>, name: string) => told.find((t) => t.field === name)?.value;

describe('what a catalogue record says', () => {
  const book = record({
    maker: 'Plover Press',
    sort: ['Print', 'Field guide'],
    details: { Author: 'M. Tarrant', Year: '1968', Binding: 'Cloth', 'Serial number': 'S-1', Shelf: '9' },
  });
  it('names kind, title, maker and the details the kind asks for', () => {
    const told = toldBy(book, '', BUILT_IN);
    expect(field(told, 'kind')).toBe('book');
    expect(field(told, 'fact:model')).toBe('Wading Birds of the Estuary');
    expect(field(told, 'fact:author')).toBe('M. Tarrant');
    expect(field(told, 'fact:brand')).toBe('Plover Press');
    expect(field(told, 'fact:year')).toBe('1968');
  });
  it('leaves out what is private, unknown, or no answer to the question', () => {
    const told = toldBy(record({ ...book, details: { ...book.details, Year: 'long ago' } }), '', BUILT_IN);
    expect(field(told, 'fact:serial')).toBeUndefined();
    expect(told.some((t) => t.value === '9')).toBe(false);
    expect(field(told, 'fact:year')).toBeUndefined();
  });
  it('goes by the kind that is known, and gives a title where the name is not a fact', () => {
    const told = toldBy(record({ title: 'Quarry Bay', sort: ['Board game'] }), 'boardGame', BUILT_IN);
    expect(field(told, 'kind')).toBeUndefined();
    expect(BUILT_IN.get('boardGame')).toBeDefined();
    expect(field(told, 'title') ?? field(told, 'fact:model')).toBe('Quarry Bay');
  });
  it('takes any words without failing, each field once', () => {
    const any = fc.record({
      title: fc.string({ unit: 'grapheme', maxLength: 100 }),
      sort: fc.array(fc.string({ maxLength: 40 }), { maxLength: 8 }),
      details: fc.dictionary(fc.constantFrom('Author', 'year', 'Pieces', 'x'), fc.string({ maxLength: 100 })),
    });
    fc.assert(
      fc.property(any, fc.constantFrom('', 'book', 'jumper', 'nothing'), (part, kind) => {
        const told = toldBy(record(part), kind, BUILT_IN);
        expect(new Set(told.map((t) => t.field)).size).toBe(told.length);
        expect(told.every((t) => t.value.length > 0)).toBe(true);
      }),
    );
  });
});
