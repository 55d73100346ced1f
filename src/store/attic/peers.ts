import { fieldsOf } from '@/contract/fields';
import type { Settings } from '@/contract/records';
import { numbersUp } from '@/core/identity/numbers';
import { fault } from '@/store/base/faults';
import { yieldToMain } from '@/store/base/yieldToMain';

import type { Edit } from './journal';
import { isLater, merged, toPeers, type Conflict, type PeerEdit, type Stamp } from './merging';
import type { AtticState, AtticStore } from './state';
import type { Writer } from './writer';

/** What one page of an attic tells the others. */
export interface PageMessage {
  edits?: readonly PeerEdit[];
  settings?: Partial<Settings>;
  /** When, and by which page. */
  stamp?: Stamp;
}

/** How pages of one attic reach each other; what a `BroadcastChannel` does. */
export interface PeerChannel {
  postMessage(message: PageMessage): void;
  onmessage: ((event: MessageEvent<PageMessage>) => void) | null;
  close(): void;
}

interface PeersParts {
  channel: PeerChannel;
  state: AtticStore;
  writer: Writer;
  clock: () => number;
  /** Tells the pages of one attic apart. */
  page: string;
}

/** How many records are told at a time. */
const SLICE = 100;
/** Other pages hear of a change in no time: what was set long ago is known to all, milliseconds. */
const STAMPS_KEPT = 60_000;
const MOST_STAMPS = 20_000;

const WHOLE = '*';
const settingKey = (name: string) => `settings ${name}`;

/** Pages of one attic: each tells what it changed, and takes over what others did, record by record. */
export class Peers {
  /** When this page set a field last: told something else of the same moment, all pages keep the same. */
  private readonly setHere = new Map<string, number>();
  private readonly outbox: PageMessage[] = [];
  private telling = false;
  private isOpen = true;

  constructor(private readonly by: PeersParts) {}

  /** From now on it takes over what others tell. */
  listen(): void {
    this.by.channel.onmessage = ({ data }) => this.hear(data);
  }

  close(): void {
    this.isOpen = false;
    this.by.channel.onmessage = null;
    this.by.channel.close();
  }

  tellEdits(edits: readonly Edit[]): void {
    const at = this.by.clock();
    for (let from = 0; from < edits.length; from += SLICE) {
      const some = edits.slice(from, from + SLICE).map(toPeers);
      for (const { collection, id, was } of some)
        // The record as a whole, too: it may be taken away elsewhere in the same moment.
        for (const field of [WHOLE, ...Object.keys(was ?? {})]) this.note(`${collection} ${id} ${field}`, at);
      this.outbox.push({ edits: some, stamp: { at, page: this.by.page } });
    }
    this.forgetOld(at);
    void this.tell();
  }

  tellSettings(part: Partial<Settings>): void {
    const at = this.by.clock();
    for (const name of Object.keys(part)) this.note(settingKey(name), at);
    this.outbox.push({ settings: part, stamp: { at, page: this.by.page } });
    void this.tell();
  }

  /** The newest stand last, so that old ones are found first. */
  private note(key: string, at: number): void {
    this.setHere.delete(key);
    this.setHere.set(key, at);
  }

  private forgetOld(now: number): void {
    for (const [key, at] of this.setHere) {
      if (now - at < STAMPS_KEPT && this.setHere.size <= MOST_STAMPS) return;
      this.setHere.delete(key);
    }
  }

  /** In the order things happened; copying very many records for the others is done a few at a time. */
  private async tell(): Promise<void> {
    if (this.telling || !this.isOpen) return;
    this.telling = true;
    try {
      for (let message = this.outbox.shift(); message && this.isOpen; message = this.outbox.shift()) {
        this.by.channel.postMessage(message);
        if (this.outbox.length > 0) await yieldToMain();
      }
    } catch (error) {
      // What one message holds can't be told; the next ones can.
      fault('telling other pages', error);
    } finally {
      this.telling = false;
    }
    if (this.outbox.length > 0) void this.tell();
  }

  private hear(message: PageMessage): void {
    const { state, writer, page } = this.by;
    state.setState((s) => takenOver(s, message, (key) => this.setHere.get(key) ?? null, page));
    // Stored with what stands here, where that is not what the other page has.
    if (message.settings) {
      const { settings } = state.getState();
      const differs = Object.entries(message.settings).some(
        ([name, theirs]) => JSON.stringify(fieldsOf(settings)[name]) !== JSON.stringify(theirs),
      );
      writer.settingsCame(differs);
    }
    // Where both changed the same record, what came of it is stored by this page as well.
    for (const { collection, id, after } of message.edits ?? []) {
      const now = state.getState()[collection][id];
      if (after === null ? now !== undefined : JSON.stringify(now) !== JSON.stringify(after))
        writer.touchPage(collection, id);
    }
  }
}

/**
 * The state with what another page changed. Running numbers only ever go up, so no code is given twice.
 *
 * @param setAt when this page set a field itself, by collection, record and field; null: not lately
 */
export function takenOver(
  state: AtticState,
  { edits = [], settings = {}, stamp }: PageMessage,
  setAt: (key: string) => number | null,
  page: string,
): Partial<AtticState> {
  const next: Record<string, unknown> = {};
  const conflicts: Conflict[] = [];
  const stands = (key: string) => {
    const at = setAt(key);
    return at !== null && stamp !== undefined && isLater({ at, page }, stamp);
  };
  for (const edit of edits) {
    const { collection, id } = edit;
    const map = fieldsOf(next[collection] ?? { ...state[collection] });
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
  // Each part of it was made of the part of the same name.
  return next as Partial<AtticState>;
}
