import Papa from 'papaparse';

import { NONE, type Coded, type None } from '@/contract/coded';
import { STATEMENT_SORTS, StatementLine } from '@/contract/orders';
import type { StatementFormat } from '@/contract/ruleSheet';

import { exponentOf } from '../money/money';

/** Why a row of a statement was left out. */
export interface RowTroubleParams {
  unknownSort: { said: string };
  amountUnread: None;
  dayOrOrderUnread: None;
  quoteNotClosed: None;
  fileTooLong: None;
}
export type RowTrouble = Coded<RowTroubleParams>;

export interface StatementRead {
  lines: StatementLine[];
  /** Rows that could not be read, with why; they are left out. */
  trouble: { row: number; why: RowTrouble }[];
}

/** Longest statement that is read, characters. */
const MOST = 2_000_000;

/**
 * Reads a statement file in the signs, columns and words its marketplace's rules tell.
 *
 * @returns null where it is not such a file at all
 */
export function readStatement(text: string, format: StatementFormat, currency: string): StatementRead | null {
  const { columns, sorts, separator, decimal } = format;
  const exponent = exponentOf(currency);
  // Cut between two rows, never within one: half an amount is another amount.
  const cut = text.length > MOST ? text.lastIndexOf('\n', MOST) + 1 : text.length;
  const table = Papa.parse<Record<string, string>>(text.slice(0, cut).replace(/^\uFEFF/u, ''), {
    header: true,
    delimiter: separator,
    skipEmptyLines: 'greedy',
  });
  const heads = table.meta.fields ?? [];
  if (!Object.values(columns).every((c) => heads.includes(c))) return null;
  const lines: StatementLine[] = [];
  const trouble: StatementRead['trouble'] = [];
  table.data.forEach((row, i) => {
    const said = row[columns.sort]?.trim();
    const sort = STATEMENT_SORTS.find((s) => sorts[s] === said);
    const amount = minorOf(row[columns.amount] ?? '', decimal, exponent);
    const line = StatementLine.safeParse({
      sort,
      amount,
      order: row[columns.order]?.trim(),
      day: row[columns.day]?.trim(),
    });
    if (line.success) lines.push(line.data);
    else
      trouble.push({
        row: i + 2,
        why: !sort
          ? { code: 'unknownSort', params: { said: said ?? '' } }
          : { code: amount === null ? 'amountUnread' : 'dayOrOrderUnread', params: NONE },
      });
  });
  for (const error of table.errors)
    if (error.type === 'Quotes')
      trouble.push({
        row: (error.row ?? 0) + 2,
        why: { code: 'quoteNotClosed', params: NONE },
      });
  if (cut < text.length)
    trouble.push({
      row: table.data.length + 2,
      why: { code: 'fileTooLong', params: NONE },
    });
  return { lines, trouble };
}

/**
 * An amount as bookkeeping writes it: a sign or brackets for what goes out, a currency's sign or code before
 * or after.
 */
const WRITTEN =
  /^(?<open>\()?\s*(?<sign>[-+−])?\s*(?:\p{Sc}|[A-Z]{3}\s)?\s*(?<late>[-+−])?(?<figures>[\d.,]+)\s*(?:\p{Sc}|[A-Z]{3})?\s*(?<end>[-−])?(?<close>\))?$/u;

function minorOf(text: string, decimal: '.' | ',', exponent: number): number | null {
  const said = text.trim();
  if (said.length > 24) return null;
  const { open, close, sign, late, end, figures = '' } = WRITTEN.exec(said)?.groups ?? {};
  const signs = [sign, late, end].filter(Boolean);
  // One sign at most, and no minus within brackets: twice less might be more.
  if (Boolean(open) !== Boolean(close) || signs.length > 1 || (open && signs.length > 0)) return null;
  // Thousands may be parted, in threes: with the other sign for decimals "12.50" must not become 1250.
  const parts = figures.split(decimal);
  const [whole = '', fraction = ''] = parts;
  const thousands =
    decimal === ',' ? /^(?:\d{1,3}(?:\.\d{3})*|\d{1,9})$/u : /^(?:\d{1,3}(?:,\d{3})*|\d{1,9})$/u;
  if (parts.length > 2 || !thousands.test(whole) || figures.length > 14) return null;
  // Fewer decimals may be written than there are; more only where they are nought.
  if (
    parts.length === 2 &&
    (!/^\d+$/u.test(fraction) ||
      /[1-9]/u.test(fraction.slice(exponent)) ||
      fraction.length > Math.max(exponent, 2))
  )
    return null;
  const amount = Number(whole.replace(/[.,]/gu, '') + fraction.slice(0, exponent).padEnd(exponent, '0'));
  return open || (signs[0] && signs[0] !== '+') ? 0 - amount : amount;
}

/**
 * What is known of a marketplace's lines after another file was read: nothing is counted twice where files
 * overlap, and two like lines of one file stay two.
 */
export function withLines(known: readonly StatementLine[], read: readonly StatementLine[]): StatementLine[] {
  const keyOf = (l: StatementLine) => `${l.day} ${l.sort} ${l.order} ${l.amount}`;
  const counted = new Map<string, number>();
  for (const l of known) counted.set(keyOf(l), (counted.get(keyOf(l)) ?? 0) + 1);
  const fresh = read.filter((l) => {
    const left = counted.get(keyOf(l)) ?? 0;
    if (left > 0) counted.set(keyOf(l), left - 1);
    return left === 0;
  });
  return [...known, ...fresh].sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : 0));
}
