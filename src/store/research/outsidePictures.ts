import { ask } from '@/store/courier/courierLink';
import { pictureWorker } from '@/store/pictures/pictureWorker';

/**
 * A picture that a look-up has, drawn anew and small; null where what came is none.
 *
 * @param of a card of the product look-up, or something that looks like a picture
 * @throws CourierTrouble with words for a person
 */
export async function outsidePicture(of: 'lookup' | 'likeness', name: string): Promise<Blob | null> {
  const blob = await (await ask(`/${of}/pictures/${encodeURIComponent(name)}`)).blob();
  return (await pictureWorker().glance(blob))?.small ?? null;
}
