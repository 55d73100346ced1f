import type { Command, Sale } from '@/contract/courier';

import type {
  Action, ClosingEntry, CourierEvent, CourierListing, CourierMarket, CourierState, CourierThing, Effect, Job,
  News, Policy, Step,
} from './types'; // prettier-ignore
import { LATE_PUBLISH, NEVER, waitAfter } from './waiting';

/** A courier that knows nothing yet. */
export function emptyCourier(): CourierState {
  return { things: new Map(), markets: new Map(), busy: new Set() };
}

/** Nothing more will happen to it by itself. */
export function isOver(listing: CourierListing): boolean {
  return listing.job === null && ['refused', 'ended', 'sold'].includes(listing.state);
}

/** `thing.market.generation` */
export function refOf(thing: string, market: string, generation: number): string {
  return `${thing}.${market}.${generation}`;
}

/** The thing a reference belongs to; null for references that are not ours. */
export function thingOfRef(ref: string): string | null {
  return /^([A-Za-z0-9_-]{1,64})\.[a-z][a-z0-9-]*\.\d+$/u.exec(ref)?.[1] ?? null;
}

/**
 * The courier's decision: what was known, what happened and the time it is now give what is known
 * next and what is to be done. No waiting, no clock, no random, no network in here.
 *
 * Whoever runs the effects owes one thing: a publish effect is let out only after a `letOut` event
 * for it has been taken and kept, in the same turn as the tick that gave it. Otherwise a crash could
 * forget that a listing may have arrived.
 *
 * The state is consumed: maps are updated in place and things replaced whole, so a caller keeps only
 * the state that comes back.
 */
export function step(state: CourierState, event: CourierEvent, now: number, policy: Policy): Step {
  const run = new Run(state, now, policy);
  run.take(event);
  return { state, effects: run.effects, changed: run.changed, refusal: run.refusal };
}

/** The least moment at which a tick would do something; null when nothing is waiting. */
export function nextDue(state: CourierState): number | null {
  let least: number | null = null;
  const consider = (at: number) => {
    if (least === null || at < least) least = at;
  };
  for (const market of state.markets.values())
    if (!market.polling && market.link !== 'off' && market.pollDue < NEVER)
      consider(Math.max(market.pollDue, market.pausedUntil));
  for (const id of state.busy)
    for (const listing of Object.values(state.things.get(id)?.listings ?? {})) {
      const market = state.markets.get(listing.market);
      if (listing.job && !listing.job.running && listing.job.due < NEVER && mayGo(listing.job, market))
        consider(Math.max(listing.job.due, market?.pausedUntil ?? 0));
    }
  return least;
}

/** Whether the connection lets a job through: a paused marketplace is still told what to take down. */
function mayGo(job: Job, market: CourierMarket | undefined): boolean {
  return market?.link === 'paused' ? job.action === 'withdraw' : market?.link !== 'off';
}

const newJob = (action: Action, due: number): Job => ({
  action,
  tries: 0,
  due,
  running: false,
  unclear: false,
  trouble: null,
});

/** One step in the making. */
class Run {
  readonly effects: Effect[] = [];
  readonly changed = new Set<string>();
  refusal: string | null = null;

  constructor(
    private readonly state: CourierState,
    private readonly now: number,
    private readonly policy: Policy,
  ) {}

  take(event: CourierEvent): void {
    switch (event.type) {
      case 'command':
        this.refusal = this.command(event.command);
        break;
      case 'published':
        this.published(event);
        break;
      case 'revised':
        this.change(event.ref, (l) =>
          l.job?.action === 'revise'
            ? { ...l, draft: l.nextDraft ?? l.draft, nextDraft: null, job: null, reasons: [] }
            : l,
        );
        break;
      case 'letOut':
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
      case 'quiet':
        this.read(event.market, event.cursor);
        break;
      case 'pollFailed':
        this.pollFailed(event);
        break;
      case 'started':
        this.started(event.markets);
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
        this.tick();
        break;
    }
    for (const id of this.changed) this.settleClosing(id);
  }

  // ---- commands -------------------------------------------------------------------------------

