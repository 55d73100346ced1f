import { askWith } from '@/store/courier/courierLink';

/**
 * The picture at an address, fetched by this server; what it shows is drawn anew before it is kept.
 *
 * @throws CourierTrouble with words for a person: why there is none
 */
export async function pictureAt(address: string): Promise<File> {
  const asked = address.trim();
  const bytes = await (await askWith('/picture-at', { address: asked })).arrayBuffer();
  return new File([bytes], asked);
}
