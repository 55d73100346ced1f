import { useAttic } from '@/store/attic/attic';
import { unlessExpected } from '@/store/base/faults';
import { repeating } from '@/store/base/repeating';

import { useCourier } from './courierLink';
import { sendPriceAlone } from './priceAlone';

/** How often it is looked at whether a price is due to come down, milliseconds. */
const EVERY = 15 * 60_000;

/**
 * Sends live listings again whose price has come down by its plan since they were sent.
 *
 * @returns how many were sent
 */
async function sendWhatCameDown(): Promise<number> {
  const { items } = useAttic.getState();
  const { items: views, sheets, connected } = useCourier.getState();
  if (!connected) return 0;
  let sent = 0;
  for (const item of Object.values(items)) {
    if (!item.markdown || !views[item.id]) continue;
    for (const sheet of sheets)
      try {
        if (await sendPriceAlone(item, sheet, (price, shown) => price < shown)) sent += 1;
      } catch (error) {
        // The courier can't be reached just now: the next look tries again.
        unlessExpected('bringing prices down')(error);
      }
  }
  return sent;
}

/** From now on prices come down by themselves while a page is open. @returns stops */
export function beginComingDown(): () => void {
  return repeating('bringing prices down', sendWhatCameDown, { first: 20_000, every: EVERY });
}
