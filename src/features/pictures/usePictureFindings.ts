import { useMemo } from 'react';

import type { Picture, Item } from '@/contract/records';
import { judge, LIMITS, type PictureFinding, type Twin } from '@/core/picture/judge';
import { fingerprintDistance } from '@/core/pixels/fingerprint';
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

/** Another picture that looks the same; the item's own ones first. */
function twinOf(
  picture: Picture,
  item: Item,
  pictures: Record<string, Picture>,
  items: Record<string, Item>,
): Twin | null {
  const print = picture.exam?.print;
  if (!print || picture.made) return null;
  const same = (other: Picture | undefined) =>
    !!other &&
    other.id !== picture.id &&
    !other.made &&
    !!other.exam &&
    fingerprintDistance(print, other.exam.print) < LIMITS.duplicate;
  const at = item.pictureIds.findIndex((id) => same(pictures[id]));
  if (at >= 0) return { position: at + 1 };
  const elsewhere = Object.values(pictures).find((p) => p.itemId !== item.id && same(p));
  const owner = elsewhere && items[elsewhere.itemId];
  return owner ? { itemCode: owner.code } : null;
}
