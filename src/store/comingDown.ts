import { isAsFound } from '@/core/bringIn/asFound';

import { useAttic } from './attic';
import { useCourier } from './courierLink';
import { changedSince, hasBlockers } from '@/core/listing/examine';
import { unlessExpected } from './faults';
import { repeating } from './repeating';
import { examine, send } from './sending';

/** How often it is looked at whether a price is due to come down, milliseconds. */
const EVERY = 15 * 60_000;

/**
 * Sends live listings again whose price has come down by its plan since they were sent. What was changed otherwise
 * waits for the person: only listings in which nothing but the price differs go by themselves.
 *
 * @returns how many were sent
 */
export async function sendWhatCameDown(): Promise<number> {
  const { things } = useAttic.getState();
  const { things: views, sheets, connected } = useCourier.getState();
  if (!connected) return 0;
  let sent = 0;
  for (const thing of Object.values(things)) {
    const view = thing.markdown && views[thing.id];
    if (!view || view.sale) continue;
    for (const sheet of sheets) {
      const listing = view.listings.find((l) => l.market === sheet.marketplace);
      if (!listing || listing.state !== 'live' || listing.want !== 'live' || listing.doing !== null) continue;
      const now = examine(thing, sheet);
      // What was brought in would be rewritten in more than its price: that waits for the person.
      if (isAsFound(now.plan)) continue;
      if (hasBlockers(now) || now.effective.price === null || now.effective.price >= listing.price) continue;
      const asSent = { ...now, effective: { ...now.effective, price: listing.price } };
      if (changedSince(asSent, listing.draftPrint)) continue;
      try {
        await send(thing, sheet);
        sent += 1;
      } catch (error) {
        // The courier can't be reached just now: the next look tries again.
        unlessExpected('bringing prices down')(error);
      }
    }
  }
  return sent;
}

/** From now on prices come down by themselves while a page is open. @returns stops */
export function beginComingDown(): () => void {
  return repeating('bringing prices down', sendWhatCameDown, { first: 20_000, every: EVERY });
}
