import { fieldsOf } from '@/contract/fields';
import { COLLECTION_NAMES_EVER, readRecord, SCHEMA_VERSION, upToDate } from '@/contract/migrations';
import { Settings, type CollectionName } from '@/contract/records';

import type { Records } from './records';

/** A record changed but perhaps not stored yet; null where it was taken away. */
export interface Unstored {
  collection: CollectionName;
  id: string;
  record: unknown;
}

/** Settings changed but perhaps not stored yet, and when the last of them was. */
export interface UnstoredSettings {
  at: number;
  part: Partial<Settings>;
}

/**
 * What is not stored yet when a page is left. The browser may drop a write that is still on its way then;
 * these few bytes it takes at once. They are laid over the records when the attic opens again.
 */
export class UnsavedNote {
  private readonly own: string;
  private left = false;

  /** @param page tells the pages of one attic apart */
  constructor(
    private readonly attic: string,
    page: string,
  ) {
    this.own = `${prefixOf(attic)}${page}`;
  }

  leave(changes: readonly Unstored[], settings: UnstoredSettings): void {
    if (changes.length === 0 && Object.keys(settings.part).length === 0) return;
    try {
      localStorage.setItem(this.own, JSON.stringify({ schema: SCHEMA_VERSION, changes, settings }));
      this.left = true;
    } catch {
      // Too much for it, or not allowed: then the write that is on its way is all there is.
    }
  }

  /** All of it is stored now. */
  clear(): void {
    if (this.left) localStorage.removeItem(this.own);
    this.left = false;
  }

  /**
   * What pages left behind that are gone now.
   *
   * @param settingsAt when the settings that are stored were changed last
   * @returns the changes that are newer than what is stored, and how to forget the notes
   */
  found(
    records: Records,
    settingsAt: number,
  ): { changes: Unstored[]; settings: Partial<Settings>; forget: () => void } {
    const keys: string[] = [];
    const changes: Unstored[] = [];
    const settings: UnstoredSettings[] = [];
    try {
      for (let i = 0; i < localStorage.length; i += 1) {
        const key = localStorage.key(i) ?? '';
        if (key.startsWith(prefixOf(this.attic))) keys.push(key);
      }
      for (const key of keys) {
        const text = localStorage.getItem(key);
        changes.push(...readNote(text, records));
        settings.push(...readSettingsNote(text, settingsAt));
      }
    } catch {
      // Without it nothing was left either.
    }
    settings.sort((a, b) => a.at - b.at);
    return {
      changes,
      settings: settings.reduce<Partial<Settings>>((all, s) => ({ ...all, ...s.part }), {}),
      forget: () => keys.forEach((key) => localStorage.removeItem(key)),
    };
  }
}

function prefixOf(attic: string): string {
  return `attic-${attic}-left-`;
}

function parsed(text: string | null): Record<string, unknown> {
  try {
    return fieldsOf(JSON.parse(text ?? ''));
  } catch {
    return {};
  }
}

/** Settings that are no older than those that are stored; a field that is not valid is left out. */
function readSettingsNote(text: string | null, settingsAt: number): UnstoredSettings[] {
  const { schema, settings } = parsed(text);
  const { at, part } = fieldsOf(settings);
  if (typeof at !== 'number' || at < settingsAt || typeof part !== 'object' || part === null) return [];
  const today = upToDate('settings', { ...part }, typeof schema === 'number' ? schema : SCHEMA_VERSION);
  const fields = Object.entries(today).filter(
    ([name, value]) =>
      // A field of the shape, as was just looked up.
      Object.hasOwn(Settings.shape, name) && Settings.shape[name as keyof Settings].safeParse(value).success,
  );
  // Each field was read by its own schema.
  return [{ at, part: Object.fromEntries(fields) as Partial<Settings> }];
}

function readNote(text: string | null, records: Records): Unstored[] {
  const { schema, changes } = parsed(text);
  if (typeof schema !== 'number' || !Array.isArray(changes)) return [];
  return changes.flatMap((raw: unknown): Unstored[] => {
    const { collection: name, id, record } = fieldsOf(raw);
    const collection = COLLECTION_NAMES_EVER.get(String(name));
    if (typeof id !== 'string' || !collection) return [];
    if (record === null) return [{ collection, id, record }];
    const read = readRecord(collection, record, schema);
    return read.ok && isNewer(read.record, records[collection][id])
      ? [{ collection, id, record: read.record }]
      : [];
  });
}

/** Another page may have gone on from there, and stored it. */
function isNewer(left: object, stored: object | undefined): boolean {
  const at = (record: object) => ('updatedAt' in record ? Number(record.updatedAt) : 0);
  return !stored || at(left) >= at(stored);
}
