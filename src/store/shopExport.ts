import { strToU8, zipSync } from 'fflate';

import { hasBlockers } from '@/core/listing/examine';
import { shopSite, type ShopGood } from '@/core/shop/site';

import { useAttic } from './attic';
import { CourierTrouble, useCourier } from './courierLink';
import { saveFile } from './files';
import { examine, renditionsOf } from './sending';

/**
 * Saves the seller's own shop as files that open from a disk: what is planned for it and ready, and what was sold of it.
 *
 * @param progress told how many of how many are done
 * @returns how many things are in it
 * @throws CourierTrouble with words for a person
 */
export async function saveShop(
  market: string,
  progress: (done: number, of: number) => void,
): Promise<number> {
  const { plans, things, settings } = useAttic.getState();
  const { sheets, things: views } = useCourier.getState();
  const sheet = sheets.find((s) => s.marketplace === market);
  if (!sheet) throw new CourierTrouble('The shop’s rules are not known yet; try again in a moment.');
  const wanted = Object.values(plans)
    .filter((p) => p.market === market && p.wanted)
    .flatMap((p) => things[p.thingId] ?? [])
    .map((thing) => ({ thing, examined: examine(thing, sheet) }))
    .filter(({ examined }) => !hasBlockers(examined));
  if (wanted.length === 0)
    throw new CourierTrouble(`Nothing is planned for ${sheet.name} and ready: nothing was saved.`);
  const files: Record<string, Uint8Array> = {};
  const goods: ShopGood[] = [];
  for (const [i, { thing, examined }] of wanted.entries()) {
    progress(i, wanted.length);
    const { effective } = examined;
    const pictures: string[] = [];
    for (const [n, blob] of (await renditionsOf(examined)).entries()) {
      const name = `${thing.id}-${n + 1}.jpg`;
      files[`pictures/${name}`] = new Uint8Array(await blob.arrayBuffer());
      pictures.push(name);
    }
    const { category, condition, search } = effective;
    goods.push({
      // The thing's own code may tell where it lies; its record's id tells nothing.
      id: thing.id, title: effective.title, html: effective.text, price: effective.price ?? 0, postage: effective.postage ?? 0,
      brand: effective.specifics.brand ?? thing.facts.brand ?? '', condition: { label: condition?.label ?? '', wear: condition?.wear ?? 3 },
      section: { id: category?.id ?? 'shop', name: category?.name ?? '' }, pictures, search: search ?? { title: '', description: '', keywords: [] },
      sold: !!views[thing.id]?.sale,
    }); // prettier-ignore
  }
  const { name, address } = settings.shop;
  for (const [path, text] of Object.entries(shopSite({ name, address, currency: sheet.currency }, goods)))
    files[path] = strToU8(text);
  progress(wanted.length, wanted.length);
  // Pictures are packed already: they are only put together.
  const zip = zipSync(files, { level: 0 }) as Uint8Array<ArrayBuffer>;
  saveFile(new Blob([zip], { type: 'application/zip' }), 'shop.zip');
  return goods.length;
}
