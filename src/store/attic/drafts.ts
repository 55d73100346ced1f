import { useCallback, useMemo } from 'react';
import { z } from 'zod';
import { create } from 'zustand';

import { unlessExpected } from '@/store/base/faults';

import type { Disk } from './disk';

/**
 * What was typed or chosen and not finished: it outlives leaving the screen and reloading. By a key that says
 * which form it is, and of what.
 */
const useDrafts = create<Readonly<Record<string, unknown>>>(() => ({}));

const PREFIX = 'draft:';
const WRITE_DELAY = 40;
/** Longer than any form: more is not kept, UTF-16 code units. */
const LONGEST = 2_000_000;

let disk: Disk | null = null;
const dirty = new Set<string>();
let timer: ReturnType<typeof setTimeout> | null = null;

/** Reads the drafts of an attic; those of another one stay where they are. */
export async function openDrafts(opened: Disk): Promise<void> {
  await storeDrafts();
  disk = opened;
  const keys = (await opened.keys()).filter((key) => key.startsWith(PREFIX));
  const texts = await opened.texts(keys);
  const drafts: Record<string, unknown> = {};
  for (const [key, text] of Object.entries(texts)) drafts[key.slice(PREFIX.length)] = parsed(text);
  useDrafts.setState(drafts, true);
}

/** What is no JSON is no draft; what it holds is for its form's schema to say. */
function parsed(text: string | null): unknown {
  try {
    return text === null ? undefined : JSON.parse(text);
  } catch {
    return undefined;
  }
}

function set(key: string, value: unknown): void {
  useDrafts.setState({ [key]: value });
  dirty.add(key);
  timer ??= setTimeout(() => void storeDrafts(), WRITE_DELAY);
}

/** Stores what was typed since; asked for at once when the page may be gone the next moment. */
export async function storeDrafts(): Promise<void> {
  if (timer) clearTimeout(timer);
  timer = null;
  if (!disk || dirty.size === 0) return;
  const drafts = useDrafts.getState();
  const keys = [...dirty];
  dirty.clear();
  const texts = keys.flatMap((key): [string, string][] => {
    const text = drafts[key] === undefined ? undefined : JSON.stringify(drafts[key]);
    return text === undefined || text.length > LONGEST ? [] : [[PREFIX + key, text]];
  });
  const gone = keys.filter((key) => drafts[key] === undefined).map((key) => PREFIX + key);
  try {
    if (texts.length > 0) await disk.write(Object.fromEntries(texts));
    await disk.remove(gone);
  } catch (error) {
    // It is still on the screen, and is stored with what is typed next.
    for (const key of keys) dirty.add(key);
    unlessExpected('keeping what was typed')(error);
  }
}

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
      set(key, typeof next === 'function' ? (next as (now: T) => T)(now) : next);
    },
    // What a form begins with is told anew each time it is drawn, and means the same.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [key, schema],
  );
  const clear = useCallback(() => set(key, undefined), [key]);
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
