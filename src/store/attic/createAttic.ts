import { nanoid } from 'nanoid';

import { SCHEMA_VERSION } from '@/contract/migrations';
import type { Settings } from '@/contract/records';
import { numbersUp } from '@/core/identity/numbers';
import { recordId } from '@/core/identity/recordId';
import { Expected, fault } from '@/store/base/faults';
import { yieldToMain } from '@/store/base/yieldToMain';

import { Blobs } from './blobs';
import { madeOf, type ChangeOptions, type Made, type Put } from './changes';
import { diaryEdits } from './diary';
import type { Disk } from './disk';
import { DraftStore } from './draftStore';
import { inverseOf, journalWith, readJournal, type Change, type Edit } from './journal';
import { isOpenElsewhereTold, opening } from './leader';
import { watchLeaving } from './leavingPage';
import type { Conflict } from './merging';
import { Peers, type PeerChannel } from './peers';
import { COLLECTION_NAMES, loadRecords, numbersAfter, quarantineKey, type Records } from './records';
import { isNone, type AtticStore } from './state';
import { sweepPictures } from './sweeping';
import { UnsavedNote } from './unsaved';
import { Writer } from './writer';

/** How long "undo" stays offered, milliseconds. */
export const OFFER_TIME = 12_000;
/** How many records are made ready before a finger is asked for. */
const SLICE = 100;

/** Options of a change of very many. */
export type ManyOptions = ChangeOptions & {
  /** Told of records that are ready. */
  onSlice?: (records: readonly unknown[]) => void;
};

type Found = ReturnType<UnsavedNote['found']>;

export interface AtticParts {
  /** Its name among the attics of this browser. */
  name: string;
  disk: Disk;
  channel: PeerChannel;
  /** What screens read. */
  state: AtticStore;
  /** Milliseconds since 1970. */
  clock: () => number;
  /** Tells the pages of one attic apart. */
  page: string;
}

/** Pages of two versions would write over each other. */
class EarlierPage extends Expected {
  constructor() {
    super(
      'Another page of this attic is open in an earlier version of the app. Nothing was changed. ' +
        'Close it, then reload this one.',
    );
  }
}

/**
 * One attic in this page: reads everything, changes records, remembers how to take that back, stores it and
 * tells other pages.
 */
export class Attic {
  readonly blobs: Blobs;
  readonly drafts: DraftStore;
  private readonly note: UnsavedNote;
  private readonly writer: Writer;
  private readonly peers: Peers;
  private stopWatching: () => void = () => undefined;

  constructor(private readonly parts: AtticParts) {
    const { name, disk, channel, state, clock, page } = parts;
    this.blobs = new Blobs(disk);
    this.drafts = new DraftStore(disk, name);
    this.note = new UnsavedNote(name, page);
    this.writer = new Writer({ disk, state, clock, blobs: this.blobs, note: this.note });
    this.peers = new Peers({ channel, state, clock, page, writer: this.writer });
  }

  /** Where it is kept. */
  get disk(): Disk {
    return this.parts.disk;
  }

  /**
   * Reads everything, reports what could not be read. Waits for no writing.
   *
   * @throws Expected where another page has it open in an earlier version of the app
   */
  async open(): Promise<void> {
    const left = await opening(this.parts.name, (alone) => this.read(alone));
    void this.writer.now().then(() => {
      if (this.writer.isAllStored()) left.forget();
    });
    this.peers.listen();
    this.stopWatching = watchLeaving(
      () => {
        this.writer.leave();
        this.drafts.leave();
      },
      // Asked only when something would be lost.
      () => this.parts.state.getState().saveTrouble !== null,
    );
  }

  /** Stores what waits. After that it does nothing by itself any more. */
  async close(): Promise<void> {
    this.stopWatching();
    await this.writer.now();
    await this.drafts.store();
    this.writer.stop();
    this.peers.close();
  }

