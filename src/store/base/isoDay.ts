import { formatISO } from 'date-fns';

/**
 * The day this is where the person is, as ISO 8601 writes it: what is begun at half past midnight is of the
 * new day.
 *
 * @param at milliseconds since the epoch
 */
export function isoDay(at: number): string {
  return formatISO(at, { representation: 'date' });
}

/** Whether a text is a day of the calendar, as ISO 8601 writes it. */
export function isIsoDay(text: string): boolean {
  const at = /^\d{4}-\d\d-\d\d$/u.test(text) ? Date.parse(text) : NaN;
  // The 31st of February is read as a day in March.
  return !Number.isNaN(at) && new Date(at).toISOString().startsWith(text);
}
