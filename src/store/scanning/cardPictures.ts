import { ask } from '@/store/courier/courierLink';
import { pictureWorker } from '@/store/pictures/pictureWorker';

/**
 * The picture of a product look-up's card, drawn anew and small; null where what came is none.
 *
 * @throws CourierTrouble with words for a person
 */
export async function cardPicture(name: string): Promise<Blob | null> {
  const blob = await (await ask(`/lookup/pictures/${encodeURIComponent(name)}`)).blob();
  return (await pictureWorker().glance(blob))?.small ?? null;
}
