import { nanoid } from 'nanoid';
import { create } from 'zustand';

import { SCHEMA_VERSION } from '@/contract/migrations';
import { COLLECTIONS, Settings, type CollectionName, type RecordOf } from '@/contract/records';
import { numbersUp } from '@/core/identity/numbers';
import { recordId } from '@/core/identity/recordId';
import { serialQueue } from '@/core/serialQueue';
import { Expected, fault } from '@/store/base/faults';
import { yieldToMain } from '@/store/base/yieldToMain';

import { diaryEdits } from './diary';
import { Disk, DiskFull, type Stored } from './disk';
import { openDrafts, storeDrafts } from './drafts';
import { inverseOf, journalWith, readJournal, slim, type Change, type Edit } from './journal';
import { isOpenElsewhereTold, opening } from './leader';
import { isLater, merged, toPeers, type Conflict, type Stamp, type PeerEdit } from './merging';
import {
  COLLECTION_NAMES,
  loadRecords,
  noRecords,
  numbersAfter,
  pageKey,
  pageTexts,
  type Records,
  quarantinedOf,
  quarantineKey,
  type Quarantined,
} from './pagedRecords';
import { UnsavedNote, type Unstored } from './unsaved';

export interface AtticState extends Records {
  /** Fields that another page set without having seen what this one had set. */
  conflicts: Conflict[];
  status: 'closed' | 'open';
  settings: Settings;
  quarantine: Quarantined[];
  journal: Change[];
  /** When everything was last safely stored; null while something waits. */
  savedAt: number | null;
  /** Why the last write failed; what is on the screen is kept and tried again. */
  saveTrouble: string | null;
  /** The change that "undo" is offered for without being asked. */
  offer: Change | null;
}

export const useAttic = create<AtticState>(() => ({
  conflicts: [],
  ...noRecords(),
  status: 'closed',
  settings: Settings.parse({ id: 'settings' }),
  quarantine: [],
  journal: [],
  savedAt: null,
  saveTrouble: null,
  offer: null,
}));

/** How long "undo" stays offered, milliseconds. */
export const OFFER_TIME = 12_000;
const WRITE_DELAY = 40;

let disk: Disk | null = null;
let channel: BroadcastChannel | null = null;
const dirtyPages = new Set<string>();
/**
 * Records changed since they were last stored for certain, also those that are being written: collection, a
 * space, id.
 */
const unstored = new Set<string>();
let note: UnsavedNote | null = null;
let dirtySettings = false;
/** Settings changed since they were last stored for certain, and when any was changed last. */
let unstoredSettings: Partial<Settings> = {};
let settingsAt = 0;
let blobs: Record<string, Blob> = {};
const dropped = new Set<string>();
const inTurn = serialQueue();
/** Tells the pages of one attic apart. */
const PAGE = nanoid();
/** When this page set a field last: told something else of the same moment, all pages keep the same. */
const setHere = new Map<string, number>();
let timer: ReturnType<typeof setTimeout> | null = null;

