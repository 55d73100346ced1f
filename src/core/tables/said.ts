import type { Decimal, Sort } from './value';

/** What stands in a cell of a file, as its reader gives it; a date is the wall clock's, written as UTC. */
export type RawCell = string | number | boolean | Date | null;

/** In which order a date's parts stand where its figures alone do not say. */
export const DATE_ORDERS = ['dmy', 'mdy'] as const;
export type DateOrder = (typeof DATE_ORDERS)[number];

/** How a file writes what can be written in several ways. */
export interface FileWays {
  decimal: Decimal;
  dates: DateOrder;
}

/** A cell as plain text: figures with a point, dates by ISO 8601. */
function cellText(cell: RawCell | undefined): string {
  if (cell === null || cell === undefined) return '';
  if (typeof cell === 'string') return cell;
  if (typeof cell === 'boolean') return cell ? 'Yes' : 'No';
  // What was reckoned with carries the last places of a binary fraction along.
  if (typeof cell === 'number') return String(Number(cell.toPrecision(15)));
  if (Number.isNaN(cell.getTime())) return '';
  const [day = '', time = ''] = cell.toISOString().split('T');
  return time.startsWith('00:00:00') ? day : `${day} ${time.slice(0, 8)}`;
}

/**
 * What a cell says, in the one way in which {@link Sort}s are read: figures with a point and no signs between
 * thousands, days as `2026-11-08`. What can't be read so is given back as it stands.
 */
export function saidIn(cell: RawCell | undefined, sort: Sort, ways: FileWays): string {
  const text = cellText(cell);
  if (typeof cell !== 'string') return text;
  switch (sort) {
    case 'amount':
    case 'length':
    case 'weight':
    case 'figure':
      return pointed(text, ways.decimal);
    case 'day':
    case 'moment':
      return isoDate(text, ways.dates) ?? text;
    default:
      return text;
  }
}

/** Spaces that stand between thousands, and the apostrophe that does in some countries. */
const APART = /(?<=\d)[\s\u00A0\u2009\u202F'’](?=\d{3}(?!\d))/gu;

/**
 * Figures in a text with a point before the decimals and nothing between thousands. A sign that can't part
 * thousands, since not three digits follow it, stands before decimals whatever the file usually writes.
 */
function pointed(text: string, decimal: Decimal): string {
  const between = decimal === '.' ? ',' : '.';
  return text
    .trim()
    .replace(APART, '')
    .replace(/\d+(?:[.,]\d+)+/gu, (figure) => {
      const signs = figure.replace(/\d/gu, '');
      const last = signs.at(-1) ?? decimal;
      const isGrouped = (sign: string) =>
        figure
          .split(last === sign ? '\u0000' : last)[0]
          ?.split(sign)
          .slice(1)
          .every((part) => part.length === 3) ?? false;
      if (signs.length === 1 && last === between)
        return isGrouped(between) ? figure.replace(between, '') : figure.replace(between, '.');
      const isAllOne = [...signs].every((sign) => sign === last);
      // Several of one sign can only part thousands.
      if (signs.length > 1 && isAllOne) return isGrouped(last) ? figure.replaceAll(last, '') : figure;
      const at = figure.lastIndexOf(last);
      return `${figure.slice(0, at).replace(/[.,]/gu, '')}.${figure.slice(at + 1)}`;
    });
}

const TIME =
  '(?:[T ,]+(\\d{1,2}):(\\d{2})(?::(\\d{2}))?(?:\\.\\d+)?' +
  '\\s*([AaPp]\\.?[Mm]\\.?)?(?:Z|[+-]\\d\\d:?\\d\\d)?)?';
const YEAR_FIRST = new RegExp(`^(\\d{4})[-/.](\\d{1,2})[-/.](\\d{1,2})${TIME}$`, 'u');
const YEAR_LAST = new RegExp(`^(\\d{1,2})[-/. ](\\d{1,2})[-/. ](\\d{4}|\\d{2})${TIME}$`, 'u');
const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];
const NAMED = new RegExp(
  `^(?:(\\d{1,2})\\.? )?([A-Za-z]{3})[a-z]*\\.?,? (?:(\\d{1,2}),? )?(\\d{4})${TIME}$`,
  'u',
);

/**
 * A date, with its time where there is one, by ISO 8601.
 *
 * @returns null where it is none; a two-figure year is of the last eighty or the next twenty years seen from
 * 2020, common practice
 */
export function isoDate(text: string, order: DateOrder): string | null {
  const bare = text.trim();
  const first = YEAR_FIRST.exec(bare);
  if (first) return dated(first[1], first[2], first[3], first.slice(4));
  const last = YEAR_LAST.exec(bare);
  if (last) {
    const [, a = '', b = '', year = ''] = last;
    const swapped = Number(a) > 12 ? false : Number(b) > 12 || order === 'mdy';
    return dated(fullYear(year), swapped ? a : b, swapped ? b : a, last.slice(4));
  }
  const named = NAMED.exec(bare);
  const month = MONTHS.indexOf(named?.[2]?.toLowerCase() ?? '') + 1;
  if (!named || month === 0) return null;
  return dated(named[4], String(month), named[1] ?? named[3], named.slice(5));
}

function fullYear(year: string): string {
  if (year.length === 4) return year;
  return Number(year) < 40 ? `20${year}` : `19${year}`;
}

function dated(
  year: string | undefined,
  month: string | undefined,
  day: string | undefined,
  time: readonly (string | undefined)[],
): string | null {
  const [y, m, d] = [Number(year), Number(month), Number(day)];
  const at = new Date(Date.UTC(y, m - 1, d));
  // The thirtieth of February is the second of March to a computer.
  if (at.getUTCFullYear() !== y || at.getUTCMonth() !== m - 1 || at.getUTCDate() !== d) return null;
  const iso = at.toISOString().slice(0, 10);
  const [hours, minutes, seconds = '00', half] = time;
  if (hours === undefined || minutes === undefined) return iso;
  const late = /^p/iu.test(half ?? '');
  const hour = half === undefined ? Number(hours) : (Number(hours) % 12) + (late ? 12 : 0);
  if (hour > 23 || Number(minutes) > 59) return null;
  return `${iso} ${String(hour).padStart(2, '0')}:${minutes}:${seconds}`;
}

/**
 * Which sign stands before the decimals in these texts, by those that can be read in one way only.
 *
 * @returns null where none of them says
 */
export function decimalOf(texts: readonly string[]): Decimal | null {
  let points = 0;
  let commas = 0;
  for (const text of texts)
    for (const [figure] of text.matchAll(/\d+(?:[.,]\d+)+/gu)) {
      const marks = figure.replace(/\d/gu, '');
      const decimals = figure.length - figure.search(/[.,]\d*$/u) - 1;
      const mixed = marks.length > 1 && new Set(marks).size === 2;
      // Three digits after a lone sign may be thousands.
      if (!mixed && (marks.length > 1 || decimals === 3)) continue;
      if (marks.at(-1) === ',') commas += 1;
      else points += 1;
    }
  if (points === commas) return null;
  return points > commas ? '.' : ',';
}

/** In which order days and months stand in these texts. @returns null where none of them says */
export function dateOrderOf(texts: readonly string[]): DateOrder | null {
  for (const text of texts) {
    const [, a, b] = YEAR_LAST.exec(text.trim()) ?? [];
    if (Number(a) > 12 && Number(b) <= 12) return 'dmy';
    if (Number(b) > 12 && Number(a) <= 12) return 'mdy';
  }
  return null;
}
