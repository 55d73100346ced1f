import type { ListingDraft } from '@/contract/courier';
import type { CommandRefusal } from '@/contract/troubles';

import {
  marketAnswered,
  takeAbsent,
  takeFailed,
  takePollFailed,
  takePublished,
  takeRefused,
  takeRevised,
  takeStrays,
} from './answering';
import { takeCommand } from './commanding';
import { emptyOrFill, relistHeld } from './holds';
import { changeListing, changeMarket, isByHand, itemFor, markGone, putListing } from './keeping';
import { stockCounted } from './pieces';
import { feedRead, settleClosing, takeNews } from './selling';
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
  StepContext,
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
 *
 * @example
 *   const { effects, refusal } = step(state, { type: 'command', command }, now, policy);
 */
export function step(state: CourierState, event: CourierEvent, now: number, policy: Policy): StepResult {
  const ctx: StepContext = { state, now, policy, effects: [], changed: new Set() };
  const refusal = takeEvent(ctx, event);
  for (const id of [...ctx.changed]) {
    emptyOrFill(ctx, id);
    relistHeld(ctx, id);
    emptyOrFill(ctx, id);
  }
  for (const id of ctx.changed) settleClosing(ctx, id);
  return { state, effects: ctx.effects, changed: ctx.changed, refusal };
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

/** Events that only a marketplace that answers can cause. */
const ANSWERS: readonly CourierEvent['type'][] = [
  'published',
  'revised',
  'withdrawn',
  'absent',
  'refused',
  'news',
  'quiet',
];

function takeEvent(ctx: StepContext, event: CourierEvent): CommandRefusal | null {
  if (ANSWERS.includes(event.type) && 'market' in event) marketAnswered(ctx, event.market);
  switch (event.type) {
    case 'command':
      return takeCommand(ctx, event.command);
    case 'published':
      takePublished(ctx, event);
      break;
    case 'revised':
      changeListing(ctx, event.ref, (l) => takeRevised(ctx, l));
      break;
    case 'publishDispatched':
      changeListing(ctx, event.ref, (l) => ({ ...l, lastPublishAt: ctx.now }));
      break;
    case 'withdrawn':
      markGone(ctx, event.ref);
      break;
    case 'absent':
      takeAbsent(ctx, event.ref);
      break;
    case 'refused':
      takeRefused(ctx, event);
      break;
    case 'failed':
      takeFailed(ctx, event);
      break;
    case 'news':
      feedRead(ctx, event.market, event.cursor);
      for (const item of event.news) takeNews(ctx, event.market, item);
      break;
    case 'strays':
      takeStrays(ctx, event);
      break;
    case 'firstSyncDone':
      changeMarket(ctx, event.market, { needsFirstSync: false });
      break;
    case 'compared':
      changeMarket(ctx, event.market, { comparedAt: ctx.now, unknown: event.unknown });
      break;
    case 'quiet':
      feedRead(ctx, event.market, event.cursor);
      break;
    case 'pollFailed':
      takePollFailed(ctx, event);
      break;
    case 'started':
      takeStarted(ctx, event.markets, event.incomplete === true);
      break;
    case 'connection':
      takeConnection(ctx, event);
      break;
    case 'tick':
      takeTick(ctx, event.publish !== false);
      break;
  }
  return null;
}

function takeConnection(
  ctx: StepContext,
  { market: id, link }: Extract<CourierEvent, { type: 'connection' }>,
): void {
  const market = ctx.state.markets.get(id);
  if (!market) return;
  market.link = link;
  if (link === 'connected') market.pausedUntil = 0;
  if (link !== 'off' && market.pollDue < NEVER) market.pollDue = ctx.now;
}

function takeStarted(ctx: StepContext, markets: string[], incomplete: boolean): void {
  for (const id of markets) {
    const known = ctx.state.markets.get(id);
    const fresh: CourierMarket = {
      cursor: known?.cursor ?? null,
      pollDue: isByHand(ctx, id) ? NEVER : ctx.now,
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
        known && !incomplete ? (known.needsFirstSync ?? false) : ctx.policy[id]?.looksFirst === true,
    };
    ctx.state.markets.set(id, fresh);
  }
  for (const item of [...ctx.state.items.values()])
    for (const listing of Object.values(item.listings))
      if (listing.job) {
        putListing(ctx, itemFor(ctx, item.id), {
          ...listing,
          // What was out may still arrive, however long ago the clock says that was.
          lastPublishAt: listing.lastPublishAt === 0 ? 0 : ctx.now,
          ...(listing.job.action === 'revise' ? { lateUntil: ctx.now + LATE_PUBLISH } : {}),
          job: { ...listing.job, running: false, unclear: true, due: dueAgain(ctx, listing) },
        });
      }
}

/** After a restart everything is tried at once, but for what was never let out and is planned for later. */
function dueAgain(ctx: StepContext, listing: CourierListing): number {
  if (isByHand(ctx, listing.market)) return NEVER;
  const planned = listing.lastPublishAt === 0 && listing.job?.tries === 0;
  return planned ? Math.max(ctx.now, listing.job?.due ?? 0) : ctx.now;
}

function takeTick(ctx: StepContext, publish: boolean): void {
  const out: { effect: Exclude<Effect, { type: 'poll' }>; rank: number }[] = [];
  for (const id of [...ctx.state.busy]) {
    const item = ctx.state.items.get(id);
    if (!item) continue;
    for (const listing of Object.values(item.listings)) {
      const { job } = listing;
      const market = ctx.state.markets.get(listing.market);
      if (job?.action === 'publish' && !publish) continue;
      if (!job || job.running || job.due > ctx.now || (market?.pausedUntil ?? 0) > ctx.now) continue;
      if (!mayGo(job, market) || (market?.circuitOpenUntil ?? 0) > ctx.now) continue;
      const rank = { withdraw: 0, revise: 1, publish: 2 }[job.action];
      out.push({ rank, effect: effectOf(item, listing, job, ctx.policy) });
    }
  }
  out.sort((a, b) => a.rank - b.rank);
  for (const { effect } of out) {
    if (!letThrough(ctx, effect.market)) continue;
    ctx.effects.push(effect);
    const item = itemFor(ctx, effect.item);
    const there = item.listings[effect.market];
    if (there?.job)
      putListing(ctx, item, {
        ...there,
        job: { ...there.job, running: true, tries: there.job.tries + 1 },
      });
  }
  for (const [id, market] of ctx.state.markets)
    if (
      !market.polling &&
      market.link !== 'off' &&
      market.pollDue <= ctx.now &&
      market.pausedUntil <= ctx.now
    ) {
      market.polling = true;
      ctx.effects.push({ type: 'poll', market: id, cursor: market.cursor });
    }
}

/**
 * While calls there fail one after the other, one at a time goes out; the first in order, a withdrawal
 * before all else.
 */
function letThrough(ctx: StepContext, id: string): boolean {
  const market = ctx.state.markets.get(id);
  if (!market || market.failedCalls < REST_AFTER) return true;
  if (market.circuitOpenUntil > ctx.now) return false;
  market.circuitOpenUntil = ctx.now + CALL_LIMIT;
  return true;
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
