import { ListingDraft, type Command } from '@/contract/courier';

import { isKept } from './kept';
import { compareShown } from './reconcile';
import { generationOf, isOver, refOf, itemBehind, itemOfRef } from './refs';
import { snapshotOf, SNAPSHOT_VERSION, stateOf } from './snapshot';
import { emptyCourier, nextDue, step } from './step';
import type { CourierEvent, CourierListing, CourierState, Policy } from './types';
import { viewOf } from './view';
import { CALL_LIMIT, FAULT_WAIT, LATE_PUBLISH, MOST_FAULTS, NEVER, REST_AFTER, waitAfter } from './waiting';

const POLL = 600_000;
const POLICY: Policy = {
  moor: { pollEvery: POLL },
  wick: { pollEvery: POLL },
  paper: { pollEvery: POLL, byHand: true },
};
const DRAFT = ListingDraft.parse({
  title: 'Gansey',
  description: '',
  price: 4_800,
  currency: 'EUR',
  postage: 420,
  category: 'c',
  condition: 'g',
  specifics: {},
  answers: {},
  pictures: [],
});
const OTHER = { ...DRAFT, title: 'Gansey, darned' };

type Wish = Command extends infer C ? (C extends unknown ? Omit<C, 'id' | 'item'> : never) : never;

class Desk {
  state: CourierState = emptyCourier();
  now = 10_000_000;
  private ids = 0;
  constructor(markets = Object.keys(POLICY)) {
    this.take({ type: 'started', markets });
    // Feeds were read once, so that only what a test does is waiting.
    for (const market of markets) if (!POLICY[market]?.byHand) this.quiet(market);
  }
  take(event: CourierEvent) {
    return step(this.state, event, this.now, POLICY);
  }
  quiet(market: string) {
    this.take({ type: 'tick' });
    this.take({ type: 'quiet', market, cursor: '0' });
  }
  say(wish: Wish, item = 't'): string | null {
    return this.take({ type: 'command', command: { ...wish, id: `c${(this.ids += 1)}`, item } as Command })
      .refusal;
  }
  send(market: string, draft = DRAFT, item = 't') {
    return this.say({ type: 'send', market, draft }, item);
  }
  tick(later = 0): string[] {
    this.now += later;
    const out = this.take({ type: 'tick' }).effects.flatMap((e) => (e.type === 'poll' ? [] : [e]));
    for (const e of out)
      if (e.type === 'publish') this.take({ type: 'publishDispatched', market: e.market, ref: e.ref });
    return out.map((e) => `${e.type} ${e.ref}`);
  }
  live(market: string, item = 't', n = 1) {
    this.send(market, DRAFT, item);
    this.tick();
    this.take({
      type: 'published',
      market,
      ref: `${item}.${market}.${n}`,
      remoteId: 'r1',
      url: '/r1',
      state: 'live',
    });
  }
  fail(
    market: string,
    action: 'publish' | 'revise' | 'withdraw',
    more: { unclear?: boolean; retryAfter?: number } = {},
    ref = `t.${market}.1`,
  ) {
    this.take({
      type: 'failed',
      market,
      ref,
      action,
      trouble: 'No answer.',
      unclear: more.unclear ?? false,
      retryAfter: more.retryAfter ?? null,
    });
  }
  news(market: string, item: { type: 'approved' | 'turnedDown' | 'ended' } & Record<string, unknown>) {
    const full = {
      ref: `t.${market}.1`,
      remoteId: 'r1',
      url: '/r1',
      why: '',
      reasons: [{ field: 'title', message: 'Too loud.' }],
      ...item,
    };
    this.take({ type: 'news', market, cursor: null, news: [full] as never });
  }
  listing(market: string, item = 't'): CourierListing {
    return this.state.items.get(item)!.listings[market]!;
  }
  market(id: string) {
    return this.state.markets.get(id)!;
  }
  view(market: string) {
    return viewOf(this.state.items.get('t')!).listings.find((l) => l.market === market)!;
  }
}

describe('references', () => {
  it('are made of item, marketplace and generation, and lead back', () => {
    expect(refOf('t-1', 'moor', 3)).toBe('t-1.moor.3');
    expect(itemOfRef('t-1.moor.3')).toBe('t-1');
    for (const ref of ['t.moor', 't.moor.x', '.moor.1', 't.Moor.1', 't t.moor.1', 't.moor.1.2', 't.1moor.1'])
      expect(itemOfRef(ref)).toBeNull();
  });
  it('tell their generation only for the item and marketplace they are of', () => {
    expect(generationOf('t.moor.12', 't', 'moor')).toBe(12);
    expect(generationOf('t.moor.12', 't', 'wick')).toBe(0);
    expect(generationOf('t.moor.x', 't', 'moor')).toBe(0);
  });
  it('of others lead to the item that adopted them, before all else', () => {
    const adopted = new Map([['t.moor.1', 'u']]);
    expect(itemBehind({ adopted }, 't.moor.1')).toBe('u');
    expect(itemBehind({ adopted }, 't.moor.2')).toBe('t');
    expect(itemBehind({ adopted }, 'hand-7')).toBeNull();
  });
});

describe('what is over', () => {
  it.each([
    ['refused', true],
    ['ended', true],
    ['sold', true],
    ['live', false],
    ['inReview', false],
    ['onItsWay', false],
  ] as const)('%s: %s, and never while something is still to be done', (state, over) => {
    const desk = new Desk();
    desk.live('moor');
    const l = { ...desk.listing('moor'), state, job: null };
    expect(isOver(l)).toBe(over);
    desk.say({ type: 'withdraw', market: 'moor' });
    expect(isOver({ ...desk.listing('moor'), state })).toBe(false);
  });
});

