import { NONE } from '@/contract/coded';
import {
  ListingDraft,
  type Command,
  type CommandAnswer,
  type CourierHealth,
  type CourierItemView,
  type MarketView,
  type SheetsAnswer,
} from '@/contract/courier';
import type { OwnListing } from '@/contract/ownListing';
import type { RuleSheet } from '@/contract/ruleSheet';
import type { Trouble, WriteTrouble } from '@/contract/troubles';
import { shownDraft } from '@/core/bringIn/shownDraft';
import { isKept } from '@/core/courier/kept';
import { compareShown } from '@/core/courier/reconcile';
import { itemBehind } from '@/core/courier/refs';
import { snapshotOf, stateOf } from '@/core/courier/snapshot';
import { emptyCourier, nextDue, step } from '@/core/courier/step';
import type { CourierEvent, CourierState, Effect, Found, Policy } from '@/core/courier/types';
import { viewOf } from '@/core/courier/view';
import { REST_AFTER, waitAfter } from '@/core/courier/waiting';
import { serialQueue } from '@/core/serialQueue';

import { CallFailed, failed, Refused, type Adapter, type AlreadyOver, type Pictures } from './adapter';
import { entering } from './entering';
import { itemIn, type Entry, type Ledger } from './ledger';
import { consoleLog, type Log } from '../faults/log';
import { databaseCode } from '../faults/startTrouble';

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
/** Longest time a timer may run, milliseconds: a longer one would go off at once. */
const LONGEST_TIMER = 2_000_000_000;
/**
 * How soon a marketplace that could not be looked at before anything was listed is asked again; milliseconds.
 */
const LOOK_AGAIN = 2_000;

/** Nothing can be written just now, so nothing new is taken on. The message is for a person. */
export class CannotWrite extends Error {
  /** @param why null: not known any more */
  constructor(readonly why: WriteTrouble | null) {
    super(`the ledger cannot be written: ${why}`);
  }
}

export interface CourierOptions {
  clock?: () => number;
  /** Where a person is shown a code that lets us in. */
  accessPage?: (market: string) => string | null;
  log?: Log;
  /** Lines are missing: an earlier copy of the ledger was taken. */
  incomplete?: boolean;
}

/**
 * Runs the core's decisions: keeps events in the ledger before acting on them, carries out effects
 * through the adapters, feeds their answers back, and tells whoever listens. It decides nothing.
 */
export class Courier {
  private state: CourierState = emptyCourier();
  private seq = 0;
  private snapshotSeq = 0;
  private lastAt = 0;
  /** Line of the newest change of each item, so that a page can catch up. */
  private readonly changedAt = new Map<string, number>();
  /** When each marketplace last told what happened there. */
  private readonly heard = new Map<string, number>();
  private readonly begunAt: number;
  private readonly listeners = new Set<(news: ItemNews) => void>();
  private readonly marketListeners = new Set<() => void>();
  private readonly healthListeners = new Set<() => void>();
  private readonly inTurn = serialQueue();
  /**
   * While nothing can be written: why, and what happened meanwhile, to be written down as soon as that is
   * possible.
   */
  private cannotWrite: { code: WriteTrouble; since: number; tries: number } | null = null;
  private unwritten: (Entry & { at: number })[] = [];
  private readonly changedUnwritten = new Set<string>();
  private writeTimer: NodeJS.Timeout | null = null;
  private timer: NodeJS.Timeout | null = null;
  private rulesTimer: NodeJS.Timeout | null = null;
  private compareTimer: NodeJS.Timeout | null = null;
  private compareFirst: NodeJS.Timeout | null = null;
  private firstLook: NodeJS.Timeout | null = null;
  private stopped = false;
  private readonly pictures: Pictures;
  private readonly policy: Policy;
  private readonly adapters: ReadonlyMap<string, Adapter>;
  private readonly sheets = new Map<string, RuleSheet>();

  private constructor(
    private readonly ledger: Ledger,
    adapters: readonly Adapter[],
    pictures: Pictures,
    private readonly clock: () => number,
    private readonly accessPage: (market: string) => string | null,
    private readonly log: Log,
    private readonly incomplete: boolean,
  ) {
    this.begunAt = clock();
    this.pictures = (hash) => pictures(hash).catch(lostPicture);
    this.adapters = new Map(adapters.map((a) => [a.id, a]));
    this.policy = Object.fromEntries(
      adapters.map((a) => [a.id, { ...a.capabilities, looksFirst: a.listOwnListings !== undefined }]),
    );
  }

