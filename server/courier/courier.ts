import type {
  Command,
  CommandAnswer,
  CourierHealth,
  CourierItemView,
  ListingDraft,
  MarketView,
  SheetsAnswer,
} from '@/contract/courier';
import type { RuleSheet } from '@/contract/ruleSheet';
import { isKept } from '@/core/courier/kept';
import { itemBehind } from '@/core/courier/refs';
import { snapshotOf, stateOf } from '@/core/courier/snapshot';
import { emptyCourier, nextDue, step } from '@/core/courier/step';
import type { CourierEvent, CourierState, Effect, Policy } from '@/core/courier/types';
import { viewOf } from '@/core/courier/view';
import { REST_AFTER } from '@/core/courier/waiting';
import { serialQueue } from '@/core/serialQueue';

import type { Adapter, Pictures } from './adapter';
import { carryOut, shelved } from './carryOut';
import { compareMarket } from './comparing';
import { entering } from './entering';
import { itemIn, type CourierLedger, type Entry } from './ledger';
import { LedgerWriter } from './ledgerWriter';
import { RuleSheets } from './ruleSheets';
import { SteadyClock } from './steadyClock';
import { StoppableTimers, systemTimers, type Timers } from './timers';
import { consoleLog, type Log } from '../faults/log';

export interface ItemNews {
  /** The ledger line that it came with; null: it could not be written down yet. */
  seq: number | null;
  view: CourierItemView;
}

/**
 * The first comparison after a start comes a little later, so that the feeds are read before; milliseconds.
 */
const FIRST_LOOK = 30_000;
/** How many lines are read again at most when it opens. */
const SNAPSHOT_EVERY = 10_000;
/**
 * How soon a marketplace that could not be looked at before anything was listed is asked again; milliseconds.
 */
const LOOK_AGAIN = 2_000;

/** How often it is looked whether the machine slept, milliseconds. */
const LOOK_AT_CLOCK = 5_000;

export interface CourierOptions {
  clock?: SteadyClock;
  timers?: Timers;
  /** Where a person is shown a code that lets us in. */
  accessPage?: (market: string) => string | null;
  log?: Log;
  /** Lines are missing: an earlier copy of the ledger was taken. */
  incomplete?: boolean;
}

/**
 * Runs the core's decisions: keeps events in the ledger before acting on them, carries out effects
 * through the adapters, feeds their answers back, and tells whoever listens. It decides nothing, and has no
 * clock and no timers of its own, so that a simulated evening drives it as the server does.
 */
export class Courier {
  private state: CourierState = emptyCourier();
  private seq = 0;
  private snapshotSeq = 0;
  /** Line of the newest change of each item, so that a page can catch up. */
  private readonly changedAt = new Map<string, number>();
  private readonly changedUnwritten = new Set<string>();
  /** When each marketplace last told what happened there. */
  private readonly heard = new Map<string, number>();
  private readonly begunAt: number;
  private readonly listeners = new Set<(news: ItemNews) => void>();
  private readonly marketListeners = new Set<() => void>();
  private readonly healthListeners = new Set<() => void>();
  private readonly inTurn = serialQueue();
  private readonly writer: LedgerWriter;
  private readonly sheets: RuleSheets;
  private readonly timers: StoppableTimers;
  private stopTick: () => void = () => undefined;
  private readonly pictures: Pictures;
  private readonly policy: Policy;
  private readonly adapters: ReadonlyMap<string, Adapter>;
  private readonly clock: SteadyClock;
  private readonly accessPage: (market: string) => string | null;
  private readonly log: Log;
  private readonly incomplete: boolean;

  private constructor(
    private readonly ledger: CourierLedger,
    adapters: readonly Adapter[],
    pictures: Pictures,
    options: CourierOptions,
  ) {
    const { clock = new SteadyClock(), timers = systemTimers, log = consoleLog } = options;
    this.clock = clock;
    this.log = log;
    this.accessPage = options.accessPage ?? (() => null);
    this.incomplete = options.incomplete ?? false;
    this.begunAt = clock.now();
    this.timers = new StoppableTimers(timers);
    this.pictures = shelved(pictures);
    this.adapters = new Map(adapters.map((a) => [a.id, a]));
    this.sheets = new RuleSheets(this.adapters, ledger, log);
    this.policy = policyOf(adapters);
    this.writer = new LedgerWriter({
      ledger,
      log,
      timers: this.timers,
      now: () => this.now(),
      inTurn: (work) => this.inTurn(work),
      goBack: () => this.rebuild(),
      onTrouble: () => this.tellHealth(),
      onWritten: (seq) => this.writtenAgain(seq),
    });
  }

