import type { Trouble } from '@/contract/troubles';

import { Commanding } from './commanding';
import { newJob } from './keeping';
import { isOver, itemOfRef, generationOf, itemBehind } from './refs';
import type { CourierEvent, CourierListing, Found, Job } from './types';
import { FAULT_WAIT, LATE_PUBLISH, MOST_FAULTS, NEVER, REST_AFTER, waitAfter } from './waiting';

/** What comes back from calls, or does not. */
export class Answering extends Commanding {
  /** It answers: whatever it says, it is there. */
  protected answered(id: string): void {
    const market = this.state.markets.get(id);
    if (market) Object.assign(market, { failedCalls: 0, circuitOpenUntil: 0 });
  }

  protected published(event: Extract<CourierEvent, { type: 'published' }>): void {
    this.change(event.ref, (l) => {
      if (isOver(l)) return l;
      const known = { ...l, remoteId: event.remoteId, url: event.url, listedAt: l.listedAt ?? this.now };
      if (l.want === 'gone')
        // It got there after all: take it down now rather than when the next try is due.
        return { ...known, job: l.job ? { ...l.job, due: this.now } : newJob('withdraw', this.now) };
      if (l.job?.action !== 'publish') return known;
      const there: CourierListing = { ...known, state: event.state, job: null, reasons: [], since: this.now };
      return event.state === 'live' ? this.onceMore(there) : there;
    });
  }

  protected revised(l: CourierListing): CourierListing {
    if (l.job?.action !== 'revise') return l;
    const done: CourierListing = {
      ...l,
      draft: l.nextDraft ?? l.draft,
      nextDraft: null,
      job: null,
      reasons: [],
      edited: null,
      changedAt: this.now,
    };
    if (l.revisionPending) return this.onceMore(done);
    // An earlier call that went unanswered may still arrive and show pieces that are sold: said once more
    // after that.
    const { lateUntil = 0 } = l;
    if (lateUntil > this.now && (l.draft.choices || this.policy[l.market]?.showsHolds))
      return { ...done, nextDraft: done.draft, job: newJob('revise', lateUntil) };
    return done;
  }

  /** "No such listing": gone, unless a publish call that went unanswered may still arrive. */
  protected absent(ref: string): void {
    this.change(ref, (l) => {
      if (isOver(l) || l.job?.action === 'publish') return l;
      // Not even a known remote id makes it sure: this answer may be older than the one that told it.
      const sure = this.now - l.lastPublishAt >= LATE_PUBLISH;
      if (sure)
        return { ...l, want: 'gone', state: l.dealHere ? 'sold' : 'ended', job: null, since: this.now };
      const job = l.job ?? newJob('withdraw', this.now);
      return {
        ...l,
        want: 'gone',
        job: {
          ...job,
          running: false,
          due: Math.min(this.now + waitAfter(job.tries, ref), l.lastPublishAt + LATE_PUBLISH),
        },
      };
    });
  }

  protected refused(event: Extract<CourierEvent, { type: 'refused' }>): void {
    this.change(event.ref, (l) => {
      if (isOver(l) || l.job?.action !== event.action) return l;
      if (event.action === 'publish')
        return { ...l, want: 'gone', state: 'refused', reasons: event.reasons, job: null, since: this.now };
      if (event.action === 'revise')
        return { ...l, nextDraft: null, reasons: event.reasons, job: null, since: this.now };
      // A refused withdrawal is not an end: say why and go on trying.
      const words = event.reasons
        .map((r) => r.message)
        .join(' ')
        .slice(0, 500);
      return { ...l, job: this.later(l.job, event.ref, words, null, false) };
    });
  }