  /** Reads the ledger from the start. */
  static async open(
    ledger: Ledger,
    adapters: readonly Adapter[],
    pictures: Pictures,
    {
      clock = steadyClock(),
      accessPage = () => null,
      log = consoleLog,
      incomplete = false,
    }: CourierOptions = {},
  ): Promise<Courier> {
    const courier = new Courier(ledger, adapters, pictures, clock, accessPage, log, incomplete);
    await courier.rebuild();
    return courier;
  }

  /** Goes on where it left off: whatever was out when the process ended is done again. */
  async begin(): Promise<void> {
    const incomplete = this.incomplete || this.ledger.unread.size > 0;
    await this.take({
      type: 'started',
      markets: [...this.adapters.keys()],
      ...(incomplete ? { incomplete } : {}),
    });
    this.lookFirst();
  }

  stop(): void {
    this.stopped = true;
    if (this.timer) clearTimeout(this.timer);
    if (this.writeTimer) clearTimeout(this.writeTimer);
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
    this.rulesTimer = setInterval(() => void look().catch(this.logged), every);
  }

  /** Compares all marketplaces by itself, again and again. */
  watchShown(every: number): void {
    const look = () => {
      for (const id of this.adapters.keys()) void this.compare(id).catch(this.logged);
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
    if (!adapter?.listOwnListings || link === 'off' || this.stopped) return null;
    const asked = this.now();
    const own = await adapter.listOwnListings().catch((error: unknown) => {
      // A marketplace that does not answer, or says no, just could not be asked.
      if (error instanceof CallFailed || error instanceof Refused) return null;
      throw error;
    });
    if (own === null || this.stopped) return null;
    const ownTitles = this.sheets.get(id)?.records === undefined;
    const found = compareShown(this.state, id, own, asked, ownTitles);
    const gone: string[] = [];
    // What is not in the list is asked for by its name before it is believed to be gone.
    for (const ref of found.missing) {
      const there = await adapter.lookUp(ref).catch((error: unknown) => {
        if (!(error instanceof CallFailed || error instanceof Refused))
          this.log.fault('looking up a listing', error, { market: id });
        return undefined;
      });
      if (there === null || there?.over) gone.push(ref);
    }
    const { stale, edited, duplicates, unknown } = found;
    const lost = own.filter((l) => found.found.includes(l.ref)).map((l) => this.remembered(l));
    const strays = gone.length + stale.length + edited.length + lost.length + duplicates.length;
    if (strays > 0)
      await this.take({ type: 'strays', market: id, gone, stale, edited, found: lost, duplicates });
    if (this.state.markets.get(id)?.needsFirstSync) await this.take({ type: 'firstSyncDone', market: id });
    await this.take({ type: 'compared', market: id, unknown });
    for (const listener of this.marketListeners) listener();
    return strays;
  }

  /** A listing under our own reference as far as the marketplace can still tell. */
  private remembered(own: OwnListing): Found {
    const { ref, remoteId, url, state, listedAt, market } = own;
    const shown = shownDraft(own, this.sheets.get(market)?.currency ?? 'EUR');
    const draft = ListingDraft.safeParse(shown);
    // What is shown there may be longer than anything we send: then it is remembered by its title and price
    // alone.
    const bare = {
      ...shown,
      description: '',
      category: '',
      condition: '',
      specifics: {},
      price: 0,
      postage: 0,
    };
    return { ref, remoteId, url, state, listedAt, draft: draft.success ? draft.data : bare };
  }

  /** A courier that begins with nothing looks what of ours is there before it lists anything. */
  private lookFirst(): void {
    const unsynced = [...this.state.markets].filter(([, m]) => m.needsFirstSync && m.link !== 'off');
    if (unsynced.length === 0 || this.stopped) return;
    void Promise.all(unsynced.map(([id]) => this.compare(id).catch(this.logged))).then(() => {
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
    const { cannotWrite } = this;
    return {
      cannotWrite: cannotWrite && cannotWrite.code,
      since: cannotWrite?.since ?? null,
      unreadLines: this.ledger.unread.size,
    };
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
        accessPage: this.accessPage(a.id),
        trouble: market?.trouble ?? null,
        silentSince:
          market && (market.failures > 0 || market.locked) ? (this.heard.get(a.id) ?? this.begunAt) : null,
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
    missing: SheetsAnswer['missing'];
  }> {
    const sheets: RuleSheet[] = [];
    const missing: SheetsAnswer['missing'] = [];
    await Promise.all(
      [...this.adapters.values()].map(async (adapter) => {
        try {
          const sheet = await adapter.ruleSheet();
          this.sheets.set(adapter.id, sheet);
          // Kept for a day when it is away; without that nothing is missing today.
          await this.ledger.keepSheet(adapter.id, sheet).catch(this.logged);
          sheets.push(sheet);
        } catch (error) {
          const kept = await this.ledger.sheet(adapter.id);
          if (kept) sheets.push(kept);
          else
            missing.push({
              market: adapter.id,
              name: adapter.name,
              why: this.troubleOf(error, { market: adapter.id }),
            });
        }
      }),
    );
    const order = [...this.adapters.keys()];
    sheets.sort((a, b) => order.indexOf(a.marketplace) - order.indexOf(b.marketplace));
    return { sheets, missing };
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
    // What cannot be written down is not taken on; what marketplaces tell is, for a sale must be acted on.
    if (this.cannotWrite && given.type === 'command') throw this.writeTrouble();
    const event: CourierEvent =
      given.type === 'tick' && this.cannotWrite ? { type: 'tick', publish: false } : given;
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
    if (entries.length + dispatched.length > 0 && !(await this.kept(event, entries, dispatched, now)))
      return answer;
    for (const id of changed) this.tell(id);
    if (before !== this.linkHealth()) for (const listener of this.marketListeners) listener();
    for (const effect of effects) void this.carryOut(effect);
    this.wake();
    // Without it opening takes longer, and nothing else.
    if (!this.cannotWrite) await this.keepSnapshot().catch(this.logged);
    return answer;
  }

  /**
   * Writes down what happened. Where that can't be done, what is only told of goes on in memory: selling
   * twice is worse than forgetting in a crash what will be told again. What would let out something new did
   * not happen.
   *
   * @returns whether it is to be acted on
   * @throws CannotWrite for a command; whatever else keeps the ledger from writing
   */
  private async kept(
    event: CourierEvent,
    entries: Entry[],
    dispatched: Entry[],
    at: number,
  ): Promise<boolean> {
    if (!this.cannotWrite)
      try {
        this.seq = await this.ledger.append([...entries, ...dispatched], at);
        return true;
      } catch (error) {
        const code = databaseCode(error);
        if (code === null || event.type === 'command' || dispatched.length > 0)
          // What could not be kept did not happen: go back to what the ledger holds.
          await this.rebuild();
        if (code === null) throw error;
        this.beginTrouble(code, error);
        if (event.type === 'command') throw this.writeTrouble();
        if (dispatched.length > 0) {
          this.wake();
          return false;
        }
      }
    this.unwritten.push(...entries.map((entry) => ({ ...entry, at })));
    return true;
  }

  private writeTrouble(): CannotWrite {
    return new CannotWrite(this.cannotWrite?.code ?? null);
  }

  private beginTrouble(code: WriteTrouble, error: unknown): void {
    this.cannotWrite = { code, since: this.now(), tries: 1 };
    this.log.fault('writing the ledger', error, { code });
    for (const listener of this.healthListeners) listener();
    this.writeSoon();
  }

  private writeSoon(): void {
    if (this.stopped || !this.cannotWrite) return;
    const wait = waitAfter(this.cannotWrite.tries, 'ledger');
    this.writeTimer = setTimeout(() => void this.inTurn(() => this.writeAgain()).catch(this.logged), wait);
  }

  /** Tries to write what happened meanwhile; once that went well all is as before. */
  private async writeAgain(): Promise<void> {
    const trouble = this.cannotWrite;
    if (!trouble || this.stopped) return;
    const written = [...this.unwritten];
    try {
      if (written.length > 0) this.seq = await this.ledger.append(written, this.now());
      else await this.ledger.tryWriting();
    } catch (error) {
      const code = databaseCode(error) ?? trouble.code;
      if (databaseCode(error) === null) this.log.fault('writing the ledger again', error);
      this.cannotWrite = { ...trouble, code, tries: trouble.tries + 1 };
      if (code !== trouble.code) for (const listener of this.healthListeners) listener();
      this.writeSoon();
      return;
    }
    this.unwritten = [];
    this.cannotWrite = null;
    this.log.note('the ledger can be written again', { lines: written.length });
    const late = [...this.changedUnwritten];
    this.changedUnwritten.clear();
    for (const id of late) this.tell(id);
    for (const listener of this.healthListeners) listener();
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
    this.lastAt = Math.max(this.lastAt, await this.ledger.lastAt());
    for (const { event, at } of this.unwritten) step(state, event, at, this.policy);
    this.state = state;
    this.seq = seq;
    this.snapshotSeq = from;
    this.changedAt.clear();
    for (const [id, at] of changedAt) this.changedAt.set(id, at);
    if (!this.cannotWrite) await this.keepSnapshot().catch(this.logged);
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
    const item = this.state.items.get(id);
    if (!item) return;
    if (this.cannotWrite) this.changedUnwritten.add(id);
    else this.changedAt.set(id, this.seq);
    const news = { seq: this.cannotWrite ? null : this.seq, view: viewOf(item) };
    for (const listener of this.listeners) listener(news);
  }

  private linkHealth(): string {
    return [...this.state.markets]
      .map(([id, m]) => `${id}:${m.failures > 0}:${m.link}:${m.locked}:${m.failedCalls >= REST_AFTER}`)
      .join();
  }

  private wake(): void {
    if (this.stopped) return;
    const due = nextDue(this.state, !this.cannotWrite);
    if (this.timer) clearTimeout(this.timer);
    if (due === null) return;
    this.timer = setTimeout(
      () => void this.take({ type: 'tick' }).catch(this.logged),
      Math.min(LONGEST_TIMER, Math.max(0, due - this.now())),
    );
  }

  // ---- effects --------------------------------------------------------------------------------------

  private async carryOut(effect: Effect): Promise<void> {
    const event = await this.attempt(effect);
    if (!this.stopped) await this.take(event).catch(this.logged);
  }

  private async attempt(effect: Effect): Promise<CourierEvent> {
    const adapter = this.adapters.get(effect.market);
    const market = effect.market;
    try {
      if (!adapter) throw failed('notConnected', false, 60_000);
      switch (effect.type) {
        case 'poll': {
          const { news, cursor } = await adapter.eventsSince(effect.cursor);
          this.heard.set(market, this.now());
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
      if (effect.type !== 'poll' && error instanceof Refused)
        return { type: 'refused', market, ref: effect.ref, action: effect.type, reasons: error.reasons };
      const fault = !(error instanceof CallFailed || error instanceof Refused);
      const trouble = this.troubleOf(error, {
        market,
        type: effect.type,
        ref: effect.type === 'poll' ? null : effect.ref,
      });
      const retryAfter = error instanceof CallFailed ? error.retryAfter : null;
      const locked = error instanceof CallFailed && error.locked;
      if (effect.type === 'poll') return { type: 'pollFailed', market, trouble, retryAfter, locked };
      const unclear = error instanceof CallFailed ? error.unclear : true;
      return {
        type: 'failed',
        market,
        ref: effect.ref,
        action: effect.type,
        trouble,
        unclear,
        retryAfter,
        ...(fault ? { fault } : {}),
      };
    }
  }

  /** What is told of an error: its own code or words where it was expected; anything else is for the log. */
  private troubleOf(error: unknown, about: Record<string, string | null>): Trouble {
    if (error instanceof CallFailed) return error.trouble;
    if (error instanceof Refused) return error.message.slice(0, 500);
    this.log.fault('working with a marketplace', error, about);
    return { code: 'ourFault', params: NONE };
  }

  private readonly logged = (error: unknown): void => this.log.fault('the courier', error);
}

/** A picture that is not on the shelf any more is put there again by sending the listing again. */
function lostPicture(error: unknown): never {
  if ((error as { code?: unknown } | null)?.code !== 'ENOENT') throw error;
  throw new Refused([{ field: 'pictures', message: '', code: 'pictureLost' }]);
}

/**
 * The time of day at the start, and from then on a clock that nobody can set: jumps must not shorten any
 * waiting.
 */
function steadyClock(): () => number {
  const from = Date.now() - performance.now();
  return () => Math.round(from + performance.now());
}

function overEvent(market: string, answer: AlreadyOver): CourierEvent {
  return { type: 'news', market, news: answer.news, cursor: null };
}
