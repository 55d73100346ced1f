import type { Item } from '@/contract/records';

import type { KindTree } from './tree';
import { readable } from './values';

/** The facts that may be sent: all but the seller's own. */
export function publicFacts(item: Pick<Item, 'kind' | 'facts'>, kinds: KindTree): Record<string, string> {
  return Object.fromEntries(Object.entries(item.facts).filter(([id]) => !kinds.isPrivate(item.kind, id)));
}

/** The same as they are read, for use in public words. */
export function publicWords(item: Pick<Item, 'kind' | 'facts'>, kinds: KindTree): Record<string, string> {
  return Object.fromEntries(
    Object.entries(publicFacts(item, kinds)).map(([id, value]) => [id, readable(value)]),
  );
}

/** One of the seller's own facts, as it reads. */
export interface PrivateValue {
  name: string;
  value: string;
}

/** What must not turn up in public words: the seller's own facts, set aside or not, by name. */
export function privateValues(
  item: Pick<Item, 'kind' | 'facts' | 'parked'>,
  kinds: KindTree,
): PrivateValue[] {
  return Object.entries({ ...item.parked.facts, ...item.facts })
    .filter(([id]) => kinds.isPrivate(item.kind, id))
    .map(([id, value]) => ({ name: kinds.factName(item.kind, id), value: readable(value) }));
}