/** Opens the attic with this name: reads everything, reports what could not be read. Waits for no writing. */
export async function openAttic(name: string): Promise<void> {
  // What another attic has not stored yet is its own: it is stored before this one takes its place.
  if (disk) await saveNow();
  const opened = new Disk(name);
  const left = await opening(name, async (alone) => {
    disk = opened;
    await openDrafts(opened);
    const { records, settings, quarantine, ...loaded } = await loadRecords(opened);
    if (loaded.version < SCHEMA_VERSION && !alone && isOpenElsewhereTold()) throw new EarlierPage();
    settingsAt = loaded.settingsAt;
    unstoredSettings = {};
    unstored.clear();
    note = new UnsavedNote(name, PAGE);
    const found = note.found(records, settingsAt);
    const { journal, misfits } = readJournal(await opened.text('journal'), loaded.version);
    if (misfits !== null) {
      // Where it can't be kept, the attic opens all the same.
      await opened
        .write({ [quarantineKey('journal')]: misfits })
        .catch((error: unknown) => fault('setting the journal aside', error));
      quarantine.push({
        collection: 'journal',
        key: 'journal',
        why: 'what could be taken back can’t be read',
      });
    }
    const last = journal.at(-1);
    const offer = last?.destructive && Date.now() - last.at < OFFER_TIME ? last : null;
    useAttic.setState({
      ...records,
      settings,
      quarantine,
      journal,
      offer,
      status: 'open',
      savedAt: Date.now(),
      saveTrouble: null,
    });
    if (found.changes.length > 0 || !isNone(found.settings)) {
      takeOver(found.changes.map((l) => ({ ...l, before: null, after: l.record }) as Edit));
      const least = numbersUp(settings, found.settings);
      setSettings({ ...found.settings, ...numbersAfter(useAttic.getState(), least) });
    }
    for (const key of loaded.outdated) dropped.add(key);
    // All in one write, before another page reads it: nothing is ever half of one version.
    if (loaded.version < SCHEMA_VERSION) await storeAnew(records);
    // Another page may be about to name bytes that no record speaks of yet.
    if (alone) await sweepPictures(opened, useAttic.getState(), journal);
    return found;
  });
  void saveNow().then(() => {
    if (isAllStored()) left.forget();
  });
  listenToOtherPages(name);
  watchLeaving();
}

/** Pages of two versions would write over each other. */
class EarlierPage extends Expected {
  constructor() {
    super(
      'Another page of this attic is open in an earlier version of the app. Nothing was changed. Close it, then reload this one.',
    );
  }
}

/** Every page as records are stored today. */
async function storeAnew(records: Records): Promise<void> {
  for (const collection of COLLECTION_NAMES)
    for (const id in records[collection]) dirtyPages.add(pageKey(collection, id));
  dirtySettings = true;
  await saveNow();
}

let stopWatchingLeaving: () => void = () => undefined;

function watchLeaving(): void {
  stopWatchingLeaving();
  const asked = (event: BeforeUnloadEvent) => {
    // Asked only when something would be lost.
    if (useAttic.getState().saveTrouble) event.preventDefault();
  };
  window.addEventListener('pagehide', leaving);
  document.addEventListener('visibilitychange', leaving);
  window.addEventListener('beforeunload', asked);
  stopWatchingLeaving = () => {
    window.removeEventListener('pagehide', leaving);
    document.removeEventListener('visibilitychange', leaving);
    window.removeEventListener('beforeunload', asked);
  };
}

export function isEmptyAttic(): boolean {
  const { items, hauls } = useAttic.getState();
  return isNone(items) && isNone(hauls);
}

/** Whether there are no records; asked at every change, so none is counted. */
export function isNone(records: Readonly<Record<string, unknown>>): boolean {
  for (const id in records) return id === undefined;
  return true;
}

/** A fresh id; its running number fixes the page it is stored on. */
export function newId(): string {
  const { settings } = useAttic.getState();
  setSettings({ nextRecord: settings.nextRecord + 1 });
  return recordId(settings.nextRecord, nanoid(8).replace(/[_-]/gu, 'x'));
}

export function setSettings(part: Partial<Settings>): void {
  useAttic.setState((s) => ({ settings: { ...s.settings, ...part } }));
  const at = Date.now();
  for (const name of Object.keys(part)) noteSet(settingKey(name), at);
  outbox.push({ settings: part, stamp: { at, page: PAGE } });
  void tellOtherPages();
  settingsAt = Date.now();
  Object.assign(unstoredSettings, part);
  dirtySettings = true;
  saveSoon();
}

/** A change to one record: its new value (null takes it away). */
export type Put = {
  [C in CollectionName]: { collection: C; id: string; record: RecordOf[C] | null };
}[CollectionName];

export interface ChangeOptions {
  /** Offer to take it back without being asked. */
  destructive?: boolean;
  /**
   * It has an undo of its own, as cleaning up has, or nothing a person did: the attic's undo leaves it alone.
   */
  ownUndo?: boolean;
}

