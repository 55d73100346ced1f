import type { CourierListingView } from '@/contract/courier';

import { notTaken } from '../listing/signState';

/** How far one listing is that was sent or taken down together with others. */
export type Outcome =
  /** Its turn has not come. */
  | 'waits'
  /** Being made ready, on its way, or in review there. */
  | 'going'
  /** A person puts it up there, or takes it down. */
  | 'byHand'
  /** The courier holds it until its time. */
  | 'planned'
  | 'there'
  | 'down'
  /** The marketplace did not take it. */
  | 'refused'
  /** It did not get as far as the courier. */
  | 'failed';

/**
 * How far a job is.
 *
 * @param queued how it stands in the page's own queue; undefined: it left it, or was never in it
 * @param listing what the courier says of it
 * @param now milliseconds since 1970
 * @param byHand a person does everything at that marketplace
 */
export function outcomeOf(
  action: 'send' | 'withdraw',
  queued: 'waiting' | 'working' | 'failed' | undefined,
  listing: CourierListingView | undefined,
  now: number,
  byHand = false,
): Outcome {
  // The courier has it, and waits for the person: nothing more comes of it by itself.
  const going = byHand ? 'byHand' : 'going';
  if (queued === 'failed') return 'failed';
  if (queued === 'waiting') return 'waits';
  if (queued === 'working') return 'going';
  if (action === 'withdraw') return !listing || isDown(listing) ? 'down' : going;
  if (!listing) return 'waits';
  if (notTaken(listing)) return 'refused';
  if (listing.doing === 'publish' && listing.tries === 0 && (listing.nextTryAt ?? 0) > now + MOMENT)
    return 'planned';
  if (listing.doing !== null || listing.state === 'inReview' || listing.state === 'onItsWay') return going;
  return listing.want === 'live' || listing.state === 'sold' ? 'there' : 'down';
}

/** What is due so soon is on its way, milliseconds. */
const MOMENT = 30_000;

function isDown({ want, doing }: CourierListingView): boolean {
  return want === 'gone' && doing === null;
}

/** How many came how far. */
export type Tally = Readonly<Record<Outcome, number>>;

export function tallyOf(outcomes: readonly Outcome[]): Tally {
  const tally = { waits: 0, going: 0, byHand: 0, planned: 0, there: 0, down: 0, refused: 0, failed: 0 };
  for (const outcome of outcomes) tally[outcome] += 1;
  return tally;
}

/** Nothing of it is still on its way: what is left is for a person, or for its time. */
export function isSettled(tally: Tally): boolean {
  return tally.waits + tally.going === 0;
}
