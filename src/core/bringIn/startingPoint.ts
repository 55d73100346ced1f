import type { Item } from '@/contract/records';

import { nowSaid, type FieldOffer } from './takeOver';
import { sameWord } from '../words/sameWord';

/** The number in what a person entered: a bare one, or the end of a page's address. */
export function listingNumberIn(text: string): string {
  const bare = text.trim();
  const path = pathOf(bare);
  if (path === null) return bare.slice(0, 120);
  return decoded(path.split('/').findLast((part) => part !== '') ?? '').slice(0, 120);
}

/** Of an address; null where it is none. */
function pathOf(text: string): string | null {
  try {
    return new URL(text).pathname;
  } catch {
    // A bare number.
    return null;
  }
}

function decoded(part: string): string {
  try {
    return decodeURIComponent(part);
  } catch {
    // No escapes that can be read: as it stands.
    return part;
  }
}

/** What of somebody else's listing is worth offering: facts first, and nothing that the item says already. */
export function startOffers(offers: readonly FieldOffer[], item: Item | undefined): FieldOffer[] {
  const isNews = ({ field, values }: FieldOffer) =>
    !item || !values.every(({ value }) => sameWord(value, nowSaid(field, item) ?? ''));
  const isFact = ({ field }: FieldOffer) => field.startsWith('fact:');
  const news = offers.filter(isNews);
  return [...news.filter(isFact), ...news.filter((o) => !isFact(o))];
}

/**
 * What is taken from somebody else's listing unless the person says otherwise: facts that the item says
 * nothing of. Never its words, which are somebody's, nor its price and condition, which are of another item.
 */
export function usualStart(offers: readonly FieldOffer[], item: Item | undefined): Record<string, string> {
  return Object.fromEntries(
    offers.flatMap(({ field, values }) => {
      const value = values[0]?.value;
      const isOpen = !item || nowSaid(field, item) === null;
      return field.startsWith('fact:') && isOpen && value !== undefined ? [[field, value]] : [];
    }),
  );
}
