import { PublicAnswer, type PublicListing, type PublicSearch } from '@/contract/publicListing';
import type { Item } from '@/contract/records';
import { copied } from '@/core/bringIn/takeOver';
import { withKind } from '@/core/kinds/changeKind';
import { change, useAttic } from '@/store/attic/attic';
import { ask, CourierTrouble } from '@/store/courier/courierLink';
import { itemWith, newItem, planWith } from '@/store/items/items';
import { kindsNow } from '@/store/items/kinds';
import { addPictures } from '@/store/pictures/pictures';

import { pictureAt } from './pictureAt';

/** What others offer on a marketplace. @throws CourierTrouble with words for a person */
export async function publicListings(
  market: string,
  search: Partial<PublicSearch>,
): Promise<PublicListing[]> {
  const query = new URLSearchParams({ market, ...search });
  const answer = PublicAnswer.safeParse(await (await ask(`/public-listings?${query}`)).json());
  if (!answer.success) throw new CourierTrouble('What is offered there could not be read.');
  return answer.data.listings;
}

export interface StartFrom {
  listing: PublicListing;
  /** null: begins an item. */
  itemId: string | null;
  /** What kind an item becomes that is of none yet. */
  kind: string;
  /** What is copied, by field. */
  chosen: Readonly<Record<string, string>>;
  /** Its category becomes the item's there. */
  category: boolean;
}

/** Copies what was chosen of somebody else's listing, in one change. @returns the item's id */
export function startFrom({ listing, itemId, kind, chosen, category }: StartFrom): string {
  const kinds = kindsNow();
  const known = itemId === null ? undefined : useAttic.getState().items[itemId];
  const record = known ?? newItem();
  const of: Item =
    record.kind === '' && kind !== '' ? { ...record, ...withKind(record, kind, kinds) } : record;
  const part = { ...of, ...copied(of, chosen, kinds, of.kind) };
  change('copied from a public listing', [
    known ? itemWith(known, part) : { collection: 'items', id: record.id, record: part },
    ...(category ? [planWith(record.id, listing.market, { category: listing.category })] : []),
  ]);
  return record.id;
}

/** Its pictures, fetched before anything is begun with it. @throws CourierTrouble where one can't be */
export function theirPictures({ pictures }: PublicListing): Promise<File[]> {
  return Promise.all(pictures.map(pictureAt));
}

/** Keeps them to compare with: they are somebody else's, kept with where they are from, and are not sent. */
export async function keepTheirPictures(itemId: string, files: readonly File[]): Promise<void> {
  for (const file of files)
    await addPictures(itemId, [file], { origin: 'copied', address: file.name, look: false });
}
