import fc from 'fast-check';
import { read as openSheet } from 'xlsx';

import type { Column, Value } from './value';
import { workbookSheets, xlsxFile } from './xlsx';

const column = (id: string, sort: Column<unknown>['sort']): Column<unknown> => ({
  id,
  label: id,
  sort,
  usual: true,
  of: () => null,
});
const COLUMNS = [
  column('Title', 'words'),
  column('Price, EUR', 'amount'),
  column('Bought', 'day'),
  column('Taken in', 'moment'),
  column('Listing', 'link'),
];
const rowsOf = async (rows: Value[][], columns = COLUMNS) => {
  const { file, tooLong } = await xlsxFile(columns, rows, 'Stock: [all]/now');
  return { file, tooLong, bytes: new Uint8Array(await file.arrayBuffer()) };
};

// Another reader: SheetJS, which shares no code with what writes the file.
it('is opened by another reader: numbers, dates and links are that, formulas are words', async () => {
  const { bytes } = await rowsOf([
    [
      '=HYPERLINK("http://x")',
      24.5,
      { day: '2026-11-08' },
      { moment: '2026-03-29 02:30:00' },
      { link: 'https://moor.example/?a=1&b="2"' },
    ],
    ['Größe 🧶 <b>', -3, null, null, null],
  ]);
  const book = openSheet(bytes, { cellDates: false });
  expect(book.SheetNames).toEqual(['Stock   all  now']);
  const sheet = book.Sheets[book.SheetNames[0]!]!;
  expect([sheet.A1.v, sheet.B1.v]).toEqual(['Title', 'Price, EUR']);
  expect(sheet.A2).toMatchObject({ t: 's', v: '\'=HYPERLINK("http://x")' });
  expect(sheet.A2.f).toBeUndefined();
  expect(sheet.B2).toMatchObject({ t: 'n', v: 24.5, w: '24.50' });
  // Days since the end of 1899: 8 November 2026 is 46,334 (ECMA-376, 18.17.4.1).
  expect(sheet.C2).toMatchObject({ t: 'n', v: 46_334 });
  expect(sheet.D2.v).toBeCloseTo(46_110 + 2.5 / 24, 6);
  // This reader leaves an address as XML writes it.
  expect(sheet.E2.l.Target).toBe('https://moor.example/?a=1&amp;b=&quot;2&quot;');
  expect([sheet.A3.v, sheet.B3.v]).toEqual(['Größe 🧶 <b>', -3]);
});

it('gives every text back as it was, whatever signs it holds', async () => {
  const text = fc.oneof(
    fc.string(),
    fc.string({ unit: 'binary' }),
    fc.constantFrom('_x0041_', "'=1", '\u0001', 'a\r\nb', '  x ', '\uD800', '_x005F_x0041_'),
  );
  await fc.assert(
    fc.asyncProperty(fc.array(text, { minLength: 1, maxLength: 8 }), async (texts) => {
      const { file } = await rowsOf(
        texts.map((t) => [t, 1]),
        COLUMNS.slice(0, 2),
      );
      const [sheet] = await workbookSheets(file);
      expect(sheet?.rows.slice(1).map(([t]) => t ?? '')).toEqual(texts);
    }),
    { numRuns: 60 },
  );
});

it('leaves out what no cell holds, and says so', async () => {
  const { file, tooLong } = await rowsOf([['x'.repeat(40_000), 1]], COLUMNS.slice(0, 2));
  expect(tooLong).toBe(1);
  expect((await workbookSheets(file))[0]?.rows[1]).toEqual([null, 1]);
});

it('is none where the file is none', async () => {
  await expect(workbookSheets(new Blob(['PK, but no']))).rejects.toThrow();
});
