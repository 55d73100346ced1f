import type { Item } from '@/contract/records';

import { hashOf } from './hash';

/** Title and description as the facts make them now; null: they can't be written. */
export interface WordsNow {
  title: string | null;
  description: string | null;
}

/**
 * What of an item's title and description follows its facts: what is empty, or was written from the facts and
 * nobody touched since. A person's own words stay as they are.
 *
 * @returns null where nothing changes
 */
export function inStep(
  item: Pick<Item, 'title' | 'description' | 'written'>,
  now: WordsNow,
): Pick<Item, 'title' | 'description' | 'written'> | null {
  const next = { title: item.title, description: item.description, written: { ...item.written } };
  for (const field of ['title', 'description'] as const) {
    const text = now[field];
    if (text === null || text === '' || !isUntouched(item, field)) continue;
    next[field] = text;
    next.written[field] = hashOf(text);
  }
  const isSame =
    next.title === item.title &&
    next.description === item.description &&
    JSON.stringify(next.written) === JSON.stringify(item.written);
  return isSame ? null : next;
}

/** Whether nobody wrote it but the facts. */
export function isUntouched(
  item: Pick<Item, 'title' | 'description' | 'written'>,
  field: 'title' | 'description',
): boolean {
  return item[field].trim() === '' || hashOf(item[field]) === item.written[field];
}

/** The same, written anew at a person's wish, whatever stood there. */
export function writtenAnew(
  item: Pick<Item, 'title' | 'description' | 'written'>,
  now: Partial<Record<'title' | 'description', string>>,
): Partial<Item> {
  const written = { ...item.written };
  if (now.title) written.title = hashOf(now.title);
  if (now.description) written.description = hashOf(now.description);
  return { ...now, written };
}