  /**
   * Reads the ledger from the start.
   *
   * @example
   *   const courier = await Courier.open(ledger, [adapter], (hash) => shelf.get(hash));
   *   await courier.begin();
   *   await courier.command({ type: 'withdraw', id, item, market });
   *   courier.stop();
   */
  static async open(
    ledger: CourierLedger,
    adapters: readonly Adapter[],
    pictures: Pictures,
    options: CourierOptions = {},
  ): Promise<Courier> {
    const courier = new Courier(ledger, adapters, pictures, options);
    await courier.rebuild();
    // What is known was not written later than now, whatever the machine's clock says.
    courier.clock.notBefore(await ledger.lastAt());
    return courier;
  }

  /** Goes on where it left off: whatever was out when the process ended is done again. */
  async begin(): Promise<void> {
    const incomplete = this.incomplete || this.ledger.unread.size > 0;
    await this.start(incomplete);
    this.lookFirst();
    this.timers.every(LOOK_AT_CLOCK, () => {
      if (!this.clock.catchUp()) return;
      // After a sleep nothing is known of what was out, as after a start.
      void this.start(false).catch(this.logged);
      this.timers.after(FIRST_LOOK, () => this.compareAll());
    });
  }

  private async start(incomplete: boolean): Promise<void> {
    const markets = [...this.adapters.keys()];
    await this.take({ type: 'started', markets, ...(incomplete ? { incomplete } : {}) });
  }

  /** Nothing happens by itself any more. What is out is not waited for. */
  stop(): void {
    this.timers.stop();
  }

  /** Reads all rule sheets again and again; whoever listens is told when one has another version. */
  watchRules(every: number): void {
    const look = async () => {
      const before = this.sheets.versions();
      await this.sheets.read();
      if (!this.timers.stopped && this.sheets.versions() !== before) this.tellMarkets();
    };
    this.timers.every(every, () => void look().catch(this.logged));
  }

  /** Compares all marketplaces by itself, again and again. */
  watchShown(every: number): void {
    this.timers.every(every, () => this.compareAll());
    // What was sold or ended while nobody was here comes by the feeds first.
    this.timers.after(FIRST_LOOK, () => this.compareAll());
  }

  private compareAll(): void {
    for (const id of this.adapters.keys()) void this.compare(id).catch(this.logged);
  }

  /**
   * Compares what a marketplace shows with what should be there, and puts right what differs.
   *
   * @returns how many strays there were; null where it can't be asked just now
   */
  async compare(id: string): Promise<number | null> {
    const adapter = this.adapters.get(id);
    const link = this.state.markets.get(id)?.link;
    if (!adapter || !canList(adapter) || link === 'off' || this.timers.stopped) return null;
    const compared = await compareMarket(
      adapter,
      () => this.state,
      this.now(),
      this.sheets.known(id),
      this.log,
    );
    if (compared === null || this.timers.stopped) return null;
    if (compared.count > 0) await this.take(compared.strays);
    if (this.state.markets.get(id)?.needsFirstSync) await this.take({ type: 'firstSyncDone', market: id });
    await this.take({ type: 'compared', market: id, unknown: compared.unknown });
    this.tellMarkets();
    return compared.count;
  }

  /** A courier that begins with nothing looks what of ours is there before it lists anything. */
  private lookFirst(): void {
    const unsynced = [...this.state.markets].filter(([, m]) => m.needsFirstSync && m.link !== 'off');
    if (unsynced.length === 0 || this.timers.stopped) return;
    void Promise.all(unsynced.map(([id]) => this.compare(id).catch(this.logged))).then(() =>
      this.timers.after(LOOK_AGAIN, () => this.lookFirst()),
    );
  }

  /**
   * Idempotent: a command given twice is carried out once and answered the same.
   *
   * @param by who gave it, for whoever reads the ledger
   */
  command(command: Command, by?: string): Promise<CommandAnswer> {
    return this.inTurn(async () => {
      const before = await this.ledger.answerTo(command.id);
      return before ?? (await this.decide({ type: 'command', command, ...(by ? { by } : {}) }));
    });
  }

