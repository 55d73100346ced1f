import type { CourierListingView } from '@/contract/courier';
import type { Plan } from '@/contract/records';

import { formatMoney } from '../money/money';

/** What a window shows of one listing. */
export type SignState =
  | 'notPlanned'
  | 'draft'
  | 'onItsWay'
  | 'live'
  | 'held'
  | 'changeRefused'
  | 'goingDown'
  | 'refused'
  | 'ended'
  | 'sold';

/** Whether a change of what is shown there was not taken: buyers go on seeing it as it was before. */
export function changeRefused(listing: CourierListingView): boolean {
  const { state, want, doing, reasons, stopped } = listing;
  if (want !== 'live' || (state !== 'live' && state !== 'inReview')) return false;
  return doing === null ? reasons.length > 0 : doing === 'revise' && stopped;
}

/**
 * Whether the marketplace did not take something of this listing, or it is not tried any more: a person has
 * to look.
 */
export function notTaken(listing: CourierListingView): boolean {
  return listing.state === 'refused' || listing.stopped || changeRefused(listing);
}

/** Whether it is up, or something is under way about it. */
export function isUp(listing: CourierListingView | undefined): boolean {
  return listing !== undefined && (listing.want === 'live' || listing.doing !== null);
}

export function signState(listing: CourierListingView | undefined, plan: Plan | undefined): SignState {
  if (!listing) return plan?.wanted ? 'draft' : 'notPlanned';
  if (listing.state === 'sold') return 'sold';
  if (listing.want === 'gone' && listing.doing === 'withdraw') return 'goingDown';
  if (changeRefused(listing)) return 'changeRefused';
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
  if (listing?.state === 'inReview' && listing.want === 'live')
    return changeRefused(listing) ? 'in review there, change not taken' : 'in review there';
  switch (signState(listing, plan)) {
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
    case 'changeRefused':
      return 'live, change not taken';
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
export function signLabel(
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
