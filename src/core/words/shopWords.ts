import type { Thing } from '@/contract/records';

import { gradeOfThing } from '../condition/grade';
import type { KindTree } from '../kinds/tree';
import { cutToFit } from './cut';
import { titleFromFacts } from './title';

/** What search engines show of a page, in characters: common practice, from memory. */
export const SHOP_ROOM = { title: 60, description: 155 } as const;

/** What a search engine shows of a thing's page in the seller's own shop. */
export function shopWords(
  thing: Thing,
  kinds: KindTree,
  shop: string,
): { title: string; description: string } {
  const suffix = shop === '' ? '' : ` | ${shop}`;
  const title = titleFromFacts(thing, kinds, SHOP_ROOM.title - suffix.length);
  const grade = gradeOfThing(thing);
  const words = [thing.title || title, grade ? `${grade.name}.` : '', thing.description.replace(/\s+/gu, ' ')]
    .filter(Boolean)
    .join('. ')
    .replace(/\.\. /gu, '. ');
  return {
    title: `${title}${suffix}`,
    description: cutToFit(words, SHOP_ROOM.description, 'characters').text,
  };
}
