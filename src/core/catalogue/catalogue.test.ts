import fc from 'fast-check';

import { CatalogueRecord } from '@/contract/catalogue';

import { checkDigit } from '../identity/gtin';
import { BUILT_IN } from '../kinds/tree';
import { barcodesIn, MOST_BARCODES } from './barcodeList';
import { toldBy } from './record';

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

const full = (twelve: string) => twelve + checkDigit(twelve);

describe('a list of barcodes', () => {
  it('finds them in lines and in tables, counts copies, tells slips', () => {
    const [a, b] = [full('200000000001'), full('200000000002')];
    const list = barcodesIn(`title;code;price\nBirds;${a};4,50\n"Ships";"${b}";12.00\n${a}\n2000000000019\nphone 0123`);
    expect(list.barcodes).toEqual([
      { digits: a, times: 2 },
      { digits: b, times: 1 },
    ]);
    expect(list.refused).toEqual([{ text: '2000000000019', why: expect.stringContaining('last digit') }]);
  }); // prettier-ignore
  it('takes the same article written with zeros in front as one', () => {
    const upc = full('04000000001');
    expect(barcodesIn(`${upc}\n0${upc}`).barcodes).toEqual([{ digits: `0${upc}`, times: 2 }]);
  });
  it('keeps to its bound and says what is left', () => {
    const many = Array.from({ length: MOST_BARCODES + 3 }, (_, i) => full(`2${String(i).padStart(11, '0')}`));
    const list = barcodesIn(many.join('\n'));
    expect(list.barcodes).toHaveLength(MOST_BARCODES);
    expect(list.left).toBe(3);
  });
  it('accounts for every true barcode once', () => {
    const twelve = fc.integer({ min: 0, max: 99_999_999_999 }).map((n) => `2${String(n).padStart(11, '0')}`);
    fc.assert(
      fc.property(fc.array(twelve, { maxLength: 30 }), fc.constantFrom('\n', ';', '\t', ', '), (all, between) => {
        const list = barcodesIn(all.map(full).join(between));
        expect(list.barcodes.reduce((n, b) => n + b.times, 0)).toBe(all.length);
        expect(list.refused).toEqual([]);
      }),
    );
  }); // prettier-ignore
});
