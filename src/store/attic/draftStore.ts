import { create } from 'zustand';

import { unlessExpected } from '@/store/base/faults';

import type { Disk } from './disk';

/** What is typed in forms, by a key that says which form it is, and of what. */
export const useDrafts = create<Readonly<Record<string, unknown>>>(() => ({}));

const PREFIX = 'draft:';
const WRITE_DELAY = 40;
/** Longer than any form: more is not kept, UTF-16 code units. */
const LONGEST = 2_000_000;

/** Keeps the drafts of one attic; those of another one stay where they are. */
export class DraftStore {
  private readonly dirty = new Set<string>();
  private timer: ReturnType<typeof setTimeout> | null = null;

  constructor(private readonly disk: Disk) {}

  async open(): Promise<void> {
    const keys = (await this.disk.keys()).filter((key) => key.startsWith(PREFIX));
    const texts = await this.disk.texts(keys);
    const drafts: Record<string, unknown> = {};
    for (const [key, text] of Object.entries(texts)) drafts[key.slice(PREFIX.length)] = parsed(text);
    useDrafts.setState(drafts, true);
  }

  set(key: string, value: unknown): void {
    useDrafts.setState({ [key]: value });
    this.dirty.add(key);
    this.timer ??= setTimeout(() => void this.store(), WRITE_DELAY);
  }

  /** Stores what was typed since; asked for at once when the page may be gone the next moment. */
  async store(): Promise<void> {
    if (this.timer) clearTimeout(this.timer);
    this.timer = null;
    if (this.dirty.size === 0) return;
    const drafts = useDrafts.getState();
    const keys = [...this.dirty];
    this.dirty.clear();
    const texts = keys.flatMap((key): [string, string][] => {
      const text = drafts[key] === undefined ? undefined : JSON.stringify(drafts[key]);
      return text === undefined || text.length > LONGEST ? [] : [[PREFIX + key, text]];
    });
    const gone = keys.filter((key) => drafts[key] === undefined).map((key) => PREFIX + key);
    try {
      if (texts.length > 0) await this.disk.write(Object.fromEntries(texts));
      await this.disk.remove(gone);
    } catch (error) {
      // It is still on the screen, and is stored with what is typed next.
      for (const key of keys) this.dirty.add(key);
      unlessExpected('keeping what was typed')(error);
    }
  }
}

/** What is no JSON is no draft; what it holds is for its form's schema to say. */
function parsed(text: string | null): unknown {
  try {
    return text === null ? undefined : JSON.parse(text);
  } catch {
    return undefined;
  }
}
