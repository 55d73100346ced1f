import { useMemo } from 'react';

import type { Setup } from '@/core/listing/setup';
import { useAttic, type AtticState } from '@/store/attic/attic';

/** What was set up in the attic, for a moment. */
export function setupOf(
  state: Pick<AtticState, 'settings' | 'mappings' | 'terms' | 'stencils' | 'patterns'>,
  now: number,
): Setup {
  const { settings, mappings, terms, stencils, patterns } = state;
  return {
    settings,
    mappings: valuesOf(mappings),
    terms: valuesOf(terms),
    stencils: valuesOf(stencils),
    patterns,
    now,
  };
}

/** The same list for the same records: it is asked for once an item and marketplace. */
const lists = new WeakMap<object, unknown[]>();
function valuesOf<T>(records: Readonly<Record<string, T>>): T[] {
  const known = lists.get(records);
  // Made of these very records, by the line below.
  if (known) return known as T[];
  const list = Object.values(records);
  lists.set(records, list);
  return list;
}

/** What was set up, for questions in which no price comes down with time. */
export function useSetup(): Setup {
  const settings = useAttic((s) => s.settings);
  const mappings = useAttic((s) => s.mappings);
  const terms = useAttic((s) => s.terms);
  const stencils = useAttic((s) => s.stencils);
  const patterns = useAttic((s) => s.patterns);
  return useMemo(
    () => setupOf({ settings, mappings, terms, stencils, patterns }, 0),
    [settings, mappings, terms, stencils, patterns],
  );
}
