import { fieldsOf, type Fields } from '@/contract/fields';
import type { CollectionName } from '@/contract/records';

/**
 * What another page is told of a change: the record as it is now, and what the changed fields were before.
 */
export interface PeerEdit {
  collection: CollectionName;
  id: string;
  after: unknown;
  /**
   * Fields that changed, as the page that changed them had seen them; null: the record was new or is gone.
   */
  was: Record<string, unknown> | null;
}

/**
 * Two pages set the same field without having seen each other: the later one stands on both, and a person is
 * told.
 */
export interface Conflict {
  collection: CollectionName;
  id: string;
  field: string;
  mine: unknown;
  theirs: unknown;
  /** Whose stands. */
  kept: 'mine' | 'theirs';
}

/** When a page set something: later ones stand; of the same moment, the page whose name comes later. */
export interface Stamp {
  at: number;
  page: string;
}

/** Every page comes to the same answer, whichever of two it hears of first. */
export function isLater(a: Stamp, b: Stamp): boolean {
  return a.at === b.at ? a.page > b.page : a.at > b.at;
}

const same = (a: unknown, b: unknown) => a === b || JSON.stringify(a) === JSON.stringify(b);

/** A change in the words for other pages. */
export function toPeers(edit: {
  collection: CollectionName;
  id: string;
  before: unknown;
  after: unknown;
}): PeerEdit {
  const { collection, id, before, after } = edit;
  if (before === null || after === null) return { collection, id, after, was: null };
  const [old, now] = [fieldsOf(before), fieldsOf(after)];
  const keys = [...new Set([...Object.keys(old), ...Object.keys(now)])].filter((k) => !same(old[k], now[k]));
  return { collection, id, after, was: Object.fromEntries(keys.map((k) => [k, old[k]])) };
}

/**
 * This page's record with what another page changed, field by field: what the other did not touch stays as it
 * is here.
 *
 * @param mine the record as this page has it; undefined: it has none
 * @param mineStands whether what this page set in a field is later than what is told; left out: it never is
 */
export function merged(
  mine: unknown,
  edit: PeerEdit,
  mineStands: (field: string) => boolean = () => false,
): { record: unknown; conflicts: Conflict[] } {
  const { collection, id, after, was } = edit;
  if (after === null || was === null || mine === undefined || mine === null)
    return { record: after, conflicts: [] };
  const record: Fields = { ...fieldsOf(mine) };
  const conflicts: Conflict[] = [];
  for (const field of Object.keys(was)) {
    const theirs = fieldsOf(after)[field];
    const here = record[field];
    const differs = !same(here, was[field]) && !same(here, theirs);
    const kept = differs && mineStands(field) ? 'mine' : 'theirs';
    if (field !== 'updatedAt' && differs) conflicts.push({ collection, id, field, mine: here, theirs, kept });
    if (kept === 'mine') continue;
    if (theirs === undefined) delete record[field];
    else record[field] = theirs;
  }
  return { record, conflicts };
}
