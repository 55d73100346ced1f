import type { Item } from '@/contract/records';

/** A promise of an item to somebody. */
export type Hold = Item['holds'][number];

/** The promise that stands; undefined: none does. */
export function openHold(item: Pick<Item, 'holds'>): Hold | undefined {
  return item.holds.find((h) => h.to === null);
}

/** Whether a promise is to this buyer; where nobody said on which marketplace, to whoever has the name. */
export function isTheirs(
  hold: Pick<Hold, 'who' | 'market'>,
  { who, market }: { who: string; market: string },
): boolean {
  return hold.who === who && (hold.market === null || hold.market === market);
}