/**
 * Changes records, remembers how to take it back, and stores them soon.
 *
 * @param label what was done, as a person would say it ("price", "picture removed")
 * @throws ZodError when a record is not valid: the caller has to check what people type
 */
export function change(label: string, puts: readonly Put[], options: ChangeOptions = {}): void {
  const records = useAttic.getState();
  commit(
    label,
    puts.map((put) => madeOf(put, records)),
    options,
  );
}

/** How many records are made ready before a finger is asked for. */
const SLICE = 100;

/**
 * Like {@link change}, for very many records: they are made ready and checked a few at a time, then all
 * change at once, with one undo.
 *
 * @param makers each tells the new value of a record from what is stored when it is called; called again if
 * that
 *   record was changed meanwhile
 * @param onSlice told of records that are ready
 */
export async function changeMany(
  label: string,
  makers: readonly (() => Put)[],
  options: ChangeOptions & { onSlice?: (records: readonly unknown[]) => void } = {},
): Promise<void> {
  const ready: { make: () => Put; made: Made }[] = [];
  for (let at = 0; at < makers.length; at += SLICE) {
    if (at > 0) await yieldToMain();
    const records = useAttic.getState();
    const some = makers.slice(at, at + SLICE).map((make) => ({ make, made: madeOf(make(), records) }));
    options.onSlice?.(some.map(({ made }) => made.edit.after));
    ready.push(...some);
  }
  if (makers.length > SLICE) await yieldToMain();
  const now = useAttic.getState();
  const made = ready.map(({ make, made: m }) =>
    (now[m.edit.collection][m.edit.id] ?? null) === m.edit.before ? m : madeOf(make(), now),
  );
  commit(label, made, options);
}

/** A checked change of one record, and what the journal keeps of it. */
interface Made {
  edit: Edit;
  kept: Edit;
}

function madeOf({ collection, id, record }: Put, records: Records): Made {
  const before = records[collection][id] ?? null;
  const edit = {
    collection,
    id,
    before,
    after: record === null ? null : COLLECTIONS[collection].parse(record),
  };
  // What was handed in shares what did not change with what is stored; what was checked is a copy.
  return { edit: edit as Edit, kept: slim({ ...edit, after: record } as Edit) };
}

function commit(label: string, made: readonly Made[], options: ChangeOptions): void {
  const edits = made.map((m) => m.edit);
  if (options.ownUndo) {
    apply(edits);
    return;
  }
  const state = useAttic.getState();
  const entry: Change = {
    label,
    at: Date.now(),
    author: state.settings.author,
    destructive: options.destructive ?? false,
    edits: made.map((m) => m.kept),
  };
  apply([...edits, ...diaryEdits(entry, state)]);
  useAttic.setState((s) => ({
    journal: journalWith(s.journal, entry),
    offer: entry.destructive ? entry : s.offer,
  }));
}

/** Takes the newest change back, or the one given. */
export function undo(which?: Change): void {
  const { journal } = useAttic.getState();
  const target = which ?? journal.at(-1);
  if (!target) return;
  const state = useAttic.getState();
  const taken: Change = {
    ...target,
    label: `taken back: ${target.label}`,
    at: Date.now(),
    author: state.settings.author,
  };
  apply([...inverseOf(target, state), ...diaryEdits(taken, state)]);
  useAttic.setState((s) => ({
    journal: s.journal.filter((c) => c.at !== target.at || c.label !== target.label),
    offer: s.offer === target || s.offer?.at === target.at ? null : s.offer,
  }));
  saveSoon();
}

/** A person has seen a conflict. With `other`, what did not stand is set instead. */
export function settleConflict(conflict: Conflict, other: boolean): void {
  const { collection, id, field } = conflict;
  const record = useAttic.getState()[collection][id];
  useAttic.setState((s) => ({ conflicts: s.conflicts.filter((c) => c !== conflict) }));
  const instead = conflict.kept === 'mine' ? conflict.theirs : conflict.mine;
  if (other && record)
    change('the other one taken', [{ collection, id, record: { ...record, [field]: instead } } as Put]);
}

