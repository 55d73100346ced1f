import type { Command, CommandAnswer, CourierThingView, ListingDraft, MarketView } from '@/contract/courier';
import { isKept } from '@/core/courier/kept';
import { thingBehind } from '@/core/courier/refs';
import { emptyCourier, nextDue, step } from '@/core/courier/step';
import type { CourierEvent, CourierState, Effect, Found, Policy } from '@/core/courier/types';
import { compareShown } from '@/core/courier/reconcile';
import { snapshotOf, stateOf, type Snapshot } from '@/core/courier/snapshot';
import { viewOf } from '@/core/courier/view';
import { REST_AFTER } from '@/core/courier/waiting';
import type { OwnListing } from '@/contract/ownListing';
import type { RuleSheet } from '@/contract/ruleSheet';
import { shownDraft } from '@/core/bringIn/shownDraft';

import { CallFailed, Refused, type Adapter, type AlreadyOver, type Pictures } from './adapter';
import { thingIn, type Entry, type Ledger } from './ledger';

export interface ThingNews {
  seq: number;
  view: CourierThingView;
}

/** The first comparison after a start comes a little later, so that the feeds are read before; milliseconds. */
const FIRST_LOOK = 30_000;
/** How many lines are read again at most when it opens. */
const SNAPSHOT_EVERY = 10_000;
/** How soon a marketplace that could not be looked at before anything was listed is asked again; milliseconds. */
const LOOK_AGAIN = 2_000;

/**
 * Runs the core's decisions: keeps events in the ledger before acting on them, carries out effects
 * through the adapters, feeds their answers back, and tells whoever listens. It decides nothing.
 */
export class Courier {
  private state: CourierState = emptyCourier();
  private seq = 0;
  private snapshotSeq = 0;
  private lastAt = 0;
  /** Line of the newest change of each thing, so that a page can catch up. */
  private readonly changedAt = new Map<string, number>();
  private readonly listeners = new Set<(news: ThingNews) => void>();
  private readonly marketListeners = new Set<() => void>();
  private turn: Promise<unknown> = Promise.resolve();
  private timer: NodeJS.Timeout | null = null;
  private rulesTimer: NodeJS.Timeout | null = null;
  private compareTimer: NodeJS.Timeout | null = null;
  private compareFirst: NodeJS.Timeout | null = null;
  private firstLook: NodeJS.Timeout | null = null;
  private stopped = false;
  private readonly policy: Policy;
  private readonly adapters: ReadonlyMap<string, Adapter>;
  private readonly sheets = new Map<string, RuleSheet>();

  private constructor(
    private readonly ledger: Ledger,
    adapters: readonly Adapter[],
    private readonly pictures: Pictures,
    private readonly clock: () => number,
    private readonly accessPage: (market: string) => string | null,
  ) {
    this.adapters = new Map(adapters.map((a) => [a.id, a]));
    this.policy = Object.fromEntries(
      adapters.map((a) => [a.id, { ...a.capabilities, looksFirst: a.own !== undefined }]),
    );
  }

  /** Reads the ledger from the start. */
  static async open(
    ledger: Ledger,
    adapters: readonly Adapter[],
    pictures: Pictures,
    clock: () => number = steadyClock(),
    accessPage: (market: string) => string | null = () => null,
  ): Promise<Courier> {
    const courier = new Courier(ledger, adapters, pictures, clock, accessPage);
    await courier.rebuild();
    return courier;
  }

  /** Goes on where it left off: whatever was out when the process ended is done again. */
  async begin(): Promise<void> {
    await this.take({ type: 'started', markets: [...this.adapters.keys()] });
    this.lookFirst();
  }

  stop(): void {
    this.stopped = true;
    if (this.timer) clearTimeout(this.timer);
    if (this.rulesTimer) clearInterval(this.rulesTimer);
    if (this.compareTimer) clearInterval(this.compareTimer);
    if (this.compareFirst) clearTimeout(this.compareFirst);
    if (this.firstLook) clearTimeout(this.firstLook);
  }

  /** Reads all rule sheets again and again; whoever listens is told when one has another version. */
  watchRules(every: number): void {
    const versions = () =>
      [...this.sheets.values()]
        .map((s) => `${s.marketplace}:${s.version}`)
        .sort()
        .join();
    const look = async () => {
      const before = versions();
      await this.ruleSheets();
      if (!this.stopped && versions() !== before) for (const listener of this.marketListeners) listener();
    };
    this.rulesTimer = setInterval(() => void look().catch(logged), every);
  }

