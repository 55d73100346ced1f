import { inShop, shopSite, type ShopGood } from '@/core/shop/site';
import { cleanHtml, MARKUP } from '@/core/words/html';
import { useAttic } from '@/store/attic/attic';
import { saveFile } from '@/store/base/files';
import { zipped } from '@/store/base/zip';
import { nameOf } from '@/store/items/names';

import { CourierTrouble, sentDrafts, useCourier } from './courierLink';
import { examine, renditionsOf } from './sending';

/**
 * Saves the seller's own shop as files that open from a disk: what stands in it now, as it stands there, and
 * what was sold of it. What is only planned for it is not in it yet.
 *
 * @param progress told how many of how many are done
 * @returns how many items are in it
 * @throws CourierTrouble with words for a person
 */
export async function saveShop(
  market: string,
  progress: (done: number, of: number) => void,
): Promise<number> {
  const { items, settings } = useAttic.getState();
  const { sheets, items: views, caughtUp } = useCourier.getState();
  const sheet = sheets.find((s) => s.marketplace === market);
  if (!sheet) throw new CourierTrouble('The shop’s rules are not known yet; try again in a moment.');
  if (!caughtUp) throw new CourierTrouble('The courier was not heard yet: what is in the shop is not known.');
  const standing = Object.values(items).flatMap((item) => {
    const state = inShop(views[item.id], market);
    return state === null ? [] : [{ item, state }];
  });
  if (standing.length === 0)
    throw new CourierTrouble(`Nothing stands in ${sheet.name} yet: nothing was saved.`);
  const files: Record<string, Blob | string> = {};
  const goods: ShopGood[] = [];
  for (const [i, { item, state }] of standing.entries()) {
    progress(i, standing.length);
    const draft = (await sentDrafts(item.id))[market];
    if (!draft) throw new CourierTrouble(`What is shown of ${nameOf(item)} is not known: nothing was saved.`);
    const examined = examine(item, sheet);
    const pictures: string[] = [];
    for (const [n, blob] of (await renditionsOf(examined)).entries()) {
      const name = `${item.id}-${n + 1}.jpg`;
      files[`pictures/${name}`] = blob;
      pictures.push(name);
    }
    const category = sheet.categories.find((c) => c.id === draft.category);
    const condition = sheet.conditions.find((c) => c.code === draft.condition);
    goods.push({
      // The item's own code may tell where it lies; its record's id tells nothing.
      id: item.id,
      title: draft.title,
      html: cleanHtml(draft.description, MARKUP),
      price: draft.price,
      postage: draft.postage,
      brand: draft.specifics.brand ?? item.facts.brand ?? '',
      condition: { label: condition?.label ?? '', wear: condition?.wear ?? 3 },
      section: { id: category?.id ?? 'shop', name: category?.name ?? '' },
      pictures,
      search: draft.search ?? { title: '', description: '', keywords: [] },
      sold: state === 'sold',
    });
  }
  const { name, address } = settings.shop;
  for (const [path, text] of Object.entries(shopSite({ name, address, currency: sheet.currency }, goods)))
    files[path] = text;
  progress(standing.length, standing.length);
  saveFile(await zipped(files), 'shop.zip');
  return goods.length;
}
