import { readRecord, SCHEMA_VERSION } from '@/contract/migrations';
import { COLLECTIONS, type CollectionName } from '@/contract/records';

import type { Records } from './pagedRecords';

/** A record changed but perhaps not stored yet; null where it was taken away. */
export interface Unstored {
  collection: CollectionName;
  id: string;
  record: unknown;
}

/**
 * What is not stored yet when a page is left. The browser may drop a write that is still on its way then; these few
 * bytes it takes at once. They are laid over the records when the attic opens again.
 */
export class LeavingNote {
  private readonly own: string;
  private left = false;

  /** @param page tells the pages of one attic apart */
  constructor(
    private readonly attic: string,
    page: string,
  ) {
    this.own = `${prefixOf(attic)}${page}`;
  }

  leave(changes: readonly Unstored[]): void {
    if (changes.length === 0) return;
    try {
      localStorage.setItem(this.own, JSON.stringify({ schema: SCHEMA_VERSION, changes }));
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

  /** What pages left behind that are gone now. @returns the changes that are newer than what is stored, and how to forget the notes */
  found(records: Records): { changes: Unstored[]; forget: () => void } {
    const keys: string[] = [];
    const changes: Unstored[] = [];
    try {
      for (let i = 0; i < localStorage.length; i += 1) {
        const key = localStorage.key(i) ?? '';
        if (key.startsWith(prefixOf(this.attic))) keys.push(key);
      }
      for (const key of keys) changes.push(...readNote(localStorage.getItem(key), records));
    } catch {
      // Without it nothing was left either.
    }
    return { changes, forget: () => keys.forEach((key) => localStorage.removeItem(key)) };
  }
}

function prefixOf(attic: string): string {
  return `attic-${attic}-left-`;
}

function readNote(text: string | null, records: Records): Unstored[] {
  let note: unknown;
  try {
    note = JSON.parse(text ?? '');
  } catch {
    return [];
  }
  const { schema, changes } = (note ?? {}) as { schema?: unknown; changes?: unknown };
  if (typeof schema !== 'number' || !Array.isArray(changes)) return [];
  return changes.flatMap((raw: unknown): Unstored[] => {
    const { collection, id, record } = (raw ?? {}) as Partial<Unstored>;
    if (typeof id !== 'string' || typeof collection !== 'string' || !(collection in COLLECTIONS)) return [];
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
