import Papa from 'papaparse';

import { textOf, type Column, type Decimal, type Value } from './value';

/** What may stand in a cell. */
export type Cell = string | number | null;

/** What parts the cells of a line. */
export const SEPARATORS = [',', ';', '\t'] as const;
export type Separator = (typeof SEPARATORS)[number];

/** How a table is written as text. */
export interface CsvWays {
  separator: Separator;
  decimal: Decimal;
  /** Begins with the mark that tells old spreadsheets that it is UTF-8. */
  mark: boolean;
}

const NEW_LINE = '\r\n';

/**
 * What a spreadsheet may take for a formula: a cell that begins with one of these signs (wide forms
 * included), whatever comes after it, or with a tab or a line break.
 *
 * @see OWASP, CSV Injection
 */
const FORMULA = /^[=+\-@\t\r\n\uFF1D\uFF0B\uFF0D\uFF20]/u;
/** A figure below zero is none. */
const FIGURE = /^-\d+(?:[.,]\d+)?$/u;

/** A text that no spreadsheet takes for a formula; {@link plainText} gives it back as it was. */
export function harmlessText(text: string): string {
  const bare = text.replace(/^'+/u, '');
  return FORMULA.test(bare) && !FIGURE.test(text) ? `'${text}` : text;
}

/** The text again that {@link harmlessText} was given. */
export function plainText(text: string): string {
  return text.startsWith("'") && FORMULA.test(text.replace(/^'+/u, '')) ? text.slice(1) : text;
}

/** Rows as lines of a table (RFC 4180) for people and their spreadsheets, each with its line end. */
export function csvLines(rows: readonly (readonly Cell[])[], delimiter: Separator = ','): string {
  const cells = rows.map((row) => row.map((cell) => (typeof cell === 'string' ? harmlessText(cell) : cell)));
  return cells.length === 0 ? '' : Papa.unparse(cells, { newline: NEW_LINE, delimiter }) + NEW_LINE;
}

/** The head of a table, with the mark where one is wanted. */
export function csvHead<T>(columns: readonly Column<T>[], { separator, mark }: CsvWays): string {
  return (mark ? '\uFEFF' : '') + csvLines([columns.map((c) => c.label)], separator);
}

/** Rows of values as lines of it. */
export function csvValues(rows: readonly (readonly Value[])[], { separator, decimal }: CsvWays): string {
  return csvLines(
    rows.map((row) => row.map((value) => textOf(value, decimal))),
    separator,
  );
}

/** A whole table, its head first. */
export function csvTable(head: readonly string[], rows: readonly (readonly Cell[])[]): string {
  return csvLines([head, ...rows]);
}
