import { ListingDraft, type Command } from '@/contract/courier';
import { isKept } from '@/core/courier/kept';
import { compareShown } from '@/core/courier/reconcile';
import { isOver } from '@/core/courier/refs';
import { snapshotOf, stateOf, type Snapshot } from '@/core/courier/snapshot';
import { emptyCourier, nextDue, step } from '@/core/courier/step';
import type { CourierEvent, CourierState, CourierItem, Effect, Found, Policy } from '@/core/courier/types';
import { CALL_LIMIT } from '@/core/courier/waiting';
import { stockShown } from '@/core/price/floor';

import { isUp, Marketplace, type SimOrder } from './marketplace';
import { Random } from './random';
import { Timeline } from './timeline';

export interface SimResult {
  seed: number;
  violations: string[];
  /** What happened, in short lines, to be read when a seed fails. */
  story: string[];
  figures: { orders: number; doubles: number; crashes: number; lostAnswers: number };
}

const POLICY: Policy = {
  brackenmoor: { pollEvery: 30_000, looksFirst: true },
  threadwick: { pollEvery: 3_000, looksFirst: true },
  nearstile: { pollEvery: 3_000, looksFirst: true, showsHolds: true },
  oldhollow: { pollEvery: 15_000, looksFirst: true },
  quirestack: { pollEvery: 3_000, looksFirst: true },
  lanternyard: { pollEvery: 3_000, looksFirst: true },
  handbill: { pollEvery: 3_600_000, byHand: true },
};
/** Worked by hand: nothing there is called, and nobody tells but the person. */
const BY_HAND = 'handbill';
/** Where items in choices go. */
const COUNTING = ['brackenmoor', 'threadwick', 'nearstile', 'lanternyard'];
const DRAFT = ListingDraft.parse({
  title: 'x',
  description: 'x',
  price: 2400,
  currency: 'EUR',
  postage: 420,
  category: 'c',
  condition: 'g',
  specifics: {},
  answers: {},
  pictures: [],
});

/** How much of what there is buyers may see. */
export interface Limits {
  heldBack?: number;
  cap?: number;
}

/** The item of which there are several: two mugs and a jug. */
const SEVERAL = 'many';
const STOCK = { mug: 2, jug: 1 };
const several = (limits: Limits): ListingDraft => ({
  ...DRAFT,
  choices: {
    ...limits,
    options: ['Piece'],
    pieces: Object.entries(STOCK).map(([code, stock]) => ({ code, values: [code], price: 900, stock })),
  },
});
const stockOf = (draft: ListingDraft) =>
  draft.choices ? Object.fromEntries(draft.choices.pieces.map((p) => [p.code, p.stock])) : null;

/** No marketplace keeps a listing of nothing. */
const isNothing = (stock: Record<string, number> | null) =>
  stock !== null && Object.values(stock).every((n) => n === 0);
const nothingToSell = ({
  market,
  ref,
  type,
}: Extract<Effect, { type: 'publish' | 'revise' }>): CourierEvent => ({
  type: 'refused',
  market,
  ref,
  action: type,
  reasons: [{ field: 'choices', message: 'There is nothing to sell.' }],
});

/** The courier's clock at the beginning: no real one stands near zero, not even after a jump. */
const EPOCH = 1_700_000_000_000;
const FAULTS_END = 240_000;
const WORLD_END = 900_000;

/**
 * One simulated evening: people's commands, buyers, seven marketplaces, a network that loses, delays and
 * doubles, outages, keys that run out, listings that end without a word, a clock that jumps, and a courier
 * whose process is killed now and then, once in a while in the middle of writing, and replays its ledger.
 * Virtual time; every choice comes from the seed.
 */
