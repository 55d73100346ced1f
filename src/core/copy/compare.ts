import { isFields, keysOf } from '@/contract/fields';
import type { CollectionName, RecordOf, Settings } from '@/contract/records';

import { numbersUp } from '../identity/numbers';

/** All records of an attic, by collection and id. */
export type AllRecords = { [C in CollectionName]: Record<string, RecordOf[C]> };

/** What a kept copy holds, held against the attic it is read into. */
export interface CopyComparison {
  /** Ids that are in the copy and not in the attic. */
  missing: { [C in CollectionName]: string[] };
  /** In both, and not the same. What stands in the attic is never lost by reading a copy. */
  differing: { [C in CollectionName]: string[] };
  /** How many are just the same in both. */
  same: number;
  /** Codes that a missing item has and another item of the attic has as well. */
  codesTwice: string[];
}

/** Holds a copy against an attic, record by record. The order of keys in a record does not count. */
export function compareCopy(copy: AllRecords, here: AllRecords): CopyComparison {
  const names = keysOf(copy);
  // Every collection has its list: the names are those of the copy itself.
  const none = () => Object.fromEntries(names.map((c) => [c, []])) as unknown as CopyComparison['missing'];
  const found: CopyComparison = { missing: none(), differing: none(), same: 0, codesTwice: [] };
  for (const collection of names)
    for (const [id, record] of Object.entries(copy[collection])) {
      const known = here[collection][id];
      if (known === undefined) found.missing[collection].push(id);
      else if (sorted(known) === sorted(record)) found.same += 1;
      else found.differing[collection].push(id);
    }
  const codes = new Set(Object.values(here.items).map((t) => t.code));
  found.codesTwice = found.missing.items.flatMap((id) => {
    const code = copy.items[id]?.code;
    return code !== undefined && codes.has(code) ? [code] : [];
  });
  return found;
}

/** How many records of each sort a person would count. */
export function countOf(ids: CopyComparison['missing']): { items: number; pictures: number; others: number } {
  const all = Object.values(ids).reduce((n, some) => n + some.length, 0);
  const [items, pictures] = [ids.items.length, ids.pictures.length];
  return { items, pictures, others: all - items - pictures };
}

/**
 * The settings after a copy was read. An empty attic takes the copy's; any other keeps its own. The running
 * numbers go on after the highest of both, so that no code and no id is ever given twice.
 */
export function settingsAfter(mine: Settings, theirs: Settings | null, takeTheirs: boolean): Settings {
  const base = takeTheirs && theirs ? theirs : mine;
  return { ...base, ...numbersUp(mine, theirs ?? {}) };
}

function sorted(value: unknown): string {
  return JSON.stringify(value, (_, inner: unknown) =>
    isFields(inner)
      ? Object.fromEntries(
          Object.entries(inner)
            .filter(([, v]) => v !== undefined)
            .sort(([a], [b]) => (a < b ? -1 : 1)),
        )
      : inner,
  );
}
