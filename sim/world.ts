import type { Command, CourierItemView } from '@/contract/courier';
import { fieldsOf } from '@/contract/fields';
import { snapshotOf, stateOf, type Snapshot } from '@/core/courier/snapshot';
import { emptyCourier, step } from '@/core/courier/step';
import type { CourierEvent, CourierState, Policy } from '@/core/courier/types';
import { CALL_LIMIT } from '@/core/courier/waiting';

import { simAdapter } from './adapter';
import { remindByHand, workByHand } from './byHand';
import { DRAFT, draftOf, stockOf, type Limits } from './drafts';
import { judge } from './judge';
import { SimLedger, type DatedEntry } from './ledger';
import { BY_HAND, Marketplace, type Style } from './marketplace';
import { FAULTS_END, planEvening, WORLD_END, type Evening } from './plan';
import { Random } from './random';
import { Timeline } from './timeline';
import { CallFailed, failed, type Adapter } from '../server/courier/adapter';
import { Courier, policyOf } from '../server/courier/courier';
import type { Entry, KeptSnapshot, Line } from '../server/courier/ledger';
import { CannotWrite } from '../server/courier/ledgerWriter';
import { SteadyClock } from '../server/courier/steadyClock';
import type { Timers } from '../server/courier/timers';
import type { Log } from '../server/faults/log';
import { handbillAdapter } from '../server/marketplaces/handbill/adapter';

export interface SimResult {
  seed: number;
  violations: string[];
  /** What happened, in short lines, to be read when a seed fails. */
  story: string[];
  figures: { orders: number; doubles: number; crashes: number; lostAnswers: number };
}

/** Ways of breaking the courier, to prove that the judge notices. */
export interface Sabotage {
  /** Lines that are never written. */
  ledger?: (entries: readonly DatedEntry[]) => readonly DatedEntry[];
  adapter?: (adapter: Adapter) => Adapter;
  /** News that marketplaces send by themselves. */
  webhooks?: boolean;
}

const STYLES: Record<string, Style & { pollEvery: number; showsHolds?: boolean }> = {
  brackenmoor: { review: false, webhooks: true, pollEvery: 30_000 },
  threadwick: { review: false, webhooks: false, pollEvery: 3_000 },
  nearstile: { review: true, webhooks: false, pollEvery: 3_000, showsHolds: true },
  oldhollow: { review: false, webhooks: true, pollEvery: 15_000 },
  quirestack: { review: true, webhooks: false, pollEvery: 3_000 },
  lanternyard: { review: false, webhooks: false, pollEvery: 3_000 },
  [BY_HAND]: { review: false, webhooks: false, pollEvery: 3_600_000 },
};

/** The time of day at the beginning: no real clock stands near zero, not even after a jump. */
const EPOCH = 1_700_000_000_000;
/** How often the courier compares what marketplaces show, milliseconds. */
const COMPARE_EVERY = 60_000;

/**
 * One simulated evening: people's commands, buyers, seven marketplaces, a network that loses, delays and
 * doubles, outages, keys that run out, listings that end without a word, a clock that jumps, a disk that is
 * full, and the server's own courier, whose process is killed now and then, once in a while in the middle of
 * writing, and opens its ledger again. Virtual time; every choice comes from the seed.
 *
 * @example
 *   const { violations, story } = await new World(42).run();
 */
export class World implements Evening {
  readonly random: Random;
  readonly names = Object.keys(STYLES);
  readonly alike: boolean;
  private readonly markets: ReadonlyMap<string, Marketplace>;
  private readonly adapters: readonly Adapter[];
  private readonly policy: Policy;
  private readonly ledger: SimLedger;
  private readonly timeline = new Timeline();
  private ids = 0;
  private now = 1_000;
  /** null: killed, and not started again yet. */
  private courier: Courier | null = null;
  /** Counts process lives: an answer to a call made in an earlier life is never heard. */
  private life = 0;
  /** What reading the whole ledger comes to. */
  private memory: CourierState = emptyCourier();
  /** What the courier tells of each item, as pages hear it. */
  private readonly views = new Map<string, CourierItemView>();
  /** How far the machine's time of day is off, milliseconds. */
  private jump = 0;
  private diskFullUntil = 0;
  /** References that somebody asked to take down, or whose item was promised. */
  private readonly askedDown = new Set<string>();
  /** References of which the ledger says that they were about to be put up. */
  private readonly dispatched = new Set<string>();
  /** Commands given, and those that were taken down in the ledger. */
  private readonly given = new Set<string>();
  private readonly taken = new Set<string>();
  /** Counts how often the page lost what it knew. */
  private pageLife = 0;
  /** The ledger was lost this evening. */
  private forgot = false;
  private readonly result: SimResult;

