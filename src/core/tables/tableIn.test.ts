import fc from 'fast-check';

import { Item } from '@/contract/records';

import { fromLocal, toLocal } from './localTime';
import { Headings, matchColumns, type Match } from './match';
import { indexOf, TableIn, type InOptions, type LinePlan } from './planIn';
import { decodeText, headed, jsonTable, textTable } from './read';
import { dateOrderOf, decimalOf, isoDate, saidIn, type RawCell } from './said';
import { severalAlike } from '../choices/choices';
import { checkDigit } from '../identity/gtin';
import { BUILT_IN } from '../kinds/tree';
import type { TableWays } from './stock/column';
import { stockColumns, usualColumns } from './stock/stockTable';

const ways: TableWays = {
  kinds: BUILT_IN,
  currency: 'EUR',
  units: 'metric',
  groups: {},
  hauls: {},
  owners: {},
  toLocal,
  fromLocal,
};
const columns = stockColumns(ways);
const headings = new Headings(columns, ways);
const ean = (n: number) => {
  const twelve = `2${String(n).padStart(11, '0')}`;
  return twelve + checkDigit(twelve);
};
const anItem = (part: Partial<Item>): Item =>
  Item.parse({ id: 'i1', code: 'YA-0001', author: 'Me', createdAt: 0, updatedAt: 0, ...part });

interface Read {
  matches: Match[];
  plans: LinePlan[];
  table: TableIn;
}

/** A file as the app reads it, and what it would do. */
function read(
  rows: readonly (readonly RawCell[])[],
  there: readonly Item[] = [],
  part: Partial<InOptions> = {},
): Read {
  const { head, rows: lines } = headed(rows, (h) => headings.isKnown(h));
  const texts = lines.flatMap(({ cells }) => cells.filter((c): c is string => typeof c === 'string'));
  const file = { decimal: decimalOf(texts) ?? '.', dates: dateOrderOf(texts) ?? 'dmy' } as const;
  const codes = new Set(there.map((i) => i.code.toLowerCase()));
  const matches = matchColumns(head, lines, headings, { ...ways, ...file }, codes);
  const options = { ...file, foundBy: 'code', emptyClears: false, leaveUnread: false, ...part } as const;
  const fields = matches.map((m) => m.field);
  const table = new TableIn(lines, fields, head, columns, indexOf(there), ways, options);
  return { matches, table, plans: Array.from({ length: table.length }, (_, i) => table.plan(i)) };
}
const text = (file: string, there: readonly Item[] = [], part: Partial<InOptions> = {}) =>
  read(textTable(file).rows, there, part);
const fields = ({ matches }: Read) => matches.map((m) => m.field);

