import { timeDay, timeMonday, timeMonth, timeYear } from 'd3-time';

/** From its first moment to the first one after it, by the clock where the person is; ms since 1970. */
export interface Span {
  from: number;
  to: number;
}

export const UNITS = ['week', 'month', 'year'] as const;
export type Unit = (typeof UNITS)[number];

/** When a tax year begins: month and day, `04-06`; no later than the 28th. */
export type YearStart = string;

function startOf(at: number, start: YearStart): Date {
  const [month = 1, day = 1] = start.split('-').map(Number);
  const year = timeYear.floor(new Date(at));
  const begins = new Date(year.getFullYear(), month - 1, day);
  return begins.getTime() <= at ? begins : new Date(year.getFullYear() - 1, month - 1, day);
}

const yearsOn = (from: Date, years: number) =>
  new Date(from.getFullYear() + years, from.getMonth(), from.getDate());

/** The week from Monday on, month, or tax year that a moment lies in. */
export function spanAt(unit: Unit, at: number, start: YearStart): Span {
  if (unit === 'year') {
    const from = startOf(at, start);
    return { from: from.getTime(), to: yearsOn(from, 1).getTime() };
  }
  const by = unit === 'week' ? timeMonday : timeMonth;
  const from = by.floor(new Date(at));
  return { from: from.getTime(), to: by.offset(from, 1).getTime() };
}

/** The one before it. */
export function spanBefore(unit: Unit, span: Span, start: YearStart): Span {
  return spanAt(unit, span.from - 1, start);
}

/** The one after it. */
export function spanAfter(unit: Unit, span: Span, start: YearStart): Span {
  return spanAt(unit, span.to, start);
}

/**
 * As much of the span before as of one that is not over: the days up to this one's. What is over is held
 * against all of it.
 *
 * @param now milliseconds since 1970
 */
export function asFarAs(span: Span, before: Span, now: number): Span {
  if (now >= span.to) return before;
  const days = timeDay.count(new Date(span.from), new Date(now));
  const same =
    timeDay.offset(new Date(before.from), days).getTime() + (now - timeDay.floor(new Date(now)).getTime());
  return { from: before.from, to: Math.max(before.from, Math.min(before.to, same)) };
}

/** What it is drawn by: the days of a week or month, the months of a year. */
export function partsOf(unit: Unit, span: Span): Span[] {
  const parts: Span[] = [];
  const next = (i: number) =>
    unit === 'year'
      ? monthsOn(new Date(span.from), i).getTime()
      : timeDay.offset(new Date(span.from), i).getTime();
  for (let i = 0; next(i) < span.to; i += 1)
    parts.push({ from: next(i), to: Math.min(span.to, next(i + 1)) });
  return parts;
}

const monthsOn = (from: Date, months: number) =>
  new Date(from.getFullYear(), from.getMonth() + months, from.getDate());