export function dismissOffer(): void {
  useAttic.setState({ offer: null });
}

/** Bytes to be stored together with the records that speak of them. */
export function putBlob(key: string, blob: Blob): void {
  blobs[key] = blob;
  dropped.delete(key);
}

/** Bytes that are no longer wanted, taken away with the next write. */
export function dropBlob(key: string): void {
  delete blobs[key];
  dropped.add(key);
  saveSoon();
}

export async function readBlob(key: string): Promise<Blob | null> {
  return blobs[key] ?? (dropped.has(key) ? null : ((await disk?.blob(key)) ?? null));
}

/** `full` is the cleaned-up picture; it is absent while it is the same as the original. */
export type PictureSize = 'original' | 'full' | 'thumb' | 'clip';

export function pictureKey(id: string, size: PictureSize): string {
  return `picture:${id}:${size}`;
}

/**
 * Where the bytes of pictures, clips and labels are kept, those included that are only in this page so far.
 */
export async function storedBytes(): Promise<string[]> {
  const stored = (await disk?.keys()) ?? [];
  const keys = [...stored.filter((key) => /^(?:picture|label):/u.test(key)), ...Object.keys(blobs)];
  return [...new Set(keys)].filter((key) => !dropped.has(key));
}

/** Where the open attic is kept; null before one is. */
export function openDisk(): Disk | null {
  return disk;
}

/** How many pictures' bytes are only in this page so far. */
export function unsavedBlobs(): Readonly<Record<string, Blob>> {
  return blobs;
}

/** Resolves once everything changed so far is stored (or the trouble is in `saveTrouble`). */
export function saveNow(): Promise<void> {
  if (timer) clearTimeout(timer);
  timer = null;
  return inTurn(write);
}

// ---- inside ---------------------------------------------------------------------------------------

function apply(edits: readonly Edit[]): void {
  takeOver(edits);
  const at = Date.now();
  for (let from = 0; from < edits.length; from += SLICE) {
    const some = edits.slice(from, from + SLICE).map(toPeers);
    for (const { collection, id, was } of some)
      // The record as a whole, too: it may be taken away elsewhere in the same moment.
      for (const field of [WHOLE, ...Object.keys(was ?? {})]) noteSet(`${collection} ${id} ${field}`, at);
    outbox.push({ edits: some, stamp: { at, page: PAGE } });
  }
  forgetOldStamps(at);
  void tellOtherPages();
}

const WHOLE = '*';
const settingKey = (name: string) => `settings ${name}`;

/** The newest stand last, so that old ones are found first. */
function noteSet(key: string, at: number): void {
  setHere.delete(key);
  setHere.set(key, at);
}

/** Other pages hear of a change in no time: what was set long ago is known to all. */
const STAMPS_KEPT = 60_000;
const MOST_STAMPS = 20_000;

function forgetOldStamps(now: number): void {
  for (const [key, at] of setHere) {
    if (now - at < STAMPS_KEPT && setHere.size <= MOST_STAMPS) return;
    setHere.delete(key);
  }
}

const outbox: PageMessage[] = [];
let telling = false;

/** In the order things happened; copying very many records for the others is done a few at a time. */
async function tellOtherPages(): Promise<void> {
  if (telling) return;
  telling = true;
  try {
    for (let message = outbox.shift(); message; message = outbox.shift()) {
      channel?.postMessage(message);
      if (outbox.length > 0) await yieldToMain();
    }
  } catch (error) {
    // What one message holds can't be told; the next ones can.
    fault('telling other pages', error);
  } finally {
    telling = false;
  }
  if (outbox.length > 0) void tellOtherPages();
}

function takeOver(edits: readonly Edit[]): void {
  useAttic.setState((s) => {
    const next: Partial<Records> = {};
    for (const { collection, id, after } of edits) {
      const map: Record<string, unknown> = next[collection] ?? { ...s[collection] };
      if (after === null) delete map[id];
      else map[id] = after;
      (next as Record<string, unknown>)[collection] = map;
      dirtyPages.add(pageKey(collection, id));
      unstored.add(`${collection} ${id}`);
    }
    return next;
  });
  saveSoon();
}