  /** @param limits what there is of the item of which there are several, and what of it is not shown */
  constructor(
    seed: number,
    private readonly sabotage: Sabotage = {},
    private readonly limits: Limits = {},
  ) {
    this.random = new Random(seed);
    this.alike = limits.alike === true;
    this.result = {
      seed,
      violations: [],
      story: [],
      figures: { orders: 0, doubles: 0, crashes: 0, lostAnswers: 0 },
    };
    this.markets = new Map(
      Object.entries(STYLES).map(([name, style]) => [name, new Marketplace(name, style)]),
    );
    this.adapters = [...this.markets.values()].map((market) =>
      (sabotage.adapter ?? ((a) => a))(this.adapterFor(market)),
    );
    this.policy = policyOf(this.adapters);
    this.ledger = new SimLedger({
      isFull: () => this.now < this.diskFullUntil,
      isTorn: (entries) => this.isTorn(entries),
      spoil: (entries) => (sabotage.ledger ?? ((all) => all))(this.noteDispatched(entries)),
      onKept: (event, at) => this.noteKept(event, at),
      snapshot: (lines) => this.snapshot(lines),
    });
  }

  async run(): Promise<SimResult> {
    planEvening(this);
    this.start();
    await quiet();
    for (let next = this.timeline.next(); next && next.at <= WORLD_END; next = this.timeline.next()) {
      this.now = next.at;
      next.run();
      await quiet();
      if (this.result.violations.length > 0) return this.result;
    }
    this.courier?.stop();
    const { markets, forgot, given, taken, limits } = this;
    const { violations, doubles } = judge({ markets, state: this.memory, forgot, given, taken, limits });
    this.result.violations.push(...violations);
    this.result.figures.doubles = doubles;
    this.result.figures.orders = [...markets.values()].reduce((sum, m) => sum + m.orders.length, 0);
    return this.result;
  }

  // ---- what people do -----------------------------------------------------------------------------

  send(item: string, market: string): void {
    this.command({ type: 'send', id: this.id(), item, market, draft: draftOf(item, market, this.limits) });
  }

  withdraw(item: string, market: string): void {
    this.command({ type: 'withdraw', id: this.id(), item, market });
  }

  /** The page gives a command until it is taken. What a lost page had still to say is never said. */
  command(command: Command, pageLife = this.pageLife): void {
    if (pageLife !== this.pageLife) {
      this.given.delete(command.id);
      return;
    }
    this.given.add(command.id);
    const again = () =>
      this.at(this.now + this.random.between(1_000, 5_000), () => this.command(command, pageLife));
    const { courier, life } = this;
    if (!courier) return again();
    this.tell(`person: ${command.type} ${command.item} ${'market' in command ? command.market : ''}`);
    courier.command(command).then(
      (answer) => {
        if (!answer.accepted) this.tell(`  refused: ${JSON.stringify(answer.refusal)}`);
      },
      (error: unknown) => {
        if (!(error instanceof CannotWrite)) this.violate(`command ${command.id} failed: ${String(error)}`);
        else if (life === this.life) this.tell('  cannot be written down');
        again();
      },
    );
    // No answer came: the process was killed while it was written down.
    this.at(this.now + 20_000, () => {
      if (life !== this.life && !this.taken.has(command.id)) this.command(command, pageLife);
    });
  }

