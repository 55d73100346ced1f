import type { CourierMarket, CourierState, CourierThing } from './types';

/** The courier's whole state as plain data, so that opening need not read every line of the ledger again. */
export interface Snapshot {
  /** Another number: made by a courier that decided otherwise, so the ledger is read from the start instead. */
  version: number;
  things: CourierThing[];
  markets: [string, CourierMarket][];
  adopted: [string, string][];
}

/** To be raised whenever `step` or the shape of its state changes what comes out of reading the same lines. */
export const SNAPSHOT_VERSION = 1;

export function snapshotOf(state: CourierState): Snapshot {
  return {
    version: SNAPSHOT_VERSION,
    things: [...state.things.values()],
    markets: [...state.markets],
    adopted: [...state.adopted],
  };
}

/** The state again, as if the lines before it had been read; null for one of another version. Consumes the snapshot. */
export function stateOf(snapshot: Snapshot): CourierState | null {
  if (snapshot.version !== SNAPSHOT_VERSION) return null;
  const things = new Map(snapshot.things.map((t) => [t.id, t]));
  const busy = snapshot.things.filter((t) => Object.values(t.listings).some((l) => l.job)).map((t) => t.id);
  return {
    things,
    markets: new Map(snapshot.markets),
    adopted: new Map(snapshot.adopted),
    busy: new Set(busy),
  };
}
