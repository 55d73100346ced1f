import fc from 'fast-check';
import Papa from 'papaparse';

import { csvLines, csvTable, harmlessText, plainText } from './csv';

/** As a spreadsheet sees it: its cells. */
const cells = (csv: string) => Papa.parse<string[]>(csv, { newline: '\r\n' }).data.slice(0, -1);

describe('a table', () => {
  // OWASP, CSV Injection: cells must not begin with = + - @, tab or carriage return.
  it.each([
    '=1+1',
    '+1+1',
    '-1+1',
    '@SUM(A1)',
    '\tx',
    '\rx',
    '=HYPERLINK("http://x")\nsecond line',
    '\n=1+1',
    '＝1+1',
  ])('%j is no formula in it', (text) => {
    const cell = cells(csvLines([[text]]))[0]?.[0];
    expect(cell).toBe(`'${text}`);
    expect(plainText(cell!)).toBe(text);
  });
  it('leaves figures and plain words as they are', () => {
    expect(
      cells(
        csvTable(
          ['what', 'left'],
          [
            ['Jug', -3.5],
            ['Note', '-12.50'],
            ["'quoted'", null],
          ],
        ),
      ),
    ).toEqual([
      ['what', 'left'],
      ['Jug', '-3.5'],
      ['Note', '-12.50'],
      ["'quoted'", ''],
    ]);
  });
  it('never begins a cell with a sign of a formula, and gives every text back as it was', () => {
    const text = fc.oneof(fc.string(), fc.stringMatching(/^['=+\-@\t\r\n]{0,4}[a-z"',\n]{0,6}$/));
    fc.assert(
      fc.property(text, (t) => {
        const safe = harmlessText(t);
        expect(plainText(safe)).toBe(t);
        if (!/^-\d+(?:[.,]\d+)?$/u.test(t)) expect(safe).not.toMatch(/^[=+\-@\t\r\n]/u);
      }),
    );
  });
  // RFC 4180, 2: fields with line breaks, quotes and commas.
  it('comes back cell by cell, whatever stands in it', () => {
    fc.assert(
      fc.property(
        fc.array(fc.array(fc.string(), { minLength: 2, maxLength: 4 }), { minLength: 1, maxLength: 5 }),
        (rows) => {
          expect(cells(csvLines(rows)).map((row) => row.map(plainText))).toEqual(rows);
        },
      ),
    );
  });
});
