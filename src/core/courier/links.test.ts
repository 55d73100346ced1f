import { ListingDraft, type Command } from '@/contract/courier';

import { emptyCourier, nextDue, step } from './step';
import type { CourierEvent, CourierState, Effect, Policy } from './types';
import { viewOf } from './view';

const POLICY: Policy = { moor: { pollEvery: 60_000 }, wick: { pollEvery: 3_000 }, bill: { pollEvery: 60_000, byHand: true } }; // prettier-ignore
const DRAFT = ListingDraft.parse({
  title: 'Gansey', description: '', price: 4_800, currency: 'EUR', postage: 420, category: 'c', condition: 'g', specifics: {}, answers: {}, pictures: [],
}); // prettier-ignore

/** A courier with two marketplaces that are called and one that is worked by hand. */
class Desk {
  state: CourierState = emptyCourier();
  now = 1_000;
  private ids = 0;
  constructor() {
    this.take({ type: 'started', markets: ['moor', 'wick', 'bill'] });
  }
  take(event: CourierEvent) {
    return step(this.state, event, this.now, POLICY);
  }
  /** @returns why it was not taken; null when it was */
  ask(command: Record<string, unknown>): string | null {
    const whole = { thing: 't', id: `c${(this.ids += 1)}`, ...command } as unknown as Command;
    return this.take({ type: 'command', command: whole }).refusal;
  }
  send(market: string, more: object = {}) {
    return this.ask({ type: 'send', market, draft: DRAFT, ...more });
  }
  /** What is let out after a while, polls aside. */
  tick(later = 0): string[] {
    this.now += later;
    const { effects } = this.take({ type: 'tick' });
    const out = effects.filter((e): e is Exclude<Effect, { kind: 'poll' }> => e.kind !== 'poll');
    for (const e of out)
      if (e.kind === 'publish') this.take({ type: 'letOut', market: e.market, ref: e.ref });
    return out.map((e) => `${e.kind} ${e.market}`);
  }
  live(market: string) {
    this.take({ type: 'published', market, ref: `t.${market}.1`, remoteId: '1', url: '/1', state: 'live' });
  }
  sold(market: string) {
    const news = [{ kind: 'sale' as const, ref: `t.${market}.1`, remoteId: '1', order: 'o1', amount: 4_800, postage: 0, fees: 0, at: this.now }]; // prettier-ignore
    this.take({ type: 'news', market, news, cursor: null });
  }
  view(market: string) {
    return viewOf(this.state.things.get('t')!).listings.find((l) => l.market === market)!;
  }
  get closing() {
    return this.state.things.get('t')?.closing;
  }
}

describe('a marketplace worked by hand', () => {
  it('is never called: it waits for the person, however long', () => {
    const desk = new Desk();
    desk.send('bill');
    expect(desk.tick(86_400_000)).toEqual([]);
    expect(desk.view('bill')).toMatchObject({ state: 'onItsWay', doing: 'publish', nextTryAt: null });
    expect(desk.ask({ type: 'handUp', market: 'bill', url: '/notice/1' })).toBeNull();
    expect(desk.view('bill')).toMatchObject({ state: 'live', url: '/notice/1', listedAt: desk.now });
  });
  it('keeps the closing open until the person took it down', () => {
    const desk = new Desk();
    desk.send('moor');
    desk.send('bill');
    desk.tick();
    desk.live('moor');
    desk.ask({ type: 'handUp', market: 'bill', url: '/notice/1' });
    desk.sold('moor');
    expect(desk.tick(3_600_000)).toEqual([]);
    expect(desk.closing?.doneAt).toBeNull();
    expect(desk.ask({ type: 'handDown', market: 'bill' })).toBeNull();
    expect(desk.closing?.doneAt).toBe(desk.now);
    expect(desk.view('bill').state).toBe('ended');
  });
  it('still waits after a restart', () => {
    const desk = new Desk();
    desk.send('bill');
    desk.take({ type: 'started', markets: ['moor', 'wick', 'bill'] });
    expect(desk.tick(60_000)).toEqual([]);
    expect(desk.view('bill').doing).toBe('publish');
  });
  it('takes a sale made there as the end of it there', () => {
    const desk = new Desk();
    desk.send('wick');
    desk.send('bill');
    desk.tick();
    desk.live('wick');
    desk.ask({ type: 'handUp', market: 'bill', url: '/notice/1' });
    expect(desk.ask({ type: 'sold', market: 'bill', amount: 4_000 })).toBeNull();
    expect(desk.view('bill').state).toBe('sold');
    expect(desk.tick()).toEqual(['withdraw wick']);
  });
  it.each([
    [{ type: 'handUp', market: 'moor', url: '/1' }, /by itself/],
    [{ type: 'handDown', market: 'moor' }, /by itself/],
    [{ type: 'handUp', market: 'bill', url: '/1' }, /Nothing waits/],
    [{ type: 'handDown', market: 'bill' }, /not listed/],
  ])('refuses what makes no sense: %j', (command, why) => expect(new Desk().ask(command)).toMatch(why));
});

