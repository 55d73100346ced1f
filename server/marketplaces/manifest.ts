import type { Adapter } from '../courier/adapter';

/** Where a marketplace is reached, and what lets us in. */
export interface Seat {
  /** Without a slash at its end. */
  address: string;
  /** The token that lets us in now: another one once a person fetched it. */
  token: () => string;
  /** What it signs with when it calls by itself; empty where it does not. */
  hookSecret: string;
}

/**
 * All that has to be told of a marketplace so that the courier works with it; what it is called and can do,
 * its adapter says.
 *
 * @example
 *   export const fairmarket: Manifest = {
 *     id: 'fairmarket',
 *     callsBack: false,
 *     letsInByCode: true,
 *     open: fairmarketAdapter,
 *   };
 */
export interface Manifest {
  /** As in its adapter. Never changes: references and records are made of it. */
  id: string;
  /** It calls `/hooks/<id>` by itself when something happens, signed with a secret that it is given. */
  callsBack: boolean;
  /** Its page shows the seller a code that lets us in. */
  letsInByCode: boolean;
  open(seat: Seat): Adapter;
}
