import { ListingDraft, type Command } from '@/contract/courier';
import { isKept } from '@/core/courier/kept';
import { emptyCourier, isOver, nextDue, step } from '@/core/courier/step';
import type { CourierEvent, CourierState, Effect, Policy } from '@/core/courier/types';
import { CALL_LIMIT } from '@/core/courier/waiting';

import { isUp, Marketplace } from './marketplace';
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
  brackenmoor: { pollEvery: 30_000 },
  threadwick: { pollEvery: 3_000 },
  nearstile: { pollEvery: 3_000 },
};
const DRAFT = ListingDraft.parse({
  title: 'x', description: 'x', price: 2400, currency: 'EUR', postage: 420, category: 'c', condition: 'g',
  specifics: {}, answers: {}, pictures: [],
}); // prettier-ignore

const FAULTS_END = 240_000;
const WORLD_END = 900_000;

/**
 * One simulated evening: people's commands, buyers, three marketplaces, a network that loses,
 * delays and doubles, outages, and a courier whose process is killed now and then and replays its
 * ledger. Virtual time; every choice comes from the seed.
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
  private readonly knownSold = new Set<string>();
  private readonly result: SimResult;

  /** @param sabotage changes events before the courier takes them, to prove that the judge notices; null drops one */
  constructor(
    seed: number,
    private readonly sabotage: (event: CourierEvent) => CourierEvent | null = (event) => event,
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
    const things = r.between(1, 4);
    for (let t = 1; t <= things; t += 1)
      for (const market of names) {
        const at = r.between(1_000, 60_000);
        if (r.chance(0.85)) this.at(at, () => this.send(`t${t}`, market));
        // Pressed again, changed, withdrawn, put up again.
        if (r.chance(0.3)) this.at(at + r.between(10, 90_000), () => this.send(`t${t}`, market));
        if (r.chance(0.2))
          this.at(at + r.between(10, 90_000), () =>
            this.command({ type: 'withdraw', id: this.id(), thing: `t${t}`, market }),
          );
        if (r.chance(0.15)) this.at(at + r.between(90_000, 150_000), () => this.send(`t${t}`, market));
        // Buyers come and buy if it is up just then.
        const times = r.between(0, 2);
        for (let n = 0; n < times; n += 1)
          this.at(r.between(5_000, 220_000), () => this.buyer(`t${t}`, market));
        if (market === 'nearstile' && r.chance(0.3))
          this.at(r.between(20_000, 220_000), () =>
            this.command({ type: 'sold', id: this.id(), thing: `t${t}`, market, amount: 2000 }),
          );
      }
    // Two buyers within the same second.
    if (r.chance(0.6)) {
      const at = r.between(30_000, 200_000);
      for (const market of names) this.at(at + r.between(0, 900), () => this.buyer('t1', market));
    }
    for (const market of names)
      if (r.chance(0.4)) {
        const at = r.between(5_000, 180_000);
        this.at(at, () => {
          this.market(market).outageUntil = this.now + r.between(5_000, 60_000);
          this.tell(`${market} is out`);
        });
      }
    const crashes = r.between(0, 3);
    for (let n = 0; n < crashes; n += 1) this.at(r.between(2_000, 230_000), () => this.crash());
    for (let at = 2_000; at < WORLD_END; at += 2_000) this.at(at, () => this.reviews());
  }

  private send(thing: string, market: string): void {
    this.command({ type: 'send', id: this.id(), thing, market, draft: DRAFT });
  }

  private command(command: Command): void {
    this.tell(`person: ${command.type} ${command.thing} ${'market' in command ? command.market : ''}`);
    this.take({ type: 'command', command });
  }

  private buyer(thing: string, name: string): void {
    const market = this.market(name);
    const listing = market.listings.find((l) => l.ref.startsWith(`${thing}.`) && l.state === 'live');
    if (!listing || market.outageUntil > this.now) return;
    const news = market.buy(listing, this.now);
    this.tell(`buyer: ${listing.ref} on ${name}`);
    this.webhook(market, [news]);
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
        if (life === this.life) this.take({ type: 'news', market: market.name, news, cursor: null });
      });
    }
  }

  // ---- the courier's process -----------------------------------------------------------------------

  private begin(): void {
    this.take({ type: 'started', markets: [...this.markets.keys()] });
    this.wake();
  }

  private crash(): void {
    this.life += 1;
    this.wakeAt = Infinity;
    this.result.figures.crashes += 1;
    this.tell('KILLED');
    const asleep = this.random.between(100, 15_000);
    this.state = emptyCourier();
    for (const { event, at } of this.ledger) step(this.state, event, at, POLICY);
    const life = this.life;
    this.at(this.now + asleep, () => {
      if (life === this.life) this.begin();
    });
  }

  private take(given: CourierEvent): void {
    const event = this.sabotage(given);
    if (!event) return;
    if (isKept(event)) this.ledger.push({ event, at: this.now });
    const { effects, refusal } = step(this.state, event, this.now, POLICY);
    if (refusal) this.tell(`  refused: ${refusal}`);
    for (const effect of effects)
      if (effect.kind === 'publish') this.take({ type: 'letOut', market: effect.market, ref: effect.ref });
    for (const thing of this.state.things.values()) if (thing.sale) this.knownSold.add(thing.id);
    for (const effect of effects) this.carryOut(effect);
    if (event.type !== 'tick') this.wake();
  }

  private wake(): void {
    const due = nextDue(this.state);
    if (due === null) return;
    const life = this.life;
    const at = Math.max(due, this.now);
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
    if (effect.kind === 'publish' && this.knownSold.has(effect.thing))
      this.result.violations.push(`published ${effect.ref} at ${this.now}, after its sale was known`);
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

  private failure(
    effect: Effect,
    trouble: string,
    unclear: boolean,
    retryAfter: number | null = null,
  ): CourierEvent {
    return effect.kind === 'poll'
      ? { type: 'pollFailed', market: effect.market, trouble, retryAfter }
      : {
          type: 'failed',
          market: effect.market,
          ref: effect.ref,
          action: effect.kind,
          trouble,
          unclear,
          retryAfter,
        };
  }

  private reach(effect: Effect): CourierEvent {
    const market = this.market(effect.market);
    if (market.outageUntil > this.now) return this.failure(effect, 'out', false);
    if (this.random.chance(this.faulty(0.05)))
      return this.failure(effect, 'slow down', false, this.random.between(500, 8_000));
    switch (effect.kind) {
      case 'publish': {
        const l = market.publish(effect.ref, this.now);
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
        const news = market.feed.filter((n) => n.ref === l.ref);
        return news.length > 0
          ? { type: 'news', market: market.name, news, cursor: null }
          : { type: 'withdrawn', market: market.name, ref: l.ref };
      }
      case 'revise':
        return { type: 'revised', market: market.name, ref: effect.ref };
      case 'withdraw': {
        const outcome = market.withdraw(effect.ref);
        this.tell(
          `  ${market.name}: withdraw ${effect.ref} -> ${typeof outcome === 'string' ? outcome : 'sold'}`,
        );
        if (outcome === 'withdrawn' || outcome === 'absent')
          return { type: outcome, market: market.name, ref: effect.ref };
        return { type: 'news', market: market.name, news: [outcome], cursor: null };
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
    for (const market of this.markets.values()) violations.push(...market.violations);
    const things = new Set([...this.state.things.keys(), ...orders.map((o) => o.ref.split('.')[0] ?? '')]);
    for (const id of things) {
      const thing = this.state.things.get(id);
      const mine = orders.filter((o) => o.ref.startsWith(`${id}.`));
      const known = [...(thing?.sale ? [thing.sale] : []), ...(thing?.laterSales ?? [])];
      for (const order of mine)
        if (!known.some((s) => s.order === order.id)) violations.push(`sale ${order.id} of ${id} was lost`);
      if (mine.length > 1) figures.doubles += 1;
      if (mine.length > 1 && (thing?.laterSales.filter((s) => !s.settled).length ?? 0) < mine.length - 1)
        violations.push(`${id} was sold twice and nobody was told`);
      const earliest = Math.min(...known.map((s) => s.at));
      if (thing?.sale && thing.sale.at !== earliest) violations.push(`${id}: the earlier sale did not stay`);
      if (thing?.sale) {
        for (const market of this.markets.values())
          for (const l of market.listings)
            if (l.ref.startsWith(`${id}.`) && isUp(l)) violations.push(`${l.ref} is still up after the sale`);
        if (!thing.closing?.doneAt) violations.push(`the closing of ${id} never ended`);
      }
      for (const l of Object.values(thing?.listings ?? {})) {
        const there = this.market(l.market).listings.find((x) => x.ref === l.ref);
        if (isOver(l) && there && isUp(there))
          violations.push(`${l.ref} is up though the courier holds it over`);
        if (!isOver(l) && l.job) violations.push(`${l.ref}: ${l.job.action} never came to an end`);
      }
    }
  }

  // ---- small things ---------------------------------------------------------------------------------

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
