/* The few ways in which anything of the courier's state is changed. */
import type { ListingDraft } from '@/contract/courier';

import { isOver, refOf, itemBehind } from './refs';
import type { StepContext, Action, CourierListing, CourierMarket, CourierItem, Job } from './types';
import { NEVER } from './waiting';

/** A job not tried yet. @param due milliseconds since 1970 */
export const newJob = (action: Action, due: number): Job => ({
  action,
  tries: 0,
  due,
  running: false,
  unclear: false,
  trouble: null,
});

/** The item, or a new one that nothing is known of yet. It is not put into the state. */
export function itemFor(ctx: StepContext, id: string): CourierItem {
  return (
    ctx.state.items.get(id) ?? {
      id,
      listings: {},
      sale: null,
      laterSales: [],
      pieceSales: [],
      closing: null,
    }
  );
}

/** Puts an item in place of what was known of it, and notes that its view changed. */
export function putItem(ctx: StepContext, item: CourierItem): void {
  ctx.state.items.set(item.id, item);
  if (Object.values(item.listings).some((l) => l.job)) ctx.state.busy.add(item.id);
  else ctx.state.busy.delete(item.id);
  ctx.changed.add(item.id);
}

/** Puts a listing in place of the item's one on that marketplace. */
export function putListing(ctx: StepContext, item: CourierItem, listing: CourierListing): void {
  putItem(ctx, { ...item, listings: { ...item.listings, [listing.market]: listing } });
}

/** Changes the listing with this reference; answers to an earlier generation change nothing. */
export function changeListing(
  ctx: StepContext,
  ref: string,
  alter: (listing: CourierListing) => CourierListing,
): void {
  const id = itemBehind(ctx.state, ref);
  const item = id ? ctx.state.items.get(id) : undefined;
  const listing = item && Object.values(item.listings).find((l) => l.ref === ref);
  if (!item || !listing) return;
  const next = alter(listing);
  if (next !== listing) putListing(ctx, item, next);
}

/** Changes what is known of a marketplace; nothing where there is none of that name. */
export function changeMarket(ctx: StepContext, id: string, parts: Partial<CourierMarket>): void {
  const market = ctx.state.markets.get(id);
  if (market) Object.assign(market, parts);
}

/** Whether a person does all that is to be done there. */
export function isByHand(ctx: StepContext, market: string): boolean {
  return ctx.policy[market]?.byHand === true;
}

/** A job for now; one that a person does by hand waits for that person. */
export function jobNow(ctx: StepContext, action: Action, market: string): Job {
  return newJob(action, isByHand(ctx, market) ? NEVER : ctx.now);
}

/** A listing that has not been let out yet. */
export function freshListing(
  ctx: StepContext,
  item: string,
  market: string,
  generation: number,
  draft: ListingDraft,
): CourierListing {
  return {
    market,
    ref: refOf(item, market, generation),
    generation,
    want: 'live',
    state: 'onItsWay',
    draft,
    nextDraft: null,
    remoteId: null,
    url: null,
    reasons: [],
    job: jobNow(ctx, 'publish', market),
    lastPublishAt: 0,
    dealHere: false,
    listedAt: null,
    since: ctx.now,
  };
}

/** When and for how much it was there first; what was known of that stays. */
export function thereFirst(
  { listedAt, firstPrice }: Pick<CourierListing, 'listedAt' | 'firstPrice'>,
  draft: CourierListing['draft'],
  now: number,
): Pick<CourierListing, 'listedAt' | 'firstPrice'> {
  if (listedAt !== null) return { listedAt, ...(firstPrice === undefined ? {} : { firstPrice }) };
  return { listedAt: now, firstPrice: draft.price };
}

/**
 * Withdrawing takes the place of whatever was to be done; a publish never let out is simply dropped. What a
 * person was to put up by hand may be up without anybody having heard of it: then the person is asked
 * whether it is gone.
 *
 * @param sold it must be gone for certain
 */
export function toWithdraw(ctx: StepContext, listing: CourierListing, sold = false): CourierListing {
  const job = listing.job;
  // Where nobody has looked yet, it may stand there from a life that is forgotten: then it is withdrawn,
  // not just dropped.
  const { needsFirstSync } = ctx.state.markets.get(listing.market) ?? {};
  const neverSent = !needsFirstSync && listing.state === 'onItsWay' && listing.lastPublishAt === 0;
  // After a restart its job is unclear: that it was put up may have been said, and lost.
  const perhapsUp = isByHand(ctx, listing.market) && job?.action === 'publish' && (sold || job.unclear);
  if (neverSent && !perhapsUp) return { ...listing, want: 'gone', state: 'ended', job: null, since: ctx.now };
  if (job?.action === 'withdraw') return { ...listing, want: 'gone' };
  return { ...listing, want: 'gone', nextDraft: null, job: jobNow(ctx, 'withdraw', listing.market) };
}

/** Changed once more with what it may say now, after whatever is under way there. */
export function changedAgain(ctx: StepContext, l: CourierListing): CourierListing {
  return l.job || l.state !== 'live'
    ? { ...l, revisionPending: true }
    : { ...l, nextDraft: l.draft, job: jobNow(ctx, 'revise', l.market) };
}

/** What has to be changed again, now that nothing else is under way there. */
export function onceMore(ctx: StepContext, { revisionPending, ...l }: CourierListing): CourierListing {
  return revisionPending ? { ...l, nextDraft: l.draft, job: jobNow(ctx, 'revise', l.market) } : l;
}

/** The listing is down for good. One that is over stays as it is. */
export function markGone(ctx: StepContext, ref: string): void {
  changeListing(ctx, ref, (l) =>
    isOver(l) ? l : { ...l, want: 'gone', state: l.dealHere ? 'sold' : 'ended', job: null, since: ctx.now },
  );
}
