/* What comes back from calls, or does not. */
import type { Trouble } from '@/contract/troubles';

import {
  changeListing,
  changeMarket,
  freshListing,
  itemFor,
  jobNow,
  newJob,
  onceMore,
  putListing,
  thereFirst,
  toWithdraw,
} from './keeping';
import { isOver, itemOfRef, generationOf, itemBehind } from './refs';
import type { CourierEvent, CourierListing, Found, Job, StepContext } from './types';
import { FAULT_WAIT, LATE_PUBLISH, MOST_FAULTS, NEVER, REST_AFTER, waitAfter } from './waiting';

/** It answers: whatever it says, it is there. */
export function marketAnswered(ctx: StepContext, id: string): void {
  changeMarket(ctx, id, { failedCalls: 0, circuitOpenUntil: 0 });
}

/** It is there, or waits for review. Where it is not wanted any more, it is taken down at once. */
export function takePublished(ctx: StepContext, event: Extract<CourierEvent, { type: 'published' }>): void {
  changeListing(ctx, event.ref, (l) => {
    if (isOver(l)) return l;
    const known = { ...l, remoteId: event.remoteId, url: event.url, ...thereFirst(l, l.draft, ctx.now) };
    if (l.want === 'gone')
      // It got there after all: take it down now rather than when the next try is due.
      return { ...known, job: l.job ? { ...l.job, due: ctx.now } : newJob('withdraw', ctx.now) };
    if (l.job?.action !== 'publish') return known;
    const there: CourierListing = { ...known, state: event.state, job: null, reasons: [], since: ctx.now };
    return event.state === 'live' ? onceMore(ctx, there) : there;
  });
}

/** It shows what it was to show; what changed meanwhile is sent after it. */
export function takeRevised(ctx: StepContext, l: CourierListing): CourierListing {
  if (l.job?.action !== 'revise') return l;
  const done: CourierListing = {
    ...l,
    draft: l.nextDraft ?? l.draft,
    nextDraft: null,
    job: null,
    reasons: [],
    edited: null,
    changedAt: ctx.now,
  };
  if (l.revisionPending) return onceMore(ctx, done);
  // An earlier call that went unanswered may still arrive and show pieces that are sold: said once more
  // after that.
  const { lateUntil = 0 } = l;
  if (lateUntil > ctx.now && (l.draft.choices || ctx.policy[l.market]?.showsHolds))
    return { ...done, nextDraft: done.draft, job: newJob('revise', lateUntil) };
  return done;
}

/** "No such listing": gone, unless a publish call that went unanswered may still arrive. */
export function takeAbsent(ctx: StepContext, ref: string): void {
  changeListing(ctx, ref, (l) => {
    if (isOver(l) || l.job?.action === 'publish') return l;
    // Not even a known remote id makes it sure: this answer may be older than the one that told it.
    const sure = ctx.now - l.lastPublishAt >= LATE_PUBLISH;
    if (sure) return { ...l, want: 'gone', state: l.dealHere ? 'sold' : 'ended', job: null, since: ctx.now };
    const job = l.job ?? newJob('withdraw', ctx.now);
    return {
      ...l,
      want: 'gone',
      job: {
        ...job,
        running: false,
        due: Math.min(ctx.now + waitAfter(job.tries, ref), l.lastPublishAt + LATE_PUBLISH),
      },
    };
  });
}

/** The marketplace says no. A listing or change is dropped with its reasons; a withdrawal is tried on. */
export function takeRefused(ctx: StepContext, event: Extract<CourierEvent, { type: 'refused' }>): void {
  changeListing(ctx, event.ref, (l) => {
    if (isOver(l) || l.job?.action !== event.action) return l;
    if (event.action === 'publish')
      return { ...l, want: 'gone', state: 'refused', reasons: event.reasons, job: null, since: ctx.now };
    if (event.action === 'revise')
      return { ...l, nextDraft: null, reasons: event.reasons, job: null, since: ctx.now };
    // A refused withdrawal is not an end: say why and go on trying.
    const words = event.reasons
      .map((r) => r.message)
      .join(' ')
      .slice(0, 500);
    return { ...l, job: triedLater(ctx, l.job, event.ref, words, null, false) };
  });
}