describe('waiting', () => {
  it('doubles from a second to a minute, a fifth more or less', () => {
    for (let tries = 1; tries <= 40; tries += 1) {
      const base = Math.min(60_000, 1_000 * 2 ** (tries - 1));
      const waits = ['a', 'b', 'c', 'd', 'e', 'f'].map((key) => waitAfter(tries, key));
      for (const wait of waits) {
        expect(wait).toBeGreaterThanOrEqual(base * 0.8);
        expect(wait).toBeLessThanOrEqual(base * 1.2);
      }
      expect(new Set(waits).size).toBeGreaterThan(3);
    }
    expect(waitAfter(0, 'a')).toBeLessThanOrEqual(1_200);
    expect(waitAfter(3, 'a')).toBe(waitAfter(3, 'a'));
  });
  it('for a late publish call is longer than the call and its answer may take', () => {
    expect(LATE_PUBLISH).toBe(30_000 + CALL_LIMIT);
  });
});

describe('what the ledger keeps', () => {
  it('is all but what repeats itself', () => {
    const kept = (type: string) => isKept({ type } as CourierEvent);
    for (const type of ['tick', 'quiet', 'pollFailed', 'compared']) expect(kept(type)).toBe(false);
    for (const type of [
      'command',
      'published',
      'revised',
      'publishDispatched',
      'withdrawn',
      'absent',
      'refused',
      'failed',
      'news',
      'strays',
      'firstSyncDone',
      'connection',
      'started',
    ])
      expect(kept(type)).toBe(true);
  });
});

describe('a snapshot', () => {
  it('is the state again, with what is still to be done', () => {
    const desk = new Desk();
    desk.live('moor');
    desk.live('moor', 'u');
    desk.say({ type: 'withdraw', market: 'moor' }, 'u');
    desk.state.adopted.set('hand-1', 't');
    const back = stateOf(
      JSON.parse(JSON.stringify(snapshotOf(desk.state))) as ReturnType<typeof snapshotOf>,
    )!;
    expect(back).toEqual(desk.state);
    expect([...back.busy]).toEqual(['u']);
  });
  it('of another version is not believed', () => {
    const snapshot = { ...snapshotOf(emptyCourier()), version: SNAPSHOT_VERSION + 1 };
    expect(stateOf(snapshot)).toBeNull();
  });
});

describe('what the page is told', () => {
  it('has when something is tried next, and why it was not done', () => {
    const desk = new Desk();
    desk.live('moor');
    expect(desk.view('moor')).toMatchObject({
      doing: null,
      tries: 0,
      nextTryAt: null,
      trouble: null,
      held: false,
      edited: null,
      listedAt: desk.now,
      firstPrice: desk.listing('moor')?.draft.price,
    });
    desk.say({ type: 'withdraw', market: 'moor' });
    expect(desk.view('moor')).toMatchObject({
      want: 'gone',
      doing: 'withdraw',
      tries: 0,
      nextTryAt: desk.now,
    });
    desk.tick();
    expect(desk.view('moor')).toMatchObject({ tries: 1, nextTryAt: null });
    desk.fail('moor', 'withdraw');
    const { tries, nextTryAt, trouble } = desk.view('moor');
    expect({ tries, trouble }).toEqual({ tries: 1, trouble: 'No answer.' });
    expect(nextTryAt).toBe(desk.now + waitAfter(1, 't.moor.1'));
  });
  it('has no next time where a person has to do it', () => {
    const desk = new Desk();
    desk.send('paper');
    expect(desk.view('paper')).toMatchObject({ doing: 'publish', nextTryAt: null });
  });
  it('has what will be shown, while a change is on its way', () => {
    const desk = new Desk();
    desk.live('moor');
    const before = desk.view('moor').draftHash;
    desk.send('moor', OTHER);
    expect(desk.view('moor').draftHash).not.toBe(before);
    expect(desk.view('moor').title).toBe('Gansey');
  });
  it('has the closing with how each one goes', () => {
    const desk = new Desk();
    desk.live('moor');
    desk.live('wick');
    desk.take({
      type: 'news',
      market: 'moor',
      cursor: null,
      news: [
        { type: 'sale', ref: 't.moor.1', remoteId: 'r', order: 'm', amount: 1, postage: 0, fees: 0, at: 5 },
      ],
    });
    desk.tick();
    desk.fail('wick', 'withdraw');
    expect(viewOf(desk.state.items.get('t')!).closing).toEqual({
      startedAt: desk.now,
      doneAt: null,
      entries: [
        { market: 'moor', outcome: 'soldHere', at: 5, tries: 0, trouble: null },
        { market: 'wick', outcome: 'withdrawing', at: null, tries: 1, trouble: 'No answer.' },
      ],
    });
  });
});

describe('when it looks again', () => {
  it('is the soonest of all feeds and all that is to be done', () => {
    const desk = new Desk();
    expect(nextDue(desk.state)).toBe(desk.now + POLL);
    desk.say({ type: 'send', market: 'moor', draft: DRAFT, notBefore: desk.now + 5_000 });
    expect(nextDue(desk.state)).toBe(desk.now + 5_000);
    desk.tick(5_000);
    expect(nextDue(desk.state)).toBe(desk.now - 5_000 + POLL);
  });
  it('waits as long as a marketplace asked for, and no longer for others', () => {
    const desk = new Desk();
    desk.send('moor');
    desk.tick();
    desk.fail('moor', 'publish', { retryAfter: 90_000 });
    expect(nextDue(desk.state)).toBe(desk.now + 90_000);
    desk.send('wick');
    expect(nextDue(desk.state)).toBe(desk.now);
  });
  it('is never for what a person does, or where nothing is connected', () => {
    const desk = new Desk(['paper']);
    desk.send('paper');
    expect(nextDue(desk.state)).toBeNull();
    const off = new Desk(['moor']);
    off.take({ type: 'connection', market: 'moor', link: 'off' });
    expect(nextDue(off.state)).toBeNull();
  });
  it('skips new listings where the connection is paused, and goes on with withdrawals', () => {
    const desk = new Desk(['moor']);
    desk.live('moor');
    desk.take({ type: 'connection', market: 'moor', link: 'paused' });
    desk.quiet('moor');
    desk.send('moor', OTHER);
    expect(nextDue(desk.state)).toBe(desk.now + POLL);
    desk.say({ type: 'withdraw', market: 'moor' });
    expect(nextDue(desk.state)).toBe(desk.now);
  });
});

