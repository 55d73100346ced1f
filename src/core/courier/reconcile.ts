import type { OwnListing } from '@/contract/ownListing';

import { isOver, generationOf, itemBehind, itemOfRef } from './refs';
import type { CourierListing, CourierState, Edited, Duplicate } from './types';

/** What a marketplace shows of one listing, as far as it is compared. */
export type Shown = Pick<OwnListing, 'ref' | 'remoteId' | 'url' | 'title' | 'price'>;

/** What differs between what a marketplace shows and what should be there. */
export interface Strays {
  /** Held to be live, not shown. To be looked up by itself before it is believed. */
  missing: string[];
  /** Shown, though it was sold, withdrawn or turned down. */
  stale: { ref: string; remoteId: string; url: string }[];
  /** Shown with other words or another price than was sent; null: as sent again. */
  edited: { ref: string; as: Edited | null }[];
  /** Shown under references of ours that are not remembered: what was known of them was lost. */
  found: string[];
  /** Shown beside the listing that is known of the same item. */
  duplicates: Duplicate[];
  /** How many nobody here knows of. */
  unknown: number;
}

/**
 * Answers are as old as the asking for them, and marketplaces are not all of one mind at once; milliseconds.
 */
const GRACE = 4_000;

/**
 * Compares what a marketplace shows with what should be there. Whatever changed about the time of asking is
 * left to the next look.
 *
 * @param asked when the list was asked for; what happened since is not in it
 * @param ownTitles whether titles there are the seller's (not those of catalogue records)
 */
export function compareShown(
  state: CourierState,
  market: string,
  shown: readonly Shown[],
  asked: number,
  ownTitles: boolean,
): Strays {
  const strays: Strays = { missing: [], stale: [], edited: [], found: [], duplicates: [], unknown: 0 };
  const there = new Map(shown.map((s) => [s.ref, s]));
  for (const item of state.items.values()) {
    const listing = item.listings[market];
    if (!listing || listing.job !== null) continue;
    if (Math.max(listing.since, listing.changedAt ?? 0) > asked - GRACE) continue;
    const seen = there.get(listing.ref);
    if (isOver(listing)) {
      if (seen) strays.stale.push({ ref: seen.ref, remoteId: seen.remoteId, url: seen.url });
    } else if (!seen) {
      if (listing.state === 'live') strays.missing.push(listing.ref);
    } else if (listing.state === 'live') {
      const as = editedAs(listing, seen, ownTitles);
      if (JSON.stringify(as) !== JSON.stringify(listing.edited ?? null))
        strays.edited.push({ ref: listing.ref, as });
    }
  }
  for (const { ref, remoteId } of shown) {
    const id = itemBehind(state, ref);
    const known = id === null ? undefined : state.items.get(id)?.listings[market];
    if (known?.ref === ref) continue;
    const generation = id !== null && itemOfRef(ref) === id ? generationOf(ref, id, market) : 0;
    if (generation === 0) strays.unknown += known ? 0 : 1;
    else if (!known || (isOver(known) && known.generation < generation)) strays.found.push(ref);
    else if (known.since <= asked - GRACE) strays.duplicates.push({ ref, remoteId });
  }
  return strays;
}

/** What of it differs from what was sent; null: nothing. An auction's price is what was bid. */
function editedAs({ draft }: CourierListing, seen: Shown, ownTitles: boolean): Edited | null {
  const title = ownTitles && seen.title.trim() !== draft.title.trim() ? seen.title.slice(0, 400) : null;
  const price = !draft.auction && seen.price !== draft.price ? seen.price : null;
  return title === null && price === null ? null : { title, price };
}
