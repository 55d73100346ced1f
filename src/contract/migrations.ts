import { isFields, keysOf } from './fields';
import { COLLECTIONS, Settings, type CollectionName, type RecordOf } from './records';
import { renamed, renamedEach, type Raw } from './renamed';

/** One step from a schema version to the next. */
export interface Migration {
  /** What collections were called before, with today's names. */
  collections?: Readonly<Record<string, CollectionName>>;
  /**
   * Brings one raw record up to date. It has to do with records of which only some fields are there, and do
   * nothing to one that is up to date: an earlier version of the app may have written beside this one.
   *
   * @param collection by today's name
   */
  record: (collection: CollectionName | 'settings', raw: Raw) => Raw;
}

/** What was sold was a thing; names that stood for something else got the usual ones. */
const thingsAreItems: Migration = {
  collections: { things: 'items' },
  record(collection, raw) {
    switch (collection) {
      case 'items':
        return withFlaws(renamed(raw, { aside: 'parked' }));
      case 'plans':
        return renamed(raw, { thingId: 'itemId', adoptedPrint: 'adoptedHash' });
      case 'pictures':
        return withSteps(renamed(raw, { thingId: 'itemId' }));
      case 'orders':
        return withReason(renamed(raw, { thingId: 'itemId' }));
      default:
        return raw;
    }
  },
};

/** Where a reading came from was called the desk. */
const deskIsProductLookup: Migration = {
  record: (collection, raw) =>
    collection === 'items' && Array.isArray(raw.readings)
      ? { ...raw, readings: raw.readings.map(fromProductLookup) }
      : raw,
};

/**
 * `MIGRATIONS[n]` takes records of version n + 1 to version n + 2. Only ever append.
 * The version of fresh data is one more than their number.
 */
const MIGRATIONS: readonly Migration[] = [thingsAreItems, deskIsProductLookup];

export const SCHEMA_VERSION = MIGRATIONS.length + 1;

/** All names that collections ever had, with today's. */
export const COLLECTION_NAMES_EVER: ReadonlyMap<string, CollectionName> = new Map([
  ...MIGRATIONS.flatMap((m) => Object.entries(m.collections ?? {})),
  ...keysOf(COLLECTIONS).map((name) => [name, name] as const),
]);

/** Raw fields of a version as they are called and mean today. @throws never for what is an object */
export function upToDate(
  collection: CollectionName | 'settings',
  raw: Raw,
  version: number,
  migrations: readonly Migration[] = MIGRATIONS,
): Raw {
  return migrations.slice(version - 1).reduce((now, step) => step.record(collection, now), raw);
}

export type ReadRecord<T> = { ok: true; record: T } | { ok: false; why: string };

/**
 * Brings a stored record up to date and validates it.
 *
 * @param collection by today's name
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
    if (!isFields(raw)) return { ok: false, why: 'not a record' };
    if (version > migrations.length + 1) return { ok: false, why: 'written by a newer version of the app' };
    const parsed = COLLECTIONS[collection].safeParse(upToDate(collection, raw, version, migrations));
    // The schema of `collection` made it; that a name and its schema belong together a generic can't say.
    if (parsed.success) return { ok: true, record: parsed.data as RecordOf[C] };
    const issue = parsed.error.issues[0];
    return { ok: false, why: `${issue?.path.join('.') || 'record'}: ${issue?.message ?? 'not valid'}` };
  } catch (error) {
    return { ok: false, why: error instanceof Error ? error.message : 'could not be read' };
  }
}

/** Settings as they were stored; null where they can't be read. */
export function readSettings(raw: unknown, version: number): Settings | null {
  if (!isFields(raw)) return null;
  const parsed = Settings.safeParse(upToDate('settings', raw, version));
  return parsed.success ? parsed.data : null;
}

function withFlaws(raw: Raw): Raw {
  return 'flaws' in raw ? { ...raw, flaws: renamedEach(raw.flaws, { kind: 'type' }) } : raw;
}

function withSteps(raw: Raw): Raw {
  const each = (name: string) => (name in raw ? { [name]: renamedEach(raw[name], { do: 'type' }) } : {});
  return { ...raw, ...each('steps'), ...each('undone') };
}

function withReason(raw: Raw): Raw {
  const { back } = raw;
  return isFields(back) && back.reason === 'wrongThing'
    ? { ...raw, back: { ...back, reason: 'wrongItem' } }
    : raw;
}

function fromProductLookup(reading: unknown): unknown {
  return isFields(reading) && reading.from === 'desk' ? { ...reading, from: 'productLookup' } : reading;
}
