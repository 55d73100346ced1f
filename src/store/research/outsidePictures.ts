import { ask } from '@/store/courier/courierLink';
import { pictureWorker } from '@/store/pictures/pictureWorker';

import { pictureAt } from './pictureAt';

/** Whose picture it is: a look-up's, by its name there, or anybody's, by its address. */
export type OutsidePictures = 'lookup' | 'likeness' | 'address';

/**
 * A picture from outside, drawn anew and small; null where what came is none.
 *
 * @throws CourierTrouble with words for a person
 */
export async function outsidePicture(of: OutsidePictures, name: string): Promise<Blob | null> {
  const blob =
    of === 'address'
      ? await pictureAt(name)
      : await (await ask(`/${of}/pictures/${encodeURIComponent(name)}`)).blob();
  return (await pictureWorker().glance(blob))?.small ?? null;
}