  /** The person says that a sale came to nothing, and puts the item up again. */
  undo(id: string): void {
    const item = this.memory.items.get(id);
    const all = [
      ...(item?.sale ? [item.sale] : []),
      ...(item?.pieceSales ?? []),
      ...(item?.laterSales ?? []),
    ];
    const sale = this.random.pick(all);
    if (!this.courier || !sale) return;
    this.command({ type: 'undo', id: this.id(), item: id, order: sale.order, why: 'returned' });
    const markets = Object.keys(item?.listings ?? {}).filter(() => this.random.chance(0.6));
    for (const market of markets)
      this.at(this.now + this.random.between(500, 30_000), () => this.send(id, market));
  }

  buy(item: string, name: string): void {
    const market = this.market(name);
    const listing = market.listings.find((l) => l.ref.startsWith(`${item}.`) && l.state === 'live');
    if (!listing || market.outageUntil > this.now) return;
    const news = market.buy(listing, this.now, this.random.between(0, 9));
    if (!news) return;
    this.tell(`buyer: ${listing.ref} on ${name}`);
    this.webhook(market, [news]);
  }

  workByHand(): void {
    if (!this.courier) return;
    const board = {
      market: this.market(BY_HAND),
      state: this.memory,
      random: this.random,
      now: this.now,
      id: () => this.id(),
      command: (command: Command) => this.command(command),
      send: (item: string) => this.send(item, BY_HAND),
    };
    if (this.forgot) remindByHand(board);
    workByHand(board);
  }

  losePage(): void {
    this.tell('THE PAGE IS LOST');
    this.pageLife += 1;
  }

  // ---- what goes wrong ----------------------------------------------------------------------------

  shut(name: string, time: number): void {
    this.market(name).outageUntil = this.now + time;
    this.tell(`${name} is out`);
  }

  lock(name: string, time: number): void {
    this.market(name).lockedUntil = this.now + time;
    this.tell(`${name}: the key runs out`);
  }

  endSilently(name: string): void {
    const listing = this.random.pick(this.market(name).listings.filter((l) => l.state === 'live'));
    if (!listing) return;
    this.tell(`${name}: ends ${listing.ref} without a word`);
    listing.state = 'ended';
  }

  /** The machine's clock is set right, or wrong. */
  setClock(by: number): void {
    this.jump += by;
    this.tell(`the clock jumps, it is ${this.jump} off now`);
  }

  fillDisk(time: number): void {
    this.diskFullUntil = this.now + time;
    this.tell('THE DISK IS FULL');
  }

  /** Every line of the ledger is lost; what stands at the marketplaces is not. */
  loseLedger(): void {
    this.tell('THE LEDGER IS LOST');
    this.forgot = true;
    this.ledger.lose();
    this.memory = emptyCourier();
    this.given.clear();
    this.crash();
  }

  crash(): void {
    this.life += 1;
    this.courier?.stop();
    this.courier = null;
    this.views.clear();
    this.result.figures.crashes += 1;
    this.tell('KILLED');
    const { life } = this;
    this.at(this.now + this.random.between(100, 15_000), () => {
      if (life === this.life) this.start();
    });
  }

  /** Reviews of marketplaces that have them come to an end. */
  review(): void {
    for (const market of this.markets.values())
      if (market.style.review)
        this.webhook(
          market,
          market.review(this.now, () => this.random.chance(0.15)),
        );
  }

  /** Webhooks come late, twice, out of order, or not at all. */
  private webhook(market: Marketplace, news: Marketplace['feed']): void {
    if (!market.style.webhooks || news.length === 0 || this.sabotage.webhooks === false) return;
    const r = this.random;
    const copies = r.chance(this.faulty(0.2)) ? 0 : r.chance(this.faulty(0.2)) ? 2 : 1;
    const { life } = this;
    for (let n = 0; n < copies; n += 1)
      this.at(this.now + r.between(20, 3_000), () => {
        if (life === this.life)
          void this.courier?.take({ type: 'news', market: market.name, news, cursor: null });
      });
  }

  // ---- the courier's process ----------------------------------------------------------------------

  private start(): void {
    const { life } = this;
    const isAlive = () => life === this.life;
    void this.open(isAlive).catch((error: unknown) => this.violate(`it did not start: ${String(error)}`));
  }

