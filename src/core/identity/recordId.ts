/** How many records share one stored page. */
export const PAGE_SIZE = 200;

/**
 * A record's id: its running number (which fixes its page) and a random tail (which keeps ids of
 * two devices apart).
 *
 * @param running >= 1
 * @param tail letters and digits, made by the caller
 */
export function recordId(running: number, tail: string): string {
  return `${running.toString(36).padStart(6, '0')}-${tail}`;
}

/** Which page a record is kept on. Ids not made here (plans hang on an item's id) follow their first part. */
export function pageOf(id: string): number {
  const running = Number.parseInt(id.slice(0, 6), 36);
  return Number.isFinite(running) ? Math.floor(running / PAGE_SIZE) : 0;
}