  private command(command: Command): string | null {
    const thing = this.state.things.get(command.thing);
    const market = 'market' in command ? command.market : null;
    const listing = market ? thing?.listings[market] : undefined;
    if (market && !this.state.markets.has(market)) return 'That marketplace is not connected.';
    const byHand = market !== null && this.byHand(market);
    switch (command.type) {
      case 'send':
        return this.send(command, thing, listing);
      case 'withdraw':
        if (!thing || !listing || isOver(listing)) return 'It is not listed there.';
        if (listing.want === 'gone') return 'It is being withdrawn already.';
        this.putListing(thing, this.toWithdraw(listing));
        return null;
      case 'sold': {
        if (!thing || !listing || (listing.state !== 'live' && listing.state !== 'inReview'))
          return 'It is not listed there.';
        if (thing.sale) return 'It is sold already.';
        // Where all is done by hand, the person has been there already.
        const deal: CourierListing = byHand
          ? { ...listing, want: 'gone', state: 'sold', job: null, nextDraft: null, since: this.now }
          : { ...this.toWithdraw(listing), dealHere: true };
        this.putListing(thing, deal);
        this.sale(command.thing, {
          market: command.market, order: `deal-${command.id}`, amount: command.amount, postage: 0, fees: 0,
          at: this.now, knownAt: this.now,
        }); // prettier-ignore
        return null;
      }
      case 'handUp': {
        if (!byHand) return 'The courier does that there by itself.';
        const job = listing?.job?.action;
        if (!thing || !listing || listing.want === 'gone' || !(job === 'publish' || job === 'revise'))
          return 'Nothing waits to be put up there.';
        this.putListing(thing, {
          ...listing,
          state: 'live',
          listedAt: listing.listedAt ?? this.now,
          draft: listing.nextDraft ?? listing.draft,
          nextDraft: null,
          url: command.url,
          remoteId: command.url,
          job: null,
          reasons: [],
          since: this.now,
        });
        return null;
      }
      case 'handDown':
        if (!byHand) return 'The courier does that there by itself.';
        if (!thing || !listing || isOver(listing)) return 'It is not listed there.';
        this.gone(listing.ref);
        return null;
      case 'settle': {
        const open = thing?.laterSales.some((s) => s.order === command.order && !s.settled);
        if (!thing || !open) return 'There is no such second sale.';
        this.put({
          ...thing,
          laterSales: thing.laterSales.map((s) => (s.order === command.order ? { ...s, settled: true } : s)),
        });
        return null;
      }
    }
  }

  private send(
    command: Extract<Command, { type: 'send' }>,
    thing: CourierThing | undefined,
    listing: CourierListing | undefined,
  ): string | null {
    if (thing?.sale) return 'It is sold already, so it was not sent.';
    if (this.state.markets.get(command.market)?.link === 'off') return 'That marketplace is not connected.';
    if (listing && !isOver(listing)) {
      if (listing.want === 'gone') return 'It is being withdrawn there; send it again once it is gone.';
      if (listing.job?.action === 'publish' && !this.byHand(command.market))
        return 'It is on its way there already.';
      if (listing.job?.action === 'publish') {
        // Not put up yet: what is to be put up by hand is simply the newer one.
        this.putListing(this.thingFor(command.thing), { ...listing, draft: command.draft });
        return null;
      }
      if (listing.job?.running) return 'The last change is still on its way there; send again in a moment.';
      this.putListing(this.thingFor(command.thing), {
        ...listing,
        nextDraft: command.draft,
        job: this.job('revise', command.market),
      });
      return null;
    }
    const generation = (listing?.generation ?? 0) + 1;
    this.putListing(this.thingFor(command.thing), {
      market: command.market,
      ref: refOf(command.thing, command.market, generation),
      generation,
      want: 'live',
      state: 'onItsWay',
      draft: command.draft,
      nextDraft: null,
      remoteId: null,
      url: null,
      reasons: [],
      job: this.startingAt(command),
      lastPublishAt: 0,
      dealHere: false,
      listedAt: null,
      since: this.now,
    });
    return null;
  }