describe('a feed', () => {
  it('that can’t be read is tried again with growing waits, and says why', () => {
    const desk = new Desk(['moor']);
    for (let n = 1; n <= 3; n += 1) {
      desk.take({ type: 'pollFailed', market: 'moor', trouble: 'closed', retryAfter: null });
      expect(desk.market('moor')).toMatchObject({
        failures: n,
        trouble: 'closed',
        locked: false,
        polling: false,
        pollDue: desk.now + waitAfter(n, 'moor'),
      });
    }
    desk.take({ type: 'pollFailed', market: 'moor', trouble: 'no key', retryAfter: 200_000, locked: true });
    expect(desk.market('moor')).toMatchObject({ locked: true, pollDue: desk.now + 200_000 });
    desk.take({ type: 'quiet', market: 'moor', cursor: '7' });
    expect(desk.market('moor')).toMatchObject({
      failures: 0,
      trouble: null,
      locked: false,
      cursor: '7',
      pollDue: desk.now + POLL,
    });
  });
  it('is not read twice at a time, nor while the marketplace asked for peace', () => {
    const desk = new Desk(['moor']);
    const polls = () => desk.take({ type: 'tick' }).effects.filter((e) => e.type === 'poll').length;
    desk.now += POLL;
    expect([polls(), polls()]).toEqual([1, 0]);
    desk.take({ type: 'quiet', market: 'moor', cursor: '1' });
    desk.send('moor');
    desk.tick();
    desk.fail('moor', 'publish', { retryAfter: POLL + 5_000 });
    desk.now += POLL;
    expect(polls()).toBe(0);
    desk.now += 5_000;
    expect(polls()).toBe(1);
  });
  it('told by the marketplace itself does not move the place where the feed was read up to', () => {
    const desk = new Desk(['moor']);
    desk.take({ type: 'quiet', market: 'moor', cursor: '7' });
    desk.now += 10;
    desk.take({ type: 'news', market: 'moor', cursor: null, news: [] });
    expect(desk.market('moor')).toMatchObject({ cursor: '7', pollDue: desk.now - 10 + POLL });
  });
  it('of a marketplace nobody knows is left aside', () => {
    const desk = new Desk(['moor']);
    for (const event of [
      { type: 'quiet', market: 'x', cursor: '1' },
      { type: 'pollFailed', market: 'x', trouble: '', retryAfter: null },
      { type: 'connection', market: 'x', link: 'off' },
      { type: 'compared', market: 'x', unknown: 1 },
      { type: 'firstSyncDone', market: 'x' },
    ] as CourierEvent[])
      desk.take(event);
    expect([...desk.state.markets.keys()]).toEqual(['moor']);
  });
});

describe('a connection made anew', () => {
  it('asks at once, and forgets that it was asked for peace', () => {
    const desk = new Desk(['moor']);
    desk.send('moor');
    desk.tick();
    desk.fail('moor', 'publish', { retryAfter: 500_000 });
    desk.take({ type: 'connection', market: 'moor', link: 'paused' });
    expect(desk.market('moor').pausedUntil).toBe(desk.now + 500_000);
    desk.take({ type: 'connection', market: 'moor', link: 'connected' });
    expect(desk.market('moor')).toMatchObject({ pausedUntil: 0, pollDue: desk.now });
    desk.take({ type: 'quiet', market: 'moor', cursor: '1' });
    desk.take({ type: 'connection', market: 'moor', link: 'off' });
    expect(desk.market('moor').pollDue).toBe(desk.now + POLL);
  });
  it('never has a feed where a person does all', () => {
    const desk = new Desk(['paper']);
    desk.take({ type: 'connection', market: 'paper', link: 'connected' });
    expect(desk.market('paper').pollDue).toBe(NEVER);
  });
});

describe('a start', () => {
  it('knows where feeds were read up to and what is connected, and tries all else anew', () => {
    const desk = new Desk(['moor']);
    desk.take({ type: 'quiet', market: 'moor', cursor: '9' });
    desk.take({ type: 'connection', market: 'moor', link: 'paused' });
    desk.take({ type: 'pollFailed', market: 'moor', trouble: 'x', retryAfter: null, locked: true });
    desk.take({ type: 'compared', market: 'moor', unknown: 3 });
    expect(desk.market('moor')).toMatchObject({ comparedAt: desk.now, unknown: 3 });
    desk.now += 99;
    desk.take({ type: 'started', markets: ['moor'] });
    expect(desk.market('moor')).toEqual({
      cursor: '9',
      pollDue: desk.now,
      polling: false,
      failures: 0,
      pausedUntil: 0,
      trouble: null,
      link: 'paused',
      locked: true,
      failedCalls: 0,
      circuitOpenUntil: 0,
      comparedAt: null,
      unknown: 0,
      needsFirstSync: false,
    });
  });
  it('counts anew how late a call of before may still arrive', () => {
    const desk = new Desk(['moor']);
    desk.send('moor');
    desk.tick();
    desk.now += LATE_PUBLISH;
    desk.take({ type: 'started', markets: ['moor'] });
    desk.say({ type: 'withdraw', market: 'moor' });
    desk.tick();
    desk.take({ type: 'absent', market: 'moor', ref: 't.moor.1' });
    expect(desk.listing('moor').job).not.toBeNull();
    desk.now += LATE_PUBLISH;
    desk.take({ type: 'absent', market: 'moor', ref: 't.moor.1' });
    expect(desk.listing('moor')).toMatchObject({ state: 'ended', job: null });
  });
  it('leaves what was never let out where it was: not let out', () => {
    const desk = new Desk(['moor']);
    desk.send('moor');
    desk.take({ type: 'started', markets: ['moor'] });
    expect(desk.listing('moor').lastPublishAt).toBe(0);
    desk.say({ type: 'withdraw', market: 'moor' });
    expect(desk.listing('moor')).toMatchObject({ state: 'ended', job: null });
  });
});

