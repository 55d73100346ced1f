import type { Span, Unit } from '@/core/ledger/period';

// Made once each: making one is dearer than writing a hundred days with it.
const format = (how: Intl.DateTimeFormatOptions) => new Intl.DateTimeFormat('en-GB', how);
const MONTH_OF_YEAR = format({ month: 'long', year: 'numeric' });
const YEAR = format({ year: 'numeric' });
const LONG = format({ dateStyle: 'long' });
const MEDIUM = format({ dateStyle: 'medium' });
const DAY_OF_MONTH = format({ day: 'numeric', month: 'long', year: 'numeric' });
const WEEKDAY = format({ weekday: 'long', day: 'numeric', month: 'long' });
const SHORT = {
  week: format({ weekday: 'short' }),
  month: format({ day: 'numeric' }),
  year: format({ month: 'narrow' }),
};

/** "23–29 November 2026", "November 2026", "2026", "6 Apr 2025 – 5 Apr 2026". */
export function spanWords(unit: Unit, { from, to }: Span): string {
  const last = to - 1;
  if (unit === 'month') return MONTH_OF_YEAR.format(from);
  if (unit === 'week') return LONG.formatRange(from, last);
  const isPlain = new Date(from).getMonth() === 0 && new Date(from).getDate() === 1;
  return isPlain ? YEAR.format(from) : MEDIUM.formatRange(from, last);
}

/** What a part of a span is called: with its day or month, and as short as it goes. */
export function partWords(unit: Unit, part: Span): { name: string; short: string } {
  return {
    name: (unit === 'year' ? DAY_OF_MONTH : WEEKDAY).format(part.from),
    short: SHORT[unit].format(part.from),
  };
}
