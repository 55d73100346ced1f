import type { ListingDraft } from '@/contract/courier';

import { Answering } from './answering';
import { stockCounted } from './pieces';
import type {
  CourierEvent,
  CourierListing,
  CourierMarket,
  CourierState,
  CourierItem,
  Effect,
  Job,
  Policy,
  StepResult,
} from './types';
import { CALL_LIMIT, LATE_PUBLISH, NEVER, REST_AFTER } from './waiting';

/** A courier that knows nothing yet. */
export function emptyCourier(): CourierState {
  return { items: new Map(), markets: new Map(), adopted: new Map(), busy: new Set() };
}

/**
 * The courier's decision: what was known, what happened and the time it is now give what is known
 * next and what is to be done. No waiting, no clock, no random, no network in here.
 *
 * Whoever runs the effects has one duty: a publish effect is let out only after a `publishDispatched` event
 * for it has been taken and kept, in the same turn as the tick that gave it. Otherwise a crash could
 * forget that a listing may have arrived.
 *
 * The state is consumed: maps are updated in place and items replaced whole, so a caller keeps only
 * the state that comes back.
 */
export function step(state: CourierState, event: CourierEvent, now: number, policy: Policy): StepResult {
  const run = new Run(state, now, policy);
  run.take(event);
  return { state, effects: run.effects, changed: run.changed, refusal: run.refusal };
}

/**
 * The least moment at which a tick would do something; null when nothing is waiting.
 *
 * @param publish whether the tick may let out what is new
 */
export function nextDue(state: CourierState, publish = true): number | null {
  let least: number | null = null;
  const consider = (at: number) => {
    if (least === null || at < least) least = at;
  };
  for (const market of state.markets.values())
    if (!market.polling && market.link !== 'off' && market.pollDue < NEVER)
      consider(Math.max(market.pollDue, market.pausedUntil));
  for (const id of state.busy)
    for (const listing of Object.values(state.items.get(id)?.listings ?? {})) {
      const market = state.markets.get(listing.market);
      if (listing.job?.action === 'publish' && !publish) continue;
      if (listing.job && !listing.job.running && listing.job.due < NEVER && mayGo(listing.job, market))
        consider(Math.max(listing.job.due, market?.pausedUntil ?? 0, market?.circuitOpenUntil ?? 0));
    }
  return least;
}

/** Whether the connection lets a job through: a paused marketplace is still told what to take down. */
function mayGo(job: Job, market: CourierMarket | undefined): boolean {
  if (market?.needsFirstSync && job.action === 'publish') return false;
  return market?.link === 'paused' ? job.action === 'withdraw' : market?.link !== 'off';
}

/** One step in the making. The layers below it each know one side of the courier's work. */
class Run extends Answering {
  take(event: CourierEvent): void {
    if (
      ['published', 'revised', 'withdrawn', 'absent', 'refused', 'news', 'quiet'].includes(event.type) &&
      'market' in event
    )
      this.answered(event.market);
    switch (event.type) {
      case 'command':
        this.refusal = this.command(event.command);
        break;
      case 'published':
        this.published(event);
        break;
      case 'revised':
        this.change(event.ref, (l) => this.revised(l));
        break;
      case 'publishDispatched':
        this.change(event.ref, (l) => ({ ...l, lastPublishAt: this.now }));
        break;
      case 'withdrawn':
        this.gone(event.ref);
        break;
      case 'absent':
        this.absent(event.ref);
        break;
      case 'refused':
        this.refused(event);
        break;
      case 'failed':
        this.failed(event);
        break;
      case 'news':
        this.read(event.market, event.cursor);
        for (const item of event.news) this.news(event.market, item);
        break;
      case 'strays':
        this.strays(event);
        break;
      case 'firstSyncDone': {
        const market = this.state.markets.get(event.market);
        if (market) market.needsFirstSync = false;
        break;
      }
      case 'compared': {
        const market = this.state.markets.get(event.market);
        if (market) Object.assign(market, { comparedAt: this.now, unknown: event.unknown });
        break;
      }
      case 'quiet':
        this.read(event.market, event.cursor);
        break;
      case 'pollFailed':
        this.pollFailed(event);
        break;
      case 'started':
        this.started(event.markets, event.incomplete === true);
        break;
      case 'connection': {
        const market = this.state.markets.get(event.market);
        if (market) {
          market.link = event.link;
          if (event.link === 'connected') market.pausedUntil = 0;
          if (event.link !== 'off' && market.pollDue < NEVER) market.pollDue = this.now;
        }
        break;
      }
      case 'tick':
        this.tick(event.publish !== false);
        break;
    }
    for (const id of [...this.changed]) {
      this.emptyOrFill(id);
      this.putBackUp(id);
      this.emptyOrFill(id);
    }
    for (const id of this.changed) this.settleClosing(id);
  }

