import type { Snapshot } from '@/contract/courierEvents';

import type { CourierState } from './types';

export type { Snapshot };

/**
 * To be raised whenever `step` or the shape of its state changes what comes out of reading the same lines.
 */
export const SNAPSHOT_VERSION = 4;

export function snapshotOf(state: CourierState): Snapshot {
  return {
    version: SNAPSHOT_VERSION,
    items: [...state.items.values()],
    markets: [...state.markets],
    adopted: [...state.adopted],
  };
}

/**
 * The state again, as if the lines before it had been read; null for one of another version. Consumes the
 * snapshot.
 */
export function stateOf(snapshot: Snapshot): CourierState | null {
  if (snapshot.version !== SNAPSHOT_VERSION) return null;
  const items = new Map(snapshot.items.map((t) => [t.id, t]));
  const busy = snapshot.items.filter((t) => Object.values(t.listings).some((l) => l.job)).map((t) => t.id);
  return {
    items,
    markets: new Map(snapshot.markets),
    adopted: new Map(snapshot.adopted),
    busy: new Set(busy),
  };
}