describe('a call that failed', () => {
  it('may have been done all the same, and that is not forgotten', () => {
    const desk = new Desk(['moor']);
    desk.send('moor');
    desk.tick();
    desk.fail('moor', 'publish', { unclear: true });
    expect(desk.listing('moor').job).toMatchObject({
      unclear: true,
      running: false,
      trouble: 'No answer.',
      tries: 1,
    });
    desk.tick(2_000);
    desk.fail('moor', 'publish', { unclear: false });
    expect(desk.listing('moor').job).toMatchObject({
      unclear: true,
      tries: 2,
      due: desk.now + waitAfter(2, 't.moor.1'),
    });
  });
  it('of another sort than what is to be done now changes nothing', () => {
    const desk = new Desk(['moor']);
    desk.live('moor');
    desk.say({ type: 'withdraw', market: 'moor' });
    const before = desk.listing('moor');
    desk.fail('moor', 'revise');
    expect(desk.listing('moor')).toEqual(before);
  });
  it('counts towards leaving the marketplace in peace; being asked to slow down does not', () => {
    const desk = new Desk(['moor']);
    desk.send('moor');
    desk.tick();
    for (let n = 1; n < REST_AFTER; n += 1) desk.fail('moor', 'publish');
    expect(desk.market('moor')).toMatchObject({ failedCalls: REST_AFTER - 1, circuitOpenUntil: 0 });
    desk.fail('moor', 'publish', { retryAfter: 10 });
    expect(desk.market('moor').failedCalls).toBe(REST_AFTER - 1);
    desk.fail('moor', 'publish');
    expect(desk.market('moor').circuitOpenUntil).toBe(desk.now + waitAfter(1, 'moor'));
    desk.fail('moor', 'publish');
    expect(desk.market('moor').circuitOpenUntil).toBe(desk.now + waitAfter(2, 'moor'));
    expect(nextDue(desk.state)).toBeGreaterThanOrEqual(desk.market('moor').circuitOpenUntil);
  });
  it.each(['published', 'revised', 'withdrawn', 'absent', 'refused', 'news', 'quiet'] as const)(
    'is forgotten with %s: it answers',
    (type) => {
      const desk = new Desk(['moor']);
      desk.send('moor');
      desk.tick();
      for (let n = 0; n <= REST_AFTER; n += 1) desk.fail('moor', 'publish');
      desk.take({
        type,
        market: 'moor',
        ref: 'none',
        news: [],
        cursor: null,
        reasons: [],
        action: 'publish',
      } as never);
      expect(desk.market('moor')).toMatchObject({ failedCalls: 0, circuitOpenUntil: 0 });
    },
  );
  it('keeps a longer wait that was asked for before', () => {
    const desk = new Desk(['moor']);
    desk.send('moor');
    desk.tick();
    desk.fail('moor', 'publish', { retryAfter: 50_000 });
    desk.fail('moor', 'publish', { retryAfter: 5_000 });
    expect(desk.market('moor').pausedUntil).toBe(desk.now + 50_000);
  });
});

describe('an answer that does not fit', () => {
  it('to a publish call after the wish changed takes it down at once', () => {
    const desk = new Desk(['moor']);
    desk.send('moor');
    desk.tick();
    desk.say({ type: 'withdraw', market: 'moor' });
    desk.tick();
    desk.fail('moor', 'withdraw');
    desk.take({
      type: 'published',
      market: 'moor',
      ref: 't.moor.1',
      remoteId: 'late',
      url: '/late',
      state: 'live',
    });
    expect(desk.listing('moor')).toMatchObject({
      remoteId: 'late',
      url: '/late',
      want: 'gone',
      job: { action: 'withdraw', due: desk.now },
    });
  });
  it('to a publish call that was answered already keeps what it tells, and no more', () => {
    const desk = new Desk(['moor']);
    desk.live('moor');
    const at = desk.now;
    desk.now += 5;
    desk.take({
      type: 'published',
      market: 'moor',
      ref: 't.moor.1',
      remoteId: 'r2',
      url: '/r2',
      state: 'inReview',
    });
    expect(desk.listing('moor')).toMatchObject({
      state: 'live',
      remoteId: 'r2',
      url: '/r2',
      listedAt: at,
      since: at,
    });
  });
  it('to a change that nobody asked for changes nothing', () => {
    const desk = new Desk(['moor']);
    desk.live('moor');
    const before = desk.listing('moor');
    desk.take({ type: 'revised', market: 'moor', ref: 't.moor.1' });
    expect(desk.listing('moor')).toBe(before);
  });
  it('that a listing is over leaves it as it ended', () => {
    const desk = new Desk(['moor']);
    desk.live('moor');
    desk.say({ type: 'withdraw', market: 'moor' });
    desk.tick();
    desk.take({ type: 'withdrawn', market: 'moor', ref: 't.moor.1' });
    const ended = desk.listing('moor');
    expect(ended).toMatchObject({ state: 'ended', want: 'gone' });
    desk.now += 10;
    for (const type of ['withdrawn', 'absent'] as const) desk.take({ type, market: 'moor', ref: 't.moor.1' });
    desk.take({ type: 'refused', market: 'moor', ref: 't.moor.1', action: 'withdraw', reasons: [] });
    desk.fail('moor', 'withdraw');
    desk.take({
      type: 'published',
      market: 'moor',
      ref: 't.moor.1',
      remoteId: 'x',
      url: '/x',
      state: 'live',
    });
    for (const kind of ['turnedDown', 'ended'] as const) desk.news('moor', { type: kind });
    expect(desk.listing('moor')).toBe(ended);
  });
});

