import type { Thing } from '@/contract/records';

import type { KindTree } from './tree';
import { readable } from './values';

/** The facts that may be sent: all but the seller's own. */
export function publicFacts(thing: Pick<Thing, 'kind' | 'facts'>, kinds: KindTree): Record<string, string> {
  return Object.fromEntries(Object.entries(thing.facts).filter(([id]) => !kinds.isPrivate(thing.kind, id)));
}

/** The same as they are read, for use in public words. */
export function publicWords(thing: Pick<Thing, 'kind' | 'facts'>, kinds: KindTree): Record<string, string> {
  return Object.fromEntries(
    Object.entries(publicFacts(thing, kinds)).map(([id, value]) => [id, readable(value)]),
  );
}

/** One of the seller's own facts, as it reads. */
export interface PrivateValue {
  name: string;
  value: string;
}

/** What must not turn up in public words: the seller's own facts, set aside or not, by name. */
export function privateValues(
  thing: Pick<Thing, 'kind' | 'facts' | 'aside'>,
  kinds: KindTree,
): PrivateValue[] {
  return Object.entries({ ...thing.aside.facts, ...thing.facts })
    .filter(([id]) => kinds.isPrivate(thing.kind, id))
    .map(([id, value]) => ({ name: kinds.factName(thing.kind, id), value: readable(value) }));
}
