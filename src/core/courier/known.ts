import type { CourierItemView, MarketView } from '@/contract/courier';

/** How a page hears the courier. */
export interface Hearing {
  connected: boolean;
  /** All that happened before the page opened has been told. */
  caughtUp: boolean;
  /**
   * When the courier was last heard, once it had told all, by this page or an earlier one; null: it never
   * was. Milliseconds since 1970.
   */
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
  hearing: Hearing,
  markets: readonly Pick<MarketView, 'name' | 'health' | 'link' | 'locked' | 'byHand' | 'silentSince'>[],
): Unheard[] {
  // What the courier knows of the marketplaces is not known either.
  if (!isHeard(hearing)) return [{ of: 'courier', since: hearing.heardAt }];
  return markets
    .filter((m) => !m.byHand && m.link !== 'off' && (m.health === 'away' || m.locked))
    .map((m) => ({ of: 'market', name: m.name, lockedOut: m.locked, since: m.silentSince }));
}

/** Whether a page knows what the courier knows, as it is now. */
export function isHeard({ connected, caughtUp }: Hearing): boolean {
  return connected && caughtUp;
}

/** Whether an item may be let go: taken out of the attic, given back, given away. */
export type LetGo =
  | 'free'
  /** Buyers can see it somewhere, or are about to. */
  | 'listed'
  /** Nobody can say just now whether buyers see it. */
  | 'notKnown';

/**
 * Whether an item may be let go without leaving a listing behind that nobody stands for. What was listed when
 * the courier was last heard stays locked; so does what was ever meant for a marketplace, as long as the
 * courier can't be asked: it may have gone up since.
 *
 * @param view what was last heard of it
 * @param isPlanned it is, or was, to be listed somewhere
 */
export function letGo(hearing: Hearing, view: CourierItemView | undefined, isPlanned: boolean): LetGo {
  if (view?.listings.some((l) => l.want === 'live' || l.doing !== null)) return 'listed';
  if (isHeard(hearing)) return 'free';
  return isPlanned || view !== undefined || hearing.heardAt === null ? 'notKnown' : 'free';
}