describe('a refusal', () => {
  it('of a withdrawal is no end: it says why and goes on trying', () => {
    const desk = new Desk(['moor']);
    desk.live('moor');
    desk.say({ type: 'withdraw', market: 'moor' });
    desk.tick();
    desk.take({
      type: 'refused',
      market: 'moor',
      ref: 't.moor.1',
      action: 'withdraw',
      reasons: [
        { field: '', message: 'There are bids.' },
        { field: '', message: 'It stays.' },
      ],
    });
    expect(desk.listing('moor').job).toMatchObject({
      action: 'withdraw',
      trouble: 'There are bids. It stays.',
      running: false,
      due: desk.now + waitAfter(1, 't.moor.1'),
    });
    expect(desk.listing('moor').state).toBe('live');
  });
  it('of a change leaves the listing as it was, with the reasons', () => {
    const desk = new Desk(['moor']);
    desk.live('moor');
    desk.send('moor', OTHER);
    desk.tick();
    desk.now += 3;
    desk.take({
      type: 'refused',
      market: 'moor',
      ref: 't.moor.1',
      action: 'revise',
      reasons: [{ field: 'title', message: 'No.' }],
    });
    expect(desk.listing('moor')).toMatchObject({
      state: 'live',
      nextDraft: null,
      job: null,
      since: desk.now,
      reasons: [{ message: 'No.' }],
      draft: { title: 'Gansey' },
    });
  });
  it('of something else than what is to be done now is old', () => {
    const desk = new Desk(['moor']);
    desk.live('moor');
    desk.say({ type: 'withdraw', market: 'moor' });
    const before = desk.listing('moor');
    desk.take({ type: 'refused', market: 'moor', ref: 't.moor.1', action: 'revise', reasons: [] });
    expect(desk.listing('moor')).toBe(before);
  });
});

describe('what a review says', () => {
  const inReview = () => {
    const desk = new Desk(['moor']);
    desk.send('moor');
    desk.tick();
    desk.take({
      type: 'published',
      market: 'moor',
      ref: 't.moor.1',
      remoteId: 'r',
      url: '/r',
      state: 'inReview',
    });
    desk.now += 7;
    return desk;
  };
  it('makes it live, with its address', () => {
    const desk = inReview();
    expect(desk.listing('moor').state).toBe('inReview');
    desk.news('moor', { type: 'approved', url: '/new', remoteId: 'r9' });
    expect(desk.listing('moor')).toMatchObject({
      state: 'live',
      since: desk.now,
      url: '/new',
      remoteId: 'r9',
      job: null,
    });
  });
  it('is too late where it is to come down, but the address is kept', () => {
    const desk = inReview();
    desk.say({ type: 'withdraw', market: 'moor' });
    desk.news('moor', { type: 'approved', url: '/new' });
    expect(desk.listing('moor')).toMatchObject({ state: 'inReview', want: 'gone', url: '/new' });
  });
  it('turns it down with its reasons, unless a deal was made of it', () => {
    const desk = inReview();
    desk.news('moor', { type: 'turnedDown' });
    expect(desk.listing('moor')).toMatchObject({
      state: 'refused',
      want: 'gone',
      since: desk.now,
      job: null,
      reasons: [{ message: 'Too loud.' }],
    });
    const dealt = inReview();
    dealt.say({ type: 'sold', market: 'moor', amount: 5 });
    dealt.news('moor', { type: 'turnedDown' });
    expect(dealt.listing('moor').state).toBe('sold');
  });
  it('of what is live already changes nothing but the address', () => {
    const desk = new Desk(['moor']);
    desk.live('moor');
    const { since } = desk.listing('moor');
    desk.now += 7;
    desk.news('moor', { type: 'approved', url: '/new' });
    expect(desk.listing('moor')).toMatchObject({ state: 'live', since, url: '/new' });
  });
  it('does not end a change that is on its way', () => {
    const desk = inReview();
    desk.send('moor', OTHER);
    desk.news('moor', { type: 'approved' });
    expect(desk.listing('moor')).toMatchObject({
      state: 'live',
      job: { action: 'revise' },
      nextDraft: OTHER,
    });
  });
});

describe('what ended there by itself', () => {
  it('is over, with the reason where one was given', () => {
    const desk = new Desk(['moor', 'wick']);
    desk.live('moor');
    desk.live('wick');
    desk.now += 4;
    desk.news('moor', { type: 'ended', why: 'Ninety days are over.' });
    desk.news('wick', { type: 'ended' });
    expect(desk.listing('moor')).toMatchObject({
      state: 'ended',
      want: 'gone',
      since: desk.now,
      reasons: [{ field: '', message: 'Ninety days are over.' }],
    });
    expect(desk.listing('wick').reasons).toEqual([]);
  });
  it('after a deal is sold', () => {
    const desk = new Desk(['moor']);
    desk.live('moor');
    desk.say({ type: 'sold', market: 'moor', amount: 5 });
    desk.news('moor', { type: 'ended' });
    expect(desk.listing('moor').state).toBe('sold');
  });
});

