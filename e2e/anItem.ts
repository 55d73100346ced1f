import { Item } from '@/contract/records';

/** An item for tests: whole, with nothing said of it but this. */
export function anItem(part: Partial<Item> = {}): Item {
  return Item.parse({ id: 't', code: 'YA-0001', author: 'me', createdAt: 0, updatedAt: 0, ...part });
}
