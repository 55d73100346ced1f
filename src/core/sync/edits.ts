import type { RecordWrites } from '@/contract/sync';

import { registersOf, THERE, writesBetween } from './registers';
import { ofRecordKey, readIn, recordKey, type RecordKey, type Store } from './replica';

/** One record before and after; null: there was or is none. */
export interface Edited {
  collection: string;
  id: string;
  before: object | null;
  after: object | null;
}

/** What belongs to an item: it goes with it, and changing it says that the item is there. */
const OF_ITEMS: ReadonlySet<string> = new Set(['pictures', 'plans']);

/** What a record belongs to; null: nothing but itself. */
export function ownerOf(collection: string, record: object): RecordKey | null {
  return OF_ITEMS.has(collection) && 'itemId' in record ? recordKey('items', String(record.itemId)) : null;
}

/** What there is that belongs to a record, but itself. */
export function belongingTo(owner: RecordKey, store: Pick<Store, 'keys' | 'shelf'>): RecordKey[] {
  return [...store.keys()].filter(
    (key) => key !== owner && ownerOf(ofRecordKey(key).collection, readIn(store, key) ?? {}) === owner,
  );
}

/** What an edit writes; null: nothing. */
export function writesOf({ collection, id, before, after }: Edited): RecordWrites | null {
  const along = ownerOf(collection, after ?? before ?? {}) ?? recordKey(collection, id);
  const registers = (record: object | null) => (record ? registersOf(collection, record) : {});
  if (after === null)
    return before === null
      ? null
      : { collection, id, along, writes: [{ path: THERE, value: false, was: true }] };
  const writes = writesBetween(registers(before), registers(after));
  if (before === null) writes.unshift({ path: THERE, value: true });
  return writes.length === 0 ? null : { collection, id, along, writes };
}
