import { z } from 'zod';

import { keysOf } from '@/contract/fields';
import {
  COLLECTION_NAMES_EVER,
  readRecord,
  readSettings as settingsOf,
  SCHEMA_VERSION,
} from '@/contract/migrations';
import { COLLECTIONS, Settings, type CollectionName, type RecordOf } from '@/contract/records';
import { numberOf } from '@/core/identity/code';
import type { RunningNumbers } from '@/core/identity/numbers';
import { pageOf } from '@/core/identity/recordId';
import { yieldToMain } from '@/store/base/yieldToMain';

import type { Disk } from './disk';

export type Records = { [C in CollectionName]: Record<string, RecordOf[C]> };

/** A record that could not be read: kept as it was, never shown as if it were whole. */
export interface Quarantined {
  collection: CollectionName | 'settings' | 'journal';
  key: string;
  why: string;
}

const Meta = z.object({
  /** Null where it can't be read. */
  schema: z.number().int().positive().nullable().catch(null),
  settingsAt: z.number().nonnegative().catch(0),
});

export interface Loaded {
  records: Records;
  settings: Settings;
  /** When the settings were changed last. */
  settingsAt: number;
  /** Of the schema that it was written under. */
  version: number;
  quarantine: Quarantined[];
  /** Pages under names that collections have no more: to be taken away once what they held is stored. */
  outdated: string[];
}

export const COLLECTION_NAMES = keysOf(COLLECTIONS);

export function noRecords(): Records {
  // Each collection by its name, with nothing in it.
  return Object.fromEntries(COLLECTION_NAMES.map((name) => [name, {}])) as unknown as Records;
}

export function pageKey(collection: CollectionName, id: string): string {
  return `${collection}:${pageOf(id)}`;
}

/** Where what can't be read is kept as it was; the second: as it was called first. */
const QUARANTINE = ['quarantine:', 'aside:'] as const;
export const quarantineKey = (of: string) => `${QUARANTINE[0]}${of}`;

/** Which record lies in quarantine under this key; null: it is another sort of key. */
export function quarantinedOf(key: string): string | null {
  const prefix = QUARANTINE.find((start) => key.startsWith(start));
  return prefix === undefined ? null : key.slice(prefix.length);
}

/** Reads every page. Records that don't validate are quarantined under a key of their own and reported. */
export async function loadRecords(disk: Disk): Promise<Loaded> {
  const keys = await disk.keys();
  const meta = Meta.safeParse(parse(await disk.text('meta')));
  const { schema, settingsAt } = meta.success ? meta.data : { schema: null, settingsAt: 0 };
  const records = noRecords();
  const quarantine: Quarantined[] = [];
  const keep: Record<string, string> = {};
  const all = keys.flatMap((key) => {
    const name = key.slice(0, key.indexOf(':'));
    const collection = COLLECTION_NAMES_EVER.get(name);
    return collection ? [{ key, collection, isOutdated: name !== collection }] : [];
  });
  // Records of which nobody says what wrote them may be of the first: what is up to date stays as it is.
  const version = schema ?? (all.length > 0 ? 1 : SCHEMA_VERSION);
  const outdated = all.filter((page) => page.isOutdated).map((page) => page.key);
  // Left over where the page was closed before they could be taken away.
  const pages = version < SCHEMA_VERSION ? all : all.filter((page) => !page.isOutdated);
  const texts = await disk.texts(pages.map((page) => page.key));
  for (const { key, collection } of pages) {
    const page = parse(texts[key] ?? null);
    const entries = typeof page === 'object' && page !== null ? Object.entries(page) : null;
    if (!entries) {
      quarantine.push({ collection, key, why: 'the page could not be read' });
      keep[quarantineKey(key)] = texts[key] ?? '';
      continue;
    }
    for (const [id, raw] of entries) {
      const read = readRecord(collection, raw, version);
      if (read.ok) putNewest(records[collection], id, read.record);
      else {
        quarantine.push({ collection, key: id, why: read.why });
        keep[quarantineKey(`${collection}:${id}`)] = JSON.stringify(raw);
      }
    }
  }
  const settings = readSettings(await disk.text('settings'), version, records, quarantine, keep);
  if (Object.keys(keep).length > 0) await disk.write(keep);
  // What was quarantined on an earlier day is still reported: it is still not in the attic.
  for (const key of keys) {
    const of = key in keep ? null : quarantinedOf(key);
    if (of !== null) quarantine.push({ collection: 'items', key: of, why: 'set aside earlier' });
  }
  return { records, settings, settingsAt, version, quarantine, outdated };
}

/** An earlier version of the app may have gone on beside a newer one: what was changed last counts. */
function putNewest(records: object, id: string, record: object): void {
  // Of one collection, whose schema read `record`.
  const held = records as Record<string, object>;
  const at = (of: object) => ('updatedAt' in of ? Number(of.updatedAt) : 0);
  const before = held[id];
  if (!before || at(record) >= at(before)) held[id] = record;
}

function readSettings(
  text: string | null,
  version: number,
  records: Records,
  quarantine: Quarantined[],
  keep: Record<string, string>,
): Settings {
  const fresh = Settings.parse({ id: 'settings' });
  if (text === null) return fresh;
  const read = settingsOf(parse(text), version);
  if (read) return read;
  quarantine.push({ collection: 'settings', key: 'settings', why: 'could not be read' });
  keep[quarantineKey('settings')] = text;
  return { ...fresh, ...numbersAfter(records) };
}

/** The running numbers to go on with: codes are unique for ever, so after the highest in use. */
export function numbersAfter(
  records: Records,
  least: RunningNumbers = { nextNumber: 1, nextRecord: 1 },
): RunningNumbers {
  let { nextNumber, nextRecord } = least;
  for (const item of Object.values(records.items))
    nextNumber = Math.max(nextNumber, (numberOf(item) ?? 0) + 1);
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
    // Keys are made by `pageKey`.
    [...wanted.keys()].map((key) => key.slice(0, key.indexOf(':')) as CollectionName),
  ))
    for (const [id, record] of Object.entries(records[collection])) {
      const page = wanted.get(pageKey(collection, id));
      if (page) page[id] = record;
    }
  const texts: Record<string, string> = {};
  let done = 0;
  for (const [key, page] of wanted) {
    if (++done % AT_ONCE === 0) await yieldToMain();
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