  /** Withdrawing takes the place of whatever was to be done; a publish never let out is simply dropped. */
  private toWithdraw(listing: CourierListing): CourierListing {
    const job = listing.job;
    const neverSent = listing.state === 'onItsWay' && listing.lastPublishAt === 0;
    if (neverSent) return { ...listing, want: 'gone', state: 'ended', job: null, since: this.now };
    if (job?.action === 'withdraw') return { ...listing, want: 'gone' };
    return { ...listing, want: 'gone', nextDraft: null, job: this.job('withdraw', listing.market) };
  }

  private byHand(market: string): boolean {
    return this.policy[market]?.byHand === true;
  }

  /** The first publish job of a listing: now, at the time it was planned for, or when a person does it by hand. */
  private startingAt({ market, notBefore }: Extract<Command, { type: 'send' }>): Job {
    const job = this.job('publish', market);
    return notBefore && job.due < NEVER ? { ...job, due: Math.max(job.due, notBefore) } : job;
  }

  /** A job for now; one that a person does by hand waits for that person. */
  private job(action: Action, market: string): Job {
    return newJob(action, this.byHand(market) ? NEVER : this.now);
  }

  // ---- answers --------------------------------------------------------------------------------

  private published(event: Extract<CourierEvent, { type: 'published' }>): void {
    this.change(event.ref, (l) => {
      if (isOver(l)) return l;
      const known = { ...l, remoteId: event.remoteId, url: event.url, listedAt: l.listedAt ?? this.now };
      if (l.want === 'gone')
        // It got there after all: take it down now rather than when the next try is due.
        return { ...known, job: l.job ? { ...l.job, due: this.now } : newJob('withdraw', this.now) };
      if (l.job?.action !== 'publish') return known;
      return { ...known, state: event.state, job: null, reasons: [], since: this.now };
    });
  }

  private gone(ref: string): void {
    this.change(ref, (l) =>
      isOver(l)
        ? l
        : { ...l, want: 'gone', state: l.dealHere ? 'sold' : 'ended', job: null, since: this.now },
    );
  }