/** No answer that settles it: tried again later, and the marketplace is left in peace after many. */
export function takeFailed(ctx: StepContext, event: Extract<CourierEvent, { type: 'failed' }>): void {
  const market = ctx.state.markets.get(event.market);
  if (market && event.retryAfter !== null) {
    market.pausedUntil = Math.max(market.pausedUntil, ctx.now + event.retryAfter);
  }
  // Being asked to slow down is an answer too; silence and errors are not.
  if (market && event.retryAfter === null) {
    market.failedCalls += 1;
    if (market.failedCalls >= REST_AFTER)
      market.circuitOpenUntil = ctx.now + waitAfter(market.failedCalls - REST_AFTER + 1, event.market);
  }
  changeListing(ctx, event.ref, (l) => {
    if (l.job?.action !== event.action || isOver(l)) return l;
    const job = triedLater(ctx, l.job, event.ref, event.trouble, event.retryAfter, event.unclear);
    const late = event.action === 'revise' && event.unclear ? { lateUntil: ctx.now + LATE_PUBLISH } : {};
    return { ...l, ...late, job: afterFault(ctx, job, event.fault) };
  });
}

/**
 * A fault of our own is not mended by trying: after a few it rests until a person sends it again or the
 * courier is started anew. A withdrawal is never given up, only tried less often: sold twice is worse than
 * tried in vain.
 */
function afterFault(ctx: StepContext, { faults = 0, ...job }: Job, fault = false): Job {
  if (!fault) return job;
  const rests = faults + 1 >= MOST_FAULTS;
  const due = rests ? (job.action === 'withdraw' ? ctx.now + FAULT_WAIT : NEVER) : job.due;
  return { ...job, faults: faults + 1, due };
}

function triedLater(
  ctx: StepContext,
  job: Job,
  ref: string,
  trouble: Trouble,
  retryAfter: number | null,
  unclear: boolean,
): Job {
  const tries = Math.max(1, job.tries);
  return {
    ...job,
    tries,
    running: false,
    unclear: job.unclear || unclear,
    trouble,
    due: ctx.now + Math.max(waitAfter(tries, ref), retryAfter ?? 0),
  };
}

/** Puts right what was found by comparing, or marks it for a person. */
export function takeStrays(
  ctx: StepContext,
  { market, gone, stale, edited, found = [], duplicates = [] }: Extract<CourierEvent, { type: 'strays' }>,
): void {
  for (const ref of gone)
    changeListing(ctx, ref, (l) =>
      l.state === 'live' && l.job === null
        ? {
            ...l,
            want: 'gone',
            state: 'ended',
            edited: null,
            reasons: [{ field: '', message: '', code: 'notShownThere' }],
            since: ctx.now,
          }
        : l,
    );
  for (const { ref, remoteId, url } of stale)
    changeListing(ctx, ref, (l) =>
      isOver(l)
        ? {
            ...l,
            want: 'gone',
            state: 'live',
            dealHere: l.state === 'sold',
            remoteId,
            url,
            job: jobNow(ctx, 'withdraw', market),
            since: ctx.now,
          }
        : l,
    );
  for (const { ref, as } of edited) changeListing(ctx, ref, (l) => ({ ...l, edited: as }));
  for (const listing of found) takeFound(ctx, market, listing);
  for (const { ref, remoteId } of duplicates) {
    const item = itemBehind(ctx.state, ref);
    if (item !== null)
      ctx.effects.push({ type: 'withdraw', market, item, ref, remoteId, outcome: 'withdrawn' });
  }
}

/**
 * A listing under our own reference that is not remembered: what was known of it was lost. It is looked
 * after again.
 */
function takeFound(
  ctx: StepContext,
  market: string,
  { ref, remoteId, url, state, draft, listedAt }: Found,
): void {
  const id = itemOfRef(ref);
  if (id === null) return;
  const item = itemFor(ctx, id);
  const generation = generationOf(ref, id, market);
  const known = item.listings[market];
  if (known && !(isOver(known) && known.generation < generation)) return;
  const here: CourierListing = {
    ...freshListing(ctx, id, market, generation, draft),
    remoteId,
    url,
    state,
    listedAt,
    job: null,
  };
  const notWanted =
    item.sale !== null || (item.hold?.elsewhere === 'withdraw' && item.hold.market !== market);
  // It was let out in a life that is forgotten, so late calls of that life are reckoned with.
  putListing(ctx, item, notWanted ? toWithdraw(ctx, { ...here, lastPublishAt: ctx.now }) : here);
}

/** The feed could not be read; it is tried again later. */
export function takePollFailed(ctx: StepContext, event: Extract<CourierEvent, { type: 'pollFailed' }>): void {
  const market = ctx.state.markets.get(event.market);
  if (!market) return;
  market.polling = false;
  market.failures += 1;
  market.locked = event.locked === true;
  market.trouble = event.trouble;
  market.pollDue = ctx.now + Math.max(waitAfter(market.failures, event.market), event.retryAfter ?? 0);
}
