import type { MarketView } from '@/contract/courier';

/** How a page hears the courier. */
export interface Hearing {
  connected: boolean;
  /** All that happened before the page opened has been told. */
  caughtUp: boolean;
  /** When the courier was last heard, once it had told all; null: it never had. Milliseconds since 1970. */
  heardAt: number | null;
}

/** Something that was not asked, or did not answer: what happened there since is not known. */
export type Unheard =
  | { of: 'courier'; since: number | null }
  | { of: 'market'; name: string; lockedOut: boolean; since: number | null };

/**
 * What keeps a page from saying that all is well. Whatever says that nothing is there, or nothing waits, has
 * to look here first: an empty list is no answer when nobody was asked.
 *
 * @returns empty when everything was asked and answered
 */
export function unheard(
  { connected, caughtUp, heardAt }: Hearing,
  markets: readonly Pick<MarketView, 'name' | 'health' | 'link' | 'locked' | 'byHand' | 'silentSince'>[],
): Unheard[] {
  // What the courier knows of the marketplaces is not known either.
  if (!caughtUp) return [{ of: 'courier', since: null }];
  if (!connected) return [{ of: 'courier', since: heardAt }];
  return markets
    .filter((m) => !m.byHand && m.link !== 'off' && (m.health === 'away' || m.locked))
    .map((m) => ({ of: 'market', name: m.name, lockedOut: m.locked, since: m.silentSince }));
}
