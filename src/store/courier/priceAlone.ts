import type { Item } from '@/contract/records';
import type { RuleSheet } from '@/contract/ruleSheet';
import { isAsFound } from '@/core/bringIn/asFound';
import { changedSince, hasBlockers } from '@/core/listing/examine';

import { useCourier } from './courierLink';
import { examine, send } from './sending';

/**
 * Sends a live listing again whose price is another one now, and in which nothing else differs: what was
 * changed otherwise waits for the person, as does what was brought in and never sent from here.
 *
 * @param may whether a price may go by itself in place of the one shown
 * @returns whether it was sent
 * @throws CourierTrouble where the courier can't be reached
 */
export async function sendPriceAlone(
  item: Item,
  sheet: RuleSheet,
  may: (price: number, shown: number) => boolean,
): Promise<boolean> {
  const view = useCourier.getState().items[item.id];
  const listing = view?.sale ? undefined : view?.listings.find((l) => l.market === sheet.marketplace);
  if (!listing || listing.state !== 'live' || listing.want !== 'live' || listing.doing !== null) return false;
  const now = examine(item, sheet);
  if (isAsFound(now.plan)) return false;
  const { price } = now.effective;
  if (hasBlockers(now) || price === null || !may(price, listing.price)) return false;
  const asSent = { ...now, effective: { ...now.effective, price: listing.price } };
  if (changedSince(asSent, listing.draftHash)) return false;
  await send(item, sheet);
  return true;
}
