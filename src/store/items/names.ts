import type { Item } from '@/contract/records';
import { itemName } from '@/core/words/itemName';

import { kindsNow } from './kinds';

/** What an item is called in lists; never empty. */
export function nameOf(item: Pick<Item, 'title' | 'kind' | 'facts' | 'code'>): string {
  return itemName(item, kindsNow());
}

/** The same of one that may not be in this attic (any more). */
export function nameOr(item: Parameters<typeof nameOf>[0] | undefined, otherwise: string): string {
  return item ? nameOf(item) : otherwise;
}