describe('a foreign table', () => {
  const odd =
    'My stock list;;;;;;;;\nwritten on 8 November;;;;;;;;\n' +
    'Artikelnr;Bezeichnung;Marke;Farbe;Pit to pit (in);EK;Preis;Zustand;Lagerplatz\n' +
    'A-17;Grüner Pullover;Kittiwake Mills;Grün;21,5;4,00;1.234,50 €;sehr gut;R2\n' +
    'A-18;Jacke;;;;;"60,00";gebraucht;R3\n';

  it('is understood, whatever its tongue, its title lines, its signs and its units', () => {
    const found = text(odd);
    expect(fields(found)).toEqual([
      'code',
      'title',
      'fact:brand',
      'fact:colour',
      'measure:chest',
      'cost',
      'price',
      'use',
      'spot',
    ]);
    expect(found.matches[0]?.samples).toEqual(['A-17', 'A-18']);
    const [first, second] = found.plans;
    expect(first).toMatchObject({ line: 4, outcome: 'new', code: 'A-17', troubles: [] });
    expect(first?.part).toMatchObject({
      title: 'Grüner Pullover',
      cost: 400,
      price: 123_450,
      use: 'light',
      spot: 'R2',
      // Nobody said its kind: what no item is asked waits until a kind asks. 21.5 in are 546.1 mm.
      parked: { measurements: { chest: 546.1 } },
    });
    expect(second?.part).toMatchObject({ price: 6_000, use: 'regular' });
  });

  it('in UTF-16 or Windows-1252 has the same letters', () => {
    const bytes = Buffer.from(odd.replace('€', 'EUR'), 'latin1');
    expect(decodeText(bytes)).toMatchObject({ encoding: 'windows-1252' });
    expect(decodeText(new Uint8Array([0x80, 0x2d, 0xe4])).text).toBe('€-ä');
    expect(decodeText(Buffer.from(odd)).encoding).toBe('utf-8');
    const utf16 = Buffer.from(odd, 'utf16le');
    expect(decodeText(utf16)).toEqual({ encoding: 'utf-16le', text: odd });
    expect(decodeText(utf16.swap16())).toEqual({ encoding: 'utf-16be', text: odd });
  });

  it('without headings is told by what stands in it', () => {
    const found = text(`${ean(1)};Wading birds of the estuary\n${ean(2)};Ships of the northern coast\n`);
    expect(fields(found)).toEqual(['fact:barcode', 'title']);
    expect(found.plans.map((p) => p.part.title)).toEqual([
      'Wading birds of the estuary',
      'Ships of the northern coast',
    ]);
  });

  it('never takes amounts of another currency, nor words, for a price', () => {
    expect(fields(text('SKU,Price (USD)\nA,4.50\n'))).toEqual(['code', null]);
    expect(fields(text('SKU,Price (EUR)\nA,4.50\n'))).toEqual(['code', 'price']);
    expect(fields(text('SKU,Price\nA,cheap\nB,dear\n'))).toEqual(['code', null]);
  });

  it('of barcodes comes with what stands beside them, whatever their column is called', () => {
    const found = text(
      `code;Qty;Asking price;Cost;Condition;Shelf\n${ean(1)};3;4,50;€1.20;Very good;B2\n` +
        `${ean(2)};0;1,00;;good;B2\n2000000000019;lots;cheap;;so so;\n`,
    );
    expect(fields(found)).toEqual(['fact:barcode', 'times', 'price', 'cost', 'use', 'spot']);
    const [one, none, odd3] = found.plans;
    expect(one).toMatchObject({ outcome: 'new', times: 3 });
    expect(one?.part).toMatchObject({
      facts: { barcode: ean(1) },
      price: 450,
      cost: 120,
      use: 'light',
      spot: 'B2',
    });
    expect(none?.troubles.map((t) => t.why.code)).toEqual(['noCopies']);
    expect(odd3).toMatchObject({ outcome: 'refused', part: {} });
    expect(odd3?.troubles.map((t) => [t.column, t.text, t.why.code])).toEqual([
      [0, '2000000000019', 'barcodeCheckDigit'],
      [4, 'so so', 'notOneOf'],
      [2, 'cheap', 'amountNotDigits'],
      [1, 'lots', 'copiesUnread'],
    ]);
  });

  it('of 40 letters and signs of any sort never fails, and never takes a line twice', () => {
    const cell = fc.oneof(
      fc.string({ maxLength: 20 }),
      fc.constantFrom('Price', 'SKU', 'EAN', '1.234,5', ean(3)),
    );
    fc.assert(
      fc.property(fc.array(fc.array(cell, { maxLength: 5 }), { maxLength: 8 }), (rows) => {
        const { plans } = read(rows);
        expect(new Set(plans.map((p) => p.line)).size).toBe(plans.length);
        for (const { outcome, troubles } of plans) expect(outcome === 'refused').toBe(troubles.length > 0);
      }),
    );
  });
});

