import { useMemo } from 'react';

import type { Item } from '@/contract/records';
import { knownTokens, tokensFor, type Token } from '@/core/words/tokens';
import { useAttic } from '@/store/attic/attic';
import { useKinds } from '@/store/items/kinds';

/** What may stand in a pattern, with what it gives for an item; without one it gives nothing yet. */
export function useTokens(item: Item | undefined): { tokens: readonly Token[]; known: ReadonlySet<string> } {
  const units = useAttic((s) => s.settings.units);
  const closing = useAttic((s) => s.settings.closingWords);
  const kinds = useKinds();
  const known = useMemo(() => knownTokens(kinds), [kinds]);
  const tokens = useMemo(
    () => (item ? tokensFor(item, kinds, units, closing) : []),
    [item, kinds, units, closing],
  );
  return { tokens, known };
}

/** Some item with something to say, to show what tokens give. */
export function useSample(): Item | undefined {
  const items = useAttic((s) => s.items);
  return useMemo(() => samples(items, () => true)[0], [items]);
}

/** A handful of items with something to say, of the kinds asked for. */
export function samples(items: Readonly<Record<string, Item>>, fits: (kind: string) => boolean): Item[] {
  const some: Item[] = [];
  for (const item of Object.values(items)) {
    if (item.kind !== '' && fits(item.kind)) some.push(item);
    if (some.length === 12) break;
  }
  return some;
}
