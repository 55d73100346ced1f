import { useMemo } from 'react';

import type { Dimension } from '@/core/ledger/parts';
import type { Posting } from '@/core/ledger/sums';
import { useAttic } from '@/store/attic/attic';
import { useMarketName } from '@/store/courier/useMarketName';
import { useKinds } from '@/store/items/kinds';

const NONE: Record<Dimension, string> = {
  market: 'Nowhere',
  kind: 'No kind said',
  brand: 'No brand',
  haul: 'In no haul',
  source: 'No source said',
  consignor: 'Our own',
  person: 'Nobody said',
};

/** What a part is called. */
export function useNames(dimension: Dimension, postings: readonly Posting[]): (key: string) => string {
  const market = useMarketName();
  const kinds = useKinds();
  const hauls = useAttic((s) => s.hauls);
  const owners = useAttic((s) => s.owners);
  // However it was written: the way it was written first.
  const brands = useMemo(() => {
    const written = new Map<string, string>();
    if (dimension === 'brand')
      for (const { booked } of postings) {
        const brand = booked.brand.trim();
        const key = brand.toLocaleLowerCase('en');
        if (!written.has(key)) written.set(key, brand);
      }
    return written;
  }, [dimension, postings]);
  return (key) => {
    if (key === '') return NONE[dimension];
    switch (dimension) {
      case 'market':
        return market(key);
      case 'kind':
        return kinds.get(key)?.name ?? NONE.kind;
      case 'brand':
        return brands.get(key) ?? key;
      case 'haul':
        return hauls[key]?.name ?? 'A haul that is gone';
      case 'consignor':
        return owners[key]?.name ?? 'Somebody who is gone';
      case 'source':
      case 'person':
        return key;
    }
  };
}
