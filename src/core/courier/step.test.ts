import { ListingDraft, type Command } from '@/contract/courier';

import { isOver, itemOfRef } from './refs';
import { emptyCourier, nextDue, step } from './step';
import type { CourierEvent, CourierState, Effect, News } from './types';
import { viewOf } from './view';
import { LATE_PUBLISH, waitAfter } from './waiting';

const POLICY = { moor: { pollEvery: 60_000 }, wick: { pollEvery: 3_000 }, stile: { pollEvery: 3_000 } };
const DRAFT = ListingDraft.parse({
  title: 'Gansey',
  description: '',
  price: 4800,
  currency: 'EUR',
  postage: 420,
  category: 'c',
  condition: 'g',
  specifics: {},
  answers: {},
  pictures: [],
});

/** Drives the core by hand, one event after the other. */
class Bench {
  state: CourierState = emptyCourier();
  now = 1_000;
  effects: Effect[] = [];
  private ids = 0;

  constructor() {
    this.take({ type: 'started', markets: ['moor', 'wick', 'stile'] });
  }
  take(event: CourierEvent): string | null {
    const { effects, refusal } = step(this.state, event, this.now, POLICY);
    this.effects = effects;
    return refusal;
  }
  command(command: Omit<Command, 'id'>): string | null {
    return this.take({ type: 'command', command: { ...command, id: `c${(this.ids += 1)}` } as Command });
  }
  send(market: string) {
    return this.command({ type: 'send', item: 't', market, draft: DRAFT } as Omit<Command, 'id'>);
  }
  tick(later = 0): Effect[] {
    this.now += later;
    this.take({ type: 'tick' });
    const out = this.effects;
    for (const e of out)
      if (e.type === 'publish') this.take({ type: 'publishDispatched', market: e.market, ref: e.ref });
    return out.filter((e) => e.type !== 'poll');
  }
  publishEverywhere() {
    for (const market of ['moor', 'wick', 'stile']) this.send(market);
    this.tick();
    for (const market of ['moor', 'wick', 'stile'])
      this.take({
        type: 'published',
        market,
        ref: `t.${market}.1`,
        remoteId: `${market}-1`,
        url: `/${market}`,
        state: 'live',
      });
  }
  listing(market: string) {
    const listing = this.state.items.get('t')?.listings[market];
    if (!listing) throw new Error(`no listing on ${market}`);
    return listing;
  }
  item() {
    const item = this.state.items.get('t');
    if (!item) throw new Error('no item');
    return item;
  }
}
const sale = (market: string, at: number, order = `${market}-order`): News => ({
  type: 'sale',
  ref: `t.${market}.1`,
  remoteId: `${market}-1`,
  order,
  amount: 4800,
  postage: 420,
  fees: 762,
  at,
});
const news = (market: string, item: News): CourierEvent => ({
  type: 'news',
  market,
  news: [item],
  cursor: null,
});

describe('sold once, gone everywhere', () => {
  it('withdraws from all others at once when a sale is known', () => {
    const b = new Bench();
    b.publishEverywhere();
    b.take(news('moor', sale('moor', 5_000)));
    expect(b.tick().map((e) => [e.type, e.market])).toEqual([
      ['withdraw', 'wick'],
      ['withdraw', 'stile'],
    ]);
    expect(b.item().closing?.doneAt).toBeNull();
  });

  it('ends the closing when the last one is gone, with each one’s time', () => {
    const b = new Bench();
    b.publishEverywhere();
    b.take(news('moor', sale('moor', 900)));
    b.tick();
    b.now = 2_000;
    b.take({ type: 'withdrawn', market: 'wick', ref: 't.wick.1' });
    expect(b.item().closing?.doneAt).toBeNull();
    b.now = 3_000;
    b.take({ type: 'withdrawn', market: 'stile', ref: 't.stile.1' });
    expect(viewOf(b.item()).closing).toMatchObject({
      doneAt: 3_000,
      entries: [
        { market: 'moor', outcome: 'soldHere', at: 900 },
        { market: 'wick', outcome: 'withdrawn', at: 2_000 },
        { market: 'stile', outcome: 'withdrawn', at: 3_000 },
      ],
    });
  });

  it('takes a sale that is told twice once', () => {
    const b = new Bench();
    b.publishEverywhere();
    b.take(news('moor', sale('moor', 900)));
    b.take(news('moor', sale('moor', 900)));
    expect(b.item().laterSales).toEqual([]);
  });

  it('keeps the earlier of two sales and holds the later one up to the person', () => {
    const b = new Bench();
    b.publishEverywhere();
    b.take(news('moor', sale('moor', 9_000)));
    b.take(news('wick', sale('wick', 8_000)));
    expect(b.item().sale?.market).toBe('wick');
    expect(b.item().laterSales).toMatchObject([{ market: 'moor', settled: false }]);
    expect(b.command({ type: 'settle', item: 't', order: 'moor-order' } as never)).toBeNull();
    expect(b.item().laterSales).toMatchObject([{ market: 'moor', settled: true }]);
  });

  it('does not send what is sold', () => {
    const b = new Bench();
    b.publishEverywhere();
    b.take(news('moor', sale('moor', 900)));
    expect(b.send('moor')).toBe('soldSoNotSent');
  });

  it('never lets out a publish call after the sale is known', () => {
    const b = new Bench();
    b.send('moor');
    b.send('wick');
    b.tick();
    b.take({ type: 'published', market: 'moor', ref: 't.moor.1', remoteId: 'm', url: '/m', state: 'live' });
    b.take({
      type: 'failed',
      market: 'wick',
      ref: 't.wick.1',
      action: 'publish',
      trouble: 'no answer',
      unclear: true,
      retryAfter: null,
    });
    b.take(news('moor', sale('moor', 900)));
    expect(b.tick(120_000).map((e) => e.type)).toEqual(['withdraw']);
  });

  it('keeps a sale of something it never heard of', () => {
    const b = new Bench();
    b.take(news('moor', sale('moor', 900)));
    expect(b.item()).toMatchObject({
      sale: { market: 'moor' },
      closing: { entries: [{ outcome: 'soldHere' }] },
    });
  });

  it('learns of a sale from a withdrawal that comes too late', () => {
    const b = new Bench();
    b.publishEverywhere();
    b.command({ type: 'withdraw', item: 't', market: 'wick' } as never);
    b.tick();
    b.take(news('wick', sale('wick', 900)));
    expect(b.item().sale?.market).toBe('wick');
    expect(b.listing('moor').want).toBe('gone');
  });
});

