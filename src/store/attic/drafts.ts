import { useCallback, useMemo } from 'react';
import { z } from 'zod';

import { setDraft } from './attic';
import { useDrafts } from './draftStore';

export { storeDrafts } from './attic';

/**
 * A form's value that outlives leaving and reloading, until it is cleared: when the form was sent, or given
 * up.
 *
 * @param key which form, and of what: `terms:oldhollow`
 * @param schema what is read from the disk is checked by it; what does not fit is as if nothing was typed
 * @returns the value, a setter, and what clears it
 */
export function useDraft<T>(
  key: string,
  schema: z.ZodType<T>,
  initial: T,
): [value: T, set: (value: T | ((now: T) => T)) => void, clear: () => void] {
  const raw = useDrafts((s) => s[key]);
  const kept = useMemo(() => valueOf(raw, schema), [raw, schema]);
  const value = kept ?? initial;
  const put = useCallback(
    (next: T | ((now: T) => T)) => {
      const now = valueOf(useDrafts.getState()[key], schema) ?? initial;
      // No draft is a function: they are what a schema reads from text.
      setDraft(key, typeof next === 'function' ? (next as (now: T) => T)(now) : next);
    },
    // What a form begins with is told anew each time it is drawn, and means the same.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [key, schema],
  );
  const clear = useCallback(() => setDraft(key, undefined), [key]);
  return [value, put, clear];
}

function valueOf<T>(raw: unknown, schema: z.ZodType<T>): T | undefined {
  if (raw === undefined) return undefined;
  const read = schema.safeParse(raw);
  return read.success ? read.data : undefined;
}

/** Whether something was typed there and not finished. */
export function useHasDraft(key: string): boolean {
  return useDrafts((s) => s[key] !== undefined && s[key] !== null);
}

const Text = z.string();

/** A typed line or text that outlives leaving and reloading; see {@link useDraft}. */
export function useTextDraft(key: string, initial = '') {
  return useDraft(key, Text, initial);
}
