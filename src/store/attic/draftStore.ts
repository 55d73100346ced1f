import { z } from 'zod';
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
  private readonly underWay = new Set<string>();
  private timer: ReturnType<typeof setTimeout> | null = null;
  private readonly note: string;

  /** @param name the attic's: what a page that is left could not store any more is noted under it */
  constructor(
    private readonly disk: Disk,
    name: string,
  ) {
    this.note = `${PREFIX}left:${name}`;
  }

  async open(): Promise<void> {
    const keys = (await this.disk.keys()).filter((key) => key.startsWith(PREFIX));
    const texts = await this.disk.texts(keys);
    const drafts: Record<string, unknown> = {};
    for (const [key, text] of Object.entries(texts)) drafts[key.slice(PREFIX.length)] = parsed(text);
    const left = this.noted();
    for (const [key, text] of Object.entries(left)) {
      if (text === null) delete drafts[key];
      else drafts[key] = parsed(text);
      this.dirty.add(key);
    }
    useDrafts.setState(drafts, true);
    await this.store();
  }

  /** The page may be gone the next moment, and a disk is too slow then: what is not stored is noted down. */
  leave(): void {
    const drafts = useDrafts.getState();
    const keys = [...this.dirty, ...this.underWay];
    if (keys.length > 0)
      try {
        const left = Object.fromEntries(
          keys.map((key) => [key, drafts[key] === undefined ? null : JSON.stringify(drafts[key])]),
        );
        localStorage.setItem(this.note, JSON.stringify({ ...this.noted(), ...left }));
      } catch (error) {
        unlessExpected('noting what was typed')(error);
      }
    void this.store();
  }

  private forgetNote(): void {
    try {
      localStorage.removeItem(this.note);
    } catch {
      // Nothing was noted there.
    }
  }

  private noted(): Record<string, string | null> {
    try {
      const read = Left.safeParse(parsed(localStorage.getItem(this.note)));
      return read.success ? read.data : {};
    } catch {
      // A browser that lets nothing be noted has noted nothing.
      return {};
    }
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
    for (const key of keys) this.underWay.add(key);
    const texts = keys.flatMap((key): [string, string][] => {
      const text = drafts[key] === undefined ? undefined : JSON.stringify(drafts[key]);
      return text === undefined || text.length > LONGEST ? [] : [[PREFIX + key, text]];
    });
    const gone = keys.filter((key) => drafts[key] === undefined).map((key) => PREFIX + key);
    try {
      if (texts.length > 0) await this.disk.write(Object.fromEntries(texts));
      await this.disk.remove(gone);
      if (this.dirty.size === 0) this.forgetNote();
    } catch (error) {
      // It is still on the screen, and is stored with what is typed next.
      for (const key of keys) this.dirty.add(key);
      unlessExpected('keeping what was typed')(error);
    }
    for (const key of keys) this.underWay.delete(key);
  }
}

const Left = z.record(z.string(), z.string().nullable());

/** What is no JSON is no draft; what it holds is for its form's schema to say. */
function parsed(text: string | null): unknown {
  try {
    return text === null ? undefined : JSON.parse(text);
  } catch {
    return undefined;
  }
}