/** The page may be gone the next moment: what is not stored for certain is noted down at once. */
function leaving(): void {
  const state = useAttic.getState();
  note?.leave(
    [...unstored].map((key): Unstored => {
      const collection = key.slice(0, key.indexOf(' ')) as CollectionName;
      const id = key.slice(collection.length + 1);
      return { collection, id, record: state[collection][id] ?? null };
    }),
    { at: settingsAt, part: unstoredSettings },
  );
  void storeDrafts();
  void saveNow();
}

function saveSoon(): void {
  useAttic.setState({ savedAt: null });
  timer ??= setTimeout(() => void saveNow(), WRITE_DELAY);
}

/** Writes what waits. Whatever goes wrong is said, nothing is taken for stored, and it is tried again. */
async function write(): Promise<void> {
  const [pages, settingsToo] = [[...dirtyPages], dirtySettings];
  try {
    await writeAll();
  } catch (error) {
    for (const page of pages) dirtyPages.add(page);
    dirtySettings ||= settingsToo;
    fault('storing', error);
    useAttic.setState({
      saveTrouble: 'It could not be stored. Everything is kept only while this page stays open.',
    });
    timer ??= setTimeout(() => void saveNow(), 5_000);
  }
}

async function writeAll(): Promise<void> {
  if (!disk || (dirtyPages.size === 0 && !dirtySettings && Object.keys(blobs).length + dropped.size === 0))
    return;
  const state = useAttic.getState();
  const pages = [...dirtyPages];
  // A copy: bytes that come while this write runs are not part of it.
  const bytes = { ...blobs };
  const gone = [...dropped];
  const set = { ...unstoredSettings };
  const texts: Record<string, Stored> = {
    settings: JSON.stringify(state.settings),
    journal: JSON.stringify(state.journal),
    meta: JSON.stringify({ schema: SCHEMA_VERSION, settingsAt }),
  };
  dirtyPages.clear();
  dirtySettings = false;
  Object.assign(texts, await pageTexts(state, pages));
  const stored = [...unstored];
  const areStored = () => {
    // What was changed again meanwhile is still to be written.
    for (const key of stored) if (isStored(key)) unstored.delete(key);
    for (const name of Object.keys(set) as (keyof Settings)[])
      if (unstoredSettings[name] === set[name]) delete unstoredSettings[name];
    if (isAllStored()) note?.clear();
  };
  try {
    await disk.write({ ...texts, ...bytes });
    areStored();
    await disk.remove(gone);
    for (const key of gone) dropped.delete(key);
    // Bytes added while the write ran stay for the next one.
    blobs = Object.fromEntries(Object.entries(blobs).filter(([key, blob]) => bytes[key] !== blob));
    if (dirtyPages.size === 0 && !dirtySettings)
      useAttic.setState({ savedAt: Date.now(), saveTrouble: null });
  } catch (error) {
    // What was typed is small: it must not be lost because a picture does not fit.
    const typed = await disk.write(texts).then(
      () => true,
      () => false,
    );
    if (typed) areStored();
    if (typed && Object.keys(bytes).length === 0) {
      // The second try went well, and there was nothing else to store.
      useAttic.setState({ savedAt: Date.now(), saveTrouble: null });
      return;
    }
    // A browser may not say that it was the room; when only the pictures do not fit, it was.
    const why =
      typed || error instanceof DiskFull ? new DiskFull().message : 'It could not be stored on this device.';
    if (!typed) {
      for (const page of pages) dirtyPages.add(page);
      dirtySettings = true;
    }
    useAttic.setState({
      saveTrouble: `${why} ${typed ? 'What you typed is stored; new pictures are kept' : 'Everything is kept'} only while this page stays open.`,
    });
    timer ??= setTimeout(() => void saveNow(), 5_000);
  }
}

