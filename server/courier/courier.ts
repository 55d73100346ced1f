import type { Command, CommandAnswer, CourierThingView, ListingDraft, MarketView } from '@/contract/courier';
import { isKept } from '@/core/courier/kept';
import { emptyCourier, nextDue, step } from '@/core/courier/step';
import type { CourierEvent, CourierState, Effect, Policy } from '@/core/courier/types';
import { viewOf } from '@/core/courier/view';
import type { RuleSheet } from '@/contract/ruleSheet';

import { CallFailed, Refused, type Adapter, type AlreadyOver, type Pictures } from './adapter';
import type { Entry, Ledger } from './ledger';

export interface ThingNews {
  seq: number;
  view: CourierThingView;
}

/**
 * Runs the core's decisions: keeps events in the ledger before acting on them, carries out effects
 * through the adapters, feeds their answers back, and tells whoever listens. It decides nothing.
 */
export class Courier {
  private state: CourierState = emptyCourier();
  private seq = 0;
  /** Line of the newest change of each thing, so that a page can catch up. */
  private readonly changedAt = new Map<string, number>();
  private readonly listeners = new Set<(news: ThingNews) => void>();
  private readonly marketListeners = new Set<() => void>();
  private turn: Promise<unknown> = Promise.resolve();
  private timer: NodeJS.Timeout | null = null;
  private rulesTimer: NodeJS.Timeout | null = null;
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
    this.policy = Object.fromEntries(adapters.map((a) => [a.id, a.capabilities]));
  }

  /** Reads the ledger from the start. */
  static async open(
    ledger: Ledger,
    adapters: readonly Adapter[],
    pictures: Pictures,
    clock: () => number = Date.now,
    accessPage: (market: string) => string | null = () => null,
  ): Promise<Courier> {
    const courier = new Courier(ledger, adapters, pictures, clock, accessPage);
    await courier.rebuild();
    return courier;
  }

  /** Goes on where it left off: whatever was out when the process ended is done again. */
  async begin(): Promise<void> {
    await this.take({ type: 'started', markets: [...this.adapters.keys()] });
  }

  stop(): void {
    this.stopped = true;
    if (this.timer) clearTimeout(this.timer);
    if (this.rulesTimer) clearInterval(this.rulesTimer);
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

  /** Idempotent: a command given twice is carried out once and answered the same. */
  command(command: Command): Promise<CommandAnswer> {
    return this.inTurn(async () => {
      const before = await this.ledger.answerTo(command.id);
      return before ?? this.decide({ type: 'command', command });
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
    const now = this.clock();
    const before = this.health();
    const { effects, changed, refusal } = step(this.state, event, now, this.policy);
    const answer: CommandAnswer = refusal === null ? { accepted: true } : { accepted: false, why: refusal };
    const entries: Entry[] = isKept(event) ? [event.type === 'command' ? { event, answer } : { event }] : [];
    // A publish call may be made only once the ledger says that it is about to be.
    for (const effect of effects)
      if (effect.kind === 'publish') {
        const letOut: CourierEvent = { type: 'letOut', market: effect.market, ref: effect.ref };
        step(this.state, letOut, now, this.policy);
        entries.push({ event: letOut });
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
    return answer;
  }

  private async rebuild(): Promise<void> {
    this.state = emptyCourier();
    for await (const { seq, at, event } of this.ledger.read()) {
      const { changed } = step(this.state, event, at, this.policy);
      this.seq = seq;
      for (const id of changed) this.changedAt.set(id, seq);
    }
  }

  private tell(id: string): void {
    const thing = this.state.things.get(id);
    if (!thing) return;
    this.changedAt.set(id, this.seq);
    const news = { seq: this.seq, view: viewOf(thing) };
    for (const listener of this.listeners) listener(news);
  }

  private health(): string {
    return [...this.state.markets].map(([id, m]) => `${id}:${m.failures > 0}:${m.link}:${m.locked}`).join();
  }

  private wake(): void {
    if (this.stopped) return;
    const due = nextDue(this.state);
    if (this.timer) clearTimeout(this.timer);
    if (due === null) return;
    this.timer = setTimeout(
      () => void this.take({ type: 'tick' }).catch(logged),
      Math.max(0, due - this.clock()),
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

function overEvent(market: string, answer: AlreadyOver): CourierEvent {
  return { type: 'news', market, news: answer.news, cursor: null };
}

function wordsOf(error: unknown): string {
  return error instanceof Error ? error.message : 'Something went wrong.';
}

function logged(error: unknown): void {
  console.error('courier:', error);
}
