import type { CollectionName } from '@/contract/records';

/** What another page is told of a change: the record as it is now, and what the changed fields were before. */
export interface ToldEdit {
  collection: CollectionName;
  id: string;
  after: unknown;
  /** Fields that changed, as the page that changed them had seen them; null: the record was new or is gone. */
  was: Record<string, unknown> | null;
}

/** Two pages set the same field without having seen each other: the later one stands, and a person is told. */
export interface Conflict {
  collection: CollectionName;
  id: string;
  field: string;
  mine: unknown;
  theirs: unknown;
}

type Fields = Record<string, unknown>;
const same = (a: unknown, b: unknown) => a === b || JSON.stringify(a) === JSON.stringify(b);

/** A change in the words for other pages. */
export function told(edit: {
  collection: CollectionName;
  id: string;
  before: unknown;
  after: unknown;
}): ToldEdit {
  const { collection, id, before, after } = edit;
  if (before === null || after === null) return { collection, id, after, was: null };
  const [old, now] = [before as Fields, after as Fields];
  const keys = [...new Set([...Object.keys(old), ...Object.keys(now)])].filter((k) => !same(old[k], now[k]));
  return { collection, id, after, was: Object.fromEntries(keys.map((k) => [k, old[k]])) };
}

/**
 * This page's record with what another page changed, field by field: what the other did not touch stays as it is here.
 *
 * @param mine the record as this page has it; undefined: it has none
 */
export function merged(mine: unknown, edit: ToldEdit): { record: unknown; conflicts: Conflict[] } {
  const { collection, id, after, was } = edit;
  if (after === null || was === null || mine === undefined || mine === null)
    return { record: after, conflicts: [] };
  const record: Fields = { ...(mine as Fields) };
  const conflicts: Conflict[] = [];
  for (const field of Object.keys(was)) {
    const theirs = (after as Fields)[field];
    const here = record[field];
    if (field !== 'updatedAt' && !same(here, was[field]) && !same(here, theirs))
      conflicts.push({ collection, id, field, mine: here, theirs });
    if (theirs === undefined) delete record[field];
    else record[field] = theirs;
  }
  return { record, conflicts };
}
