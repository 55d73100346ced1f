/**
 * Of several pages of one attic one leads: what runs by itself runs there, and once. When it is closed the
 * next one takes over. Where the browser has no locks, every page leads.
 *
 * @param start begins what the leading page does; returns its stop
 * @returns stops leading, or waiting for it
 */
export function lead(attic: string, start: () => () => void): () => void {
  if (typeof navigator === 'undefined' || !navigator.locks) return start();
  const over = new AbortController();
  let release: () => void = () => undefined;
  const done = new Promise<void>((resolve) => (release = resolve));
  navigator.locks
    .request(`attic-${attic}-lead`, { signal: over.signal }, async () => {
      const stop = start();
      await done;
      stop();
    })
    // Stopped while it was still waiting for its turn.
    .catch((error: unknown) => {
      if (!over.signal.aborted) throw error;
    });
  return () => {
    release();
    over.abort();
  };
}

/**
 * Runs while an attic is opened. What may be done only where no other page has it open (throwing away bytes
 * that no record names) is done when `alone` says so; other pages wait meanwhile, and the page counts as one
 * of those that have it open from then on.
 */
export async function opening<T>(attic: string, work: (alone: boolean) => Promise<T>): Promise<T> {
  if (!isOpenElsewhereTold()) return work(false);
  const name = `attic-${attic}-open`;
  const first = await navigator.locks.request(name, { ifAvailable: true }, async (lock) =>
    lock ? { result: await work(true) } : null,
  );
  await held(name);
  return first ? first.result : work(false);
}

/** Whether this browser tells a page that another one has the attic open. */
export function isOpenElsewhereTold(): boolean {
  return typeof navigator !== 'undefined' && navigator.locks !== undefined;
}

/** Holds the lock beside other pages for as long as this page lives. Resolves when it is held. */
function held(name: string): Promise<void> {
  return new Promise((here, fail) => {
    navigator.locks
      .request(name, { mode: 'shared' }, () => {
        here();
        return new Promise<never>(() => undefined);
      })
      .catch(fail);
  });
}
