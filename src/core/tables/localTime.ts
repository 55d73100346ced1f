import { formatISO9075 } from 'date-fns';

import { isoDate } from './said';

/** A moment by the clock of the place this runs at, `2026-11-08 18:42:05`. */
export function toLocal(at: number): string {
  return formatISO9075(at);
}

/** The moment that was then; null: it is none, or from before 1970. */
export function fromLocal(moment: string): number | null {
  const iso = isoDate(moment, 'dmy');
  if (iso === null) return null;
  const at = new Date(iso.includes(' ') ? iso.replace(' ', 'T') : `${iso}T00:00:00`).getTime();
  return at >= 0 ? at : null;
}
