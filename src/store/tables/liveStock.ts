import type { CourierListingView } from '@/contract/courier';
import type { Item } from '@/contract/records';
import { gradeOfItem } from '@/core/condition/grade';
import { readable } from '@/core/kinds/values';
import { ownAddress } from '@/core/listing/link';
import { stockJsonLd, type ToldGood } from '@/core/shop/structured';
import { useAttic } from '@/store/attic/attic';
import { Expected } from '@/store/base/faults';
import { saveFile } from '@/store/base/files';
import { isoDay } from '@/store/base/isoDay';
import { useCourier } from '@/store/courier/courierLink';
import { kindsNow } from '@/store/items/kinds';
import { nameOf } from '@/store/items/names';

/** How used an item is where nobody has said: used. */
const USED = 3;

/** An item as it is told to others, by the listing of it that asks the least. */
function toldOf(item: Item, live: readonly CourierListingView[], currency: string): ToldGood | null {
  const kinds = kindsNow();
  const [first] = [...live].sort((a, b) => a.price - b.price);
  if (!first) return null;
  const { markets } = useCourier.getState();
  const home = markets.find((m) => m.id === first.market)?.home ?? null;
  const fact = (id: string) => (kinds.isPrivate(item.kind, id) ? '' : readable(item.facts[id] ?? ''));
  return {
    title: first.title || item.title || nameOf(item),
    description: item.description,
    brand: fact('brand'),
    price: first.price,
    currency,
    wear: gradeOfItem(item)?.wear ?? USED,
    sold: false,
    url: first.url === null ? null : ownAddress(first.url, home, window.location.href),
    images: [],
    sku: item.code,
    gtin: fact('barcode'),
    colour: fact('colour'),
    material: fact('material'),
    size: fact('size'),
  };
}

/**
 * Saves what is live as structured data for other programs.
 *
 * @returns how many items are in it
 * @throws Expected in words for a person
 */
export function saveLiveStock(now: number): number {
  const { items, settings } = useAttic.getState();
  const { items: views, caughtUp } = useCourier.getState();
  if (!caughtUp) throw new Expected('The courier was not heard yet: what is live is not known.');
  const goods = Object.values(items).flatMap((item) => {
    const view = views[item.id];
    const live = view?.listings.filter((l) => l.state === 'live' && l.want === 'live') ?? [];
    return toldOf(item, live, settings.currency) ?? [];
  });
  if (goods.length === 0) throw new Expected('Nothing is live: nothing was saved.');
  const file = new Blob([stockJsonLd(goods)], { type: 'application/ld+json' });
  saveFile(file, `live-stock-${isoDay(now)}.jsonld`);
  return goods.length;
}
