import type { Entry, FileEntry } from '@zip.js/zip.js';

import { CopyBeside, CopyHead } from '@/contract/copy';
import { COLLECTION_NAMES_EVER, readRecord, readSettings, SCHEMA_VERSION } from '@/contract/migrations';
import type { CollectionName, Settings } from '@/contract/records';
import { compareCopy, countOf, settingsAfter, type CopyComparison } from '@/core/copy/compare';
import {
  BESIDE_NAME,
  bytesOfName,
  HEAD_NAME,
  isWhatItSays,
  ownerOfKey,
  recordsName,
  SETTINGS_NAME,
} from '@/core/copy/names';
import { MOST_PICTURE_BYTES, pictureGate } from '@/core/picture/gate';
import {
  changeMany,
  isEmptyAttic,
  putBlob,
  saveNow,
  setSettings,
  storedBytes,
  useAttic,
  type Put,
} from '@/store/attic/attic';
import { COLLECTION_NAMES, noRecords, numbersAfter, type Records } from '@/store/attic/records';
import { Expected } from '@/store/base/faults';
import { yieldToMain } from '@/store/base/yieldToMain';
import { zipLibrary } from '@/store/base/zip';

import type { FolderOfCopies } from './folderOfCopies';

/** Something is wrong with a copy, in words for a person. Nothing in the attic was changed. */
export class CopyTrouble extends Expected {}

/** Bytes that no record list is ever as large as. */
const MOST_TEXT = 128 * 1024 ** 2;
/** Bytes that nothing kept under such a key is ever as large as. */
const MOST_BYTES: Record<string, number> = {
  original: MOST_PICTURE_BYTES,
  full: MOST_PICTURE_BYTES,
  thumb: 2_000_000,
  clip: 64_000_000,
  label: 2_000_000,
};
/** Pictures stored together: their bytes are in memory meanwhile. */
const TOGETHER = 12;

/** A copy that was opened and looked through; nothing of it is in the attic yet. */
export interface OpenedCopy {
  head: CopyHead;
  beside: CopyComparison;
  /** Of what is missing here. */
  counts: { items: number; pictures: number; others: number };
  differing: number;
  /** Parts that could not be read, in words. */
  leftOut: string[];
  records: Records;
  settings: Settings | null;
  files: CopiedBytes[];
}

/** Bytes of a copy: in it, or beside it in a folder. */
interface CopiedBytes {
  key: string;
  type: string;
  from: FileEntry | (() => Promise<Blob | null>);
}

/** The file of a collection in a copy, under all names it ever had. */
function namesOf(collection: CollectionName): string[] {
  const names = [...COLLECTION_NAMES_EVER].filter(([, today]) => today === collection);
  return names.map(([name]) => recordsName(name));
}

/**
 * Opens a kept copy and holds it against the attic.
 *
 * @param folder where it lies, if it keeps its bytes beside it
 * @throws CopyTrouble in words for a person
 */
export async function openCopy(file: Blob, folder: FolderOfCopies | null = null): Promise<OpenedCopy> {
  const { ZipReader, BlobReader } = await zipLibrary();
  const entries = await new ZipReader(new BlobReader(file)).getEntries().catch((): Entry[] => {
    throw new CopyTrouble('This is no copy of an attic, or it was cut short. Nothing was changed.');
  });
  const named = new Map(entries.flatMap((e) => (e.directory ? [] : [[e.filename, e] as const])));
  const head = CopyHead.safeParse(await json(named.get(HEAD_NAME)));
  if (!head.success) throw new CopyTrouble('This is no copy of an attic. Nothing was changed.');
  if (head.data.schema > SCHEMA_VERSION)
    throw new CopyTrouble('This copy was made by a newer version of the app. Nothing was changed.');
  const leftOut: string[] = [];
  const records = noRecords();
  let inIt = 0;
  for (const collection of COLLECTION_NAMES) {
    const name = namesOf(collection).find((one) => named.has(one)) ?? '';
    const raw = await json(named.get(name));
    if (!Array.isArray(raw)) {
      if (name !== '') leftOut.push(`The list of ${collection} could not be read.`);
      continue;
    }
    inIt += raw.length;
    let unread = 0;
    for (const one of raw) {
      const read = readRecord(collection, one, head.data.schema);
      // Read by the schema of this very collection.
      if (read.ok) (records[collection] as Record<string, unknown>)[read.record.id] = read.record;
      else unread += 1;
    }
    if (unread > 0) leftOut.push(`${unread} of the ${collection} could not be read.`);
    await yieldToMain();
  }
  if (inIt < head.data.records) leftOut.push(`${head.data.records - inIt} records are not in it any more.`);
  const settings = readSettings(await json(named.get(SETTINGS_NAME)), head.data.schema);
  const found = compareCopy(records, useAttic.getState());
  const inside = [...named.values()].flatMap((entry) => {
    const there = bytesOfName(entry.filename);
    return there ? [{ from: entry, ...there }] : [];
  });
  const beside = CopyBeside.safeParse(await json(named.get(BESIDE_NAME)));
  const files = [...inside, ...(beside.success ? bytesBeside(beside.data, folder) : [])];
  if (files.length < head.data.bytes) {
    const lost = head.data.bytes - files.length;
    leftOut.push(
      beside.success && !folder
        ? `Its ${lost} pictures and labels lie beside it: choose the whole folder to bring them back, too.`
        : `${lost} pictures or labels are not in it any more.`,
    );
  }
  return {
    head: head.data,
    beside: found,
    counts: countOf(found.missing),
    differing: Object.values(found.differing).reduce((n, ids) => n + ids.length, 0),
    leftOut,
    records,
    settings,
    files,
  };
}

