import { isAsFound } from '@/core/bringIn/asFound';
import { changedSince, hasBlockers } from '@/core/listing/examine';
import { useAttic } from '@/store/attic/attic';
import { unlessExpected } from '@/store/base/faults';
import { repeating } from '@/store/base/repeating';

import { useCourier } from './courierLink';
import { examine, send } from './sending';

/** How often it is looked at whether a price is due to come down, milliseconds. */
const EVERY = 15 * 60_000;

/**
 * Sends live listings again whose price has come down by its plan since they were sent. What was changed
 * otherwise waits for the person: only listings in which nothing but the price differs go by themselves.
 *
 * @returns how many were sent
 */
async function sendWhatCameDown(): Promise<number> {
  const { items } = useAttic.getState();
  const { items: views, sheets, connected } = useCourier.getState();
  if (!connected) return 0;
  let sent = 0;
  for (const item of Object.values(items)) {
    const view = item.markdown && views[item.id];
    if (!view || view.sale) continue;
    for (const sheet of sheets) {
      const listing = view.listings.find((l) => l.market === sheet.marketplace);
      if (!listing || listing.state !== 'live' || listing.want !== 'live' || listing.doing !== null) continue;
      const now = examine(item, sheet);
      // What was brought in would be rewritten in more than its price: that waits for the person.
      if (isAsFound(now.plan)) continue;
      if (hasBlockers(now) || now.effective.price === null || now.effective.price >= listing.price) continue;
      const asSent = { ...now, effective: { ...now.effective, price: listing.price } };
      if (changedSince(asSent, listing.draftHash)) continue;
      try {
        await send(item, sheet);
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
