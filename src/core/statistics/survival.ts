/** How long something was looked at, and whether what is waited for came at the end of it. */
export interface Observed {
  /** Any unit, the same for all; not below zero. */
  time: number;
  /** It came then; else it had not come yet when it was looked at last. */
  came: boolean;
}

/**
 * The share for which it has come by a time, by the product-limit estimate: what was not looked at for so
 * long counts as long as it was, never as if it had not come.
 *
 * @param by times, in any order
 * @returns for each time: from 0 to 1; null where nothing was looked at for so long and for some it has not
 *   come: nobody can know
 * @see Kaplan & Meier (1958), J. Am. Stat. Assoc. 53, 457–481
 */
export function shareCome(observed: readonly Observed[], by: readonly number[]): (number | null)[] {
  // Where both fall together what came is first: the other was still waited for then.
  const sorted = [...observed].sort((a, b) => a.time - b.time || Number(b.came) - Number(a.came));
  const last = sorted.at(-1)?.time ?? -1;
  const steps: { time: number; waiting: number }[] = [];
  let waiting = 1;
  for (const [i, { time, came }] of sorted.entries()) {
    if (!came) continue;
    waiting *= 1 - 1 / (sorted.length - i);
    steps.push({ time, waiting });
  }
  return by.map((time) => {
    const at = steps.findLast((s) => s.time <= time)?.waiting ?? 1;
    // The estimate ends with the longest time looked at, unless it came for the last one, too.
    return sorted.length === 0 || (time > last && at > 1e-12) ? null : 1 - at;
  });
}