  protected failed(event: Extract<CourierEvent, { type: 'failed' }>): void {
    const market = this.state.markets.get(event.market);
    if (market && event.retryAfter !== null) {
      market.pausedUntil = Math.max(market.pausedUntil, this.now + event.retryAfter);
    }
    // Being asked to slow down is an answer too; silence and errors are not.
    if (market && event.retryAfter === null) {
      market.failedCalls += 1;
      if (market.failedCalls >= REST_AFTER)
        market.circuitOpenUntil = this.now + waitAfter(market.failedCalls - REST_AFTER + 1, event.market);
    }
    this.change(event.ref, (l) => {
      if (l.job?.action !== event.action || isOver(l)) return l;
      const job = this.later(l.job, event.ref, event.trouble, event.retryAfter, event.unclear);
      const late = event.action === 'revise' && event.unclear ? { lateUntil: this.now + LATE_PUBLISH } : {};
      return { ...l, ...late, job: this.afterFault(job, event.fault) };
    });
  }

  /**
   * A fault of our own is not mended by trying: after a few it rests until a person sends it again or the
   * courier is started anew. A withdrawal is never given up, only tried less often: sold twice is worse than
   * tried in vain.
   */
  private afterFault({ faults = 0, ...job }: Job, fault = false): Job {
    if (!fault) return job;
    const rests = faults + 1 >= MOST_FAULTS;
    const due = rests ? (job.action === 'withdraw' ? this.now + FAULT_WAIT : NEVER) : job.due;
    return { ...job, faults: faults + 1, due };
  }

  protected later(job: Job, ref: string, trouble: Trouble, retryAfter: number | null, unclear: boolean): Job {
    const tries = Math.max(1, job.tries);
    return {
      ...job,
      tries,
      running: false,
      unclear: job.unclear || unclear,
      trouble,
      due: this.now + Math.max(waitAfter(tries, ref), retryAfter ?? 0),
    };
  }

  /** Puts right what was found by comparing, or marks it for a person. */
  protected strays({
    market,
    gone,
    stale,
    edited,
    found = [],
    duplicates = [],
  }: Extract<CourierEvent, { type: 'strays' }>): void {
    for (const ref of gone)
      this.change(ref, (l) =>
        l.state === 'live' && l.job === null
          ? {
              ...l,
              want: 'gone',
              state: 'ended',
              edited: null,
              reasons: [{ field: '', message: '', code: 'notShownThere' }],
              since: this.now,
            }
          : l,
      );
    for (const { ref, remoteId, url } of stale)
      this.change(ref, (l) =>
        isOver(l)
          ? {
              ...l,
              want: 'gone',
              state: 'live',
              dealHere: l.state === 'sold',
              remoteId,
              url,
              job: this.job('withdraw', market),
              since: this.now,
            }
          : l,
      );
    for (const { ref, as } of edited) this.change(ref, (l) => ({ ...l, edited: as }));
    for (const listing of found) this.found(market, listing);
    for (const { ref, remoteId } of duplicates) {
      const item = itemBehind(this.state, ref);
      if (item !== null)
        this.effects.push({ type: 'withdraw', market, item, ref, remoteId, outcome: 'withdrawn' });
    }
  }

  /**
   * A listing under our own reference that is not remembered: what was known of it was lost. It is looked
   * after again.
   */
  protected found(market: string, { ref, remoteId, url, state, draft, listedAt }: Found): void {
    const id = itemOfRef(ref);
    if (id === null) return;
    const item = this.itemFor(id);
    const generation = generationOf(ref, id, market);
    const known = item.listings[market];
    if (known && !(isOver(known) && known.generation < generation)) return;
    const here: CourierListing = {
      ...this.fresh(id, market, generation, draft),
      remoteId,
      url,
      state,
      listedAt,
      job: null,
    };
    const notWanted =
      item.sale !== null || (item.hold?.elsewhere === 'withdraw' && item.hold.market !== market);
    // It was let out in a life that is forgotten, so late calls of that life are reckoned with.
    this.putListing(item, notWanted ? this.toWithdraw({ ...here, lastPublishAt: this.now }) : here);
  }

  protected pollFailed(event: Extract<CourierEvent, { type: 'pollFailed' }>): void {
    const market = this.state.markets.get(event.market);
    if (!market) return;
    market.polling = false;
    market.failures += 1;
    market.locked = event.locked === true;
    market.trouble = event.trouble;
    market.pollDue = this.now + Math.max(waitAfter(market.failures, event.market), event.retryAfter ?? 0);
  }
}
