import readWorkbook from 'read-excel-file/universal';
import writeWorkbook, { type Cell, type Feature } from 'write-excel-file/universal';
import {
  getCellAddress,
  getOrderOfSiblings,
  getSelfClosingTagMarkup,
  insertElementMarkupAccordingToOrderOfSiblings,
} from 'write-excel-file/utility';

import { harmlessText, plainText } from './csv';
import type { RawCell } from './said';
import type { Column, Value } from './value';

/** What a cell of a spreadsheet holds at most, in UTF-16 code units. ECMA-376; common practice. */
const LONGEST = 32_767;
/** The most links a sheet may have. Common practice. */
const MOST_LINKS = 65_000;
const SHEET_FILE = 'xl/worksheets/sheet{id}.xml';
const LINK = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships/hyperlink';

export interface Written {
  file: Blob;
  /** Cells that hold more than fits into one: they were left empty. */
  tooLong: number;
}

/**
 * A table as a spreadsheet: figures as numbers, days and moments as dates, addresses as links, the head in
 * sight while the rest scrolls.
 *
 * @param name of its one sheet
 * @see ECMA-376, Office Open XML
 */
export async function xlsxFile<T>(
  columns: readonly Column<T>[],
  rows: readonly (readonly Value[])[],
  name: string,
): Promise<Written> {
  let tooLong = 0;
  const links: { cell: string; to: string }[] = [];
  const cells = rows.map((row, i) =>
    columns.map((column, j): Cell => {
      const value = row[j] ?? null;
      if (typeof value === 'string' && escaped(value).length > LONGEST) {
        tooLong += 1;
        return null;
      }
      if (value !== null && typeof value === 'object' && 'link' in value && links.length < MOST_LINKS)
        links.push({ cell: getCellAddress(i + 1, j), to: value.link });
      return cellOf(value, column.sort === 'amount');
    }),
  );
  const head = columns.map((c): Cell => ({ value: escaped(c.label), fontWeight: 'bold' }));
  const file = await writeWorkbook(
    [head, ...cells],
    {
      sheet: sheetName(name),
      stickyRowsCount: 1,
      columns: columns.map(({ label }) => ({ width: widthOf(label) })),
    },
    { features: links.length > 0 ? [linksFeature(links)] : [] },
  ).toBlob();
  return { file, tooLong };
}

function widthOf(label: string): number {
  return Math.min(40, Math.max(12, label.length + 2));
}

/** Signs that no sheet's name may hold, and the most it may be long. */
function sheetName(name: string): string {
  return name.replace(/[\\/?*[\]:']/gu, ' ').slice(0, 31) || 'Table';
}

function cellOf(value: Value, isAmount: boolean): Cell {
  if (value === null || value === '') return null;
  // A text is none, whatever it begins with: saved from there as text again, it still is not.
  if (typeof value === 'string') return { value: escaped(harmlessText(value)), type: String };
  if (typeof value === 'number') return isAmount ? { value, format: '0.00' } : value;
  if (typeof value === 'boolean') return value ? 'Yes' : 'No';
  if ('link' in value) return { value: escaped(value.link), type: String, textColor: '#1f5fa8' };
  const isDay = 'day' in value;
  const said = isDay ? value.day : value.moment.replace(' ', 'T');
  const date = new Date(isDay ? `${said}T00:00:00Z` : `${said}Z`);
  if (Number.isNaN(date.getTime())) return isDay ? value.day : value.moment;
  return { value: date, type: Date, format: isDay ? 'yyyy-mm-dd' : 'yyyy-mm-dd hh:mm:ss' };
}

/**
 * Signs that XML has no place for, as the format writes them; what looks like such a writing is written so
 * itself.
 *
 * @see ECMA-376, ST_Xstring
 */
function escaped(text: string): string {
  return text
    .replace(/_(?=x[0-9A-Fa-f]{4}_)/gu, '_x005F_')
    .replace(
      /[\u0000-\u0008\u000B-\u001F\uFFFE\uFFFF]|[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/g,
      (sign) => `_x${sign.charCodeAt(0).toString(16).toUpperCase().padStart(4, '0')}_`,
    );
}

function linksFeature(links: readonly { cell: string; to: string }[]): Feature<Blob> {
  const order = getOrderOfSiblings(SHEET_FILE, 'worksheet') ?? [];
  const marks = links
    .map(({ cell }, i) => getSelfClosingTagMarkup('hyperlink', { ref: cell, 'r:id': `link-${i}` }))
    .join('');
  return {
    files: {
      transform: {
        [SHEET_FILE]: {
          transform: (xml) =>
            insertElementMarkupAccordingToOrderOfSiblings(
              xml,
              `<hyperlinks>${marks}</hyperlinks>`,
              order,
              'worksheet',
            ),
        },
        'xl/worksheets/_rels/sheet{id}.xml.rels': {
          insert: () =>
            links
              .map(({ to }, i) =>
                getSelfClosingTagMarkup('Relationship', {
                  Id: `link-${i}`,
                  Type: LINK,
                  Target: to,
                  TargetMode: 'External',
                }),
              )
              .join(''),
        },
      },
    },
  };
}

/** The sheets of a workbook that hold anything. @throws Error where it is none */
export async function workbookSheets(file: Blob): Promise<{ name: string; rows: RawCell[][] }[]> {
  const sheets = await readWorkbook(await file.arrayBuffer(), { trim: false });
  return sheets
    .filter(({ data }) => data.length > 0)
    .map(({ sheet, data }) => ({
      name: sheet,
      rows: data.map((row) => row.map(rawOf)),
    }));
}

/** What the reader gives, by what it is: its own types say less. */
function rawOf(cell: unknown): RawCell {
  if (typeof cell === 'string') return plainText(cell);
  return typeof cell === 'number' || typeof cell === 'boolean' || cell instanceof Date ? cell : null;
}