  private async open(isAlive: () => boolean): Promise<void> {
    const courier = await Courier.open(
      this.ledger.openedBy(isAlive),
      this.adapters,
      () => Promise.reject(new Error('no pictures in a simulated evening')),
      {
        clock: new SteadyClock(
          () => EPOCH + this.jump + this.now,
          () => this.now,
        ),
        timers: this.timersOf(isAlive),
        log: this.log(),
      },
    );
    if (!isAlive()) return;
    this.courier = courier;
    for (const { view } of courier.views()) this.views.set(view.id, view);
    courier.listen(
      ({ view }) => isAlive() && this.views.set(view.id, view),
      () => undefined,
    );
    courier.watchShown(COMPARE_EVERY);
    await courier.begin();
  }

  /** The evening's time for the courier. What a killed process was to do by itself is not done. */
  private timersOf(isAlive: () => boolean): Timers {
    const after = (ms: number, run: () => void) => {
      let stopped = false;
      this.at(this.now + ms, () => {
        if (!stopped && isAlive()) run();
      });
      return () => {
        stopped = true;
      };
    };
    const every = (ms: number, run: () => void) => {
      let stop: () => void = () => undefined;
      const next = () => {
        stop = after(ms, () => {
          next();
          run();
        });
      };
      next();
      return () => stop();
    };
    return { after, every };
  }

  /** A courier that is well has no faults, whatever the evening does to it; a full disk is the disk's. */
  private log(): Log {
    return {
      fault: (where, error) => {
        if (fieldsOf(error).code !== 'SQLITE_FULL')
          this.violate(`a fault at ${this.now} while ${where}: ${String(error)}`);
      },
      note: (what) => this.tell(what),
      close: () => undefined,
    };
  }

  /**
   * Power goes while a line is written, so it is not there afterwards, and nothing was done because of it.
   */
  private isTorn(entries: readonly Entry[]): boolean {
    if (!this.random.chance(this.faulty(0.004))) return false;
    this.tell(`the line of “${entries[0]?.event.type}” is torn`);
    this.crash();
    return true;
  }

  /** What comes out of a snapshot and the lines after it has to be the same as out of the whole ledger. */
  private snapshot(lines: readonly Line[]): { seq: number; body: KeptSnapshot } | null {
    const { policy } = this;
    const cut = this.random.between(0, lines.length);
    const read = (state: CourierState, from: number, to: number) => {
      for (const { event, at } of lines.slice(from, to)) step(state, event, at, policy);
      return state;
    };
    const text = JSON.stringify(snapshotOf(read(emptyCourier(), 0, cut)));
    // What was made of it just now: the server's reading of snapshots from a disk is tried in its own tests.
    const body = JSON.parse(text) as Snapshot;
    const half = stateOf(structuredClone(body));
    const whole = JSON.stringify(snapshotOf(this.memory));
    if (!half || JSON.stringify(snapshotOf(read(half, cut, lines.length))) !== whole)
      this.violate(`a snapshot at line ${cut} remembers otherwise than the ledger`);
    return cut === 0 ? null : { seq: cut, body: { ...body, changedAt: [] } };
  }

  private noteDispatched(entries: readonly DatedEntry[]): readonly DatedEntry[] {
    for (const { event } of entries) if (event.type === 'publishDispatched') this.dispatched.add(event.ref);
    return entries;
  }

  private noteKept(event: CourierEvent, at: number): void {
    if (event.type === 'command') this.noteAsked(event.command);
    step(this.memory, event, at, this.policy);
  }

  /** What a command gives leave to take down. */
  private noteAsked(command: Command): void {
    this.taken.add(command.id);
    const listings = Object.values(this.memory.items.get(command.item)?.listings ?? {});
    if (command.type === 'withdraw' || command.type === 'hold')
      for (const l of listings)
        if ((l.market === command.market) === (command.type === 'withdraw')) this.askedDown.add(l.ref);
  }

  // ---- the network --------------------------------------------------------------------------------