  /** "No such listing": gone, unless a publish call that went unanswered may still arrive. */
  private absent(ref: string): void {
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
        job: { ...job, running: false, due: Math.min(this.now + waitAfter(job.tries, ref), l.lastPublishAt + LATE_PUBLISH) },
      }; // prettier-ignore
    });
  }

  private refused(event: Extract<CourierEvent, { type: 'refused' }>): void {
    this.change(event.ref, (l) => {
      if (isOver(l) || l.job?.action !== event.action) return l;
      if (event.action === 'publish')
        return { ...l, want: 'gone', state: 'refused', reasons: event.reasons, job: null, since: this.now };
      if (event.action === 'revise')
        return { ...l, nextDraft: null, reasons: event.reasons, job: null, since: this.now };
      // A refused withdrawal is not an end: say why and go on trying.
      const words = event.reasons.map((r) => r.message).join(' ');
      return { ...l, job: this.later(l.job, event.ref, words, null, false) };
    });
  }

  private failed(event: Extract<CourierEvent, { type: 'failed' }>): void {
    const market = this.state.markets.get(event.market);
    if (market && event.retryAfter !== null) {
      market.pausedUntil = Math.max(market.pausedUntil, this.now + event.retryAfter);
    }
    this.change(event.ref, (l) =>
      l.job && l.job.action === event.action && !isOver(l)
        ? { ...l, job: this.later(l.job, event.ref, event.trouble, event.retryAfter, event.unclear) }
        : l,
    );
  }

  private later(job: Job, ref: string, trouble: string, retryAfter: number | null, unclear: boolean): Job {
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

  // ---- what the marketplaces report -------------------------------------------------------------

  private read(id: string, cursor: string | null): void {
    const market = this.state.markets.get(id);
    if (!market) return;
    if (cursor !== null) {
      market.cursor = cursor;
      market.polling = false;
      market.failures = 0;
      market.locked = false;
      market.trouble = null;
      market.pollDue = this.now + (this.policy[id]?.pollEvery ?? 60_000);
    }
  }

  private pollFailed(event: Extract<CourierEvent, { type: 'pollFailed' }>): void {
    const market = this.state.markets.get(event.market);
    if (!market) return;
    market.polling = false;
    market.failures += 1;
    market.locked = event.locked === true;
    market.trouble = event.trouble;
    market.pollDue = this.now + Math.max(waitAfter(market.failures, event.market), event.retryAfter ?? 0);
  }

  private news(market: string, item: News): void {
    switch (item.kind) {
      case 'sale': {
        const id = thingOfRef(item.ref);
        // A sale of something the courier never heard of is still a sale: it is kept under its reference.
        this.sale(id ?? `unknown-${item.ref.replace(/[^A-Za-z0-9_-]/gu, '').slice(0, 50)}`, {
          market, order: item.order, amount: item.amount, postage: item.postage, fees: item.fees,
          at: item.at, knownAt: this.now,
        }); // prettier-ignore
        return;
      }
      case 'approved':
        // Also when the answer to the publish call is still out: a listing that was approved has arrived.
        this.change(item.ref, (l) => {
          const known = { ...l, remoteId: item.remoteId, url: item.url };
          if (isOver(l) || l.want === 'gone') return known;
          if (l.state !== 'inReview' && l.state !== 'onItsWay') return known;
          return {
            ...known,
            state: 'live',
            job: l.job?.action === 'publish' ? null : l.job,
            since: this.now,
          };
        });
        return;
      case 'turnedDown':
        this.change(item.ref, (l) =>
          isOver(l)
            ? l
            : { ...l, want: 'gone', state: l.dealHere ? 'sold' : 'refused', reasons: item.reasons, job: null, nextDraft: null, since: this.now },
        ); // prettier-ignore
        return;
      case 'ended':
        this.change(item.ref, (l) =>
          isOver(l)
            ? l
            : {
                ...l,
                want: 'gone',
                state: l.dealHere ? 'sold' : 'ended',
                job: null,
                nextDraft: null,
                reasons: item.why ? [{ field: '', message: item.why }] : [],
                since: this.now,
              },
        );
    }
  }

  /** A sale is known: the thing is closed everywhere else, at once. Known sales change nothing. */
  private sale(id: string, sale: Sale): void {
    let thing = this.thingFor(id);
    const same = (s: Sale) => s.market === sale.market && s.order === sale.order;
    if ((thing.sale && same(thing.sale)) || thing.laterSales.some(same)) return;
    const here = thing.listings[sale.market];
    // A deal the seller reports is still to be taken down there; an order is the marketplace's own doing.
    if (here && !sale.order.startsWith('deal-'))
      thing = {
        ...thing,
        listings: {
          ...thing.listings,
          [sale.market]: {
            ...here,
            want: 'gone',
            state: 'sold',
            job: null,
            nextDraft: null,
            since: this.now,
          },
        },
      };
    if (thing.sale) {
      const [first, second] = sale.at < thing.sale.at ? [sale, thing.sale] : [thing.sale, sale];
      thing = { ...thing, sale: first, laterSales: [...thing.laterSales, { ...second, settled: false }] };
    } else {
      thing = { ...thing, sale };
    }
    const listings = { ...thing.listings };
    for (const [market, listing] of Object.entries(listings))
      if (market !== sale.market && !isOver(listing) && listing.job?.action !== 'withdraw')
        listings[market] = this.toWithdraw(listing);
    this.put({
      ...thing,
      listings,
      closing: thing.closing
        ? { ...thing.closing, doneAt: null }
        : { startedAt: this.now, doneAt: null, entries: [] },
    });
  }

  /** Keeps the closing record true to its listings; ends it when the last one is gone. */
  private settleClosing(id: string): void {
    const thing = this.state.things.get(id);
    if (!thing?.closing || !thing.sale) return;
    const old = new Map(thing.closing.entries.map((e) => [e.market, e]));
    const sale = thing.sale;
    const later = new Map(thing.laterSales.map((s) => [s.market, s]));
    const startedAt = thing.closing.startedAt;
    const entryOf = (l: CourierListing): ClosingEntry => {
      if (!isOver(l)) return { market: l.market, outcome: 'withdrawing', at: null };
      const before = old.get(l.market);
      const outcome: ClosingEntry['outcome'] =
        l.market === sale.market
          ? 'soldHere'
          : later.has(l.market)
            ? 'soldToo'
            : before?.outcome === 'goneAlready' || (!before && l.since < startedAt)
              ? 'goneAlready'
              : 'withdrawn';
      const at =
        outcome === 'soldHere'
          ? sale.at
          : outcome === 'soldToo'
            ? (later.get(l.market)?.at ?? l.since)
            : l.since;
      return { market: l.market, outcome, at };
    };
    const entries = Object.values(thing.listings).map(entryOf);
    if (!entries.some((e) => e.market === sale.market))
      entries.unshift({ market: sale.market, outcome: 'soldHere', at: sale.at });
    const done = entries.every((e) => e.outcome !== 'withdrawing');
    this.put({
      ...thing,
      closing: { startedAt, entries, doneAt: done ? (thing.closing.doneAt ?? this.now) : null },
    });
  }

  // ---- time -------------------------------------------------------------------------------------

  private started(markets: string[]): void {
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
      };
      this.state.markets.set(id, fresh);
    }
    for (const thing of [...this.state.things.values()])
      for (const listing of Object.values(thing.listings))
        if (listing.job) {
          this.putListing(this.thingFor(thing.id), {
            ...listing,
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

  private tick(): void {
    const out: { effect: Effect; rank: number }[] = [];
    for (const id of [...this.state.busy]) {
      const thing = this.state.things.get(id);
      for (const listing of Object.values(thing?.listings ?? {})) {
        const { job } = listing;
        const market = this.state.markets.get(listing.market);
        if (!job || job.running || job.due > this.now || (market?.pausedUntil ?? 0) > this.now) continue;
        if (!mayGo(job, market)) continue;
        const rank = { withdraw: 0, revise: 1, publish: 2 }[job.action];
        out.push({ rank, effect: effectOf(id, listing, job) });
        this.putListing(this.thingFor(id), {
          ...listing,
          job: { ...job, running: true, tries: job.tries + 1 },
        });
      }
    }
    out.sort((a, b) => a.rank - b.rank);
    this.effects.push(...out.map((o) => o.effect));
    for (const [id, market] of this.state.markets)
      if (
        !market.polling &&
        market.link !== 'off' &&
        market.pollDue <= this.now &&
        market.pausedUntil <= this.now
      ) {
        market.polling = true;
        this.effects.push({ kind: 'poll', market: id, cursor: market.cursor });
      }
  }

  // ---- keeping ----------------------------------------------------------------------------------

  private thingFor(id: string): CourierThing {
    return this.state.things.get(id) ?? { id, listings: {}, sale: null, laterSales: [], closing: null };
  }

  private put(thing: CourierThing): void {
    this.state.things.set(thing.id, thing);
    if (Object.values(thing.listings).some((l) => l.job)) this.state.busy.add(thing.id);
    else this.state.busy.delete(thing.id);
    this.changed.add(thing.id);
  }

  private putListing(thing: CourierThing, listing: CourierListing): void {
    this.put({ ...thing, listings: { ...thing.listings, [listing.market]: listing } });
  }

  /** Changes the listing with this reference; answers to an earlier generation change nothing. */
  private change(ref: string, alter: (listing: CourierListing) => CourierListing): void {
    const id = thingOfRef(ref);
    const thing = id ? this.state.things.get(id) : undefined;
    const listing = thing && Object.values(thing.listings).find((l) => l.ref === ref);
    if (!thing || !listing) return;
    const next = alter(listing);
    if (next !== listing) this.putListing(thing, next);
  }
}

function effectOf(thing: string, l: CourierListing, job: Job): Effect {
  const { market, ref, remoteId } = l;
  switch (job.action) {
    case 'publish':
      return { kind: 'publish', market, thing, ref, draft: l.draft, unclear: job.unclear };
    case 'revise':
      return { kind: 'revise', market, thing, ref, remoteId, draft: l.nextDraft ?? l.draft };
    case 'withdraw':
      return { kind: 'withdraw', market, thing, ref, remoteId, outcome: l.dealHere ? 'sold' : 'withdrawn' };
  }
}