describe('a line of a table', () => {
  const there = [
    anItem({
      id: 'a',
      code: 'YA-0001',
      kind: 'jumper',
      price: 2_400,
      spot: 'A1',
      facts: { brand: 'Kittiwake' },
    }),
    anItem({ id: 'b', code: 'YA-0002', facts: { barcode: ean(7) } }),
  ];

  it('says what of which item it changes, and leaves the rest', () => {
    const { plans } = text(
      'code,price,spot,title\nya-0001,26.00,A1,\nYA-0002,,,\nYA-0009,5.00,,Jug\n',
      there,
    );
    expect(plans.map((p) => [p.outcome, p.itemId, p.code])).toEqual([
      ['changes', 'a', null],
      ['same', 'b', null],
      ['new', null, 'YA-0009'],
    ]);
    expect(plans[0]?.changes).toEqual([{ field: 'price', label: 'Price, EUR', before: '24', after: '26' }]);
    expect(plans[0]?.part).toEqual({ price: 2_600 });
  });

  it('empties what its cell is empty of only where that is wanted', () => {
    const { plans } = text('code,price,spot\nYA-0001,,\n', there, { emptyClears: true });
    expect(plans[0]?.part).toEqual({ price: null, spot: '' });
  });

  it('is found by its barcode where one item alone has that, and as a person says', () => {
    const list = `barcode,price\n${ean(7)},3.00\n`;
    expect(text(list, there).plans[0]).toMatchObject({ outcome: 'new', itemId: null });
    const found = text(list, there, { foundBy: 'barcode' });
    expect(found.plans[0]).toMatchObject({ outcome: 'changes', itemId: 'b', part: { price: 300 } });
    expect(found.table.choose(2, null)).toEqual([0]);
    expect(found.table.plan(0)).toMatchObject({ outcome: 'new' });
    const coded = text('code,price\nYA-0001,3.00\n', there);
    coded.table.choose(2, null);
    expect(coded.table.plan(0).troubles[0]?.why.code).toBe('codeTaken');
    found.table.choose(2, 'a');
    expect(found.table.plan(0)).toMatchObject({ outcome: 'changes', itemId: 'a' });
  });

  it('that can’t be read waits until it is put right, or goes without that cell', () => {
    const file = 'code,price,spot\nYA-0001,abc,B7\nYA-0001,5.00,B8\n';
    const found = text(file, there);
    expect(found.plans.map((p) => p.outcome)).toEqual(['refused', 'refused']);
    expect(found.plans[1]?.troubles[0]?.why).toEqual({ code: 'codeTwice', params: { line: 2 } });
    expect(found.table.correct(2, 1, '25,00')).toEqual([0]);
    expect(found.table.plan(0)).toMatchObject({ outcome: 'changes', part: { price: 2_500, spot: 'B7' } });
    expect(found.table.texts(2)).toEqual(['YA-0001', '25,00', 'B7']);
    // With another code the first is no first any more: both lines are looked at again.
    expect(found.table.correct(2, 0, 'YA-0002')).toEqual([0, 1]);
    expect([found.table.plan(0).itemId, found.table.plan(1).outcome]).toEqual(['b', 'changes']);
    const without = text(file, there, { leaveUnread: true }).plans;
    expect(without.map((p) => [p.outcome, p.part])).toEqual([
      ['changes', { spot: 'B7' }],
      ['refused', {}],
    ]);
  });

  it('a piece makes an item sold in choices, with what each line says of its piece', () => {
    const { plans } = text(
      'code,title,Option 1,Choice 1,Piece code,Pieces in stock,"Piece price, EUR"\n' +
        'T-1,Tableware,Piece,mug,M,4,6.00\nT-1,,Piece,plate,P,2,\nT-2,Jug,,,,,\n',
    );
    expect(plans.map((p) => [p.outcome, p.code])).toEqual([
      ['new', 'T-1'],
      ['new', 'T-2'],
    ]);
    expect(plans[0]?.part.choices).toMatchObject({
      options: [{ name: 'Piece', values: ['mug', 'plate'] }],
      pieces: [
        { values: ['mug'], stock: 4, price: 600, code: 'M' },
        { values: ['plate'], stock: 2, price: null, code: 'P' },
      ],
    });
  });
  it('a stock without options is several just alike', () => {
    const { plans } = text('code,title,Pieces in stock\nT-1,Mug,3\nT-2,Jug,\nT-3,Tray,many\n');
    expect(plans[0]?.part.choices).toEqual(severalAlike(null, 3, 'T-1'));
    expect(plans[1]?.part.choices).toBeUndefined();
    expect(plans[2]).toMatchObject({ outcome: 'refused' });
  });
});