describe('what is not taken, and why', () => {
  const desk = new Desk();
  it.each([
    [{ type: 'send', market: 'x', draft: DRAFT }, 'notConnected'],
    [{ type: 'withdraw', market: 'moor' }, 'notListed'],
    [{ type: 'sold', market: 'moor', amount: 1 }, 'notListed'],
    [{ type: 'handUp', market: 'moor', url: '/x' }, 'courierDoesThat'],
    [{ type: 'handDown', market: 'moor' }, 'courierDoesThat'],
    [{ type: 'handUp', market: 'paper', url: '/x' }, 'nothingWaits'],
    [{ type: 'handDown', market: 'paper' }, 'notListed'],
    [{ type: 'settle', order: 'o' }, 'noSecondSale'],
    [{ type: 'release' }, 'notPromised'],
    [{ type: 'undo', order: 'o', why: 'returned' }, 'noSuchSale'],
    [
      {
        type: 'adopt',
        market: 'paper',
        ref: 'h',
        remoteId: 'h',
        url: '',
        state: 'live',
        listedAt: null,
        draft: DRAFT,
      },
      'nobodyToAsk',
    ],
  ] as [Wish, string][])('%j', (wish, why) => expect(desk.say(wish)).toBe(why));

  it('a withdrawal twice, a send on top of one, a second send while the first is on its way', () => {
    const busy = new Desk();
    busy.send('moor');
    busy.tick();
    expect(busy.send('moor')).toBe('onItsWay');
    busy.take({
      type: 'published',
      market: 'moor',
      ref: 't.moor.1',
      remoteId: 'r',
      url: '/r',
      state: 'live',
    });
    busy.send('moor', OTHER);
    busy.tick();
    expect(busy.send('moor')).toBe('changeOnItsWay');
    busy.say({ type: 'withdraw', market: 'moor' });
    expect(busy.say({ type: 'withdraw', market: 'moor' })).toBe('beingWithdrawn');
    expect(busy.send('moor')).toBe('withdrawFirst');
  });
  it('a deal where it is sold', () => {
    const sold = new Desk();
    sold.live('moor');
    sold.live('wick');
    sold.say({ type: 'sold', market: 'moor', amount: 1 });
    expect(sold.say({ type: 'sold', market: 'wick', amount: 1 })).toBe('soldAlready');
  });
});

describe('by hand', () => {
  it('what waits to be put up is simply the newer one', () => {
    const desk = new Desk();
    desk.send('paper');
    expect(desk.send('paper', OTHER)).toBeNull();
    expect(desk.listing('paper')).toMatchObject({
      draft: OTHER,
      generation: 1,
      job: { action: 'publish', due: NEVER },
    });
    desk.say({ type: 'handUp', market: 'paper', url: '/p' });
    expect(desk.listing('paper')).toMatchObject({
      state: 'live',
      url: '/p',
      remoteId: '/p',
      listedAt: desk.now,
      job: null,
      reasons: [],
    });
  });
  it('a change is done when the person says so; when and for how much it was there first stays', () => {
    const desk = new Desk();
    desk.send('paper');
    desk.say({ type: 'handUp', market: 'paper', url: '/p' });
    const first = desk.now;
    desk.now += 100;
    const { price } = desk.listing('paper')!.draft;
    desk.send('paper', { ...OTHER, price: price - 500 });
    expect(desk.listing('paper')).toMatchObject({
      nextDraft: { price: price - 500 },
      job: { action: 'revise', due: NEVER },
    });
    desk.say({ type: 'handUp', market: 'paper', url: '/q' });
    expect(desk.listing('paper')).toMatchObject({
      draft: { ...OTHER, price: price - 500 },
      nextDraft: null,
      url: '/q',
      listedAt: first,
      firstPrice: price,
      since: desk.now,
    });
  });
  it('a deal ends it there at once: the person has been there', () => {
    const desk = new Desk();
    desk.send('paper');
    desk.say({ type: 'handUp', market: 'paper', url: '/p' });
    desk.live('moor');
    desk.now += 3;
    desk.say({ type: 'sold', market: 'paper', amount: 900 });
    expect(desk.listing('paper')).toMatchObject({ state: 'sold', want: 'gone', job: null, since: desk.now });
    expect(desk.tick()).toEqual(['withdraw t.moor.1']);
  });
});

describe('the order of calls', () => {
  it('is withdrawals, changes, new listings, whatever was asked first', () => {
    const desk = new Desk(['moor']);
    for (const item of ['a', 'b']) desk.live('moor', item);
    desk.send('moor', DRAFT, 'n');
    desk.send('moor', OTHER, 'b');
    desk.say({ type: 'withdraw', market: 'moor' }, 'a');
    expect(desk.tick()).toEqual(['withdraw a.moor.1', 'revise b.moor.1', 'publish n.moor.1']);
    // What is out is not called again.
    expect(desk.tick()).toEqual([]);
  });
  it('tells a marketplace whether it was sold there or only withdrawn', () => {
    const desk = new Desk(['moor', 'wick']);
    desk.live('moor');
    desk.live('wick');
    desk.say({ type: 'sold', market: 'moor', amount: 1 });
    const out = desk
      .take({ type: 'tick' })
      .effects.flatMap((e) => (e.type === 'withdraw' ? [[e.market, e.outcome, e.remoteId]] : []));
    expect(out).toEqual([
      ['moor', 'sold', 'r1'],
      ['wick', 'withdrawn', 'r1'],
    ]);
  });
});