  /** Resolves once everything changed so far is stored (or the trouble is in `saveTrouble`). */
  saveNow(): Promise<void> {
    return this.writer.now();
  }

  /** A fresh id; its running number fixes the page it is stored on. */
  newId(): string {
    // As many as were asked for.
    return this.newIds(1)[0]!;
  }

  /** Fresh ids, many at once. */
  newIds(count: number): string[] {
    const { settings } = this.parts.state.getState();
    this.setSettings({ nextRecord: settings.nextRecord + count });
    return Array.from({ length: count }, (_, i) =>
      recordId(settings.nextRecord + i, nanoid(8).replace(/[_-]/gu, 'x')),
    );
  }

  setSettings(part: Partial<Settings>): void {
    this.parts.state.setState((s) => ({ settings: { ...s.settings, ...part } }));
    this.peers.tellSettings(part);
    this.writer.touchSettings(part);
  }

  /**
   * Changes records, remembers how to take it back, and stores them soon.
   *
   * @param label what was done, as a person would say it ("price", "picture removed")
   * @throws ZodError when a record is not valid: the caller has to check what people type
   */
  change(label: string, puts: readonly Put[], options: ChangeOptions = {}): void {
    const records = this.parts.state.getState();
    this.commit(
      label,
      puts.map((put) => madeOf(put, records)),
      options,
    );
  }

  /**
   * Like {@link change}, for very many records: they are made ready and checked a few at a time, then all
   * change at once, with one undo.
   *
   * @param makers each tells the new value of a record from what is stored when it is called; called again if
   * that record was changed meanwhile
   */
  async changeMany(label: string, makers: readonly (() => Put)[], options: ManyOptions = {}): Promise<void> {
    const { state } = this.parts;
    const ready: { make: () => Put; made: Made }[] = [];
    for (let at = 0; at < makers.length; at += SLICE) {
      if (at > 0) await yieldToMain();
      const records = state.getState();
      const some = makers.slice(at, at + SLICE).map((make) => ({ make, made: madeOf(make(), records) }));
      options.onSlice?.(some.map(({ made }) => made.edit.after));
      ready.push(...some);
    }
    if (makers.length > SLICE) await yieldToMain();
    const now = state.getState();
    const made = ready.map(({ make, made: m }) =>
      (now[m.edit.collection][m.edit.id] ?? null) === m.edit.before ? m : madeOf(make(), now),
    );
    this.commit(label, made, options);
  }

  /** Takes the newest change back, or the one given. */
  undo(which?: Change): void {
    const now = this.parts.state.getState();
    const target = which ?? now.journal.at(-1);
    if (!target) return;
    const taken: Change = {
      ...target,
      label: `taken back: ${target.label}`,
      at: this.parts.clock(),
      author: now.settings.author,
    };
    this.apply([...inverseOf(target, now), ...diaryEdits(taken, now)]);
    this.parts.state.setState((s) => ({
      journal: s.journal.filter((c) => c.at !== target.at || c.label !== target.label),
      offer: s.offer === target || s.offer?.at === target.at ? null : s.offer,
    }));
    this.writer.soon();
  }

  /** A person has seen a conflict. With `other`, what did not stand is set instead. */
  settleConflict(conflict: Conflict, other: boolean): void {
    const { collection, id, field } = conflict;
    const record = this.parts.state.getState()[collection][id];
    this.parts.state.setState((s) => ({ conflicts: s.conflicts.filter((c) => c !== conflict) }));
    const instead = conflict.kept === 'mine' ? conflict.theirs : conflict.mine;
    if (other && record)
      this.change('the other one taken', [
        // Checked by the collection’s schema before it is kept.
        { collection, id, record: { ...record, [field]: instead } } as Put,
      ]);
  }

  /** Bytes that are no longer wanted, taken away with the next write. */
  dropBlob(key: string): void {
    this.blobs.drop(key);
    this.writer.soon();
  }

  // ---- inside -------------------------------------------------------------------------------------