describe('a cell', () => {
  // Common practice of the countries that write so; a lone sign before three digits parts thousands.
  it.each([
    ['1.234,50 €', ',', '1234.50 €'],
    ['1,234.50', '.', '1234.50'],
    ['1,234', '.', '1234'],
    ['1.234', ',', '1234'],
    ['1.5', ',', '1.5'],
    ['12,5', '.', '12.5'],
    ["1'234.50", '.', '1234.50'],
    ['1 234,50', ',', '1234.50'],
    ['1.234.567', ',', '1234567'],
    ['21 1/4', '.', '21 1/4'],
  ] as const)('%s with %s before decimals is %s', (cell, decimal, said) =>
    expect(saidIn(cell, 'amount', { decimal, dates: 'dmy' })).toBe(said),
  );
  it.each([
    ['2026-11-08', 'dmy', '2026-11-08'],
    ['8.11.2026', 'dmy', '2026-11-08'],
    ['11/08/2026', 'mdy', '2026-11-08'],
    ['31/12/26', 'mdy', '2026-12-31'],
    ['8 Nov 2026', 'dmy', '2026-11-08'],
    ['November 8, 2026', 'dmy', '2026-11-08'],
    ['2026-11-08T18:42:05Z', 'dmy', '2026-11-08 18:42:05'],
    ['8/11/2026 6:42 pm', 'dmy', '2026-11-08 18:42:00'],
    ['30.02.2026', 'dmy', null],
    ['soon', 'dmy', null],
  ] as const)('%s read %s is %s', (cell, order, iso) => expect(isoDate(cell, order)).toBe(iso));
  it('says by itself which way figures and dates are written, or that it does not', () => {
    expect([decimalOf(['1,50', '2,75']), decimalOf(['1.234,5']), decimalOf(['1.234'])]).toEqual([
      ',',
      ',',
      null,
    ]);
    expect([
      dateOrderOf(['1/2/2026', '13/2/2026']),
      dateOrderOf(['2/13/2026']),
      dateOrderOf(['1/2/2026']),
    ]).toEqual(['dmy', 'mdy', null]);
  });
  it('of a spreadsheet is a number or date, whatever the file’s signs', () => {
    const file = { decimal: ',', dates: 'mdy' } as const;
    expect(saidIn(24.5, 'amount', file)).toBe('24.5');
    expect(saidIn(0.1 + 0.2, 'amount', file)).toBe('0.3');
    expect(saidIn(new Date('2026-11-08T00:00:00Z'), 'day', file)).toBe('2026-11-08');
    expect(saidIn(9780306406157, 'words', file)).toBe('9780306406157');
  });
});

it('has the columns that say anything of some items, and a few always', () => {
  const item = anItem({
    use: 'light',
    parked: { facts: { author: 'M. Tarrant' }, measurements: { chest: 540 } },
  });
  const ids = usualColumns(columns, [item, anItem({ facts: { brand: 'Kittiwake' } })]).map((c) => c.id);
  expect(ids).toEqual(
    expect.arrayContaining(['code', 'price', 'sold', 'use', 'fact:author', 'fact:brand', 'measure:chest']),
  );
  for (const id of ['fact:colour', 'description', 'weight', 'data:flaws']) expect(ids).not.toContain(id);
});

// RFC 4180, and what spreadsheets write beside it.
it('cells are parted by whatever parts them, quotations and inches in them or not', () => {
  expect(textTable('a;b\n"x;1";2\n')).toMatchObject({
    separator: ';',
    rows: [['a', 'b'], ['x;1', '2'], ['']],
  });
  expect(textTable('sep=|\na|b').rows).toEqual([['a', 'b']]);
  expect(textTable('a,b\n21" wide,2\nx,3').rows).toEqual([
    ['a', 'b'],
    ['21" wide', '2'],
    ['x', '3'],
  ]);
  expect(textTable("a\n'=1+1\n").rows).toEqual([['a'], ['=1+1'], ['']]);
  expect(jsonTable('{"code":"A","n":1}\n{"code":"B","x":[1]}')).toEqual([
    ['code', 'n', 'x'],
    ['A', 1, null],
    ['B', null, '[1]'],
  ]);
  expect(jsonTable('{"a"')).toBeNull();
});
