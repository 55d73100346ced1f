import { z } from 'zod';

import { readRecord, SCHEMA_VERSION } from '@/contract/migrations';
import { COLLECTIONS, Settings, type CollectionName, type RecordOf } from '@/contract/records';
import { numberOf } from '@/core/identity/code';
import type { RunningNumbers } from '@/core/identity/numbers';
import { pageOf } from '@/core/identity/recordId';

import { breath } from './breath';
import type { Disk } from './disk';

export type Records = { [C in CollectionName]: Record<string, RecordOf[C]> };

/** A record that could not be read: kept as it was, never shown as if it were whole. */
export interface SetAside {
  collection: CollectionName | 'settings' | 'journal';
  key: string;
  why: string;
}

const Meta = z.object({
  schema: z.number().int().positive().catch(SCHEMA_VERSION),
  settingsAt: z.number().nonnegative().catch(0),
});

export interface Loaded {
  records: Records;
  settings: Settings;
  /** When the settings were changed last. */
  settingsAt: number;
  /** Of the schema that it was written under. */
  version: number;
  aside: SetAside[];
}

export const COLLECTION_NAMES = Object.keys(COLLECTIONS) as CollectionName[];

export function noRecords(): Records {
  return Object.fromEntries(COLLECTION_NAMES.map((name) => [name, {}])) as unknown as Records;
}

export function pageKey(collection: CollectionName, id: string): string {
  return `${collection}:${pageOf(id)}`;
}

/** Reads every page. Records that don't validate are set aside under a key of their own and reported. */
export async function loadRecords(disk: Disk): Promise<Loaded> {
  const keys = await disk.keys();
  const meta = Meta.safeParse(parse(await disk.text('meta')));
  const { schema: version, settingsAt } = meta.success
    ? meta.data
    : { schema: SCHEMA_VERSION, settingsAt: 0 };
  const records = noRecords();
  const aside: SetAside[] = [];
  const keep: Record<string, string> = {};
  const pages = keys.filter((key) => COLLECTION_NAMES.some((c) => key.startsWith(`${c}:`)));
  const texts = await disk.texts(pages);
  for (const key of pages) {
    const collection = key.slice(0, key.indexOf(':')) as CollectionName;
    const page = parse(texts[key] ?? null);
    const entries = typeof page === 'object' && page !== null ? Object.entries(page) : null;
    if (!entries) {
      aside.push({ collection, key, why: 'the page could not be read' });
      keep[`aside:${key}`] = texts[key] ?? '';
      continue;
    }
    for (const [id, raw] of entries) {
      const read = readRecord(collection, raw, version);
      if (read.ok) (records[collection] as Record<string, unknown>)[id] = read.record;
      else {
        aside.push({ collection, key: id, why: read.why });
        keep[`aside:${collection}:${id}`] = JSON.stringify(raw);
      }
    }
  }
  const settings = readSettings(await disk.text('settings'), records, aside, keep);
  if (Object.keys(keep).length > 0) await disk.write(keep);
  // What was set aside on an earlier day is still reported: it is still not in the attic.
  for (const key of keys)
    if (key.startsWith('aside:') && !(key in keep))
      aside.push({ collection: 'things', key: key.slice(6), why: 'set aside earlier' });
  return { records, settings, settingsAt, version, aside };
}

function readSettings(
  text: string | null,
  records: Records,
  aside: SetAside[],
  keep: Record<string, string>,
): Settings {
  const fresh = Settings.parse({ id: 'settings' });
  if (text === null) return fresh;
  const parsed = Settings.safeParse(parse(text));
  if (parsed.success) return parsed.data;
  aside.push({ collection: 'settings', key: 'settings', why: 'could not be read' });
  keep['aside:settings'] = text;
  return { ...fresh, ...numbersAfter(records) };
}

/** The running numbers to go on with: codes are unique for ever, so after the highest in use. */
export function numbersAfter(
  records: Records,
  least: RunningNumbers = { nextNumber: 1, nextRecord: 1 },
): RunningNumbers {
  let { nextNumber, nextRecord } = least;
  for (const thing of Object.values(records.things))
    nextNumber = Math.max(nextNumber, (numberOf(thing) ?? 0) + 1);
  for (const collection of COLLECTION_NAMES)
    for (const id of Object.keys(records[collection]))
      nextRecord = Math.max(nextRecord, (Number.parseInt(id.slice(0, 6), 36) || 0) + 1);
  return { nextNumber, nextRecord };
}

/** How many pages are put together before a finger is asked for. */
const AT_ONCE = 4;

/** The text of each page that a change touched, all as the records stand now. */
export async function pageTexts(records: Records, pages: Iterable<string>): Promise<Record<string, string>> {
  const wanted = new Map<string, Record<string, unknown>>();
  for (const key of pages) wanted.set(key, {});
  // One look at each record of a collection, however many of its pages were touched.
  for (const collection of new Set(
    [...wanted.keys()].map((key) => key.slice(0, key.indexOf(':')) as CollectionName),
  ))
    for (const [id, record] of Object.entries(records[collection])) {
      const page = wanted.get(pageKey(collection, id));
      if (page) page[id] = record;
    }
  const texts: Record<string, string> = {};
  let done = 0;
  for (const [key, page] of wanted) {
    if (++done % AT_ONCE === 0) await breath();
    texts[key] = JSON.stringify(page);
  }
  return texts;
}

function parse(text: string | null): unknown {
  if (text === null) return null;
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}