describe('a closing', () => {
  it('says what was gone before, what was withdrawn, and where it was sold too', () => {
    const desk = new Desk();
    desk.live('moor');
    desk.live('wick');
    desk.say({ type: 'withdraw', market: 'wick' });
    desk.tick();
    desk.take({ type: 'withdrawn', market: 'wick', ref: 't.wick.1' });
    const gone = desk.now;
    desk.now += 1_000;
    const sale = { type: 'sale' as const, remoteId: 'r', amount: 1, postage: 0, fees: 0 };
    desk.take({
      type: 'news',
      market: 'moor',
      cursor: null,
      news: [{ ...sale, ref: 't.moor.1', order: 'm', at: 50 }],
    });
    const closing = () => viewOf(desk.state.items.get('t')!).closing!;
    expect(closing().entries.map((e) => [e.market, e.outcome, e.at])).toEqual([
      ['moor', 'soldHere', 50],
      ['wick', 'goneAlready', gone],
    ]);
    expect(closing().doneAt).toBe(desk.now);
    const done = desk.now;
    desk.now += 1_000;
    desk.take({
      type: 'news',
      market: 'wick',
      cursor: null,
      news: [{ ...sale, ref: 't.wick.1', order: 'w', at: 60 }],
    });
    expect(closing().entries.map((e) => [e.market, e.outcome, e.at])).toEqual([
      ['moor', 'soldHere', 50],
      ['wick', 'soldToo', 60],
    ]);
    expect(closing()).toMatchObject({ startedAt: done, doneAt: desk.now });
  });
  it('names the place of a sale where nothing was listed', () => {
    const desk = new Desk();
    desk.live('wick');
    desk.take({
      type: 'news',
      market: 'moor',
      cursor: null,
      news: [
        { type: 'sale', ref: 't.moor.1', remoteId: 'r', order: 'm', amount: 1, postage: 0, fees: 0, at: 9 },
      ],
    });
    expect(viewOf(desk.state.items.get('t')!).closing?.entries[0]).toMatchObject({
      market: 'moor',
      outcome: 'soldHere',
      at: 9,
    });
  });
});

describe('a listing found under our own reference', () => {
  const found = (desk: Desk, generation: number, market = 'moor') =>
    desk.take({
      type: 'strays',
      market,
      gone: [],
      stale: [],
      edited: [],
      found: [
        {
          ref: `t.${market}.${generation}`,
          remoteId: 'f',
          url: '/f',
          state: 'live',
          draft: DRAFT,
          listedAt: 3,
        },
      ],
    });
  it('is left aside where the known one is up, or is as new', () => {
    const desk = new Desk();
    desk.live('moor');
    const known = desk.listing('moor');
    found(desk, 2);
    expect(desk.listing('moor')).toBe(known);
    desk.news('moor', { type: 'ended' });
    const ended = desk.listing('moor');
    found(desk, 1);
    expect(desk.listing('moor')).toBe(ended);
  });
  it('takes the place of an older one that is over', () => {
    const desk = new Desk();
    desk.live('moor');
    desk.news('moor', { type: 'ended' });
    found(desk, 2);
    expect(desk.listing('moor')).toMatchObject({
      ref: 't.moor.2',
      generation: 2,
      state: 'live',
      want: 'live',
      url: '/f',
      listedAt: 3,
      job: null,
    });
  });
  it('comes down while the item is promised elsewhere, and stays where it is promised', () => {
    const desk = new Desk();
    found(desk, 1, 'moor');
    desk.say({ type: 'hold', market: 'moor', elsewhere: 'withdraw' });
    found(desk, 1, 'wick');
    expect(desk.listing('wick')).toMatchObject({ want: 'gone', job: { action: 'withdraw' } });
    expect(desk.listing('moor')).toMatchObject({ want: 'live', job: null });
  });
  it('is told apart by its generation when what is shown is compared', () => {
    const desk = new Desk();
    desk.live('moor');
    desk.news('moor', { type: 'ended' });
    desk.now += 60_000;
    const shown = (n: number) => ({
      ref: `t.moor.${n}`,
      remoteId: 'x',
      url: '/x',
      title: DRAFT.title,
      price: DRAFT.price,
    });
    const compare = (n: number) => compareShown(desk.state, 'moor', [shown(n)], desk.now, true);
    expect(compare(2)).toMatchObject({ found: ['t.moor.2'], duplicates: [] });
    expect(compare(1)).toMatchObject({ found: [], stale: [{ ref: 't.moor.1' }] });
    const long = { ...shown(9), ref: 'hand', title: 'x'.repeat(500) };
    desk.live('wick');
    desk.now += 60_000;
    const [edit] = compareShown(desk.state, 'wick', [{ ...long, ref: 't.wick.1' }], desk.now, true).edited;
    expect(edit?.as?.title).toHaveLength(400);
  });
});

describe('rare sales', () => {
  const sale = (ref: string, order: string, at: number, piece?: string) => ({
    type: 'sale' as const,
    ref,
    remoteId: 'r',
    order,
    amount: 1,
    postage: 0,
    fees: 0,
    at,
    ...(piece ? { piece } : {}),
  });
  const tell = (desk: Desk, market: string, item: ReturnType<typeof sale>) =>
    desk.take({ type: 'news', market, cursor: null, news: [item] });
  it('of references that are nobody’s are kept under a name that is safe', () => {
    const desk = new Desk();
    tell(desk, 'moor', sale(`no. ${'ü7'.repeat(60)}`, 'm', 1));
    const [id] = [...desk.state.items.keys()];
    expect(id).toBe(`unknown-no${'7'.repeat(48)}`);
  });
  it('of a piece where nobody knows of pieces are sales of the item', () => {
    const desk = new Desk();
    desk.live('moor');
    desk.live('wick');
    tell(desk, 'moor', sale('t.moor.1', 'm', 1, 'MUG'));
    expect(desk.state.items.get('t')?.sale?.order).toBe('m');
    expect(desk.tick()).toContain('withdraw t.wick.1');
  });
  it('after a first that came to nothing: the earlier of the others takes its place', () => {
    const desk = new Desk();
    for (const market of ['moor', 'wick']) desk.live(market);
    tell(desk, 'moor', sale('t.moor.1', 'm1', 10));
    tell(desk, 'wick', sale('t.wick.1', 'late', 90));
    tell(desk, 'wick', sale('t.wick.1', 'early', 50));
    desk.tick();
    expect(desk.say({ type: 'undo', order: 'm1', why: 'cancelled' })).toBeNull();
    expect(desk.state.items.get('t')).toMatchObject({
      sale: { order: 'early' },
      laterSales: [{ order: 'late' }],
    });
  });
  it('reported by the seller while it is being withdrawn end it as sold', () => {
    const desk = new Desk();
    desk.live('moor');
    desk.say({ type: 'withdraw', market: 'moor' });
    desk.say({ type: 'sold', market: 'moor', amount: 5 });
    expect(desk.listing('moor')).toMatchObject({ want: 'gone', dealHere: true, job: { action: 'withdraw' } });
    desk.tick();
    desk.take({ type: 'withdrawn', market: 'moor', ref: 't.moor.1' });
    expect(desk.listing('moor').state).toBe('sold');
  });
});

