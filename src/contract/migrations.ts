import { COLLECTIONS, type CollectionName, type RecordOf } from './records';

/** One step from a schema version to the next, for one raw record. */
export type Migration = (collection: CollectionName, raw: Record<string, unknown>) => Record<string, unknown>;

/**
 * `MIGRATIONS[n]` takes records of version n + 1 to version n + 2. Only ever append.
 * The version of fresh data is one more than their number.
 */
export const MIGRATIONS: readonly Migration[] = [];

export const SCHEMA_VERSION = MIGRATIONS.length + 1;

export type ReadRecord<T> = { ok: true; record: T } | { ok: false; why: string };

/**
 * Brings a stored record up to date and validates it.
 *
 * @param version schema version it was written under
 * @returns the record, or why it has to be set aside; never throws
 */
export function readRecord<C extends CollectionName>(
  collection: C,
  raw: unknown,
  version: number,
  migrations: readonly Migration[] = MIGRATIONS,
): ReadRecord<RecordOf[C]> {
  try {
    if (typeof raw !== 'object' || raw === null) return { ok: false, why: 'not a record' };
    if (version > migrations.length + 1) return { ok: false, why: 'written by a newer version of the app' };
    let current = raw as Record<string, unknown>;
    for (const migrate of migrations.slice(version - 1)) current = migrate(collection, current);
    const parsed = COLLECTIONS[collection].safeParse(current);
    if (parsed.success) return { ok: true, record: parsed.data as RecordOf[C] };
    const issue = parsed.error.issues[0];
    return { ok: false, why: `${issue?.path.join('.') || 'record'}: ${issue?.message ?? 'not valid'}` };
  } catch (error) {
    return { ok: false, why: error instanceof Error ? error.message : 'could not be read' };
  }
}
