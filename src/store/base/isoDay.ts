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