/** The bytes that lie in the folder, each of the size it had. */
function bytesBeside(beside: CopyBeside, folder: FolderOfCopies | null): CopiedBytes[] {
  return beside.flatMap(({ name, file, size }) => {
    const there = bytesOfName(name);
    const lies = folder?.bytes(file);
    return there && lies ? [{ ...there, from: async () => ofSize(await lies(), size) }] : [];
  });
}

const ofSize = (blob: Blob, size: number) => (blob.size === size ? blob : null);

/** What came of reading a copy. */
export interface Brought {
  items: number;
  pictures: number;
  /** Records of every other sort. */
  others: number;
  /** Pieces of bytes that were not what they said, or did not come out whole. */
  broken: number;
  /**
   * No room was left for so many pictures: what was brought stays, and reading the copy again brings the
   * rest.
   */
  noRoomFor: number;
}

/**
 * Brings what is missing in the attic back from a copy, with its bytes. What is here stays, unless the person
 * wants the copy's of what differs; that can be undone.
 *
 * @param progress told how many pictures of how many are stored
 */
export async function bringBack(
  copy: OpenedCopy,
  takeTheirs: boolean,
  progress: (done: number, of: number) => void,
): Promise<Brought> {
  const wasEmpty = isEmptyAttic();
  const put = (collection: CollectionName, id: string) => () =>
    // From the same collection of the copy.
    ({ collection, id, record: copy.records[collection][id] }) as Put;
  const { missing, differing } = copy.beside;
  setSettings(settingsAfter(useAttic.getState().settings, copy.settings, wasEmpty));
  // All that is here then is what the copy holds.
  if (wasEmpty) setSettings({ copiedAt: copy.head.at });
  const typed = COLLECTION_NAMES.filter((c) => c !== 'pictures');
  const makers = typed.flatMap((c) => missing[c].map((id) => put(c, id)));
  await changeMany('brought back from a copy', makers, { ownUndo: true });
  if (takeTheirs && copy.differing > 0)
    await changeMany(
      'as the copy had it',
      COLLECTION_NAMES.flatMap((c) => differing[c].map((id) => put(c, id))),
    );
  await saveNow();
  const brought: Brought = {
    items: missing.items.length,
    pictures: 0,
    others: copy.counts.others,
    broken: 0,
    noRoomFor: 0,
  };
  await bringBytes(copy, takeTheirs, brought, progress);
  setSettings(numbersAfter(useAttic.getState(), useAttic.getState().settings));
  await saveNow();
  return brought;
}