  /** Compares all marketplaces by itself, again and again. */
  watchShown(every: number): void {
    const look = () => {
      for (const id of this.adapters.keys()) void this.compare(id).catch(logged);
    };
    this.compareTimer = setInterval(look, every);
    // What was sold or ended while nobody was here comes by the feeds first.
    this.compareFirst = setTimeout(look, FIRST_LOOK);
  }

  /**
   * Compares what a marketplace shows with what should be there, and puts right what differs.
   *
   * @returns how many strays there were; null where it can't be asked just now
   */
  async compare(id: string): Promise<number | null> {
    const adapter = this.adapters.get(id);
    const link = this.state.markets.get(id)?.link;
    if (!adapter?.own || link === 'off' || this.stopped) return null;
    const asked = this.now();
    const own = await adapter.own().catch((error: unknown) => {
      if (error instanceof CallFailed) return null;
      throw error;
    });
    if (own === null || this.stopped) return null;
    const ownTitles = this.sheets.get(id)?.records === undefined;
    const found = compareShown(this.state, id, own, asked, ownTitles);
    const gone: string[] = [];
    // What is not in the list is asked for by its name before it is believed to be gone.
    for (const ref of found.missing) {
      const there = await adapter.lookUp(ref).catch(() => undefined);
      if (there === null || there?.over) gone.push(ref);
    }
    const { lingering, edited, extra, unknown } = found;
    const lost = own.filter((l) => found.found.includes(l.ref)).map((l) => this.remembered(l));
    const strays = gone.length + lingering.length + edited.length + lost.length + extra.length;
    if (strays > 0)
      await this.take({ type: 'strays', market: id, gone, lingering, edited, found: lost, extra });
    if (this.state.markets.get(id)?.unseen) await this.take({ type: 'looked', market: id });
    await this.take({ type: 'compared', market: id, unknown });
    for (const listener of this.marketListeners) listener();
    return strays;
  }

  /** A listing under our own reference as far as the marketplace can still tell. */
  private remembered(own: OwnListing): Found {
    const { ref, remoteId, url, state, listedAt, market } = own;
    return { ref, remoteId, url, state, listedAt, draft: shownDraft(own, this.sheets.get(market)?.currency ?? 'EUR') };
  } // prettier-ignore

  /** A courier that begins with nothing looks what of ours is there before it lists anything. */
  private lookFirst(): void {
    const unseen = [...this.state.markets].filter(([, m]) => m.unseen && m.link !== 'off');
    if (unseen.length === 0 || this.stopped) return;
    void Promise.all(unseen.map(([id]) => this.compare(id).catch(logged))).then(() => {
      if (!this.stopped) this.firstLook = setTimeout(() => this.lookFirst(), LOOK_AGAIN);
    });
  }

  /**
   * Idempotent: a command given twice is carried out once and answered the same.
   *
   * @param by who gave it, for whoever reads the ledger
   */
  command(command: Command, by?: string): Promise<CommandAnswer> {
    return this.inTurn(async () => {
      const before = await this.ledger.answerTo(command.id);
      return before ?? this.decide({ type: 'command', command, ...(by ? { by } : {}) });
    });
  }

  take(event: CourierEvent): Promise<CommandAnswer> {
    return this.inTurn(() => this.decide(event));
  }

  views(): ThingNews[] {
    return [...this.state.things.values()].map((t) => ({
      seq: this.changedAt.get(t.id) ?? 0,
      view: viewOf(t),
    }));
  }

  /** What is (or will be) shown of a thing, by marketplace; without what is over. */
  drafts(thing: string): Record<string, ListingDraft> {
    const listings = Object.values(this.state.things.get(thing)?.listings ?? {});
    return Object.fromEntries(
      listings.filter((l) => l.want === 'live').map((l) => [l.market, l.nextDraft ?? l.draft]),
    );
  }

  /** The thing a marketplace's reference belongs to, as far as the courier has a listing of it. */
  thingBehind(ref: string): string | null {
    const id = thingBehind(this.state, ref);
    return id !== null && this.state.things.has(id) ? id : null;
  }

  adapter(id: string): Adapter | undefined {
    return this.adapters.get(id);
  }

