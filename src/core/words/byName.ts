import type { Item } from '@/contract/records';

import { publicFacts } from '../kinds/publicFacts';
import type { KindTree } from '../kinds/tree';
import { answersOf } from '../kinds/values';
import { formatLength, type Units } from '../measure/units';

/** Where a name can stand between braces as it is: none of the signs that mean something there. */
export const PLAIN_NAME = /^[^{}.#^/&!>=]+$/u;

/**
 * Public facts and measurements of an item under the names their askers gave them, small and as written:
 * `{{pit to pit}}`, or the person's own question. Names that can't stand in a pattern are left out.
 *
 * @returns what each gives; empty where the item does not say it
 */
export function valuesByName(item: Item, kinds: KindTree, units: Units): Readonly<Record<string, string>> {
  const said = publicFacts(item, kinds);
  const named = new Map<string, string>();
  const put = (name: string, value: string) => {
    if (!PLAIN_NAME.test(name)) return;
    for (const key of [name, name.toLocaleLowerCase('en')]) if (!named.get(key)) named.set(key, value);
  };
  for (const spec of kinds.facts(item.kind))
    if (!kinds.isPrivate(item.kind, spec.id)) put(spec.label, answersOf(said[spec.id] ?? '').join(', '));
  for (const m of kinds.measures(item.kind)) {
    const mm = item.measurements[m.id];
    put(m.name, mm === undefined ? '' : formatLength(mm, units));
  }
  return Object.fromEntries(named);
}
