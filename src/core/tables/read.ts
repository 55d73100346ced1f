import Papa from 'papaparse';

import { plainText } from './csv';
import type { RawCell } from './said';

/** How a text's bytes say its letters. */
export const ENCODINGS = ['utf-8', 'utf-16le', 'utf-16be', 'windows-1252'] as const;
export type Encoding = (typeof ENCODINGS)[number];

/** Bytes looked at to tell an encoding. */
const LOOKED_AT = 4_096;

/**
 * A file's text, whatever it was written in: by its mark, by the zeros of two-byte letters, or as UTF-8 where
 * it is that without a fault; else Windows-1252.
 *
 * @see https://encoding.spec.whatwg.org
 */
export function decodeText(bytes: Uint8Array): { text: string; encoding: Encoding } {
  const encoding = encodingOf(bytes);
  const text = new TextDecoder(encoding).decode(bytes);
  return {
    text:
      encoding === 'windows-1252'
        ? text.replace(C1, (sign) => LETTERS[sign.charCodeAt(0) - 0x80] ?? sign)
        : text,
    encoding,
  };
}

/** Some readers take it for Latin-1, which has no letters there. */
const C1 = /[\u0080-\u009F]/gu;
/** What Windows-1252 has at those places, by the same standard. */
const LETTERS = '€\u0081‚ƒ„…†‡ˆ‰Š‹Œ\u008DŽ\u008F\u0090‘’“”•–—˜™š›œ\u009DžŸ';

function encodingOf(bytes: Uint8Array): Encoding {
  const [a, b] = bytes;
  if (a === 0xff && b === 0xfe) return 'utf-16le';
  if (a === 0xfe && b === 0xff) return 'utf-16be';
  const seen = bytes.subarray(0, LOOKED_AT);
  const zeros = [0, 0];
  // Latin letters in two bytes have a zero at every other place.
  seen.forEach((byte, i) => {
    if (byte === 0) zeros[i % 2]! += 1; // two counters, even and odd
  });
  const half = seen.length / 2;
  const [even = 0, odd = 0] = zeros;
  if (odd > half * 0.6 && even < half * 0.1) return 'utf-16le';
  if (even > half * 0.6 && odd < half * 0.1) return 'utf-16be';
  try {
    new TextDecoder('utf-8', { fatal: true }).decode(bytes);
    return 'utf-8';
  } catch {
    // It is no UTF-8: of the others the commonest.
    return 'windows-1252';
  }
}

export interface TextTable {
  rows: string[][];
  separator: string;
}

/** A line that some spreadsheets begin with to say what parts the cells. */
const SAYS_SEPARATOR = /^sep=(.)\r?\n/iu;
/** A sign that stands in no text: nothing is taken for a quotation. */
const NO_QUOTES = '\u0001';

/**
 * A text's cells, whatever parts them. Cells made harmless for spreadsheets are as they were before.
 *
 * @see RFC 4180
 */
export function textTable(text: string): TextTable {
  const bare = text.replace(/^\uFEFF/u, '');
  const told = SAYS_SEPARATOR.exec(bare);
  const body = told ? bare.slice(told[0].length) : bare;
  const separator = told?.[1] ?? separatorOf(body);
  const read = Papa.parse<string[]>(body, { delimiter: separator });
  // A sign of inches opens no quotation: lines must not run into each other.
  const { data } = read.errors.some((e) => e.type === 'Quotes')
    ? Papa.parse<string[]>(body, { delimiter: separator, quoteChar: NO_QUOTES })
    : read;
  return { rows: data.map((row) => row.map((cell) => plainText(String(cell)))), separator };
}

/** Characters looked at for what parts the cells, and the most lines of them. */
const SEEN = 200_000;
const SEEN_LINES = 100;

/**
 * What parts the cells: of the usual signs the one by which the most lines have as many cells as each other,
 * and of those the one that makes the most cells.
 */
