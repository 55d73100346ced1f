import { keysOf } from '@/contract/fields';
import { SCHEMA_VERSION } from '@/contract/migrations';
import type { CollectionName, Settings } from '@/contract/records';
import { serialQueue } from '@/core/serialQueue';
import { fault } from '@/store/base/faults';

import type { Blobs } from './blobs';
import { DiskFull, type Disk, type Stored } from './disk';
import { journalText } from './journal';
import { pageKey, pageTexts } from './records';
import { isNone, type AtticStore } from './state';
import type { Unstored, UnsavedNote } from './unsaved';

/** How long changes are gathered before they are written, milliseconds. */
const WRITE_DELAY = 40;
/** How soon a write that failed is tried again, milliseconds. */
const TRY_AGAIN = 5_000;

interface WriterParts {
  disk: Disk;
  blobs: Blobs;
  state: AtticStore;
  note: UnsavedNote;
  clock: () => number;
}

/** Stores what changed, page by page and all or nothing; whatever goes wrong is said and tried again. */
export class Writer {
  private readonly pages = new Set<string>();
  /**
   * Records changed since they were last stored for certain, also those that are being written: collection, a
   * space, id.
   */
  private readonly unstored = new Set<string>();
  private settingsToo = false;
  /** Settings changed since they were last stored for certain. */
  private unstoredSettings: Partial<Settings> = {};
  private timer: ReturnType<typeof setTimeout> | null = null;
  private stopped = false;
  private readonly inTurn = serialQueue();

  /** When the settings were changed last, milliseconds since 1970. */
  private settingsAt = 0;

  constructor(private readonly by: WriterParts) {}

  /** @param settingsAt when the settings that are stored were changed last, milliseconds since 1970 */
  begin(settingsAt: number): void {
    this.settingsAt = settingsAt;
  }

  /** A record changed. */
  touch(collection: CollectionName, id: string): void {
    this.unstored.add(`${collection} ${id}`);
    this.touchPage(collection, id);
  }

  /** A record is to be written that another page has stored otherwise. */
  touchPage(collection: CollectionName, id: string): void {
    this.pages.add(pageKey(collection, id));
    this.soon();
  }

  touchSettings(part: Partial<Settings>): void {
    Object.assign(this.unstoredSettings, part);
    this.settingsAt = this.by.clock();
    this.settingsToo = true;
    this.soon();
  }

  /** Settings came from another page; they are to be written where that one has them otherwise. */
  settingsCame(toWrite: boolean): void {
    this.settingsAt = this.by.clock();
    if (!toWrite) return;
    this.settingsToo = true;
    this.soon();
  }

  isAllStored(): boolean {
    return this.unstored.size === 0 && isNone(this.unstoredSettings);
  }

  soon(): void {
    // Told once: a change of many touches each of them.
    if (this.by.state.getState().savedAt !== null) this.by.state.setState({ savedAt: null });
    this.later(WRITE_DELAY);
  }

  /** Resolves once everything changed so far is stored (or the trouble is in `saveTrouble`). */
  now(): Promise<void> {
    if (this.timer) clearTimeout(this.timer);
    this.timer = null;
    return this.inTurn(() => this.write());
  }

  /** The page may be gone the next moment: what is not stored for certain is noted down at once. */
  leave(): void {
    const state = this.by.state.getState();
    const changes = [...this.unstored].map((key): Unstored => {
      const { collection, id } = readKey(key);
      return { collection, id, record: state[collection][id] ?? null };
    });
    this.by.note.leave(changes, { at: this.settingsAt, part: this.unstoredSettings });
    void this.now();
  }

  /** Nothing is written by itself any more. */
  stop(): void {
    this.stopped = true;
    if (this.timer) clearTimeout(this.timer);
    this.timer = null;
  }

  private later(ms: number): void {
    if (this.stopped) return;
    this.timer ??= setTimeout(() => void this.now(), ms);
  }

  private async write(): Promise<void> {
    const [pages, settingsToo] = [[...this.pages], this.settingsToo];
    try {
      await this.writeAll();
    } catch (error) {
      for (const page of pages) this.pages.add(page);
      this.settingsToo ||= settingsToo;
      fault('storing', error);
      this.by.state.setState({
        saveTrouble: 'It could not be stored. Everything is kept only while this page stays open.',
      });
      this.later(TRY_AGAIN);
    }
  }

  private async writeAll(): Promise<void> {
    const { disk, blobs, state } = this.by;
    const bytes = blobs.toWrite();
    const count = Object.keys(bytes.bytes).length + bytes.gone.length;
    if (this.pages.size === 0 && !this.settingsToo && count === 0) return;
    const now = state.getState();
    const pages = [...this.pages];
    const set = { ...this.unstoredSettings };
    const texts: Record<string, Stored> = {
      settings: JSON.stringify(now.settings),
      meta: JSON.stringify({ schema: SCHEMA_VERSION, settingsAt: this.settingsAt }),
    };
    this.pages.clear();
    this.settingsToo = false;
    Object.assign(texts, await pageTexts(now, pages));
    texts.journal = await journalText(now.journal);
    const stored = [...this.unstored];
    try {
      await disk.write({ ...texts, ...bytes.bytes });
      this.areStored(stored, set);
      await disk.remove(bytes.gone);
      blobs.written(bytes);
      if (this.pages.size === 0 && !this.settingsToo) this.saved();
    } catch (error) {
      // What was typed is small: it must not be lost because a picture does not fit.
      const typed = await disk.write(texts).then(
        () => true,
        () => false,
      );
      if (typed) this.areStored(stored, set);
      // The second try went well, and there was nothing else to store.
      if (typed && Object.keys(bytes.bytes).length === 0) return this.saved();
      if (!typed) {
        for (const page of pages) this.pages.add(page);
        this.settingsToo = true;
      }
      state.setState({ saveTrouble: troubleOf(error, typed) });
      this.later(TRY_AGAIN);
    }
  }

  private saved(): void {
    this.by.state.setState({ savedAt: this.by.clock(), saveTrouble: null });
  }

  /** What was changed again meanwhile is still to be written. */
  private areStored(records: readonly string[], settings: Partial<Settings>): void {
    for (const key of records) {
      const { collection, id } = readKey(key);
      if (!this.pages.has(pageKey(collection, id))) this.unstored.delete(key);
    }
    for (const name of keysOf(settings))
      if (this.unstoredSettings[name] === settings[name]) delete this.unstoredSettings[name];
    if (this.isAllStored()) this.by.note.clear();
  }
}

function readKey(key: string): { collection: CollectionName; id: string } {
  // Keys are made of the names of collections: `touch`.
  const collection = key.slice(0, key.indexOf(' ')) as CollectionName;
  return { collection, id: key.slice(collection.length + 1) };
}

/** @param typed whether all but the bytes of pictures is stored */
function troubleOf(error: unknown, typed: boolean): string {
  // A browser may not say that it was the room; when only the pictures do not fit, it was.
  const why =
    typed || error instanceof DiskFull ? new DiskFull().message : 'It could not be stored on this device.';
  const kept = typed ? 'What you typed is stored; new pictures are kept' : 'Everything is kept';
  return `${why} ${kept} only while this page stays open.`;
}
