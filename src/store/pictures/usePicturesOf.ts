import { useShallow } from 'zustand/react/shallow';

import type { Item, Picture } from '@/contract/records';
import { useAttic } from '@/store/attic/attic';

/** An item's pictures in their order; others' come and go without a word. */
export function usePicturesOf(item: Pick<Item, 'pictureIds'>): Picture[] {
  return useAttic(useShallow((s) => item.pictureIds.flatMap((id) => s.pictures[id] ?? [])));
}
