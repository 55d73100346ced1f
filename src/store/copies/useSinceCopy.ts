import { useMemo } from 'react';

import { isReminderDue } from '@/core/copy/due';
import { sinceCopy, type SinceCopy } from '@/core/copy/since';
import { useAttic } from '@/store/attic/attic';
import { MINUTE, useTime } from '@/store/base/useTime';

import { copyFolderTrouble, useCopyFolder, type CopyFolder } from './folder';

/** What would be lost with this browser: everything since the last copy, wherever that went. */
export function useSinceCopy(): SinceCopy {
  const items = useAttic((s) => s.items);
  const diary = useAttic((s) => s.diary);
  const journal = useAttic((s) => s.journal);
  const { copiedAt, givenAt } = useAttic((s) => s.settings);
  return useMemo(
    () => sinceCopy({ items, diary }, journal, latest(copiedAt, givenAt)),
    [items, diary, journal, copiedAt, givenAt],
  );
}

const latest = (one: number | null, other: number | null) => ((one ?? 0) > (other ?? 0) ? one : other);

/** What a person has to do about copies: let the folder be written again, or save one. */
export type CopyNeed = { since: SinceCopy } & ({ sort: 'folder'; folder: CopyFolder } | { sort: 'reminder' });

/** Null: nothing. */
export function useCopyNeed(): CopyNeed | null {
  const since = useSinceCopy();
  const { isKnown, folder } = useCopyFolder();
  const now = useTime(MINUTE);
  if (!isKnown || since.first === null) return null;
  if (folder) {
    return copyFolderTrouble(folder) === null ? null : { sort: 'folder', folder, since };
  }
  return isReminderDue(since, now) ? { sort: 'reminder', since } : null;
}
