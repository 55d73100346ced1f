import type { z } from 'zod';

import { openDisk } from './attic';

/**
 * What was heard last from elsewhere (the courier, buyers) is kept beside the records of an attic: it is
 * never one of them, and part of no copy. Whoever told it is its author, and tells it anew.
 */
const PREFIX = 'heard:';

/** What is kept under this name; null where that is nothing, or can't be read. */
export async function readHeard<S extends z.ZodType>(name: string, schema: S): Promise<z.output<S> | null> {
  const text = (await openDisk()?.text(PREFIX + name)) ?? null;
  return schema.safeParse(parsed(text)).data ?? null;
}

/** All that is kept under names that begin so; what can't be read is left out. */
export async function readAllHeard<S extends z.ZodType>(start: string, schema: S): Promise<z.output<S>[]> {
  const disk = openDisk();
  const keys = ((await disk?.keys()) ?? []).filter((key) => key.startsWith(PREFIX + start));
  const texts = (await disk?.texts(keys)) ?? {};
  return Object.values(texts).flatMap((text) => {
    const what = schema.safeParse(parsed(text));
    return what.success ? [what.data] : [];
  });
}

function parsed(text: string | null): unknown {
  try {
    return JSON.parse(text ?? '');
  } catch {
    // Half a page counts for nothing: whoever told it tells it anew.
    return undefined;
  }
}

/** Keeps something, unless it is kept just so. @throws DiskFull */
export async function keepHeard(name: string, what: unknown): Promise<void> {
  const disk = openDisk();
  const key = PREFIX + name;
  const text = JSON.stringify(what);
  if (text !== (await disk?.text(key))) await disk?.write({ [key]: text });
}