function isAllStored(): boolean {
  return unstored.size === 0 && isNone(unstoredSettings);
}

function isStored(key: string): boolean {
  const collection = key.slice(0, key.indexOf(' ')) as CollectionName;
  return !dirtyPages.has(pageKey(collection, key.slice(collection.length + 1)));
}

/** What one page of an attic tells the others. */
interface PageMessage {
  edits?: readonly PeerEdit[];
  settings?: Partial<Settings>;
  /** When, and by which page. */
  stamp?: Stamp;
}

/** Two pages of one attic: each takes over what the other changed, record by record. */
function listenToOtherPages(name: string): void {
  channel?.close();
  channel = new BroadcastChannel(`attic-${name}`);
  channel.onmessage = ({ data }: MessageEvent<PageMessage>) => {
    if (data.settings) settingsAt = Date.now();
    useAttic.setState((s) => takenOver(s, data, (key) => setHere.get(key) ?? null));
    // Stored with what stands here, where that is not what the other page has.
    const { settings } = useAttic.getState();
    for (const [name, theirs] of Object.entries(data.settings ?? {}))
      if (JSON.stringify(settings[name as keyof Settings]) !== JSON.stringify(theirs)) {
        dirtySettings = true;
        saveSoon();
      }
    // Where both changed the same record, what came of it is stored by this page as well.
    for (const { collection, id, after } of data.edits ?? []) {
      const now = useAttic.getState()[collection][id];
      if (after === null ? now !== undefined : JSON.stringify(now) !== JSON.stringify(after)) {
        dirtyPages.add(pageKey(collection, id));
        saveSoon();
      }
    }
  };
}

/**
 * The state with what another page changed. Running numbers only ever go up, so no code is given twice.
 *
 * @param setAt when this page set a field itself, by collection, record and field; null: not lately
 */
export function takenOver(
  state: AtticState,
  { edits = [], settings = {}, stamp }: PageMessage,
  setAt: (key: string) => number | null = () => null,
  page = PAGE,
): Partial<AtticState> {
  const next: Record<string, unknown> = {};
  const conflicts: Conflict[] = [];
  const stands = (key: string) => {
    const at = setAt(key);
    return at !== null && stamp !== undefined && isLater({ at, page }, stamp);
  };
  for (const edit of edits) {
    const { collection, id } = edit;
    const map = (next[collection] ?? { ...state[collection] }) as Record<string, unknown>;
    const mineStands = (field: string) => stands(`${collection} ${id} ${field}`);
    // Taken away on one page and changed on the other: what was done later holds on both.
    const gone = map[id] === undefined ? edit.was !== null : edit.after === null;
    if (gone && mineStands(WHOLE)) continue;
    const { record, conflicts: found } = merged(map[id], edit, mineStands);
    if (record === null) delete map[id];
    else map[id] = record;
    conflicts.push(...found);
    next[collection] = map;
  }
  if (conflicts.length > 0) next.conflicts = [...state.conflicts, ...conflicts].slice(-20);
  const theirs = Object.entries(settings).filter(([name]) => !stands(settingKey(name)));
  next.settings = {
    ...state.settings,
    ...Object.fromEntries(theirs),
    ...numbersUp(state.settings, settings),
  };
  return next as Partial<AtticState>;
}

/** Bytes of pictures that no record and no undoable change speaks of any more. */
async function sweepPictures(from: Disk, records: Records, journal: readonly Change[]): Promise<void> {
  const wanted = new Set(Object.keys(records.pictures));
  for (const entry of journal)
    for (const edit of entry.edits) if (edit.collection === 'pictures') wanted.add(edit.id);
  const keys = await from.keys();
  const set = new Set(keys.flatMap((key) => quarantinedOf(key)?.match(/^pictures:(.*)$/u)?.[1] ?? []));
  await from.remove(
    keys.filter((key) => {
      const id = key.split(':')[1] ?? '';
      return key.startsWith('picture:') && !wanted.has(id) && !set.has(id);
    }),
  );
}