  private adapterFor(market: Marketplace): Adapter {
    if (market.name === BY_HAND) return handbillAdapter();
    const style = STYLES[market.name];
    return simAdapter(market, {
      pollEvery: style?.pollEvery ?? 3_000,
      showsHolds: style?.showsHolds === true,
      network: (there, reach) => this.overNetwork(there, reach),
      now: () => this.now,
      stockOf,
      onPublish: (ref) => this.judgePublish(ref),
      onWithdraw: (ref) => this.judgeWithdraw(market.name, ref),
      muddled: () => this.random.chance(this.faulty(0.2)),
      tell: (line) => this.tell(line),
      shown: { ...DRAFT, text: DRAFT.description },
    });
  }

  /** One call over a bad network: the request may be lost, late, or done with its answer lost. */
  private overNetwork<T>(market: Marketplace, reach: () => T): Promise<T> {
    const r = this.random;
    const { life } = this;
    const arrives = this.now + r.between(5, r.chance(this.faulty(0.1)) ? 25_000 : 400);
    const answers = arrives + r.between(5, r.chance(this.faulty(0.1)) ? 12_000 : 400);
    const lost = r.chance(this.faulty(0.1));
    const forgotten = r.chance(this.faulty(0.15));
    if (forgotten) this.result.figures.lostAnswers += 1;
    const limit = this.now + CALL_LIMIT;
    const heard = !lost && !forgotten && answers <= limit;
    return new Promise<T>((resolve, reject) => {
      let answer = () => reject(failed('noAnswer', true));
      if (!lost)
        this.at(arrives, () => {
          try {
            const told = this.reached(market, reach);
            if (heard) answer = () => resolve(told);
          } catch (error) {
            if (heard) answer = () => reject(error instanceof Error ? error : new Error(String(error)));
          }
        });
      this.at(heard ? answers : limit, () => {
        if (life === this.life) answer();
      });
    });
  }

  private reached<T>(market: Marketplace, reach: () => T): T {
    if (market.lockedUntil > this.now)
      throw new CallFailed({ code: 'keyRefused', params: {} }, false, 10_000, true);
    if (market.outageUntil > this.now) throw failed('closed', false);
    if (this.random.chance(this.faulty(0.05)))
      throw failed('slowDown', false, this.random.between(500, 8_000));
    return reach();
  }

  // ---- judged at once -----------------------------------------------------------------------------

  private judgePublish(ref: string): void {
    const item = this.views.get(ref.split('.')[0] ?? '');
    if (item?.sale) this.violate(`published ${ref} at ${this.now}, after its sale was known`);
    if (!this.dispatched.has(ref))
      this.violate(`published ${ref} at ${this.now}, and the ledger knew nothing`);
  }

  /** Sold, held, asked for, or over already and still shown; after a loss of memory, twice there. */
  private judgeWithdraw(market: string, ref: string): void {
    const id = ref.split('.')[0] ?? '';
    const item = this.views.get(id);
    const sold = item?.sale || item?.pastSales.length || item?.pieceSales.length;
    if (sold || this.askedDown.has(ref) || this.forgot) return;
    if (this.memory.items.get(id)?.listings[market]?.ref !== ref) return;
    this.violate(`withdrew ${ref} at ${this.now}, and nobody had asked for that`);
  }

  // ---- small things -------------------------------------------------------------------------------

  /** The chance of a fault: none any more once the evening's troubles are over. */
  private faulty(p: number): number {
    return this.now < FAULTS_END ? p : 0;
  }

  at(at: number, run: () => void): void {
    this.timeline.add(at, run);
  }

  id(): string {
    return `c${(this.ids += 1)}`;
  }

  private market(name: string): Marketplace {
    const market = this.markets.get(name);
    if (!market) throw new Error(`no marketplace ${name}`);
    return market;
  }

  private violate(what: string): void {
    this.result.violations.push(what);
  }

  private tell(line: string): void {
    this.result.story.push(`${(this.now / 1000).toFixed(1).padStart(7)}s ${line}`);
  }
}

/** Until all that was to be done at this moment is done: promises first, then this. */
function quiet(): Promise<void> {
  return new Promise((done) => setImmediate(done));
}
