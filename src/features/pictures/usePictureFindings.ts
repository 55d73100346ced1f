import { useMemo } from 'react';

import type { Picture, Item } from '@/contract/records';
import { judge, type PictureFinding } from '@/core/picture/judge';
import { useKinds } from '@/store/items/kinds';

import { useTwin, type Sought } from './useTwin';

/**
 * What is worth saying about one of an item's pictures, most useful first; and whether another picture that
 * shows the same was looked for, which takes a moment.
 */
export function usePictureFindings(
  item: Item | undefined,
  picture: Picture | undefined,
): { findings: PictureFinding[]; sought: Sought } {
  const kinds = useKinds();
  const sought = useTwin(item, picture);
  const findings = useMemo(() => {
    if (!item || !picture) return [];
    return judge(picture, {
      cover: item.pictureIds[0] === picture.id,
      stance: kinds.get(item.kind)?.stance ?? undefined,
      twin: sought.is === 'known' ? sought.twin : null,
    });
  }, [item, picture, sought, kinds]);
  return { findings, sought };
}
