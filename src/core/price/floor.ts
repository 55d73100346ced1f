import type { Settings, Item } from '@/contract/records';

import { exponentOf, type Minor } from '../money/money';

/**
 * The least price at which selling is worth it: a multiple of the cost, and what posting it takes where the
 * price has to cover that.
 *
 * @param multiple of the cost, at least 1
 * @param carried postage and packaging that the price has to bring in, minor units; 0 where the buyer pays it
 * apart
 * @returns null while the cost is not known
 */
export function floorOf(cost: Minor | null, multiple: number, carried: Minor): Minor | null {
  return cost === null ? null : Math.ceil(cost * multiple) + carried;
}

/**
 * The floor of an item by the person's own multiples. What the price has to carry counts where postage is
 * built in.
 */
export function floorOfItem(
  item: Pick<Item, 'cost' | 'restockable' | 'postageBy'>,
  multiples: Settings['multiples'],
  posting: Minor,
): Minor | null {
  const multiple = item.restockable ? multiples.again : multiples.oneOff;
  return floorOf(item.cost, multiple, item.postageBy === 'builtIn' ? posting : 0);
}

/** Whether the market is known to pay less than the floor. */
export function paysUnderFloor(floor: Minor | null, typical: Minor | null): boolean {
  return floor !== null && typical !== null && typical < floor;
}

export interface OfferLimits {
  /** At or above: taken by itself. Null: never by itself. */
  acceptFrom: Minor | null;
  /** Below: refused by itself. Null: never by itself. */
  refuseUnder: Minor | null;
  /** Lowest price the seller takes; null: none set. */
  floor: Minor | null;
}

/** Why an offer is answered so. */
export type OfferReason = 'isPrice' | 'reachesAccept' | 'belowDecline' | 'betweenLimits' | 'underFloor';

export type OfferAnswer =
  { type: 'accept' | 'refuse'; why: OfferReason } | { type: 'ask'; why: OfferReason; counter: Minor };

/**
 * What becomes of an offer. Nothing under the floor is ever taken, whatever the limits say; between the
 * limits the person is asked, with a counter-offer half way to the price.
 */
export function answerOffer(price: Minor, offer: Minor, limits: OfferLimits): OfferAnswer {
  const { acceptFrom, refuseUnder, floor } = limits;
  if (offer >= price) return { type: 'accept', why: 'isPrice' };
  const overFloor = floor === null || offer >= floor;
  if (acceptFrom !== null && offer >= acceptFrom && overFloor)
    return { type: 'accept', why: 'reachesAccept' };
  if (refuseUnder !== null && offer < refuseUnder) return { type: 'refuse', why: 'belowDecline' };
  const half = Math.ceil((price + offer) / 2);
  return {
    type: 'ask',
    why: overFloor ? 'betweenLimits' : 'underFloor',
    counter: Math.min(price, Math.max(half, floor ?? 0)),
  };
}

export type LimitsTrouble = 'acceptAbovePrice' | 'declineAboveAccept' | 'acceptUnderFloor';

/** What is wrong with limits; null when nothing is. */
export function limitsTrouble(
  price: Minor,
  { acceptFrom, refuseUnder, floor }: OfferLimits,
): LimitsTrouble | null {
  if (acceptFrom !== null && acceptFrom > price) return 'acceptAbovePrice';
  if (acceptFrom !== null && refuseUnder !== null && refuseUnder > acceptFrom) return 'declineAboveAccept';
  if (acceptFrom !== null && floor !== null && acceptFrom < floor) return 'acceptUnderFloor';
  return null;
}

/**
 * Room to come down on a local board, common practice: a tenth more, to a round amount of the currency's
 * unit.
 */
export function startHigh(price: Minor, currency: string, room = 0.1): Minor {
  const unit = 10 ** exponentOf(currency);
  // In whole numbers first: 1.1 times 30 is not 33 to a machine.
  return Math.ceil(Math.round(price * (1 + room)) / unit) * unit;
}

/**
 * Stock shown = stock less what is held back, at most the cap (3 with 1 held back: 2; 100 with a cap of 20:
 * 20). Common practice.
 */
export function stockShown(stock: number, heldBack: number, cap: number | null): number {
  return Math.max(0, Math.min(stock - heldBack, cap ?? Infinity));
}
