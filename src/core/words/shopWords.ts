import type { Settings, Item } from '@/contract/records';

import { cutToFit } from './cut';
import { fillPattern } from './pattern';
import { titleFromFacts } from './title';
import type { KindTree } from '../kinds/tree';
import type { Units } from '../measure/units';

export interface ShopWords {
  title: string;
  description: string;
  keywords: string[];
}

/**
 * What a search engine shows of an item's page in the seller's own shop, by the person's patterns; a pattern
 * that can't be read leaves the title from the facts.
 *
 * @param room what search engines show, in characters (about 60 and 155: common practice)
 * @param keywords words that lead buyers to it
 */
export function shopWords(
  item: Item,
  kinds: KindTree,
  units: Units,
  shop: Settings['shop'],
  room: { title: number; description: number },
  keywords: readonly string[],
): ShopWords {
  const fill = (pattern: string) => {
    const filled = fillPattern(pattern, item, kinds, units);
    return filled.ok ? filled.text.replace(/\s+/gu, ' ').trim() : '';
  };
  const suffix = shop.name === '' ? '' : ` | ${shop.name}`;
  const left = Math.max(10, room.title - suffix.length);
  const wanted = fill(shop.title);
  const title = wanted !== '' && wanted.length <= left ? wanted : titleFromFacts(item, kinds, left);
  return {
    title: `${title}${suffix}`.slice(0, room.title),
    description: cutToFit(fill(shop.description), room.description, 'characters').text,
    keywords: [...keywords],
  };
}