describe('a deal the seller reports', () => {
  it('is closed there as sold and withdrawn elsewhere', () => {
    const b = new Bench();
    b.publishEverywhere();
    expect(b.command({ type: 'sold', item: 't', market: 'stile', amount: 4000 } as never)).toBeNull();
    const out = b.tick();
    expect(out).toHaveLength(3);
    expect(out.find((e) => e.market === 'stile')).toMatchObject({ type: 'withdraw', outcome: 'sold' });
    for (const market of ['moor', 'wick', 'stile'])
      b.take({ type: 'withdrawn', market, ref: `t.${market}.1` });
    expect(b.listing('stile').state).toBe('sold');
    expect(b.item().closing?.doneAt).toBe(b.now);
  });
  it('can’t be reported where it is not listed', () =>
    expect(new Bench().command({ type: 'sold', item: 't', market: 'stile', amount: 1 } as never)).toBe(
      'notListed',
    ));
});

describe('trouble on the way', () => {
  it('tries again by itself with growing waits', () => {
    const waits = [1, 2, 3, 4, 5, 6, 7, 8].map((n) => waitAfter(n, 'x'));
    for (let i = 1; i < 6; i += 1) expect(waits[i]).toBeGreaterThan(waits[i - 1] ?? 0);
    expect(Math.max(...waits)).toBeLessThanOrEqual(72_000);
    const b = new Bench();
    b.publishEverywhere();
    b.take(news('moor', sale('moor', 900)));
    b.tick();
    b.take({
      type: 'failed',
      market: 'wick',
      ref: 't.wick.1',
      action: 'withdraw',
      trouble: 'closed',
      unclear: false,
      retryAfter: null,
    });
    expect(b.tick().filter((e) => e.market === 'wick')).toEqual([]);
    expect(b.tick(1_300).map((e) => e.market)).toEqual(['wick']);
  });

  it('waits as long as the marketplace asks, for everything there', () => {
    const b = new Bench();
    b.publishEverywhere();
    b.command({ type: 'withdraw', item: 't', market: 'wick' } as never);
    b.tick();
    b.take({
      type: 'failed',
      market: 'wick',
      ref: 't.wick.1',
      action: 'withdraw',
      trouble: 'slow',
      unclear: false,
      retryAfter: 20_000,
    });
    expect(b.tick(19_000)).toEqual([]);
    expect(b.tick(2_000).map((e) => e.type)).toEqual(['withdraw']);
  });

  it('does not believe “no such listing” while a publish call may still arrive', () => {
    const b = new Bench();
    b.send('wick');
    b.tick();
    b.take({
      type: 'failed',
      market: 'wick',
      ref: 't.wick.1',
      action: 'publish',
      trouble: 'no answer',
      unclear: true,
      retryAfter: null,
    });
    b.command({ type: 'withdraw', item: 't', market: 'wick' } as never);
    b.tick();
    b.take({ type: 'absent', market: 'wick', ref: 't.wick.1' });
    expect(isOver(b.listing('wick'))).toBe(false);
    b.now += LATE_PUBLISH;
    b.take({ type: 'absent', market: 'wick', ref: 't.wick.1' });
    expect(b.listing('wick').state).toBe('ended');
  });

  it('goes on after a restart, treating everything that was out as perhaps done', () => {
    const b = new Bench();
    b.send('moor');
    expect(b.tick()).toMatchObject([{ type: 'publish', unclear: false }]);
    b.take({ type: 'started', markets: ['moor', 'wick', 'stile'] });
    expect(b.tick()).toMatchObject([{ type: 'publish', unclear: true }]);
  });

  it('puts withdrawals before new listings', () => {
    const b = new Bench();
    b.publishEverywhere();
    b.command({ type: 'send', item: 'u', market: 'moor', draft: DRAFT } as never);
    b.command({ type: 'withdraw', item: 't', market: 'wick' } as never);
    expect(b.tick().map((e) => e.type)).toEqual(['withdraw', 'publish']);
  });
});

