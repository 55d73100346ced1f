import Papa from 'papaparse';

/** What may stand in a cell. */
export type Cell = string | number | null;

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
export function csvLines(rows: readonly (readonly Cell[])[]): string {
  const cells = rows.map((row) => row.map((cell) => (typeof cell === 'string' ? harmlessText(cell) : cell)));
  return cells.length === 0 ? '' : Papa.unparse(cells, { newline: NEW_LINE }) + NEW_LINE;
}

/** A whole table, its head first. */
export function csvTable(head: readonly string[], rows: readonly (readonly Cell[])[]): string {
  return csvLines([head, ...rows]);
}
