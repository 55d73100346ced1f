import { isoDate } from './said';

const pad = (n: number) => String(n).padStart(2, '0');

/** A moment by the clock of the place this runs at, `2026-11-08 18:42:05`. */
export function toLocal(at: number): string {
  const d = new Date(at);
  const day = `${String(d.getFullYear()).padStart(4, '0')}-${pad(d.getMonth() + 1)}-${pad(d.getDate())}`;
  return `${day} ${pad(d.getHours())}:${pad(d.getMinutes())}:${pad(d.getSeconds())}`;
}

/** The moment that was then; null: it is none, or from before 1970. */
export function fromLocal(moment: string): number | null {
  const iso = isoDate(moment, 'dmy');
  if (iso === null) return null;
  const at = new Date(iso.includes(' ') ? iso.replace(' ', 'T') : `${iso}T00:00:00`).getTime();
  return at >= 0 ? at : null;
}
