import type { CourierListingView } from '@/contract/courier';
import type { Plan } from '@/contract/records';

import { formatMoney } from '../money/money';

/** What a window shows of one listing. */
export type WindowState =
  | 'notPlanned' | 'draft' | 'onItsWay' | 'live' | 'held' | 'goingDown' | 'refused' | 'ended' | 'sold'; // prettier-ignore

export function windowState(listing: CourierListingView | undefined, plan: Plan | undefined): WindowState {
  if (!listing) return plan?.wanted ? 'draft' : 'notPlanned';
  if (listing.state === 'sold') return 'sold';
  if (listing.want === 'gone' && listing.doing === 'withdraw') return 'goingDown';
  switch (listing.state) {
    case 'onItsWay':
    case 'inReview':
      return 'onItsWay';
    case 'live':
      return listing.held ? 'held' : 'live';
    case 'refused':
      return 'refused';
    case 'ended':
      return 'ended';
  }
}

/** The state in words, short, for beside the window. */
export function stateWords(listing: CourierListingView | undefined, plan: Plan | undefined): string {
  if (listing?.state === 'inReview' && listing.want === 'live') return 'in review there';
  switch (windowState(listing, plan)) {
    case 'notPlanned':
      return 'not planned';
    case 'draft':
      return 'draft';
    case 'onItsWay':
      return listing?.trouble ? 'on its way, trying again' : 'on its way';
    case 'live':
      return 'live';
    case 'held':
      return 'live, on hold';
    case 'goingDown':
      return listing?.trouble ? 'coming down, trying again' : 'coming down';
    case 'refused':
      return 'refused';
    case 'ended':
      return 'ended';
    case 'sold':
      return 'sold';
  }
}

/** What a window is called aloud: "Threadwick: live, €24.00". */
export function windowLabel(
  marketName: string,
  listing: CourierListingView | undefined,
  plan: Plan | undefined,
  currency: string,
): string {
  const words = stateWords(listing, plan);
  const price =
    listing && (listing.state === 'live' || listing.state === 'sold')
      ? `, ${formatMoney(listing.price, currency)}`
      : '';
  return `${marketName}: ${words}${price}`;
}