  markets(): MarketView[] {
    return [...this.adapters.values()].map((a) => {
      const market = this.state.markets.get(a.id);
      return {
        id: a.id,
        name: a.name,
        letters: a.letters,
        health: (market?.failures ?? 0) > 0 ? 'away' : 'well',
        link: market?.link ?? 'connected',
        locked: market?.locked ?? false,
        byHand: a.capabilities.byHand === true,
        accessPage: this.accessPage(a.id),
        trouble: market?.trouble ?? null,
        comparedAt: market?.comparedAt ?? null,
        unknown: market?.unknown ?? 0,
        resting: (market?.failedCalls ?? 0) >= REST_AFTER,
        sheetVersion: this.sheets.get(a.id)?.version ?? null,
      };
    });
  }

  /** The rule sheets as the marketplaces publish them now; the last one kept where one is away. */
  async ruleSheets(): Promise<{
    sheets: RuleSheet[];
    missing: { market: string; name: string; why: string }[];
  }> {
    const sheets: RuleSheet[] = [];
    const missing: { market: string; name: string; why: string }[] = [];
    await Promise.all(
      [...this.adapters.values()].map(async (adapter) => {
        try {
          const sheet = await adapter.ruleSheet();
          this.sheets.set(adapter.id, sheet);
          await this.ledger.keepSheet(adapter.id, sheet);
          sheets.push(sheet);
        } catch (error) {
          const kept = (await this.ledger.sheet(adapter.id)) as RuleSheet | null;
          if (kept) sheets.push(kept);
          else missing.push({ market: adapter.id, name: adapter.name, why: wordsOf(error) });
        }
      }),
    );
    const order = [...this.adapters.keys()];
    sheets.sort((a, b) => order.indexOf(a.marketplace) - order.indexOf(b.marketplace));
    return { sheets, missing };
  }

  listen(onThing: (news: ThingNews) => void, onMarkets: () => void): () => void {
    this.listeners.add(onThing);
    this.marketListeners.add(onMarkets);
    return () => {
      this.listeners.delete(onThing);
      this.marketListeners.delete(onMarkets);
    };
  }

  // ---- one event at a time ------------------------------------------------------------------------

  private inTurn<T>(work: () => Promise<T>): Promise<T> {
    const mine = this.turn.then(work, work);
    this.turn = mine.catch(() => undefined);
    return mine;
  }

  private async decide(event: CourierEvent): Promise<CommandAnswer> {
    const now = this.now();
    const before = this.health();
    const { effects, changed, refusal } = step(this.state, event, now, this.policy);
    const answer: CommandAnswer = refusal === null ? { accepted: true } : { accepted: false, why: refusal };
    const behind = (ref: string) => thingBehind(this.state, ref);
    const thing = thingIn(event, behind);
    const entries: Entry[] = isKept(event)
      ? [event.type === 'command' ? { event, answer } : { event, thing }]
      : [];
    // A publish call may be made only once the ledger says that it is about to be.
    for (const effect of effects)
      if (effect.kind === 'publish') {
        const letOut: CourierEvent = { type: 'letOut', market: effect.market, ref: effect.ref };
        step(this.state, letOut, now, this.policy);
        entries.push({ event: letOut, thing: thingIn(letOut, behind) });
      }
    if (entries.length > 0) {
      try {
        this.seq = await this.ledger.append(entries, now);
      } catch (error) {
        // What could not be kept did not happen: go back to what the ledger holds.
        await this.rebuild();
        throw error;
      }
    }
    for (const id of changed) this.tell(id);
    if (before !== this.health()) for (const listener of this.marketListeners) listener();
    for (const effect of effects) void this.carryOut(effect);
    this.wake();
    // Without it opening takes longer, and nothing else.
    await this.keepSnapshot().catch(logged);
    return answer;
  }

  private async rebuild(): Promise<void> {
    const kept = await this.ledger.snapshot();
    const { changedAt, ...whole } = (kept?.body ?? {}) as Partial<
      Snapshot & { changedAt: [string, number][] }
    >;
    const known = kept && changedAt ? stateOf(whole as Snapshot) : null;
    this.state = known ?? emptyCourier();
    this.seq = this.snapshotSeq = known && kept ? kept.seq : 0;
    this.changedAt.clear();
    if (known) for (const [id, seq] of changedAt ?? []) this.changedAt.set(id, seq);
    for await (const { seq, at, event } of this.ledger.read(this.seq)) {
      const { changed } = step(this.state, event, at, this.policy);
      this.seq = seq;
      for (const id of changed) this.changedAt.set(id, seq);
    }
    const [last] = await this.ledger.newest(Number.MAX_SAFE_INTEGER, 1, null);
    this.lastAt = Math.max(this.lastAt, last?.at ?? 0);
    await this.keepSnapshot();
  }

