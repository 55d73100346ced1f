import { useEffect, useState } from 'react';

import type { OrderRow } from '@/core/orders/orders';
import { wordsFor } from '@/store/base/faults';
import { addressOf, handledThere } from '@/store/fulfilment/orders';

/**
 * Asks who gets each of these parcels where nobody did, one after the other, each once: packing shows it, and
 * a hundred at once would be more than a marketplace answers.
 *
 * @returns why one could not be asked; null: all could
 */
export function useAskedAddresses(rows: readonly OrderRow[]): string | null {
  const [tried, setTried] = useState<ReadonlySet<string>>(new Set());
  const [trouble, setTrouble] = useState<string | null>(null);
  const next = rows.find((row) => !row.record?.address && handledThere(row) && !tried.has(row.id));
  const nextId = next?.id;
  useEffect(() => {
    if (!next) return;
    void addressOf(next)
      .catch((error: unknown) => setTrouble(wordsFor(error, 'asking who gets a parcel')))
      .finally(() => setTried((before) => new Set([...before, next.id])));
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once a parcel, however often its row is new
  }, [nextId]);
  return trouble;
}
