import type { SinceCopy } from './since';

const MINUTE = 60_000;
const HOUR = 60 * MINUTE;
const DAY = 24 * HOUR;

/** So many changed items are a copy as soon as nobody is in the middle of something. */
const MANY_CHANGED = 100;
/** Nobody is in the middle of something any more. */
const PAUSE = MINUTE;
/** The day's work is done: half an hour without a change. */
const DONE_FOR_THE_DAY = 30 * MINUTE;
/** Where work goes on without such a rest. */
const LONGEST = 4 * HOUR;
/** How long after a copy that failed it is tried again. */
const TRY_AGAIN = 15 * MINUTE;

/** When copies were made, and what was done since; times in milliseconds since 1970. */
export interface CopyTimes {
  since: SinceCopy;
  /** The last that is whole; null: there is none. */
  copiedAt: number | null;
  /** When one was last tried and failed; null: the last one did not. */
  failedAt: number | null;
}

/**
 * Whether a copy is to be made now: the day's work is done, or much was changed and nobody is in the middle
 * of something, or work has gone on for hours.
 */
export function copyDue({ since, copiedAt, failedAt }: CopyTimes, now: number): boolean {
  if (since.last === null || since.first === null) return false;
  if (failedAt !== null && now - failedAt < TRY_AGAIN) return false;
  const quiet = now - since.last;
  if (quiet >= DONE_FOR_THE_DAY) return true;
  if (quiet < PAUSE) return false;
  return since.items + since.others >= MANY_CHANGED || now - Math.max(copiedAt ?? 0, since.first) >= LONGEST;
}

/** So many changed items are worth a word at once. */
const WORTH_A_WORD = 25;
/** Any change is, after so long. */
const OLD = 3 * DAY;

/** Whether a person who makes copies by hand is to be reminded of it. */
export function isReminderDue(since: SinceCopy, now: number): boolean {
  if (since.first === null) return false;
  return since.items + since.others >= WORTH_A_WORD || now - since.first >= OLD;
}