export class World {
  private readonly random: Random;
  private readonly markets: Map<string, Marketplace>;
  private readonly timeline = new Timeline();
  private ids = 0;
  private wakeAt = Infinity;
  private now = 1_000;
  private state: CourierState = emptyCourier();
  private ledger: { event: CourierEvent; at: number }[] = [];
  /** Counts process lives: an answer to a call made in an earlier life is never heard. */
  private life = 0;
  /** Killed, and not started again yet. */
  private asleep = false;
  /** How far the courier's clock is from the evening's, milliseconds. */
  private skew = EPOCH;
  /**
   * How far the machine's clock is off; a process goes by its own steady one, and looks at this one when it
   * begins.
   */
  private jump = 0;
  private readonly knownSold = new Set<string>();
  /** References that somebody asked to take down, or whose item was promised. */
  private readonly askedDown = new Set<string>();
  /** Commands given, and those that were taken down in the ledger. */
  private readonly given = new Set<string>();
  private readonly taken = new Set<string>();
  /** Counts how often the page lost what it knew. */
  private pageLife = 0;
  /** The ledger was lost this evening. */
  private forgot = false;
  private readonly result: SimResult;

  /**
   * @param sabotage changes events before the courier takes them, to prove that the judge notices; null drops
   * one
   * @param limits what of the item in choices is held back, or not shown
   */
  constructor(
    seed: number,
    private readonly sabotage: (event: CourierEvent) => CourierEvent | null = (event) => event,
    private readonly limits: Limits = {},
  ) {
    this.random = new Random(seed);
    this.result = {
      seed,
      violations: [],
      story: [],
      figures: { orders: 0, doubles: 0, crashes: 0, lostAnswers: 0 },
    };
    this.markets = new Map([
      ['brackenmoor', new Marketplace('brackenmoor', { review: false, webhooks: true })],
      ['threadwick', new Marketplace('threadwick', { review: false, webhooks: false })],
      ['nearstile', new Marketplace('nearstile', { review: true, webhooks: false })],
      ['oldhollow', new Marketplace('oldhollow', { review: false, webhooks: true })],
      ['quirestack', new Marketplace('quirestack', { review: true, webhooks: false })],
      ['lanternyard', new Marketplace('lanternyard', { review: false, webhooks: false })],
      [BY_HAND, new Marketplace(BY_HAND, { review: false, webhooks: false })],
    ]);
  }

  run(): SimResult {
    this.plan();
    this.begin();
    for (let next = this.timeline.next(); next && next.at <= WORLD_END; next = this.timeline.next()) {
      this.now = next.at;
      next.run();
      if (this.result.violations.length > 0) return this.result;
    }
    this.judge();
    return this.result;
  }

  // ---- the evening ------------------------------------------------------------------------------

