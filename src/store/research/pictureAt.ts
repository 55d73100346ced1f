import pLimit from 'p-limit';

import { askWith } from '@/store/courier/courierLink';

/** They are large, and those of many listings may be asked for at once. */
const limit = pLimit(4);

/**
 * The picture at an address, fetched by this server; what it shows is drawn anew before it is kept.
 *
 * @throws CourierTrouble with words for a person: why there is none
 */
export async function pictureAt(address: string): Promise<File> {
  const asked = address.trim();
  const bytes = await limit(async () => (await askWith('/picture-at', { address: asked })).arrayBuffer());
  return new File([bytes], asked);
}