describe('a connection', () => {
  const link = (desk: Desk, state: 'connected' | 'paused' | 'off') =>
    desk.take({ type: 'connection', market: 'wick', link: state });
  it('that is paused keeps new work, and lets a withdrawal through', () => {
    const desk = new Desk();
    desk.send('moor');
    desk.send('wick');
    desk.tick();
    desk.live('moor');
    desk.live('wick');
    link(desk, 'paused');
    desk.send('wick');
    expect(desk.tick(1_000)).toEqual([]);
    desk.sold('moor');
    expect(desk.tick(1)).toEqual(['withdraw wick']);
  });
  it('goes on with what waited', () => {
    const desk = new Desk();
    link(desk, 'paused');
    expect(desk.send('wick')).toBeNull();
    expect(desk.tick(1_000)).toEqual([]);
    link(desk, 'connected');
    expect(desk.tick()).toEqual(['publish wick']);
  });
  it('that is off takes nothing, and is asked nothing', () => {
    const desk = new Desk();
    link(desk, 'off');
    expect(desk.send('wick')).toMatch(/not connected/);
    const { effects } = desk.take({ type: 'tick' });
    expect(effects.filter((e) => e.market === 'wick')).toEqual([]);
  });
  it('outlives a restart', () => {
    const desk = new Desk();
    link(desk, 'paused');
    desk.take({ type: 'started', markets: ['moor', 'wick', 'bill'] });
    expect(desk.state.markets.get('wick')?.link).toBe('paused');
  });
  it('whose key ran out is told apart from one that is away', () => {
    const desk = new Desk();
    desk.take({ type: 'pollFailed', market: 'wick', trouble: 'no key', retryAfter: null, locked: true });
    expect(desk.state.markets.get('wick')).toMatchObject({ locked: true, failures: 1 });
    desk.take({ type: 'quiet', market: 'wick', cursor: '1' });
    expect(desk.state.markets.get('wick')).toMatchObject({ locked: false, failures: 0 });
  });
});

describe('a time to be sent at', () => {
  it('is waited for, also over a restart, and then it goes', () => {
    const desk = new Desk();
    desk.send('moor', { notBefore: 50_000 });
    expect(desk.tick()).toEqual([]);
    desk.take({ type: 'started', markets: ['moor', 'wick', 'bill'] });
    expect(desk.tick(1_000)).toEqual([]);
    expect(desk.view('moor').nextTryAt).toBe(50_000);
    expect(nextDue(desk.state)).toBeLessThanOrEqual(50_000);
    desk.now = 50_000;
    expect(desk.tick()).toEqual(['publish moor']);
  });
  it('in the past is now', () => {
    const desk = new Desk();
    desk.send('moor', { notBefore: 5 });
    expect(desk.tick()).toEqual(['publish moor']);
  });
  it('never comes for what was sold elsewhere meanwhile', () => {
    const desk = new Desk();
    desk.send('moor');
    desk.send('wick', { notBefore: 50_000 });
    desk.tick();
    desk.live('moor');
    desk.sold('moor');
    expect(desk.tick(60_000)).toEqual([]);
    expect(desk.closing?.doneAt).not.toBeNull();
  });
});
