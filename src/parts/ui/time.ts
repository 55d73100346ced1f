import {
  differenceInCalendarDays,
  formatDistanceStrict,
  formatDistanceToNowStrict,
  isSameDay,
  isToday,
} from 'date-fns';

/** "3 days ago" */
export function agoWords(at: number): string {
  return Date.now() - at < 10_000 ? 'just now' : formatDistanceToNowStrict(at, { addSuffix: true });
}

/** How long something took: "1.9 seconds", "3 minutes". */
export function tookWords(ms: number): string {
  if (ms < 1_000) return 'under a second';
  return ms < 10_000 ? `${(ms / 1_000).toFixed(1)} seconds` : formatDistanceStrict(0, ms);
}

/** "in 8 seconds"; "now" when it is due. */
export function soonWords(at: number | null, now: number): string {
  return at === null || at - now < 1_000 ? 'now' : formatDistanceStrict(at, now, { addSuffix: true });
}

/** The exact moment, for beside or behind the words. */
export function exactly(at: number): string {
  return new Date(at).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'medium' });
}

/** "18:42" */
export function clockWords(at: number): string {
  return new Date(at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
}

/** "18:42" of the same day, "23 Nov 2026" of another: short, and as long a minute later. */
export function clockOrDay(at: number, now: number): string {
  return isSameDay(at, now) ? clockWords(at) : dayWords(at);
}

/** "18:42" of the same day, "yesterday", "Tuesday" of the days before it, "23 Nov 2026" of all others. */
export function sinceWhen(at: number, now: number): string {
  const days = differenceInCalendarDays(now, at);
  if (days === 1) return 'yesterday';
  if (days > 1 && days < 7) return new Date(at).toLocaleDateString('en-GB', { weekday: 'long' });
  return clockOrDay(at, now);
}

/** "today, 15:30"; with the day when it is another one. */
export function meetingTime(at: number): string {
  return `${isToday(at) ? 'today' : dayWords(at)}, ${clockWords(at)}`;
}

/** "23 Nov 2026" */
export function dayWords(at: number): string {
  return new Date(at).toLocaleDateString('en-GB', { dateStyle: 'medium' });
}

/** What is to come: "today, 18:00", "tomorrow, 11:00", "Saturday, 11:00" of the week, later with the day. */
export function comingWords(at: number, now: number): string {
  const days = differenceInCalendarDays(at, now);
  const day =
    days === 0
      ? 'today'
      : days === 1
        ? 'tomorrow'
        : days > 1 && days < 7
          ? new Date(at).toLocaleDateString('en-GB', { weekday: 'long' })
          : dayWords(at);
  return `${day}, ${clockWords(at)}`;
}
