import { useState } from 'react';

import type { Haul, Item } from '@/contract/records';
import { haulCount } from '@/core/hauls/haul';
import { useAttic } from '@/store/attic/attic';

/** Hauls, the newest first; those that are put away once they are asked for. */
export function useHauls() {
  const hauls = useAttic((s) => s.hauls);
  const [away, setAway] = useState(false);
  const sorted = Object.values(hauls).sort((a, b) => (a.date < b.date ? 1 : -1));
  const put = sorted.filter((h) => h.putAwayAt !== null).length;
  const list = away ? sorted : sorted.filter((h) => h.putAwayAt === null);
  return { list, none: sorted.length === 0, put, away, setAway };
}

/** When and where it was bought, and how far it is worked. */
export function haulWords(haul: Haul, items: readonly Item[]): string {
  const { bought, waiting } = haulCount(haul, items);
  return [
    haul.date,
    haul.source,
    `${bought} bought`,
    waiting > 0 ? `${waiting} waiting` : '',
    haul.putAwayAt === null ? '' : 'put away',
  ]
    .filter(Boolean)
    .join(' · ');
}
