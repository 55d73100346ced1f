import fc from 'fast-check';

import { CatalogueRecord } from '@/contract/catalogue';

import { barcodesIn, MOST_BARCODES } from './barcodeList';
import { toldBy } from './record';
import { checkDigit } from '../identity/gtin';
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

const full = (twelve: string) => twelve + checkDigit(twelve);

describe('a list of barcodes', () => {
  const plain = { price: null, cost: null, use: null };
  const [a, b, c] = [full('200000000001'), full('200000000002'), full('200000000003')] as const;
  it('finds them in lines and in tables, counts copies, tells slips', () => {
    const list = barcodesIn(
      `title;shelf\nBirds;${a}\n"Ships";"${b}"\n${a}\n2000000000019\nphone 0123`,
      'EUR',
    );
    expect(list.barcodes).toEqual([
      { digits: a, times: 2, ...plain },
      { digits: b, times: 1, ...plain },
    ]);
    expect(list.refused).toEqual([{ text: '2000000000019', why: { code: 'barcodeCheckDigit', params: {} } }]);
    expect(list.left.map((l) => [l.line, l.text])).toEqual([
      [1, 'title shelf'],
      [2, 'Birds'],
      [3, 'Ships'],
      [6, 'phone 0123'],
    ]);
  });
  it('takes quantity, price, cost and condition by headings, and names the others', () => {
    const list = barcodesIn(
      `EAN;Title;Qty;Asking price;Cost;Condition;Shelf\n${a};Birds;3;4,50;€1.20;Very ` +
        `good;B2\n${b};Ships;;12.00;;new;B3\n${b};Ships;1;12,00;;New;B3`,
      'EUR',
    );
    expect(list.barcodes).toEqual([
      { digits: a, times: 3, price: 450, cost: 120, use: 'light' },
      { digits: b, times: 2, price: 1_200, cost: null, use: 'unused' },
    ]);
    expect(list.columns).toEqual({
      taken: ['EAN', 'Qty', 'Asking price', 'Cost', 'Condition'],
      not: ['Title', 'Shelf'],
    });
    expect(list.left).toEqual([]);
  });
  it('tells of every cell and line that nothing was made of, and keeps the rest', () => {
    const list = barcodesIn(
      `barcode,quantity,price,condition\n${a},lots,4.50,good\n${b},0,1.00,good\n${c},2,cheap,so ` +
        'so\n,1,3.00,good',
      'EUR',
    );
    expect(list.barcodes).toEqual([
      { digits: a, times: 1, price: 450, cost: null, use: 'regular' },
      { digits: c, times: 2, price: null, cost: null, use: null },
    ]);
    expect(list.left.map((l) => [l.line, l.text, l.why.code])).toEqual([
      [2, 'lots', 'copiesUnread'],
      [3, '0', 'noCopies'],
      [4, 'cheap', 'amountLeft'],
      [4, 'so so', 'conditionUnread'],
      [5, '1 3.00 good', 'noBarcode'],
    ]);
  });
  it('never takes for a price what is under no heading, nor a long number for a barcode beside one', () => {
    expect(barcodesIn(`${a} 4.50`, 'EUR').barcodes).toEqual([]);
    expect(barcodesIn(`${a}\t4.50`, 'EUR')).toMatchObject({
      barcodes: [{ digits: a, ...plain }],
      left: [{ text: '4.50' }],
    });
    expect(barcodesIn(`barcode,phone\n${a},${b}`, 'EUR').barcodes.map((x) => x.digits)).toEqual([a]);
  });
  it('keeps to its bounds and says what is left', () => {
    const many = Array.from({ length: MOST_BARCODES + 3 }, (_, i) => full(`2${String(i).padStart(11, '0')}`));
    const list = barcodesIn(many.join('\n'), 'EUR');
    expect(list.barcodes).toHaveLength(MOST_BARCODES);
    expect(list.tooMany).toBe(3);
    expect(barcodesIn(`ean;qty\n${a};999\n${b};999\n${c};999`, 'EUR')).toMatchObject({
      barcodes: [{ digits: a }, { digits: b }],
      tooMany: 999,
    });
    const long = barcodesIn(`${a}\n${'x'.repeat(30)}\n`.repeat(9_000), 'EUR');
    expect(long.left.length + long.moreLeft).toBeGreaterThan(4_000);
    expect(long.refused).toEqual([]);
  });
  it('takes the same article written with zeros in front as one', () => {
    const upc = full('04000000001');
    expect(barcodesIn(`${upc}\n0${upc}`, 'EUR').barcodes).toEqual([
      { digits: `0${upc}`, times: 2, ...plain },
    ]);
  });
  it('accounts for every true barcode once', () => {
    const twelve = fc.integer({ min: 0, max: 99_999_999_999 }).map((n) => `2${String(n).padStart(11, '0')}`);
    fc.assert(
      fc.property(
        fc.array(twelve, { maxLength: 30 }),
        fc.constantFrom('\n', ';', '\t', ', '),
        (all, between) => {
          const list = barcodesIn(all.map(full).join(between), 'EUR');
          expect(list.barcodes.reduce((n, b) => n + b.times, 0)).toBe(all.length);
          expect(list.refused).toEqual([]);
        },
      ),
    );
  });
});
