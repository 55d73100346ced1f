import Papa from 'papaparse';

import { NONE, type Coded, type None } from '@/contract/coded';
import { keysOf } from '@/contract/fields';
import type { USES } from '@/contract/records';

import { bareDigits, canonicalBarcode, readBarcode, type BarcodeTrouble } from '../identity/gtin';
import { parseMoney, type MoneyTrouble } from '../money/money';
import { plainText } from '../tables/csv';

type Use = (typeof USES)[number];

/** One article of a list, as often as it stands there with the same beside it. */
export interface ListedBarcode {
  /** Digits in the one form in which barcodes are kept. */
  digits: string;
  /** That many copies. */
  times: number;
  /** Minor units; null where none stands there. */
  price: number | null;
  cost: number | null;
  use: Use | null;
}

/** Why nothing, or less, was made of a line or cell. */
export interface LineTroubleParams {
  /** Bytes, about. */
  listTooLong: { most: number };
  amountLeft: { column: 'price' | 'cost'; why: MoneyTrouble };
  noBarcode: None;
  noColumns: None;
  noCopies: None;
  copiesUnread: { most: number };
  conditionUnread: None;
}
export type LineTrouble = Coded<LineTroubleParams>;

export interface BarcodeList {
  barcodes: ListedBarcode[];
  /** What looked like a barcode and is none, with the reason. */
  refused: { text: string; why: BarcodeTrouble }[];
  /** Lines or cells nothing was made of, with the reason, the first {@link MOST_TOLD}. */
  left: { line: number; text: string; why: LineTrouble }[];
  /** How many more of those there were. */
  moreLeft: number;
  /** Headings of columns that were taken, and of those that were not. */
  columns: { taken: string[]; not: string[] };
  /** Copies over {@link MOST_BARCODES} articles or {@link MOST_COPIES} copies: for another time. */
  tooMany: number;
}

/** The most different articles of one list, and the most copies of all. */
export const MOST_BARCODES = 500;
export const MOST_COPIES = 2_000;
/** The longest text looked at, in UTF-16 code units. */
const LONGEST = 200_000;
const MOST_TOLD = 50;
/** Longer numbers of copies are slips. */
const MOST_OF_ONE = 999;

type Column = 'barcode' | 'times' | 'price' | 'cost' | 'use';
/** What columns are headed, in small letters without signs. Common practice. */
const HEADINGS: Readonly<Record<Column, RegExp>> = {
  barcode: /^(?:barcode|bar code|ean|ean13|gtin|isbn|isbn13|isbn10|upc|code|article number)s?$/u,
  times: /^(?:quantity|qty|count|copies|number|how many|pieces|pcs|stock|in stock|amount|n)$/u,
  price: /^(?:price|asking price|asking|sell at|selling price|retail price)$/u,
  cost: /^(?:cost|costs|cost each|paid|bought for|purchase price|buying price)$/u,
  use: /^(?:condition|grade|state|use|wear)$/u,
};
/** Words for how something was used. Common practice. */
const USE_WORDS: readonly [RegExp, Use][] = [
  [/^(?:new|brand new|unused|never used|sealed|unworn|unread|unplayed)$/u, 'unused'],
  [/^(?:as new|like new|near new|mint|near mint|tried|tried or used once or twice)$/u, 'tried'],
  [/^(?:very good|excellent|light|lightly used|lightly worn)$/u, 'light'],
  [/^(?:good|fair|used|regular|used regularly|worn)$/u, 'regular'],
  [/^(?:poor|acceptable|hard|used hard|well used|well worn|heavily used)$/u, 'hard'],
];

/**
 * Barcodes from a pasted or imported list: one a line, or a table. Of a table with headings (a first line
 * that names its columns), copies, price, cost and condition are taken as well; every line and cell nothing
 * was made of is told, and so is whatever has the length of a barcode and a wrong check digit. The same twice
 * is two copies.
 *
 * @param currency of its prices, ISO 4217
 */
export function barcodesIn(text: string, currency: string): BarcodeList {
  const list: BarcodeList = {
    barcodes: [],
    refused: [],
    left: [],
    moreLeft: 0,
    columns: { taken: [], not: [] },
    tooMany: 0,
  };
  const rows = rowsOf(text, list);
  const heads = headingsOf(rows[0] ?? [], list);
  const byKey = new Map<string, ListedBarcode>();
  let copies = 0;
  for (const [i, row] of rows.entries()) {
    const line = i + 1;
    if (row.every((cell) => cell === '') || (heads !== null && i === 0)) continue;
    const here = readRow(row, line, heads, currency, list);
    for (const digits of here.digits) {
      const { times, price, cost, use } = here;
      const key = [digits, price, cost, use].join(' ');
      const known = byKey.get(key);
      if ((!known && byKey.size >= MOST_BARCODES) || copies + times > MOST_COPIES) {
        list.tooMany += times;
        continue;
      }
      copies += times;
      if (known) known.times += times;
      else byKey.set(key, { digits, times, price, cost, use });
    }
  }
  list.barcodes = [...byKey.values()].filter((b) => b.times > 0);
  return list;
}

