import type { Item } from '@/contract/records';
import type { SoldItem } from '@/store/derived/useSales';
import { nameOr } from '@/store/items/names';

/** What was sold, by its name, with which of its variations. */
export function soldName(item: Item | undefined, { piece }: Pick<SoldItem, 'piece'>): string {
  const title = nameOr(item, 'Something not in this attic');
  return piece ? `${title}: ${piece}` : title;
}