  take(event: CourierEvent): Promise<CommandAnswer> {
    return this.inTurn(async () => {
      let answer: CommandAnswer = { accepted: true };
      for (const fit of entering(event, this.log)) answer = await this.decide(fit);
      return answer;
    });
  }

  views(): ItemNews[] {
    return [...this.state.items.values()].map((t) => ({
      seq: this.changedUnwritten.has(t.id) ? null : (this.changedAt.get(t.id) ?? 0),
      view: viewOf(t),
    }));
  }

  /** Whether it can do its work, and what it does not know. */
  health(): CourierHealth {
    return this.writer.health();
  }

  /** What is (or will be) shown of an item, by marketplace; without what is over. */
  drafts(item: string): Record<string, ListingDraft> {
    const listings = Object.values(this.state.items.get(item)?.listings ?? {});
    return Object.fromEntries(
      listings.filter((l) => l.want === 'live').map((l) => [l.market, l.nextDraft ?? l.draft]),
    );
  }

  /** The item a marketplace's reference belongs to, as far as the courier has a listing of it. */
  itemBehind(ref: string): string | null {
    const id = itemBehind(this.state, ref);
    return id !== null && this.state.items.has(id) ? id : null;
  }

  /**
   * Why an item can't be promised to a buyer there: it is sold, or promised on another marketplace; null: it
   * can.
   */
  notToPromise(item: string, market: string): 'sold' | 'promised' | null {
    const { sale = null, hold } = this.state.items.get(item) ?? {};
    if (sale) return 'sold';
    return hold && hold.market !== market ? 'promised' : null;
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
        home: a.home,
        health: (market?.failures ?? 0) > 0 ? 'away' : 'well',
        link: market?.link ?? 'connected',
        locked: market?.locked ?? false,
        byHand: a.capabilities.byHand === true,
        browsable: a.publicListings !== undefined,
        accessPage: this.accessPage(a.id),
        trouble: market?.trouble ?? null,
        silentSince:
          market && (market.failures > 0 || market.locked) ? (this.heard.get(a.id) ?? this.begunAt) : null,
        comparedAt: market?.comparedAt ?? null,
        unknown: market?.unknown ?? 0,
        resting: (market?.failedCalls ?? 0) >= REST_AFTER,
        sheetVersion: this.sheets.known(a.id)?.version ?? null,
      };
    });
  }

  /** The rule sheets as the marketplaces publish them now; the last one kept where one is away. */
  ruleSheets(): Promise<{ sheets: RuleSheet[]; missing: SheetsAnswer['missing'] }> {
    return this.sheets.read();
  }

  listen(
    onItem: (news: ItemNews) => void,
    onMarkets: () => void,
    onHealth: () => void = () => undefined,
  ): () => void {
    this.listeners.add(onItem);
    this.marketListeners.add(onMarkets);
    this.healthListeners.add(onHealth);
    return () => {
      this.listeners.delete(onItem);
      this.marketListeners.delete(onMarkets);
      this.healthListeners.delete(onHealth);
    };
  }

  // ---- one event at a time ------------------------------------------------------------------------

  private async decide(given: CourierEvent): Promise<CommandAnswer> {
    const { writer } = this;
    // What cannot be written down is not taken on; what marketplaces tell is, for a sale must be acted on.
    if (writer.blocked && given.type === 'command') throw writer.refusal();
    const event: CourierEvent =
      given.type === 'tick' && writer.blocked ? { type: 'tick', publish: false } : given;
    const now = this.now();
    const before = this.linkHealth();
    const { effects, changed, refusal } = step(this.state, event, now, this.policy);
    const answer: CommandAnswer = refusal === null ? { accepted: true } : { accepted: false, refusal };
    const behind = (ref: string) => itemBehind(this.state, ref);
    const item = itemIn(event, behind);
    const entries: Entry[] = isKept(event)
      ? [event.type === 'command' ? { event, answer } : { event, item }]
      : [];
    // A publish call may be made only once the ledger says that it is about to be.
    const dispatched = effects.flatMap((effect): Entry[] => {
      if (effect.type !== 'publish') return [];
      const out: CourierEvent = { type: 'publishDispatched', market: effect.market, ref: effect.ref };
      step(this.state, out, now, this.policy);
      return [{ event: out, item: itemIn(out, behind) }];
    });
    if (entries.length + dispatched.length > 0) {
      const kept = await writer.keep(event, entries, dispatched, now);
      if (kept === false) {
        this.wake();
        return answer;
      }
      if (kept !== null) this.seq = kept;
    }
    for (const id of changed) this.tell(id);
    if (before !== this.linkHealth()) this.tellMarkets();
    for (const effect of effects) void this.carryOut(effect);
    this.wake();
    // Without it opening takes longer, and nothing else.
    if (!writer.blocked) await this.keepSnapshot().catch(this.logged);
    return answer;
  }

  /** What happened while nothing could be written is written now. */
  private writtenAgain(seq: number | null): void {
    if (seq !== null) this.seq = seq;
    const late = [...this.changedUnwritten];
    this.changedUnwritten.clear();
    for (const id of late) this.tell(id);
    this.tellHealth();
    this.wake();
  }

  /**
   * Back to what the ledger holds, and what is still to be written to it. What is known stays where it can't
   * be read.
   */
  private async rebuild(): Promise<void> {
    const kept = await this.ledger.snapshot();
    const known = kept && stateOf(kept.body);
    const state = known ?? emptyCourier();
    const from = known && kept ? kept.seq : 0;
    const changedAt = new Map(known && kept ? kept.body.changedAt : []);
    let seq = from;
    for await (const line of this.ledger.read(from)) {
      const { changed } = step(state, line.event, line.at, this.policy);
      seq = line.seq;
      for (const id of changed) changedAt.set(id, seq);
    }
    for (const { event, at } of this.writer.unwritten) step(state, event, at, this.policy);
    this.state = state;
    this.seq = seq;
    this.snapshotSeq = from;
    this.changedAt.clear();
    for (const [id, at] of changedAt) this.changedAt.set(id, at);
    if (!this.writer.blocked) await this.keepSnapshot().catch(this.logged);
  }

  /** Opening reads only what came after a snapshot, so one is made now and then. */
  private async keepSnapshot(): Promise<void> {
    if (this.seq - this.snapshotSeq < SNAPSHOT_EVERY) return;
    this.snapshotSeq = this.seq;
    await this.ledger.keepSnapshot(this.seq, { ...snapshotOf(this.state), changedAt: [...this.changedAt] });
  }

  private now(): number {
    return this.clock.now();
  }

  private tell(id: string): void {
    const item = this.state.items.get(id);
    if (!item) return;
    const { blocked } = this.writer;
    if (blocked) this.changedUnwritten.add(id);
    else this.changedAt.set(id, this.seq);
    const news = { seq: blocked ? null : this.seq, view: viewOf(item) };
    for (const listener of this.listeners) listener(news);
  }

  private tellMarkets(): void {
    for (const listener of this.marketListeners) listener();
  }

  private tellHealth(): void {
    for (const listener of this.healthListeners) listener();
  }

  private linkHealth(): string {
    let health = '';
    for (const m of this.state.markets.values())
      health += `${m.link}${m.failures > 0 ? 1 : 0}${m.locked ? 1 : 0}${m.failedCalls >= REST_AFTER ? 1 : 0}`;
    return health;
  }

  private wake(): void {
    const due = nextDue(this.state, !this.writer.blocked);
    this.stopTick();
    if (due === null) return;
    this.stopTick = this.timers.after(
      Math.max(0, due - this.now()),
      () => void this.take({ type: 'tick' }).catch(this.logged),
    );
  }

  private async carryOut(effect: Effect): Promise<void> {
    const event = await carryOut(effect, {
      adapter: this.adapters.get(effect.market),
      pictures: this.pictures,
      log: this.log,
      onHeard: () => this.heard.set(effect.market, this.now()),
    });
    if (!this.timers.stopped) await this.take(event).catch(this.logged);
  }

  private readonly logged = (error: unknown): void => this.log.fault('the courier', error);
}

/** How the core works with these marketplaces. */
export function policyOf(adapters: readonly Adapter[]): Policy {
  return Object.fromEntries(
    adapters.map((a) => [a.id, { ...a.capabilities, looksFirst: a.listOwnListings !== undefined }]),
  );
}

/** Whether it can be asked what of the seller's it shows. */
function canList(adapter: Adapter): adapter is Adapter & Required<Pick<Adapter, 'listOwnListings'>> {
  return adapter.listOwnListings !== undefined;
}