describe('what was taken down for a promise', () => {
  it('does not go up again where it was turned down meanwhile', () => {
    const desk = new Desk();
    desk.live('moor');
    desk.live('wick');
    desk.say({ type: 'hold', market: 'wick', elsewhere: 'withdraw' });
    desk.say({ type: 'release' });
    desk.news('moor', { type: 'turnedDown' });
    expect(desk.listing('moor')).toMatchObject({
      state: 'refused',
      generation: 1,
      relistAfterHold: false,
      url: '/r1',
    });
  });
});

describe('a fault of our own', () => {
  const fault = (desk: Desk, action: 'publish' | 'revise' | 'withdraw') =>
    desk.take({
      type: 'failed',
      market: 'moor',
      ref: 't.moor.1',
      action,
      trouble: 'Ours.',
      unclear: true,
      retryAfter: null,
      fault: true,
    });
  it('is tried a few times, then rests until a person sends it again', () => {
    const desk = new Desk();
    desk.send('moor');
    for (let n = 0; n < MOST_FAULTS; n += 1) {
      expect(desk.tick(POLL)).toContain('publish t.moor.1');
      fault(desk, 'publish');
    }
    expect(desk.tick(86_400_000)).toEqual([]);
    expect(desk.view('moor')).toMatchObject({ stopped: true, nextTryAt: null, trouble: 'Ours.' });
    expect(desk.send('moor', OTHER)).toBeNull();
    // It may have arrived: the same reference, with what it says now.
    expect(desk.tick()).toEqual(['publish t.moor.1']);
    expect(desk.listing('moor')).toMatchObject({ draft: OTHER, job: { unclear: true } });
    expect(desk.view('moor').stopped).toBe(false);
  });
  it('never ends a withdrawal: it is only tried less often', () => {
    const desk = new Desk();
    desk.live('moor');
    desk.say({ type: 'withdraw', market: 'moor' });
    for (let n = 0; n < 3 * MOST_FAULTS; n += 1) {
      expect(desk.tick(FAULT_WAIT)).toContain('withdraw t.moor.1');
      fault(desk, 'withdraw');
    }
    expect(desk.tick(FAULT_WAIT / 2)).toEqual([]);
    expect(desk.tick(FAULT_WAIT / 2)).toEqual(['withdraw t.moor.1']);
  });
  it('is over once something else comes of it', () => {
    const desk = new Desk();
    desk.send('moor');
    for (let n = 1; n < MOST_FAULTS; n += 1) {
      desk.tick(POLL);
      fault(desk, 'publish');
    }
    desk.tick(POLL);
    desk.fail('moor', 'publish');
    desk.tick(POLL);
    fault(desk, 'publish');
    expect(desk.view('moor').stopped).toBe(false);
  });
});

describe('an item the courier never saw', () => {
  it('can’t be promised, released, sold, withdrawn, settled or undone, and nothing of it is kept', () => {
    const desk = new Desk();
    const wishes: Wish[] = [
      { type: 'hold', market: 'moor', elsewhere: 'withdraw' },
      { type: 'release' },
      { type: 'sold', market: 'moor', amount: 1 },
      { type: 'withdraw', market: 'moor' },
      { type: 'settle', order: 'o' },
      { type: 'undo', order: 'o', why: 'returned' },
      { type: 'handUp', market: 'paper', url: '/x' },
      { type: 'handDown', market: 'paper' },
    ];
    for (const wish of wishes) expect(desk.say(wish)).not.toBeNull();
    expect(desk.state.items.size).toBe(0);
  });
});

describe('while nothing can be written', () => {
  it('only what takes down, changes or asks is let out, and nothing is waited for that may not go', () => {
    const desk = new Desk();
    desk.live('moor');
    desk.send('wick');
    desk.say({ type: 'withdraw', market: 'moor' });
    const { effects } = desk.take({ type: 'tick', publish: false });
    expect(effects.map((e) => `${e.type} ${e.market}`)).toEqual(['withdraw moor']);
    desk.take({ type: 'withdrawn', market: 'moor', ref: 't.moor.1' });
    expect(nextDue(desk.state, false)).toBeGreaterThan(desk.now);
    expect(nextDue(desk.state)).toBe(desk.now);
    expect(desk.tick()).toEqual(['publish t.wick.1']);
  });
});

describe('a start with lines missing', () => {
  it('looks at every marketplace that can be asked before anything new goes there', () => {
    const policy: Policy = { moor: { pollEvery: POLL, looksFirst: true } };
    const state = emptyCourier();
    step(state, { type: 'started', markets: ['moor'] }, 1, policy);
    step(state, { type: 'firstSyncDone', market: 'moor' }, 2, policy);
    step(state, { type: 'started', markets: ['moor'] }, 3, policy);
    expect(state.markets.get('moor')?.needsFirstSync).toBe(false);
    step(state, { type: 'started', markets: ['moor'], incomplete: true }, 4, policy);
    expect(state.markets.get('moor')?.needsFirstSync).toBe(true);
  });
});
