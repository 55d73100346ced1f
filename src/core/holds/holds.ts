import type { Item } from '@/contract/records';

/** A promise of an item to somebody. */
export type Hold = Item['holds'][number];

/** The promise that stands; undefined: none does. */
export function openHold(item: Pick<Item, 'holds'>): Hold | undefined {
  return item.holds.find((h) => h.to === null);
}
