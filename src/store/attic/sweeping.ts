import type { Disk } from './disk';
import type { Change } from './journal';
import { quarantinedOf, type Records } from './records';

/** Takes away bytes of pictures that no record and no undoable change speaks of any more. */
export async function sweepPictures(disk: Disk, records: Records, journal: readonly Change[]): Promise<void> {
  const wanted = new Set(Object.keys(records.pictures));
  for (const entry of journal)
    for (const edit of entry.edits) if (edit.collection === 'pictures') wanted.add(edit.id);
  const keys = await disk.keys();
  const set = new Set(keys.flatMap((key) => quarantinedOf(key)?.match(/^pictures:(.*)$/u)?.[1] ?? []));
  await disk.remove(
    keys.filter((key) => {
      const id = key.split(':')[1] ?? '';
      return key.startsWith('picture:') && !wanted.has(id) && !set.has(id);
    }),
  );
}