  /** @param alone no other page has it open */
  private async read(alone: boolean): Promise<Found> {
    const { disk, state, clock } = this.parts;
    await this.drafts.open();
    const { records, settings, quarantine, ...loaded } = await loadRecords(disk);
    const isEarlier = loaded.version < SCHEMA_VERSION;
    if (isEarlier && !alone && isOpenElsewhereTold()) throw new EarlierPage();
    this.writer.begin(loaded.settingsAt);
    const found = this.note.found(records, loaded.settingsAt);
    const { journal, misfits } = readJournal(await disk.text('journal'), loaded.version);
    if (misfits !== null) {
      // Where it can't be kept, the attic opens all the same.
      await disk
        .write({ [quarantineKey('journal')]: misfits })
        .catch((error: unknown) => fault('setting the journal aside', error));
      const why = 'what could be taken back can’t be read';
      quarantine.push({ collection: 'journal', key: 'journal', why });
    }
    const last = journal.at(-1);
    const offer = last?.destructive && clock() - last.at < OFFER_TIME ? last : null;
    state.setState({
      ...records,
      settings,
      quarantine,
      journal,
      offer,
      status: 'open',
      savedAt: clock(),
      saveTrouble: null,
    });
    if (found.changes.length > 0 || !isNone(found.settings)) {
      // Read by the schemas of their collections.
      this.takeOver(found.changes.map((l) => ({ ...l, before: null, after: l.record }) as Edit));
      const least = numbersUp(settings, found.settings);
      this.setSettings({ ...found.settings, ...numbersAfter(state.getState(), least) });
    }
    for (const key of loaded.outdated) this.blobs.drop(key);
    // All in one write, before another page reads it: nothing is ever half of one version.
    if (isEarlier) await this.storeAnew(records);
    // Another page may be about to name bytes that no record speaks of yet.
    if (alone) await sweepPictures(disk, state.getState(), journal);
    return found;
  }

  /** Every page as records are stored today. */
  private async storeAnew(records: Records): Promise<void> {
    for (const collection of COLLECTION_NAMES)
      for (const id in records[collection]) this.writer.touchPage(collection, id);
    this.writer.touchSettings({});
    await this.writer.now();
  }

  private commit(label: string, made: readonly Made[], options: ChangeOptions): void {
    const edits = made.map((m) => m.edit);
    if (options.ownUndo) {
      this.apply(edits);
      return;
    }
    const now = this.parts.state.getState();
    const entry: Change = {
      label,
      at: this.parts.clock(),
      author: now.settings.author,
      destructive: options.destructive ?? false,
      edits: made.map((m) => m.kept),
    };
    this.apply([...edits, ...diaryEdits(entry, now)]);
    this.parts.state.setState((s) => ({
      journal: journalWith(s.journal, entry),
      offer: entry.destructive ? entry : s.offer,
    }));
  }

  private apply(edits: readonly Edit[]): void {
    this.takeOver(edits);
    this.peers.tellEdits(edits);
  }

  private takeOver(edits: readonly Edit[]): void {
    this.parts.state.setState((s) => {
      const next: Partial<Records> = {};
      for (const { collection, id, after } of edits) {
        const map: Record<string, unknown> = next[collection] ?? { ...s[collection] };
        if (after === null) delete map[id];
        else map[id] = after;
        // Made of this collection and of edits to it.
        (next as Record<string, unknown>)[collection] = map;
      }
      return next;
    });
    for (const { collection, id } of edits) this.writer.touch(collection, id);
  }
}

/**
 * An attic, not opened yet.
 *
 * @example
 *   const disk = new Disk(name);
 *   const attic = createAttic({ name, disk, channel, state: useAttic, clock: Date.now, page });
 *   await attic.open();
 *   attic.change('price', [{ collection: 'items', id, record: { ...item, price: 2400 } }]);
 *   await attic.close();
 */
export function createAttic(parts: AtticParts): Attic {
  return new Attic(parts);
}