  private plan(): void {
    const r = this.random;
    const names = [...this.markets.keys()];
    const items = r.between(1, 4);
    for (let t = 1; t <= items; t += 1)
      for (const market of names) {
        // The first three see most of it, as before there were seven.
        if (names.indexOf(market) > 2 && r.chance(0.4)) continue;
        const at = r.between(1_000, 60_000);
        if (r.chance(0.85)) this.at(at, () => this.send(`t${t}`, market));
        // Pressed again, changed, withdrawn, put up again.
        if (r.chance(0.3)) this.at(at + r.between(10, 90_000), () => this.send(`t${t}`, market));
        if (r.chance(0.2))
          this.at(at + r.between(10, 90_000), () =>
            this.command({ type: 'withdraw', id: this.id(), item: `t${t}`, market }),
          );
        if (r.chance(0.15)) this.at(at + r.between(90_000, 150_000), () => this.send(`t${t}`, market));
        // Buyers come and buy if it is up just then.
        const times = market === BY_HAND ? 0 : r.between(0, 2);
        for (let n = 0; n < times; n += 1)
          this.at(r.between(5_000, 220_000), () => this.buyer(`t${t}`, market));
        if (market === 'nearstile' && r.chance(0.3))
          this.at(r.between(20_000, 220_000), () =>
            this.command({ type: 'sold', id: this.id(), item: `t${t}`, market, amount: 2000 }),
          );
      }
    const forgets = r.chance(0.12);
    // The ledger is lost: a courier that remembers nothing begins again.
    if (forgets) this.at(r.between(60_000, 200_000), () => this.forget());
    // The page loses all it knew: what it had still to say is never said, and the person sends items anew.
    if (r.chance(0.12))
      this.at(r.between(30_000, 200_000), () => {
        this.tell('THE PAGE IS LOST');
        this.pageLife += 1;
        for (let t = 1; t <= items; t += 1)
          for (const market of names) if (r.chance(0.4)) this.send(`t${t}`, market);
      });
    // Promised, and the promise comes to nothing; a sale comes to nothing.
    for (let t = 1; t <= items; t += 1) {
      if (r.chance(0.35)) {
        const at = r.between(20_000, 150_000);
        const market = names[r.between(0, names.length - 1)]!;
        const elsewhere = r.chance(0.7) ? 'withdraw' : 'leave';
        this.at(at, () => this.command({ type: 'hold', id: this.id(), item: `t${t}`, market, elsewhere }));
        if (r.chance(0.8))
          this.at(at + r.between(500, 60_000), () =>
            this.command({ type: 'release', id: this.id(), item: `t${t}` }),
          );
      }
      if (r.chance(0.5)) this.at(r.between(60_000, 300_000), () => this.undo(`t${t}`));
      if (r.chance(0.2)) this.at(r.between(60_000, 300_000), () => this.undo(`t${t}`));
    }
    if (r.chance(0.4)) this.at(r.between(60_000, 300_000), () => this.undo(SEVERAL));
    if (!forgets && r.chance(0.5))
      for (const market of COUNTING) {
        const at = r.between(1_000, 40_000);
        this.at(at, () => this.send(SEVERAL, market));
        if (r.chance(0.2))
          this.at(at + r.between(10, 90_000), () =>
            this.command({ type: 'withdraw', id: this.id(), item: SEVERAL, market }),
          );
        if (r.chance(0.2)) this.at(at + r.between(60_000, 150_000), () => this.send(SEVERAL, market));
        for (let n = r.between(0, 3); n > 0; n -= 1)
          this.at(r.between(20_000, 220_000), () => this.buyer(SEVERAL, market));
      }
    // Two buyers within the same second.
    if (r.chance(0.6)) {
      const at = r.between(30_000, 200_000);
      for (const market of names)
        if (market !== BY_HAND) this.at(at + r.between(0, 900), () => this.buyer('t1', market));
    }
    for (const market of names)
      if (r.chance(0.4)) {
        const at = r.between(5_000, 180_000);
        this.at(at, () => {
          this.market(market).outageUntil = this.now + r.between(5_000, 60_000);
          this.tell(`${market} is out`);
        });
      }
    // A key runs out; the person fetches another a while later.
    for (const market of names)
      if (market !== BY_HAND && r.chance(0.12)) {
        const at = r.between(20_000, 150_000);
        this.at(at, () => {
          this.market(market).lockedUntil = this.now + r.between(10_000, 80_000);
          this.tell(`${market}: the key runs out`);
        });
      }
    // The machine's clock is set right, or wrong.
    if (r.chance(0.25))
      this.at(r.between(20_000, 200_000), () => {
        this.jump += r.between(-120_000, 120_000);
        this.tell(`the clock jumps, it is ${this.jump} off now`);
      });
    for (let at = 9_000; at < WORLD_END; at += 17_000) this.at(at, () => this.byHand());
    // Listings end there without a word, and are changed there by hand.
    for (const market of names)
      if (market !== BY_HAND && r.chance(0.25))
        this.at(r.between(30_000, 220_000), () => this.meddle(market));
    for (let at = 45_000; at < WORLD_END; at += 60_000) this.at(at, () => this.compareAll());
    for (let at = 1_000; at < WORLD_END; at += 2_000) this.at(at, () => this.compareAll(true));
    const crashes = r.between(0, 3);
    for (let n = 0; n < crashes; n += 1) this.at(r.between(2_000, 230_000), () => this.crash());
    for (let at = 2_000; at < WORLD_END; at += 2_000) this.at(at, () => this.reviews());
  }

  private send(item: string, market: string): void {
    const draft = item === SEVERAL ? several(this.limits) : DRAFT;
    this.command({ type: 'send', id: this.id(), item, market, draft });
  }

