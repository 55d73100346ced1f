import { ListingDraft } from '@/contract/courier';
import type { OwnListing } from '@/contract/ownListing';
import type { RuleSheet } from '@/contract/ruleSheet';
import { shownDraft } from '@/core/bringIn/shownDraft';
import { compareShown } from '@/core/courier/reconcile';
import type { CourierEvent, CourierState, Found } from '@/core/courier/types';

import { CallFailed, Refused, type Adapter } from './adapter';
import type { Log } from '../faults/log';

type Strays = Extract<CourierEvent, { type: 'strays' }>;

export interface Compared {
  strays: Strays;
  /** How many listings were not as they should be. */
  count: number;
  /** How many nobody here knows of. */
  unknown: number;
}

/** A marketplace that does not answer, or says no, just could not be asked; anything else is a fault. */
function isNoAnswer(error: unknown): boolean {
  return error instanceof CallFailed || error instanceof Refused;
}

/**
 * Asks a marketplace what it shows, and holds it against what should be there.
 *
 * @param state what is known when the answer comes
 * @param asked when it is asked, milliseconds since 1970
 * @returns null where it can't be asked just now
 */
export async function compareMarket(
  adapter: Adapter & Required<Pick<Adapter, 'listOwnListings'>>,
  state: () => CourierState,
  asked: number,
  sheet: RuleSheet | undefined,
  log: Log,
): Promise<Compared | null> {
  const market = adapter.id;
  const own = await adapter.listOwnListings().catch((error: unknown) => {
    if (isNoAnswer(error)) return null;
    throw error;
  });
  if (own === null) return null;
  const found = compareShown(state(), market, own, asked, sheet?.records === undefined);
  const gone: string[] = [];
  // What is not in the list is asked for by its name before it is believed to be gone.
  for (const ref of found.missing) {
    const there = await adapter.lookUp(ref).catch((error: unknown) => {
      if (!isNoAnswer(error)) log.fault('looking up a listing', error, { market });
      return undefined;
    });
    if (there === null || there?.over) gone.push(ref);
  }
  const { stale, edited, duplicates, unknown } = found;
  const lost = own.filter((l) => found.found.includes(l.ref)).map((l) => remembered(l, sheet));
  return {
    strays: { type: 'strays', market, gone, stale, edited, found: lost, duplicates },
    count: gone.length + stale.length + edited.length + lost.length + duplicates.length,
    unknown,
  };
}

/** A listing under our own reference as far as the marketplace can still tell. */
function remembered(own: OwnListing, sheet: RuleSheet | undefined): Found {
  const { ref, remoteId, url, state, listedAt } = own;
  const shown = shownDraft(own, sheet?.currency ?? 'EUR');
  const draft = ListingDraft.safeParse(shown);
  // What is shown there may be longer than anything we send: then it is remembered by its title and price
  // alone.
  const bare = {
    ...shown,
    description: '',
    category: '',
    condition: '',
    specifics: {},
    price: 0,
    postage: 0,
  };
  return { ref, remoteId, url, state, listedAt, draft: draft.success ? draft.data : bare };
}