function rowsOf(text: string, list: BarcodeList): string[][] {
  // What is too long is cut at a line, so that no figure is cut in two.
  const end = text.length <= LONGEST ? text.length : text.lastIndexOf('\n', LONGEST);
  const whole = text.slice(0, Math.max(0, end)).replace(/^\uFEFF/u, '');
  const delimiter = delimiterOf(whole);
  const read = Papa.parse<string[]>(whole, { delimiter });
  // A sign of inches opens no quotation: lines must not run into each other.
  const { data } = read.errors.some((e) => e.type === 'Quotes')
    ? Papa.parse<string[]>(whole, { delimiter, quoteChar: '\u0001' })
    : read;
  if (end < text.length) tell(list, data.length + 1, '', { code: 'listTooLong', params: { most: LONGEST } });
  return data.map((row) => row.map((cell) => plainText(String(cell)).trim()));
}

/** What parts the cells: of the usual signs the one that the most lines hold. */
function delimiterOf(text: string): string {
  const lines = text.split(/\r?\n/u, 200);
  const counts = [';', '\t', '|', ','].map((sign) => ({
    sign,
    n: lines.filter((l) => l.includes(sign)).length,
  }));
  return counts.reduce((best, one) => (one.n > best.n ? one : best)).sign;
}

/** Which column is what; null where the first line names none. */
function headingsOf(row: readonly string[], list: BarcodeList): (Column | null)[] | null {
  const columns = row.map((cell) => {
    const plain = cell
      .toLocaleLowerCase('en')
      .replace(/[^\p{L}\p{N}]+/gu, ' ')
      .trim();
    const found = keysOf(HEADINGS).find((c) => HEADINGS[c].test(plain));
    return found ?? null;
  });
  if (columns.every((c) => c === null) || row.some((cell) => readsAsBarcode(cell))) return null;
  // Of two columns that say the same the first counts.
  const first = columns.map((c, i) => (c !== null && columns.indexOf(c) === i ? c : null));
  for (const [i, heading] of row.entries())
    if (heading !== '')
      (first[i] === null ? list.columns.not : list.columns.taken).push(heading.slice(0, 60));
  return first;
}

function readsAsBarcode(cell: string): boolean {
  return /^\d[\dX]{7,13}$/u.test(bareDigits(cell.replace(/["']/gu, '')));
}

interface Row {
  digits: string[];
  times: number;
  price: number | null;
  cost: number | null;
  use: Use | null;
}

function readRow(
  row: readonly string[],
  line: number,
  heads: readonly (Column | null)[] | null,
  currency: string,
  list: BarcodeList,
): Row {
  const digits: string[] = [];
  const beside: string[] = [];
  let refused = false;
  for (const [i, cell] of row.entries()) {
    const column = heads?.[i];
    // Where a column is headed "barcode", a long number in another one is no barcode.
    if (heads?.includes('barcode') && column !== 'barcode') continue;
    if (!readsAsBarcode(cell)) {
      if (cell !== '' && !column) beside.push(cell);
      continue;
    }
    const bare = bareDigits(cell.replace(/["']/gu, ''));
    const read = readBarcode(bare);
    if (read.ok) digits.push(canonicalBarcode(bare));
    else {
      refused = true;
      if (list.refused.length < 100) list.refused.push({ text: bare, why: read.why });
    }
  }
  const cellOf = (column: Column) => (heads ? (row[heads.indexOf(column)] ?? '') : '');
  const amount = (column: 'price' | 'cost') => {
    const said = cellOf(column);
    if (said === '') return null;
    const parsed = parseMoney(said, currency);
    if (parsed.ok) return parsed.amount;
    tell(list, line, said, { code: 'amountLeft', params: { column, why: parsed.why } });
    return null;
  };
  if (digits.length === 0) {
    if (!refused) tell(list, line, row.filter(Boolean).join(' '), { code: 'noBarcode', params: NONE });
    return { digits, times: 0, price: null, cost: null, use: null };
  }
  // Without headings nobody knows what stands beside a barcode: it is not guessed.
  if (heads === null && beside.length > 0)
    tell(list, line, beside.join(' '), { code: 'noColumns', params: NONE });
  return {
    digits,
    times: timesOf(cellOf('times'), line, list),
    price: amount('price'),
    cost: amount('cost'),
    use: conditionOf(cellOf('use'), line, list),
  };
}

function timesOf(said: string, line: number, list: BarcodeList): number {
  if (said === '') return 1;
  const times = /^\d{1,6}(?:[.,]0+)?$/u.test(said) ? Math.trunc(Number(said.replace(',', '.'))) : NaN;
  if (times > 0 && times <= MOST_OF_ONE) return times;
  if (times === 0) tell(list, line, said, { code: 'noCopies', params: NONE });
  else tell(list, line, said, { code: 'copiesUnread', params: { most: MOST_OF_ONE } });
  return times === 0 ? 0 : 1;
}

function conditionOf(said: string, line: number, list: BarcodeList): Use | null {
  if (said === '') return null;
  const plain = said.toLocaleLowerCase('en').trim();
  const use = USE_WORDS.find(([words]) => words.test(plain))?.[1] ?? null;
  if (use === null) tell(list, line, said, { code: 'conditionUnread', params: NONE });
  return use;
}

function tell(list: BarcodeList, line: number, text: string, why: LineTrouble): void {
  if (list.left.length < MOST_TOLD) list.left.push({ line, text: text.slice(0, 80), why });
  else list.moreLeft += 1;
}