  /** The person says that a sale came to nothing, and puts the item up again. */
  private undo(id: string): void {
    const item = this.state.items.get(id);
    const all = [
      ...(item?.sale ? [item.sale] : []),
      ...(item?.pieceSales ?? []),
      ...(item?.laterSales ?? []),
    ];
    const sale = all[this.random.between(0, Math.max(0, all.length - 1))];
    if (this.asleep || !sale) return;
    this.command({ type: 'undo', id: this.id(), item: id, order: sale.order, why: 'returned' });
    const markets = Object.keys(item?.listings ?? {}).filter(() => this.random.chance(0.6));
    for (const market of markets)
      this.at(this.now + this.random.between(500, 30_000), () => this.send(id, market));
  }

  /** Every line of the ledger is lost; what stands at the marketplaces is not. */
  private forget(): void {
    this.tell('THE LEDGER IS LOST');
    this.forgot = true;
    this.ledger = [];
    this.knownSold.clear();
    this.given.clear();
    this.crash();
  }

  private command(command: Command, pageLife = this.pageLife): void {
    if (pageLife !== this.pageLife) {
      this.given.delete(command.id);
      return;
    }
    this.given.add(command.id);
    // Nobody is there to take it: the page says so, and the person presses again later.
    if (this.asleep) {
      this.at(this.now + this.random.between(1_000, 5_000), () => this.command(command, pageLife));
      return;
    }
    this.tell(`person: ${command.type} ${command.item} ${'market' in command ? command.market : ''}`);
    this.take({ type: 'command', command });
  }

  private buyer(item: string, name: string): void {
    const market = this.market(name);
    const listing = market.listings.find((l) => l.ref.startsWith(`${item}.`) && l.state === 'live');
    if (!listing || market.outageUntil > this.now) return;
    const news = market.buy(listing, this.now, this.random.between(0, 9));
    if (!news) return;
    this.tell(`buyer: ${listing.ref} on ${name}`);
    this.webhook(market, [news]);
  }

  /** The person works a marketplace by hand: puts up and takes down what waits there, and says so. */
  private byHand(): void {
    if (this.asleep) return;
    if (this.forgot) this.remindByHand();
    const market = this.market(BY_HAND);
    for (const item of [...this.state.items.values()]) {
      const listing = item.listings[BY_HAND];
      if (!listing?.job || this.random.chance(0.3)) continue;
      const about = { id: this.id(), item: item.id, market: BY_HAND };
      if (listing.job.action === 'withdraw') {
        market.withdraw(listing.ref);
        this.command({ type: 'handDown', ...about });
      } else {
        // A notice written anew has nothing to do with an old one, whatever the courier calls it.
        for (const old of market.listings)
          if (old.ref === listing.ref && !isUp(old)) old.ref = `${old.ref}~`;
          // The person sees the board: what hangs there of the same item is taken down first.
          else if (old.ref !== listing.ref && old.ref.startsWith(`${item.id}.`) && isUp(old))
            old.state = 'ended';
        market.publish(listing.ref, this.now);
        this.command({ type: 'handUp', ...about, url: `/${listing.ref}` });
      }
    }
  }

  /**
   * What hangs there and the courier forgot, the person tells it of again; sold meanwhile, it is taken down.
   */
  private remindByHand(): void {
    const market = this.market(BY_HAND);
    for (const l of market.listings.filter(isUp)) {
      const id = l.ref.split('.')[0] ?? '';
      const item = this.state.items.get(id);
      if (item?.listings[BY_HAND] && !isOver(item.listings[BY_HAND])) continue;
      // Taken down, and written anew where it may still be sold.
      Object.assign(l, { state: 'ended', ref: `${l.ref}~` });
      if (!item?.sale) this.send(id, BY_HAND);
    }
  }

  private meddle(name: string): void {
    const up = this.market(name).listings.filter((l) => l.state === 'live');
    if (up.length === 0) return;
    const listing = up[this.random.between(0, up.length - 1)]!;
    this.tell(`${name}: ends ${listing.ref} without a word`);
    listing.state = 'ended';
  }

