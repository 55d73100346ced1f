import type { Item } from '@/contract/records';
import { useAttic } from '@/store/attic/attic';

import { addPictures, readShown } from './pictures';

/**
 * Copies an item's pictures to another, each with what it shows and where it came from; what was made from
 * measurements is made anew there. What can't be read any more is left out.
 */
export async function copyPictures(from: Pick<Item, 'pictureIds'>, to: string): Promise<void> {
  for (const id of from.pictureIds) {
    const picture = useAttic.getState().pictures[id];
    const blob = picture && !picture.made && !picture.clip ? await readShown(id) : null;
    if (!picture || !blob) continue;
    const file = new File([blob], `${id}.jpg`, { type: blob.type });
    const { origin, address, shows } = picture;
    await addPictures(to, [file], { origin, address, shows, look: false });
  }
}