  private started(markets: string[], incomplete: boolean): void {
    for (const id of markets) {
      const known = this.state.markets.get(id);
      const fresh: CourierMarket = {
        cursor: known?.cursor ?? null,
        pollDue: this.byHand(id) ? NEVER : this.now,
        polling: false,
        failures: 0,
        pausedUntil: 0,
        trouble: null,
        link: known?.link ?? 'connected',
        locked: known?.locked ?? false,
        failedCalls: 0,
        circuitOpenUntil: 0,
        comparedAt: null,
        unknown: 0,
        // What is not all remembered is looked for before anything new goes there.
        needsFirstSync:
          known && !incomplete ? (known.needsFirstSync ?? false) : this.policy[id]?.looksFirst === true,
      };
      this.state.markets.set(id, fresh);
    }
    for (const item of [...this.state.items.values()])
      for (const listing of Object.values(item.listings))
        if (listing.job) {
          this.putListing(this.itemFor(item.id), {
            ...listing,
            // What was out may still arrive, however long ago the clock says that was.
            lastPublishAt: listing.lastPublishAt === 0 ? 0 : this.now,
            ...(listing.job.action === 'revise' ? { lateUntil: this.now + LATE_PUBLISH } : {}),
            job: { ...listing.job, running: false, unclear: true, due: this.dueAgain(listing) },
          });
        }
  }

  /** After a restart everything is tried at once, but for what was never let out and is planned for later. */
  private dueAgain(listing: CourierListing): number {
    if (this.byHand(listing.market)) return NEVER;
    const planned = listing.lastPublishAt === 0 && listing.job?.tries === 0;
    return planned ? Math.max(this.now, listing.job?.due ?? 0) : this.now;
  }

  private tick(publish: boolean): void {
    const out: { effect: Exclude<Effect, { type: 'poll' }>; rank: number }[] = [];
    for (const id of [...this.state.busy]) {
      const item = this.state.items.get(id);
      if (!item) continue;
      for (const listing of Object.values(item.listings)) {
        const { job } = listing;
        const market = this.state.markets.get(listing.market);
        if (job?.action === 'publish' && !publish) continue;
        if (!job || job.running || job.due > this.now || (market?.pausedUntil ?? 0) > this.now) continue;
        if (!mayGo(job, market) || (market?.circuitOpenUntil ?? 0) > this.now) continue;
        const rank = { withdraw: 0, revise: 1, publish: 2 }[job.action];
        out.push({ rank, effect: effectOf(item, listing, job, this.policy) });
      }
    }
    out.sort((a, b) => a.rank - b.rank);
    for (const { effect } of out) {
      if (!this.letThrough(effect.market)) continue;
      this.effects.push(effect);
      const item = this.itemFor(effect.item);
      const there = item.listings[effect.market];
      if (there?.job)
        this.putListing(item, {
          ...there,
          job: { ...there.job, running: true, tries: there.job.tries + 1 },
        });
    }
    for (const [id, market] of this.state.markets)
      if (
        !market.polling &&
        market.link !== 'off' &&
        market.pollDue <= this.now &&
        market.pausedUntil <= this.now
      ) {
        market.polling = true;
        this.effects.push({ type: 'poll', market: id, cursor: market.cursor });
      }
  }

  /**
   * While calls there fail one after the other, one at a time goes out; the first in order, a withdrawal
   * before all else.
   */
  private letThrough(id: string): boolean {
    const market = this.state.markets.get(id);
    if (!market || market.failedCalls < REST_AFTER) return true;
    if (market.circuitOpenUntil > this.now) return false;
    market.circuitOpenUntil = this.now + CALL_LIMIT;
    return true;
  }
}
function effectOf(
  whole: CourierItem,
  l: CourierListing,
  job: Job,
  policy: Policy,
): Exclude<Effect, { type: 'poll' }> {
  const { market, ref, remoteId } = l;
  const shown = (draft: ListingDraft) => {
    const counted = stockCounted(draft, whole, ref);
    return policy[market]?.showsHolds ? { ...counted, held: whole.hold?.market === market } : counted;
  };
  const item = whole.id;
  switch (job.action) {
    case 'publish':
      return {
        type: 'publish',
        market,
        item,
        ref,
        draft: shown(l.draft),
        unclear: job.unclear,
      };
    case 'revise':
      return {
        type: 'revise',
        market,
        item,
        ref,
        remoteId,
        draft: shown(l.nextDraft ?? l.draft),
      };
    case 'withdraw':
      return { type: 'withdraw', market, item, ref, remoteId, outcome: l.dealHere ? 'sold' : 'withdrawn' };
  }
}