  /**
   * As the server does: the list is asked for, comes a little later, and is compared with what is known by
   * then.
   */
  private compareAll(needsFirstSyncOnly = false): void {
    for (const market of this.markets.values()) {
      if (needsFirstSyncOnly && !this.state.markets.get(market.name)?.needsFirstSync) continue;
      const life = this.life;
      const asked = this.now;
      const askedByClock = asked + this.skew;
      if (this.asleep || market.name === BY_HAND || market.outageUntil > asked || market.lockedUntil > asked)
        continue;
      const shown = market.listings.filter(isUp).map((l) => ({
        ref: l.ref,
        remoteId: l.id,
        url: `/${l.id}`,
        title: DRAFT.title,
        price: DRAFT.price,
      }));
      this.at(asked + this.random.between(20, 9_000), () => {
        if (life !== this.life || this.asleep) return;
        const { missing, stale, edited, found, duplicates } = compareShown(
          this.state,
          market.name,
          shown,
          askedByClock,
          true,
        );
        const gone = missing.filter((ref) => !market.listings.some((l) => l.ref === ref && isUp(l)));
        const lost = market.listings
          .filter((l) => found.includes(l.ref))
          .map((l): Found => ({
            ref: l.ref,
            remoteId: l.id,
            url: `/${l.id}`,
            state: l.state === 'inReview' ? 'inReview' : 'live',
            draft: DRAFT,
            listedAt: null,
          }));
        if (gone.length + stale.length + edited.length + lost.length + duplicates.length > 0) {
          if (lost.length + duplicates.length > 0)
            this.tell(`  ${market.name}: found ${[...found, ...duplicates.map((x) => x.ref)].join()}`);
          this.take({ type: 'strays', market: market.name, gone, stale, edited, found: lost, duplicates });
        }
        if (life === this.life && this.state.markets.get(market.name)?.needsFirstSync)
          this.take({ type: 'firstSyncDone', market: market.name });
      });
    }
  }

  private reviews(): void {
    for (const market of this.markets.values())
      if (market.style.review)
        this.webhook(
          market,
          market.review(this.now, () => this.random.chance(0.15)),
        );
  }

  /** Webhooks come late, twice, out of order, or not at all. */
  private webhook(market: Marketplace, news: Marketplace['feed']): void {
    if (!market.style.webhooks || news.length === 0) return;
    const r = this.random;
    const copies = r.chance(this.faulty(0.2)) ? 0 : r.chance(this.faulty(0.2)) ? 2 : 1;
    for (let n = 0; n < copies; n += 1) {
      const life = this.life;
      this.at(this.now + r.between(20, 3_000), () => {
        if (life === this.life && !this.asleep)
          this.take({ type: 'news', market: market.name, news, cursor: null });
      });
    }
  }

  // ---- the courier's process -----------------------------------------------------------------------

  private begin(): void {
    this.asleep = false;
    // It never begins before what it last wrote down.
    this.skew = Math.max(EPOCH + this.jump, (this.ledger.at(-1)?.at ?? 0) - this.now);
    this.take({ type: 'started', markets: [...this.markets.keys()] });
    this.wake();
  }

  private crash(): void {
    this.life += 1;
    this.asleep = true;
    this.wakeAt = Infinity;
    this.result.figures.crashes += 1;
    this.tell('KILLED');
    const asleep = this.random.between(100, 15_000);
    this.state = this.remembered();
    const life = this.life;
    this.at(this.now + asleep, () => {
      if (life === this.life) this.begin();
    });
  }

  /** What comes out of the whole ledger; the same has to come out of a snapshot and the lines after it. */
  private remembered(): CourierState {
    const cut = this.random.between(0, this.ledger.length);
    const read = (state: CourierState, from: number, to: number) => {
      for (const { event, at } of this.ledger.slice(from, to)) step(state, event, at, POLICY);
      return state;
    };
    const first = JSON.stringify(snapshotOf(read(emptyCourier(), 0, cut)));
    const half = stateOf(JSON.parse(first) as Snapshot);
    const whole = read(emptyCourier(), 0, this.ledger.length);
    if (
      !half ||
      JSON.stringify(snapshotOf(read(half, cut, this.ledger.length))) !== JSON.stringify(snapshotOf(whole))
    )
      this.result.violations.push(`a snapshot at line ${cut} remembers otherwise than the ledger`);
    return whole;
  }