  /** Opening reads only what came after a snapshot, so one is made now and then. */
  private async keepSnapshot(): Promise<void> {
    if (this.seq - this.snapshotSeq < SNAPSHOT_EVERY) return;
    this.snapshotSeq = this.seq;
    await this.ledger.keepSnapshot(this.seq, { ...snapshotOf(this.state), changedAt: [...this.changedAt] });
  }

  /** The time, never before what was written down last. */
  private now(): number {
    this.lastAt = Math.max(this.lastAt, this.clock());
    return this.lastAt;
  }

  private tell(id: string): void {
    const thing = this.state.things.get(id);
    if (!thing) return;
    this.changedAt.set(id, this.seq);
    const news = { seq: this.seq, view: viewOf(thing) };
    for (const listener of this.listeners) listener(news);
  }

  private health(): string {
    return [...this.state.markets]
      .map(([id, m]) => `${id}:${m.failures > 0}:${m.link}:${m.locked}:${m.failedCalls >= REST_AFTER}`)
      .join();
  }

  private wake(): void {
    if (this.stopped) return;
    const due = nextDue(this.state);
    if (this.timer) clearTimeout(this.timer);
    if (due === null) return;
    this.timer = setTimeout(
      () => void this.take({ type: 'tick' }).catch(logged),
      Math.max(0, due - this.now()),
    );
  }

  // ---- effects --------------------------------------------------------------------------------------

  private async carryOut(effect: Effect): Promise<void> {
    const event = await this.attempt(effect);
    if (!this.stopped) await this.take(event).catch(logged);
  }

  private async attempt(effect: Effect): Promise<CourierEvent> {
    const adapter = this.adapters.get(effect.market);
    const market = effect.market;
    try {
      if (!adapter) throw new CallFailed('That marketplace is not connected.', false, 60_000);
      switch (effect.kind) {
        case 'poll': {
          const { news, cursor } = await adapter.eventsSince(effect.cursor);
          return news.length > 0 ? { type: 'news', market, news, cursor } : { type: 'quiet', market, cursor };
        }
        case 'publish': {
          const answer = await adapter.publish(effect, this.pictures);
          return 'news' in answer
            ? overEvent(market, answer)
            : { type: 'published', market, ref: effect.ref, ...answer };
        }
        case 'revise': {
          const answer = await adapter.revise(effect.ref, effect.remoteId, effect.draft, this.pictures);
          return answer === 'revised'
            ? { type: 'revised', market, ref: effect.ref }
            : overEvent(market, answer);
        }
        case 'withdraw': {
          const answer = await adapter.withdraw(effect.ref, effect.remoteId, effect.outcome);
          return typeof answer === 'string'
            ? { type: answer, market, ref: effect.ref }
            : overEvent(market, answer);
        }
      }
    } catch (error) {
      if (effect.kind !== 'poll' && error instanceof Refused)
        return { type: 'refused', market, ref: effect.ref, action: effect.kind, reasons: error.reasons };
      const trouble = wordsOf(error);
      const retryAfter = error instanceof CallFailed ? error.retryAfter : null;
      const locked = error instanceof CallFailed && error.locked;
      if (effect.kind === 'poll') return { type: 'pollFailed', market, trouble, retryAfter, locked };
      const unclear = error instanceof CallFailed ? error.unclear : true;
      return { type: 'failed', market, ref: effect.ref, action: effect.kind, trouble, unclear, retryAfter };
    }
  }
}

/** The time of day at the start, and from then on a clock that nobody can set: jumps must not shorten any waiting. */
function steadyClock(): () => number {
  const from = Date.now() - performance.now();
  return () => Math.round(from + performance.now());
}

function overEvent(market: string, answer: AlreadyOver): CourierEvent {
  return { type: 'news', market, news: answer.news, cursor: null };
}

function wordsOf(error: unknown): string {
  return error instanceof Error ? error.message : 'Something went wrong.';
}

function logged(error: unknown): void {
  console.error('courier:', error);
}