describe('a listing’s life', () => {
  it('shows a refusal with its reasons, and can be sent again as a new listing', () => {
    const b = new Bench();
    b.send('stile');
    b.tick();
    b.take({
      type: 'published',
      market: 'stile',
      ref: 't.stile.1',
      remoteId: 's',
      url: '/s',
      state: 'inReview',
    });
    expect(b.listing('stile').state).toBe('inReview');
    b.take(
      news('stile', {
        type: 'turnedDown',
        ref: 't.stile.1',
        remoteId: 's',
        reasons: [{ field: 'description', message: 'empty it' }],
      }),
    );
    expect(b.listing('stile')).toMatchObject({ state: 'refused', reasons: [{ message: 'empty it' }] });
    expect(b.send('stile')).toBeNull();
    expect(b.listing('stile').ref).toBe('t.stile.2');
  });
  it('stays live when the approval overtakes the answer to the publish call', () => {
    const b = new Bench();
    b.send('stile');
    b.tick();
    b.take(news('stile', { type: 'approved', ref: 't.stile.1', remoteId: 's', url: '/s' }));
    b.take({
      type: 'published',
      market: 'stile',
      ref: 't.stile.1',
      remoteId: 's',
      url: '/s',
      state: 'inReview',
    });
    expect(b.listing('stile').state).toBe('live');
  });
  it('revises a live listing, and keeps the old words when the change is refused', () => {
    const b = new Bench();
    b.publishEverywhere();
    b.command({ type: 'send', item: 't', market: 'moor', draft: { ...DRAFT, price: 5000 } } as never);
    expect(b.tick()).toMatchObject([{ type: 'revise', draft: { price: 5000 } }]);
    expect(b.send('moor')).toBe('changeOnItsWay');
    b.take({
      type: 'refused',
      market: 'moor',
      ref: 't.moor.1',
      action: 'revise',
      reasons: [{ field: 'price', message: 'no' }],
    });
    expect(b.listing('moor')).toMatchObject({
      state: 'live',
      draft: { price: 4800 },
      reasons: [{ message: 'no' }],
    });
    b.command({ type: 'send', item: 't', market: 'moor', draft: { ...DRAFT, price: 5000 } } as never);
    b.tick();
    b.take({ type: 'revised', market: 'moor', ref: 't.moor.1' });
    expect(b.listing('moor')).toMatchObject({
      state: 'live',
      draft: { price: 5000 },
      reasons: [],
      job: null,
    });
  });
  it('ignores answers to an earlier listing', () => {
    const b = new Bench();
    b.publishEverywhere();
    b.take({ type: 'withdrawn', market: 'moor', ref: 't.moor.1' });
    b.send('moor');
    b.take({ type: 'withdrawn', market: 'moor', ref: 't.moor.1' });
    expect(b.listing('moor')).toMatchObject({ ref: 't.moor.2', want: 'live' });
  });
  it('refuses what makes no sense, in words', () => {
    const b = new Bench();
    expect(b.command({ type: 'withdraw', item: 't', market: 'moor' } as never)).toBe('notListed');
    expect(b.send('nowhere')).toBe('notConnected');
    b.send('moor');
    expect(b.send('moor')).toBe('onItsWay');
  });
  it('drops a listing that was never let out', () => {
    const b = new Bench();
    b.send('moor');
    b.command({ type: 'withdraw', item: 't', market: 'moor' } as never);
    expect(b.listing('moor').state).toBe('ended');
    expect(b.tick()).toEqual([]);
  });
});

describe('reading feeds', () => {
  it('reads each at its own pace and remembers where it was', () => {
    const b = new Bench();
    b.take({ type: 'tick' });
    expect(b.effects.filter((e) => e.type === 'poll')).toHaveLength(3);
    for (const market of ['moor', 'wick', 'stile']) b.take({ type: 'quiet', market, cursor: '7' });
    expect(nextDue(b.state)).toBe(b.now + 3_000);
    b.now += 3_000;
    b.take({ type: 'tick' });
    expect(b.effects).toEqual([
      { type: 'poll', market: 'wick', cursor: '7' },
      { type: 'poll', market: 'stile', cursor: '7' },
    ]);
  });
  it('knows its own references only', () => {
    expect(itemOfRef('abc-1.moor.3')).toBe('abc-1');
    for (const ref of ['', 'x', 'a.b', '../x.moor.1', 'a.moor.x']) expect(itemOfRef(ref)).toBeNull();
  });
});