  private take(given: CourierEvent): void {
    const event = this.sabotage(given);
    if (!event) return;
    // Torn: power goes while the line is written, so it is not there afterwards, and nothing was done because
    // of it.
    if (
      isKept(event) &&
      event.type !== 'started' &&
      event.type !== 'publishDispatched' &&
      this.random.chance(this.faulty(0.004))
    ) {
      this.tell(`the line of “${event.type}” is torn`);
      if (event.type === 'command') {
        const { pageLife } = this;
        this.at(this.now + 20_000, () => this.command(event.command, pageLife));
      }
      this.crash();
      return;
    }
    const clock = this.now + this.skew;
    if (isKept(event)) this.ledger.push({ event, at: clock });
    if (event.type === 'command') this.noteAsked(event.command);
    const { effects, refusal } = step(this.state, event, clock, POLICY);
    if (refusal) this.tell(`  refused: ${refusal}`);
    for (const effect of effects)
      if (effect.type === 'publish')
        this.take({ type: 'publishDispatched', market: effect.market, ref: effect.ref });
    for (const item of this.state.items.values())
      if (item.sale) this.knownSold.add(item.id);
      else this.knownSold.delete(item.id);
    for (const effect of effects) this.carryOut(effect);
    if (event.type !== 'tick') this.wake();
  }

  /** What a command gives leave to take down. */
  private noteAsked(command: Command): void {
    this.taken.add(command.id);
    const listings = Object.values(this.state.items.get(command.item)?.listings ?? {});
    if (command.type === 'withdraw' || command.type === 'hold')
      for (const l of listings)
        if ((l.market === command.market) === (command.type === 'withdraw')) this.askedDown.add(l.ref);
  }

  private wake(): void {
    const due = nextDue(this.state);
    if (due === null) return;
    const life = this.life;
    const at = Math.max(due - this.skew, this.now);
    if (at >= this.wakeAt) return;
    this.wakeAt = at;
    this.at(at, () => {
      if (life !== this.life || this.wakeAt !== at) return;
      this.wakeAt = Infinity;
      this.take({ type: 'tick' });
      this.wake();
    });
  }

  /** One call over a bad network: the request may be lost, late, or done with its answer lost. */
  private carryOut(effect: Effect): void {
    const r = this.random;
    const life = this.life;
    if (effect.type === 'publish' && this.knownSold.has(effect.item))
      this.result.violations.push(`published ${effect.ref} at ${this.now}, after its sale was known`);
    if (effect.type === 'withdraw' && !this.mayGoDown(effect))
      this.result.violations.push(`withdrew ${effect.ref} at ${this.now}, and nobody had asked for that`);
    const arrives = this.now + r.between(5, r.chance(this.faulty(0.1)) ? 25_000 : 400);
    const answers = arrives + r.between(5, r.chance(this.faulty(0.1)) ? 12_000 : 400);
    const lost = r.chance(this.faulty(0.1));
    const forgotten = r.chance(this.faulty(0.15));
    if (forgotten) this.result.figures.lostAnswers += 1;
    let answer: CourierEvent = this.failure(effect, 'no answer', true);
    if (!lost)
      this.at(arrives, () => {
        answer = this.reach(effect);
      });
    const limit = this.now + CALL_LIMIT;
    const heard = !lost && !forgotten && answers <= limit;
    this.at(heard ? answers : limit, () => {
      if (life !== this.life) return;
      this.take(heard ? answer : this.failure(effect, 'no answer', true));
    });
  }

  /** Sold, held, asked for, or over already and still shown; after a loss of memory, twice there. */
  private mayGoDown({ item, market, ref }: Extract<Effect, { type: 'withdraw' }>): boolean {
    const known = this.state.items.get(item);
    const sold = known?.sale || known?.pastSales?.length || known?.pieceSales.length;
    return Boolean(sold) || this.askedDown.has(ref) || this.forgot || known?.listings[market]?.ref !== ref;
  }

