import { COLLECTIONS, type CollectionName, type RecordOf } from '@/contract/records';

import { slim, type Edit } from './journal';
import type { Records } from './records';

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

/** A checked change of one record, and what the journal keeps of it. */
export interface Made {
  edit: Edit;
  kept: Edit;
}

/** @throws ZodError where the record is not valid */
export function madeOf({ collection, id, record }: Put, records: Records): Made {
  const before = records[collection][id] ?? null;
  const edit = {
    collection,
    id,
    before,
    after: record === null ? null : COLLECTIONS[collection].parse(record),
  };
  // What was handed in shares what did not change with what is stored; what was checked is a copy.
  // Each record is its collection’s, as `Put` says; a union of pairs can’t be told from its parts.
  return { edit: edit as Edit, kept: slim({ ...edit, after: record } as Edit) };
}
