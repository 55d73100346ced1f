import type { ListingDraft } from '@/contract/courier';
import type { CommandRefusal } from '@/contract/troubles';

import { isOver, refOf, itemBehind } from './refs';
import type { Action, CourierListing, CourierState, CourierItem, Effect, Job, Policy } from './types';
import { NEVER } from './waiting';

export const newJob = (action: Action, due: number): Job => ({
  action,
  tries: 0,
  due,
  running: false,
  unclear: false,
  trouble: null,
});

/** What a step knows and changes: the state, with the few ways in which anything of it is changed. */
export class Keeping {
  readonly effects: Effect[] = [];
  readonly changed = new Set<string>();
  refusal: CommandRefusal | null = null;

  constructor(
    protected readonly state: CourierState,
    protected readonly now: number,
    protected readonly policy: Policy,
  ) {}

  protected itemFor(id: string): CourierItem {
    return (
      this.state.items.get(id) ?? {
        id,
        listings: {},
        sale: null,
        laterSales: [],
        pieceSales: [],
        closing: null,
      }
    );
  }

  protected put(item: CourierItem): void {
    this.state.items.set(item.id, item);
    if (Object.values(item.listings).some((l) => l.job)) this.state.busy.add(item.id);
    else this.state.busy.delete(item.id);
    this.changed.add(item.id);
  }

  protected putListing(item: CourierItem, listing: CourierListing): void {
    this.put({ ...item, listings: { ...item.listings, [listing.market]: listing } });
  }

  /** Changes the listing with this reference; answers to an earlier generation change nothing. */
  protected change(ref: string, alter: (listing: CourierListing) => CourierListing): void {
    const id = itemBehind(this.state, ref);
    const item = id ? this.state.items.get(id) : undefined;
    const listing = item && Object.values(item.listings).find((l) => l.ref === ref);
    if (!item || !listing) return;
    const next = alter(listing);
    if (next !== listing) this.putListing(item, next);
  }

  protected byHand(market: string): boolean {
    return this.policy[market]?.byHand === true;
  }

  /** A job for now; one that a person does by hand waits for that person. */
  protected job(action: Action, market: string): Job {
    return newJob(action, this.byHand(market) ? NEVER : this.now);
  }

  /** A listing that has not been let out yet. */
  protected fresh(item: string, market: string, generation: number, draft: ListingDraft): CourierListing {
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
      job: this.job('publish', market),
      lastPublishAt: 0,
      dealHere: false,
      listedAt: null,
      since: this.now,
    };
  }

  /**
   * Withdrawing takes the place of whatever was to be done; a publish never let out is simply dropped. What a
   * person was to put up by hand may be up without anybody having heard of it: then the person is asked
   * whether it is gone.
   *
   * @param sold it must be gone for certain
   */
  protected toWithdraw(listing: CourierListing, sold = false): CourierListing {
    const job = listing.job;
    // Where nobody has looked yet, it may stand there from a life that is forgotten: then it is withdrawn,
    // not just dropped.
    const { needsFirstSync } = this.state.markets.get(listing.market) ?? {};
    const neverSent = !needsFirstSync && listing.state === 'onItsWay' && listing.lastPublishAt === 0;
    // After a restart its job is unclear: that it was put up may have been said, and lost.
    const perhapsUp = this.byHand(listing.market) && job?.action === 'publish' && (sold || job.unclear);
    if (neverSent && !perhapsUp)
      return { ...listing, want: 'gone', state: 'ended', job: null, since: this.now };
    if (job?.action === 'withdraw') return { ...listing, want: 'gone' };
    return { ...listing, want: 'gone', nextDraft: null, job: this.job('withdraw', listing.market) };
  }

  /** Changed once more with what it may say now, after whatever is under way there. */
  protected changedAgain(l: CourierListing): CourierListing {
    return l.job || l.state !== 'live'
      ? { ...l, revisionPending: true }
      : { ...l, nextDraft: l.draft, job: this.job('revise', l.market) };
  }

  /** What has to be changed again, now that nothing else is under way there. */
  protected onceMore({ revisionPending, ...l }: CourierListing): CourierListing {
    return revisionPending ? { ...l, nextDraft: l.draft, job: this.job('revise', l.market) } : l;
  }

  protected gone(ref: string): void {
    this.change(ref, (l) =>
      isOver(l)
        ? l
        : { ...l, want: 'gone', state: l.dealHere ? 'sold' : 'ended', job: null, since: this.now },
    );
  }
}