  private failure(
    effect: Effect,
    trouble: string,
    unclear: boolean,
    retryAfter: number | null = null,
  ): CourierEvent {
    return effect.type === 'poll'
      ? { type: 'pollFailed', market: effect.market, trouble, retryAfter }
      : {
          type: 'failed',
          market: effect.market,
          ref: effect.ref,
          action: effect.type,
          trouble,
          unclear,
          retryAfter,
        };
  }

  private reach(effect: Effect): CourierEvent {
    const market = this.market(effect.market);
    if (market.lockedUntil > this.now) return this.failure(effect, 'no key', false, 10_000);
    if (market.outageUntil > this.now) return this.failure(effect, 'out', false);
    if (this.random.chance(this.faulty(0.05)))
      return this.failure(effect, 'slow down', false, this.random.between(500, 8_000));
    switch (effect.type) {
      case 'publish': {
        if (isNothing(stockOf(effect.draft))) return nothingToSell(effect);
        const l = market.publish(effect.ref, this.now, stockOf(effect.draft));
        this.tell(`  ${market.name}: publish ${effect.ref} -> ${l.state}`);
        // Like a real service, it answers a repeated call with what became of the listing.
        if (l.state === 'live' || l.state === 'inReview')
          return {
            type: 'published',
            market: market.name,
            ref: l.ref,
            remoteId: l.id,
            url: `/${l.id}`,
            state: l.state,
          };
        const news = l.state === 'sold' ? market.whyOver(l) : market.feed.filter((n) => n.ref === l.ref);
        return news.length > 0
          ? { type: 'news', market: market.name, news, cursor: null }
          : { type: 'withdrawn', market: market.name, ref: l.ref };
      }
      case 'revise':
        if (isNothing(stockOf(effect.draft))) return nothingToSell(effect);
        market.restock(effect.ref, stockOf(effect.draft));
        return { type: 'revised', market: market.name, ref: effect.ref };
      case 'withdraw': {
        const outcome = market.withdraw(effect.ref);
        this.tell(
          `  ${market.name}: withdraw ${effect.ref} -> ${typeof outcome === 'string' ? outcome : 'sold'}`,
        );
        if (outcome === 'withdrawn' || outcome === 'absent')
          return { type: outcome, market: market.name, ref: effect.ref };
        return { type: 'news', market: market.name, news: outcome, cursor: null };
      }
      case 'poll': {
        const from = Number(effect.cursor ?? 0);
        const news = market.feed.slice(from, from + 5);
        const cursor = String(from + news.length);
        if (news.length === 0) return { type: 'quiet', market: market.name, cursor };
        const shown = this.random.chance(this.faulty(0.2)) ? [...news, ...news].reverse() : news;
        return { type: 'news', market: market.name, news: shown, cursor };
      }
    }
  }

  // ---- judging --------------------------------------------------------------------------------------

