import type { CollectionName, Diary, Item } from '@/contract/records';

/** What was done since the last copy, and would be lost with this browser. */
export interface SinceCopy {
  /** Items made or changed, their pictures and listings included. */
  items: number;
  /** Other records changed, as far as what can be taken back tells of them. */
  others: number;
  /** When the first of it was done; null: nothing was. */
  first: number | null;
  /** When the last of it was done. */
  last: number | null;
}

/** What changes can be taken back, as far as it is asked here. */
interface KnownChange {
  at: number;
  edits: readonly { collection: CollectionName; id: string }[];
}

/** Told by the item they belong to. */
const OF_ITEMS: ReadonlySet<CollectionName> = new Set(['items', 'pictures', 'plans', 'diary']);

/**
 * What would be lost with this browser: everything since the last copy.
 *
 * @param copiedAt when that was made; null: there is none
 */
export function sinceCopy(
  records: { items: Readonly<Record<string, Item>>; diary: Readonly<Record<string, Diary>> },
  journal: readonly KnownChange[],
  copiedAt: number | null,
): SinceCopy {
  const after = copiedAt ?? -1;
  let [first, last] = [Infinity, -Infinity];
  const seen = (at: number) => {
    if (at <= after) return false;
    first = Math.min(first, at);
    last = Math.max(last, at);
    return true;
  };
  let items = 0;
  for (const item of Object.values(records.items)) {
    let changed = seen(item.createdAt);
    const lines = records.diary[item.id]?.lines ?? [];
    // The newest stand last.
    for (let i = lines.length - 1; i >= 0 && seen(lines[i]?.at ?? 0); i -= 1) changed = true;
    if (changed) items += 1;
  }
  const others = new Set<string>();
  for (const { at, edits } of journal)
    for (const { collection, id } of edits)
      if (!OF_ITEMS.has(collection) && seen(at)) others.add(`${collection} ${id}`);
  const nothing = items + others.size === 0;
  return { items, others: others.size, first: nothing ? null : first, last: nothing ? null : last };
}