/** Picture by picture, each stored together with its record. */
async function bringBytes(
  { beside: { missing, differing }, records, files }: OpenedCopy,
  takeTheirs: boolean,
  brought: Brought,
  progress: (done: number, of: number) => void,
): Promise<void> {
  const isNew = new Set([...missing.pictures, ...missing.orders]);
  const theirs = new Set(takeTheirs ? [...differing.pictures, ...differing.orders] : []);
  const wanted = new Map<string, OpenedCopy['files']>();
  const here = new Set(await storedBytes());
  for (const file of files) {
    const { collection, id } = ownerOfKey(file.key);
    // Bytes that are gone though their record is there come back as well.
    const lost = useAttic.getState()[collection][id] !== undefined && !here.has(file.key);
    if (isNew.has(id) || theirs.has(id) || lost) wanted.set(id, [...(wanted.get(id) ?? []), file]);
  }
  for (const id of missing.pictures) if (!wanted.has(id)) wanted.set(id, []);
  const all = [...wanted];
  for (let at = 0; at < all.length; at += TOGETHER) {
    progress(at, all.length);
    const makers: (() => Put)[] = [];
    for (const [id, its] of all.slice(at, at + TOGETHER)) {
      for (const file of its) {
        const blob = await bytesOf(file);
        if (blob) putBlob(file.key, blob);
        else brought.broken += 1;
      }
      const record = records.pictures[id];
      if (!record || !isNew.has(id)) continue;
      makers.push(() => ({ collection: 'pictures', id, record }));
      brought.pictures += 1;
    }
    await changeMany('pictures brought back from a copy', makers, { ownUndo: true });
    await saveNow();
    if (useAttic.getState().saveTrouble) {
      brought.noRoomFor = all.length - at;
      return;
    }
  }
}

async function bytesOf({ from, key, type }: CopiedBytes): Promise<Blob | null> {
  const [sort, , size = ''] = key.split(':');
  const most = MOST_BYTES[sort === 'label' ? 'label' : size] ?? 0;
  const fits = (first: Uint8Array) => isWhatItSays(first.subarray(0, 16), type);
  const blob =
    typeof from === 'function'
      ? await bytesIn(from, most, fits, type)
      : await contents(from, most, fits).then((parts) => parts && new Blob(parts, { type }));
  if (!blob || !type.startsWith('image/')) return blob;
  // Small bytes may claim to be an enormous picture; they would be drawn on every list.
  const whole = new Uint8Array(await blob.arrayBuffer());
  return pictureGate(whole).ok ? blob : null;
}

async function bytesIn(
  lies: () => Promise<Blob | null>,
  most: number,
  fits: (first: Uint8Array) => boolean,
  type: string,
): Promise<Blob | null> {
  const file = await lies().catch(() => null);
  // Gone since the folder was looked through, or something else by now: counted and told by whoever wanted
  // it.
  if (!file || file.size > most) return null;
  const first = new Uint8Array(await file.slice(0, 16).arrayBuffer());
  return fits(first) ? new Blob([await file.arrayBuffer()], { type }) : null;
}

/** Nothing more of an entry is wanted. */
class Enough extends Error {}

/**
 * What an entry holds, read no further than it may be long, whatever it says of itself: a few bytes may
 * unpack to gigabytes.
 *
 * @param fits judges the first bytes
 * @returns null where it is too long, damaged, or not what it should be
 */
async function contents(
  entry: FileEntry,
  most: number,
  fits: (first: Uint8Array) => boolean,
): Promise<Uint8Array<ArrayBuffer>[] | null> {
  if (entry.uncompressedSize > most) return null;
  const parts: Uint8Array<ArrayBuffer>[] = [];
  let size = 0;
  const into = new WritableStream<Uint8Array<ArrayBuffer>>({
    write(part) {
      if (part.length === 0) return;
      size += part.length;
      if (size > most || (parts.length === 0 && !fits(part))) throw new Enough();
      parts.push(part.slice());
    },
  });
  try {
    await entry.getData(into, { checkSignature: true });
    return parts.length > 0 || fits(new Uint8Array()) ? parts : null;
  } catch {
    // Too much, damaged, or something else than it says: all the same to whoever wanted it, who counts and
    // tells it.
    return null;
  }
}

/** What may begin a list or a record as text. */
const JSON_BEGINS = /^[\s\uFEFF\u00EF\u00BB\u00BF]*[[{]/u;

async function json(entry: FileEntry | undefined): Promise<unknown> {
  if (!entry) return null;
  const begins = (first: Uint8Array) => JSON_BEGINS.test(String.fromCharCode(...first.subarray(0, 64)));
  const parts = await contents(entry, MOST_TEXT, begins);
  try {
    return parts && JSON.parse(await new Blob(parts).text());
  } catch {
    // Not JSON: then there is no such list, which is told.
    return null;
  }
}