function separatorOf(text: string): string {
  const seen = text.slice(0, SEEN);
  const scores = [',', ';', '\t', '|'].map((sign) => {
    const { data } = Papa.parse<string[]>(seen, {
      delimiter: sign,
      preview: SEEN_LINES,
      skipEmptyLines: true,
    });
    // Where the text was cut, the last line is not whole.
    const widths = (seen.length < text.length ? data.slice(0, -1) : data).map((row) => row.length);
    const counts = new Map<number, number>();
    for (const width of widths) if (width > 1) counts.set(width, (counts.get(width) ?? 0) + 1);
    const [width = 0, times = 0] = [...counts].sort((a, b) => b[1] - a[1] || b[0] - a[0])[0] ?? [];
    return { sign, width, alike: times / Math.max(1, widths.length) };
  });
  const best = scores.reduce((a, b) =>
    b.alike > a.alike || (b.alike === a.alike && b.width > a.width) ? b : a,
  );
  return best.width > 1 ? best.sign : ',';
}

/**
 * Lines of JSON as a table: the names of their fields as its head.
 *
 * @returns null where it is none
 * @see https://jsonlines.org
 */
export function jsonTable(text: string): RawCell[][] | null {
  const lines = text.split('\n').filter((line) => line.trim() !== '');
  const records: Record<string, unknown>[] = [];
  for (const line of lines) {
    const record = parsed(line);
    if (record === null) return null;
    records.push(record);
  }
  if (records.length === 0) return null;
  const head = [...new Set(records.flatMap((record) => Object.keys(record)))];
  return [head, ...records.map((record) => head.map((name) => jsonCell(record[name])))];
}

function parsed(line: string): Record<string, unknown> | null {
  if (!line.trimStart().startsWith('{')) return null;
  try {
    const value: unknown = JSON.parse(line);
    // Begins with a brace: an object, or it would not have been read.
    return value as Record<string, unknown>;
  } catch {
    return null;
  }
}

function jsonCell(value: unknown): RawCell {
  if (value === null || value === undefined) return null;
  if (typeof value === 'string' || typeof value === 'number' || typeof value === 'boolean') return value;
  return JSON.stringify(value);
}

/** A table's head and what stands below it. */
export interface Headed {
  /** Headings, one a column; empty where it has none. */
  head: string[];
  /** Without empty lines. */
  rows: { line: number; cells: RawCell[] }[];
}

/** Lines looked at for the head: titles and notes may stand over it. */
const HEAD_WITHIN = 12;

/**
 * Finds the head: of the first lines the one that says the most of the headings known; else the first whose
 * every cell is words and below which something else stands. Lines above it are left.
 *
 * @param isKnown whether a heading is one of those known
 */
export function headed(rows: readonly (readonly RawCell[])[], isKnown: (heading: string) => boolean): Headed {
  const numbered = rows.map((cells, i) => ({ line: i + 1, cells: [...cells] }));
  const full = numbered.filter(({ cells }) => !isBlank(cells));
  const width = full.reduce((most, { cells }) => Math.max(most, cells.length), 0);
  const scores = full
    .slice(0, HEAD_WITHIN)
    .map(({ cells }) => cells.filter((c) => typeof c === 'string' && isKnown(c)).length);
  const best = scores.indexOf(Math.max(0, ...scores));
  const at = (scores[best] ?? 0) > 0 ? best : wordsOver(full);
  const head = at === null ? [] : (full[at]?.cells ?? []);
  return {
    head: at === null ? [] : Array.from({ length: width }, (_, i) => String(head[i] ?? '').trim()),
    rows: at === null ? full : full.slice(at + 1),
  };
}

/** Whether nothing stands in a line. */
export function isBlank(cells: readonly RawCell[]): boolean {
  return cells.every((c) => c === null || (typeof c === 'string' && c.trim() === ''));
}

/** The first line, where it is words over figures; null: the table has no head. */
function wordsOver(full: readonly { cells: readonly RawCell[] }[]): number | null {
  const isFigure = (cell: RawCell | undefined) =>
    typeof cell === 'number' ||
    cell instanceof Date ||
    (typeof cell === 'string' && /^[\d\s.,€$£¥%/:-]*\d[\d\s.,€$£¥%/:-]*$/u.test(cell));
  const [first, ...below] = full;
  if (!first || below.length === 0) return null;
  const words = first.cells.filter((c) => typeof c === 'string' && c.trim() !== '');
  if (words.length < Math.max(1, first.cells.length / 2) || first.cells.some(isFigure)) return null;
  const figures = below.slice(0, 20).some(({ cells }) => cells.some(isFigure));
  return figures || words.length > 1 ? 0 : null;
}
