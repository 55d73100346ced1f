import type { Item } from '@/contract/records';
import { publicFacts } from '@/core/kinds/publicFacts';
import type { KindTree } from '@/core/kinds/tree';

/**
 * What an item is called in every list of the attic: its title; else what its record says it is (a book's or
 * record's own name with who made it); else brand and kind; else its code. Never empty.
 */
export function itemName(item: Pick<Item, 'title' | 'kind' | 'facts' | 'code'>, kinds: KindTree): string {
  const title = item.title.trim();
  if (title !== '') return title;
  const kind = kinds.get(item.kind);
  const facts = publicFacts(item, kinds);
  const own = kind?.modelIsName ? facts.model?.trim() : '';
  if (own) return [own, facts.author?.trim() || facts.brand?.trim()].filter(Boolean).join(', ');
  const words = [facts.brand?.trim(), kind?.name].filter(Boolean);
  return words.length > 0 ? words.join(' ') : item.code;
}
