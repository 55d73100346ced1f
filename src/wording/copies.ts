import type { FolderTrouble } from '@/contract/copy';
import type { SinceCopy } from '@/core/copy/since';
import { listed } from '@/core/language/listed';
import { counted } from '@/core/language/plural';

/** Why copies no longer go to their folder, and what to do. */
export const FOLDER_TROUBLE: Readonly<Record<FolderTrouble, string>> = {
  notAllowed: 'The browser no longer lets it be written: allow it again.',
  gone: 'It is not there: it was moved, renamed or removed, or its drive is not connected.',
  full: 'There is no room for another copy: make some, then try again.',
  notWhole: 'What was written there could not be read back whole: the drive may be failing.',
  other: 'It could not be written just now.',
};

/** "41 items and 2 other records": what would be lost with this browser. */
export function sinceWords({ items, others }: SinceCopy): string {
  return listed(
    [
      items > 0 ? counted(items, 'item') : '',
      others > 0 ? counted(others, items > 0 ? 'other record' : 'record') : '',
    ].filter(Boolean),
    'and',
  );
}
