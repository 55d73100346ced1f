import { plural } from '@/core/language/plural';
import { change } from '@/store/attic/attic';

import { newItems } from './items';

/** New items of one kind, all at once, with numbers in a row. @returns their ids */
export function beginSeveral(kind: string, count: number): string[] {
  const made = newItems(Array.from({ length: count }, () => ({ kind })));
  change(
    `${plural(count, 'one new item', `${count} new items`)}`,
    made.map((record) => ({ collection: 'items' as const, id: record.id, record })),
    { destructive: true },
  );
  return made.map((item) => item.id);
}
