import { useMemo } from 'react';

import type { Picture, Item } from '@/contract/records';
import { judge, type PictureFinding } from '@/core/picture/judge';
import { twinOf } from '@/core/picture/twins';
import { useAttic } from '@/store/attic/attic';
import { useKinds } from '@/store/items/kinds';

/** What is worth saying about one of an item's pictures, most useful first. */
export function usePictureFindings(item: Item | undefined, picture: Picture | undefined): PictureFinding[] {
  const pictures = useAttic((s) => s.pictures);
  const items = useAttic((s) => s.items);
  const kinds = useKinds();
  return useMemo(() => {
    if (!item || !picture) return [];
    return judge(picture, {
      cover: item.pictureIds[0] === picture.id,
      stance: kinds.get(item.kind)?.stance ?? undefined,
      twin: twinOf(picture, item, pictures, items),
    });
  }, [item, picture, pictures, items, kinds]);
}