  private judge(): void {
    const { violations, figures } = this.result;
    const orders = [...this.markets.values()].flatMap((m) => m.orders);
    figures.orders = orders.length;
    // After all memory is lost, calls of the life before may still make a second listing: then what counts is
    // that it is put right.
    for (const market of this.markets.values()) if (!this.forgot) violations.push(...market.violations);
    for (const id of this.given) if (!this.taken.has(id)) violations.push(`command ${id} was lost`);
    const items = new Set([...this.state.items.keys(), ...orders.map((o) => o.ref.split('.')[0] ?? '')]);
    for (const id of items) {
      const item = this.state.items.get(id);
      const mine = orders.filter((o) => o.ref.startsWith(`${id}.`));
      const pieces = item?.pieceSales ?? [];
      const past = item?.pastSales ?? [];
      const counted = [...(item?.sale ? [item.sale] : []), ...(item?.laterSales ?? []), ...pieces];
      const known = [...counted, ...past];
      if (id === SEVERAL) {
        this.judgeStock(mine, item);
        if (!item?.sale) continue;
      }
      for (const order of mine)
        if (!known.some((s) => s.order === order.id)) violations.push(`sale ${order.id} of ${id} was lost`);
      if (mine.length > 1) figures.doubles += 1;
      if (
        id !== SEVERAL &&
        mine.length > 1 &&
        (item?.laterSales.filter((s) => !s.settled).length ?? 0) <
          mine.filter((o) => !past.some((s) => s.order === o.id)).length - 1
      )
        violations.push(`${id} was sold twice and nobody was told`);
      const earliest = Math.min(...counted.map((s) => s.at));
      if (id !== SEVERAL && item?.sale && item.sale.at !== earliest)
        violations.push(`${id}: the earlier sale did not stay`);
      if (item?.sale) {
        for (const market of this.markets.values())
          for (const l of market.listings)
            if (l.ref.startsWith(`${id}.`) && isUp(l)) violations.push(`${l.ref} is still up after the sale`);
        if (!item.closing?.doneAt) violations.push(`the closing of ${id} never ended`);
      }
      for (const market of this.markets.values()) {
        const up = market.listings.filter((l) => l.ref.startsWith(`${id}.`) && isUp(l)).length;
        if (up > 1) violations.push(`${up} listings of ${id} stayed up on ${market.name}`);
      }
      for (const l of Object.values(item?.listings ?? {})) {
        const there = this.market(l.market).listings.find((x) => x.ref === l.ref);
        if (isOver(l) && there && isUp(there))
          violations.push(`${l.ref} is up though the courier holds it over`);
        if (l.state === 'live' && l.want === 'live' && !(there && isUp(there)))
          violations.push(`${l.ref} is held to be live, but nobody sees it`);
        if (!isOver(l) && l.job) violations.push(`${l.ref}: ${l.job.action} never came to an end`);
      }
    }
  }

  /** What was there is sold or still there; one sold too often is told. */
  private judgeStock(orders: readonly SimOrder[], item: CourierItem | undefined): void {
    const { violations } = this.result;
    for (const order of orders) {
      const same = (s: { order: string }) => s.order === order.id;
      const past = item?.pastSales?.some(same);
      if (!past && !item?.pieceSales.some(same) && !item?.laterSales.some(same))
        violations.push(`sale ${order.id} of ${SEVERAL} was lost`);
    }
    for (const [code, stock] of Object.entries(STOCK)) {
      const sold = item?.pieceSales.filter((s) => s.piece === code).length ?? 0;
      if (sold > stock) violations.push(`${sold} of ${stock} ${code} counted as sold`);
      const undone = (o: SimOrder) => item?.pastSales?.some((s) => s.order === o.id);
      const ordered = orders.filter((o) => o.piece === code && !undone(o)).length;
      const told = item?.laterSales.filter((s) => s.piece === code).length ?? 0;
      if (Math.max(0, ordered - stock) !== told)
        violations.push(`${ordered} of ${stock} ${code} ordered, ${told} told of as too many`);
      if (!item?.sale)
        for (const market of this.markets.values())
          for (const l of market.listings)
            if (l.ref.startsWith(`${SEVERAL}.`) && l.state === 'live') {
              const shown = (l.stock?.[code] ?? 0) - (l.sold[code] ?? 0);
              const most = stockShown(stock - sold, this.limits.heldBack ?? 0, this.limits.cap ?? null);
              if (shown > most)
                violations.push(
                  `${l.ref} still shows ${shown} ${code}, there are ${stock - sold} and ${most} to show`,
                );
            }
    }
  }

  // ---- small items ---------------------------------------------------------------------------------

  /** The chance of a fault: none any more once the evening's troubles are over. */
  private faulty(p: number): number {
    return this.now < FAULTS_END ? p : 0;
  }

  private at(at: number, run: () => void): void {
    this.timeline.add(at, run);
  }

  private id(): string {
    return `c${(this.ids += 1)}`;
  }

  private market(name: string): Marketplace {
    const market = this.markets.get(name);
    if (!market) throw new Error(`no marketplace ${name}`);
    return market;
  }

  private tell(line: string): void {
    this.result.story.push(`${(this.now / 1000).toFixed(1).padStart(7)}s ${line}`);
  }
}
