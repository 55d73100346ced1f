const FIRST_WAIT = 1_000;
const LONGEST_WAIT = 60_000;

/**
 * How long to wait before trying again, in milliseconds: doubling from one second to one minute,
 * spread by up to a fifth either way so that retries of many listings don't arrive together.
 *
 * @param tries how often it was tried, >= 1
 * @param key spreads different listings differently; the same key and tries give the same wait
 */
export function waitAfter(tries: number, key: string): number {
  const base = Math.min(LONGEST_WAIT, FIRST_WAIT * 2 ** Math.min(20, Math.max(0, tries - 1)));
  let hash = 0x811c9dc5;
  for (const ch of `${key}#${tries}`) hash = Math.imul(hash ^ (ch.codePointAt(0) ?? 0), 0x01000193) >>> 0;
  return Math.round(base * (0.8 + 0.4 * (hash / 0xffffffff)));
}

/** The longest a call may take before it counts as unanswered, in milliseconds. */
export const CALL_LIMIT = 10_000;

/**
 * How long after a publish call was let out "no such listing" is not yet proof that it is gone, in
 * milliseconds: the call may arrive up to half a minute late, and the answer that says so may itself
 * be as old as a call may last.
 */
export const LATE_PUBLISH = 30_000 + CALL_LIMIT;

/** After so many failed calls in a row a marketplace is left in peace, but for one call now and then. */
export const REST_AFTER = 5;

/** After so many faults of our own in a row a job is not tried again by itself. */
export const MOST_FAULTS = 5;

/** How long a withdrawal rests after so many faults, milliseconds. */
export const FAULT_WAIT = 10 * 60_000;

/** A job that waits for a person, not for a time. */
export const NEVER = Number.MAX_SAFE_INTEGER;
