import { ListingDraft, type Command } from '@/contract/courier';

import { emptyCourier, nextDue, step } from './step';
import type { CourierEvent, CourierState, Effect, Policy } from './types';
import { viewOf } from './view';

const POLICY: Policy = {
  moor: { pollEvery: 60_000 },
  wick: { pollEvery: 3_000 },
  bill: { pollEvery: 60_000, byHand: true },
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
    const whole = { item: 't', id: `c${(this.ids += 1)}`, ...command } as Command;
    return this.take({ type: 'command', command: whole }).refusal;
  }
  send(market: string, more: object = {}) {
    return this.ask({ type: 'send', market, draft: DRAFT, ...more });
  }
  /** What is let out after a while, polls aside. */
  tick(later = 0): string[] {
    this.now += later;
    const { effects } = this.take({ type: 'tick' });
    const out = effects.filter((e): e is Exclude<Effect, { type: 'poll' }> => e.type !== 'poll');
    for (const e of out)
      if (e.type === 'publish') this.take({ type: 'publishDispatched', market: e.market, ref: e.ref });
    return out.map((e) => `${e.type} ${e.market}`);
  }
  live(market: string) {
    this.take({ type: 'published', market, ref: `t.${market}.1`, remoteId: '1', url: '/1', state: 'live' });
  }
  sold(market: string) {
    const news = [
      {
        type: 'sale' as const,
        ref: `t.${market}.1`,
        remoteId: '1',
        order: 'o1',
        amount: 4_800,
        postage: 0,
        fees: 0,
        at: this.now,
      },
    ];
    this.take({ type: 'news', market, news, cursor: null });
  }
  view(market: string) {
    return viewOf(this.state.items.get('t')!).listings.find((l) => l.market === market)!;
  }
  get closing() {
    return this.state.items.get('t')?.closing;
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
    [{ type: 'handUp', market: 'moor', url: '/1' }, 'courierDoesThat'],
    [{ type: 'handDown', market: 'moor' }, 'courierDoesThat'],
    [{ type: 'handUp', market: 'bill', url: '/1' }, 'nothingWaits'],
    [{ type: 'handDown', market: 'bill' }, 'notListed'],
  ])('refuses what makes no sense: %j', (command, why) => expect(new Desk().ask(command)).toBe(why));
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
    expect(desk.send('wick')).toBe('notConnected');
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
  it('is moved, brought forward, and given up for going at once', () => {
    const desk = new Desk();
    desk.send('moor', { notBefore: 50_000 });
    expect(desk.ask({ type: 'retime', market: 'moor', notBefore: 80_000 })).toBeNull();
    desk.now = 50_000;
    expect(desk.tick()).toEqual([]);
    expect(desk.ask({ type: 'retime', market: 'moor', notBefore: 60_000 })).toBeNull();
    expect(desk.view('moor').nextTryAt).toBe(60_000);
    expect(desk.ask({ type: 'retime', market: 'moor', notBefore: null })).toBeNull();
    expect(desk.tick()).toEqual(['publish moor']);
    expect(desk.ask({ type: 'retime', market: 'moor', notBefore: 90_000 })).toBe('notPlanned');
  });
  it('comes with what was sent last for it', () => {
    const desk = new Desk();
    desk.send('moor', { notBefore: 50_000 });
    desk.send('moor', { notBefore: 70_000, draft: { ...DRAFT, title: 'Newer' } });
    desk.now = 60_000;
    expect(desk.tick()).toEqual([]);
    desk.now = 70_000;
    expect(desk.tick()).toEqual(['publish moor']);
    expect(desk.view('moor').title).toBe('Newer');
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

describe('a listing that was there before', () => {
  const adopt = (desk: Desk, market: string, ref: string, item = 't') =>
    desk.ask({
      type: 'adopt',
      item,
      market,
      ref,
      remoteId: `r-${ref}`,
      url: '/there',
      state: 'live',
      listedAt: 77,
      draft: DRAFT,
    });
  const soldAs = (desk: Desk, market: string, ref: string) => {
    const news = [
      {
        type: 'sale' as const,
        ref,
        remoteId: 'x',
        order: `o-${ref}`,
        amount: 1,
        postage: 0,
        fees: 0,
        at: desk.now,
      },
    ];
    desk.take({ type: 'news', market, news, cursor: null });
  };
  it('is the item’s own once it was adopted, without a call', () => {
    const desk = new Desk();
    expect(adopt(desk, 'moor', 'old-1')).toBeNull();
    expect(desk.view('moor')).toMatchObject({ state: 'live', doing: null, url: '/there', listedAt: 77 });
    expect(desk.tick()).toEqual([]);
  });
  it('is closed when the item sells elsewhere, and closes the others when it sells itself', () => {
    const desk = new Desk();
    adopt(desk, 'moor', 'old-1');
    adopt(desk, 'wick', 'old-1-too');
    soldAs(desk, 'moor', 'old-1');
    expect(desk.tick()).toEqual(['withdraw wick']);
    desk.take({ type: 'withdrawn', market: 'wick', ref: 'old-1-too' });
    expect(desk.closing?.doneAt).toBe(desk.now);
    expect(desk.state.items.get('t')?.sale?.order).toBe('o-old-1');
  });
  it('is believed to be gone at once when nobody knows it, since nothing of it can arrive late', () => {
    const desk = new Desk();
    desk.now = 1_000_000;
    adopt(desk, 'moor', 'old-1');
    desk.ask({ type: 'withdraw', market: 'moor' });
    expect(desk.tick()).toEqual(['withdraw moor']);
    desk.take({ type: 'absent', market: 'moor', ref: 'old-1' });
    expect(desk.view('moor').state).toBe('ended');
  });
  it('belongs to one item, which has one listing a marketplace', () => {
    const desk = new Desk();
    adopt(desk, 'moor', 'old-1');
    expect(adopt(desk, 'moor', 'old-2')).toBe('listedAlready');
    expect(adopt(desk, 'moor', 'old-1', 'other')).toBe('belongsAlready');
    desk.send('wick');
    expect(adopt(desk, 'wick', 't.wick.1', 'other')).toBe('belongsAlready');
    expect(adopt(desk, 'bill', 'x')).toBe('nobodyToAsk');
    soldAs(desk, 'moor', 'old-1');
    expect(adopt(desk, 'wick', 'old-3')).toBe('itemSoldAlready');
  });
  it('can be put up again afterwards under a reference of ours, later than any before', () => {
    const desk = new Desk();
    adopt(desk, 'moor', 'old-1');
    desk.ask({ type: 'withdraw', market: 'moor' });
    desk.tick();
    desk.take({ type: 'withdrawn', market: 'moor', ref: 'old-1' });
    expect(desk.send('moor')).toBeNull();
    expect(desk.state.items.get('t')?.listings.moor?.ref).toBe('t.moor.2');
    // What is said of the old one changes nothing of the new.
    desk.take({ type: 'absent', market: 'moor', ref: 'old-1' });
    expect(desk.view('moor').state).toBe('onItsWay');
  });
  it('is ours again after the courier lost everything it knew', () => {
    const desk = new Desk();
    expect(adopt(desk, 'moor', 't.moor.3')).toBeNull();
    expect(desk.view('moor').state).toBe('live');
    expect(desk.state.items.get('t')?.listings.moor?.generation).toBe(3);
  });
});

describe('an item with variations', () => {
  const choices = {
    options: ['Piece'],
    pieces: [
      { code: 'A', values: ['mug'], price: 900, stock: 2 },
      { code: 'B', values: ['jug'], price: 1_900, stock: 1 },
    ],
  };
  const desk = () => {
    const d = new Desk();
    for (const market of ['moor', 'wick']) d.send(market, { draft: { ...DRAFT, choices } });
    d.tick();
    d.live('moor');
    d.live('wick');
    return d;
  };
  const sell = (d: Desk, market: string, piece: string, order: string) => {
    const news = [
      {
        type: 'sale' as const,
        ref: `t.${market}.1`,
        remoteId: '1',
        order,
        amount: 1,
        postage: 0,
        fees: 0,
        at: d.now,
        piece,
      },
    ];
    d.take({ type: 'news', market, news, cursor: null });
  };
  const stockSent = (d: Desk) => {
    const { effects } = d.take({ type: 'tick' });
    return effects.flatMap((e) =>
      e.type === 'revise' || e.type === 'publish'
        ? [[e.type, e.market, e.draft.choices?.pieces.map((p) => p.stock)]]
        : [],
    );
  };
  const item = (d: Desk) => viewOf(d.state.items.get('t')!);

  it('stays up when a piece is sold, and everywhere else there is one fewer', () => {
    const d = desk();
    sell(d, 'moor', 'A', 'o1');
    expect(item(d)).toMatchObject({ sale: null, closing: null });
    expect(stockSent(d)).toEqual([['revise', 'wick', [1, 1]]]);
    // Told again, it is the same sale.
    sell(d, 'moor', 'A', 'o1');
    expect(item(d).pieceSales).toHaveLength(1);
  });
  it('is changed once more when another piece goes while a change is under way', () => {
    const d = desk();
    sell(d, 'moor', 'A', 'o1');
    expect(stockSent(d)).toEqual([['revise', 'wick', [1, 1]]]);
    sell(d, 'moor', 'B', 'o2');
    expect(stockSent(d)).toEqual([]);
    d.take({ type: 'revised', market: 'wick', ref: 't.wick.1' });
    expect(stockSent(d)).toEqual([['revise', 'wick', [1, 0]]]);
  });
  it('is sold with its last piece, and closed everywhere like any other', () => {
    const d = desk();
    sell(d, 'moor', 'A', 'o1');
    sell(d, 'wick', 'A', 'o2');
    sell(d, 'moor', 'B', 'o3');
    expect(item(d).sale?.order).toBe('o3');
    expect(item(d).pieceSales.map((s) => s.order)).toEqual(['o1', 'o2', 'o3']);
    expect(item(d).closing?.doneAt).toBeNull();
    // Where it was sold it may still show a piece that went elsewhere.
    expect(d.tick()).toEqual(['withdraw moor', 'withdraw wick']);
    d.take({ type: 'withdrawn', market: 'wick', ref: 't.wick.1' });
    expect(item(d).closing?.doneAt).toBeNull();
    d.take({ type: 'withdrawn', market: 'moor', ref: 't.moor.1' });
    expect(item(d).closing?.doneAt).toBe(d.now);
    expect(d.view('moor').state).toBe('sold');
  });
  it('never hides a piece sold once too often', () => {
    const d = desk();
    sell(d, 'moor', 'B', 'o1');
    sell(d, 'wick', 'B', 'o2');
    expect(item(d).laterSales).toMatchObject([{ order: 'o2', piece: 'B', settled: false }]);
    expect(item(d).pieceSales).toHaveLength(1);
  });
  it('can be sold again once there are more of it', () => {
    const d = desk();
    for (const [piece, order] of [
      ['A', 'o1'],
      ['A', 'o2'],
      ['B', 'o3'],
    ] as const)
      sell(d, 'moor', piece, order);
    d.tick();
    for (const m of ['wick', 'moor']) d.take({ type: 'withdrawn', market: m, ref: `t.${m}.1` });
    expect(d.send('moor', { draft: { ...DRAFT, choices } })).toBe('soldSoNotSent');
    const more = { ...choices, pieces: choices.pieces.map((p) => ({ ...p, stock: p.stock + 1 })) };
    expect(d.send('moor', { draft: { ...DRAFT, choices: more } })).toBeNull();
    expect(item(d).sale).toBeNull();
    expect(stockSent(d)).toEqual([['publish', 'moor', [1, 1]]]);
  });
});

describe('several just alike', () => {
  const stock = (n: number, more = {}) => ({
    options: [],
    pieces: [{ code: 'YA-0007', values: [], price: 900, stock: n }],
    ...more,
  });
  const one = { oneAtATime: true, cap: 1 };
  /** Moor counts them; wick shows one, and so does the board that is worked by hand. */
  const desk = (n = 3, more = {}) => {
    const d = new Desk();
    d.send('moor', { draft: { ...DRAFT, choices: stock(n, more) } });
    d.send('wick', { draft: { ...DRAFT, choices: stock(n, { ...more, ...one }) } });
    d.tick();
    d.live('moor');
    d.live('wick');
    return d;
  };
  const sell = (d: Desk, market: string, order: string, generation = 1) => {
    const sale = { type: 'sale' as const, remoteId: '1', amount: 1, postage: 0, fees: 0, at: d.now };
    d.take({
      type: 'news',
      market,
      news: [{ ...sale, ref: `t.${market}.${generation}`, order }],
      cursor: null,
    });
  };
  const sent = (d: Desk) =>
    d
      .take({ type: 'tick' })
      .effects.flatMap((e) =>
        e.type === 'revise' || e.type === 'publish'
          ? [`${e.type} ${e.ref} ${e.draft.choices?.pieces[0]?.stock}`]
          : e.type === 'withdraw'
            ? [`withdraw ${e.ref}`]
            : [],
      );
  const item = (d: Desk) => viewOf(d.state.items.get('t')!);

  it('a sale is counted down where they are counted; where one is shown the next goes up', () => {
    const d = desk();
    sell(d, 'moor', 'o1');
    // The place where it sold knows by itself.
    expect(sent(d)).toEqual([]);
    sell(d, 'wick', 'w1');
    expect(item(d)).toMatchObject({ sale: null, closing: null });
    expect(item(d).pieceSales.map((s) => [s.order, s.piece])).toEqual([
      ['o1', 'YA-0007'],
      ['w1', 'YA-0007'],
    ]);
    // One of three was sold there, and one elsewhere: it is to count two, of which one is gone.
    expect(sent(d).sort()).toEqual(['publish t.wick.2 1', 'revise t.moor.1 2']);
    // Told again, nothing happens.
    sell(d, 'wick', 'w1');
    expect(item(d).pieceSales).toHaveLength(2);
  });
  it('with the last one it is sold, and closed everywhere', () => {
    const d = desk(2);
    sell(d, 'wick', 'w1');
    sent(d);
    d.take({ type: 'revised', market: 'moor', ref: 't.moor.1' });
    sell(d, 'moor', 'o1');
    expect(item(d).sale?.order).toBe('o1');
    // The next one was just being put up there: it comes down as soon as that is answered.
    expect(sent(d)).toEqual(['withdraw t.moor.1']);
    expect(d.view('wick')).toMatchObject({ want: 'gone' });
  });
  it('nothing goes up again where the rest is held back, or what sold was an auction', () => {
    const held = desk(2, { heldBack: 1 });
    sell(held, 'wick', 'w1');
    // The last one is not for buyers: it comes down where it still shows.
    expect(sent(held)).toEqual(['withdraw t.moor.1']);
    expect(held.view('wick').state).toBe('ended');
    const d = new Desk();
    const auction = { opening: 500, outright: null, days: 5, again: 0, becomes: null };
    d.send('wick', { draft: { ...DRAFT, auction, choices: stock(3, one) } });
    d.tick();
    d.live('wick');
    sell(d, 'wick', 'w1');
    expect(sent(d)).toEqual([]);
    expect(d.view('wick').state).toBe('sold');
    expect(item(d).sale).toBeNull();
    // A person begins it anew.
    expect(d.send('wick', { draft: { ...DRAFT, auction, choices: stock(3, one) } })).toBeNull();
  });
  it('two buyers of the last one are told of as two', () => {
    const d = desk(1);
    sell(d, 'wick', 'w1');
    sell(d, 'moor', 'o1');
    expect(item(d).sale?.order).toBe('w1');
    expect(item(d).laterSales).toMatchObject([{ order: 'o1', settled: false }]);
  });
  it('a deal of one’s own is one of them: one fewer where it is counted, the next where one is shown', () => {
    const d = desk();
    expect(d.ask({ type: 'sold', market: 'wick', amount: 2_000 })).toBeNull();
    expect(item(d).pieceSales).toHaveLength(1);
    expect(sent(d).sort()).toEqual(['revise t.moor.1 2', 'withdraw t.wick.1']);
    d.take({ type: 'withdrawn', market: 'wick', ref: 't.wick.1' });
    expect(sent(d)).toEqual(['publish t.wick.2 1']);
    // Where they are counted the listing stays, and is told.
    d.take({ type: 'revised', market: 'moor', ref: 't.moor.1' });
    expect(d.ask({ type: 'sold', market: 'moor', amount: 2_000 })).toBeNull();
    expect(item(d).sale).toBeNull();
    expect(sent(d)).toEqual(['revise t.moor.1 1']);
  });
  it('a deal over the last one takes all of it down, there too', () => {
    const d = desk(1);
    expect(d.ask({ type: 'sold', market: 'moor', amount: 2_000 })).toBeNull();
    expect(item(d).sale?.amount).toBe(2_000);
    expect(sent(d).sort()).toEqual(['withdraw t.moor.1', 'withdraw t.wick.1']);
    for (const m of ['moor', 'wick']) d.take({ type: 'withdrawn', market: m, ref: `t.${m}.1` });
    expect(d.view('moor').state).toBe('sold');
    expect(item(d).closing?.doneAt).toBe(d.now);
  });
  it('what went up before there were several does not make one sale the last', () => {
    const d = new Desk();
    d.send('moor');
    d.send('wick', { draft: { ...DRAFT, choices: stock(3, one) } });
    d.tick();
    d.live('moor');
    d.live('wick');
    sell(d, 'wick', 'w1');
    expect(item(d).sale).toBeNull();
    expect(sent(d)).toEqual(['publish t.wick.2 1']);
  });
  it('a sale that came to nothing gives one back', () => {
    const d = desk(2);
    sell(d, 'wick', 'w1');
    expect(sent(d)).toContain('revise t.moor.1 1');
    d.take({ type: 'revised', market: 'moor', ref: 't.moor.1' });
    expect(d.ask({ type: 'undo', order: 'w1', why: 'returned' })).toBeNull();
    expect(sent(d)).toContain('revise t.moor.1 2');
  });
  it('what was one of a kind and is no longer is asked of the listings that are up', () => {
    const d = desk();
    expect(d.ask({ type: 'withdraw', market: 'wick' })).toBeNull();
    sent(d);
    d.take({ type: 'withdrawn', market: 'wick', ref: 't.wick.1' });
    d.send('moor', { draft: DRAFT });
    sent(d);
    d.take({ type: 'revised', market: 'moor', ref: 't.moor.1' });
    sell(d, 'moor', 'o1');
    expect(item(d).sale?.order).toBe('o1');
  });
});

describe('what a person was to put up by hand', () => {
  it('is simply dropped when it is no longer wanted and nothing was lost', () => {
    const desk = new Desk();
    desk.send('bill');
    expect(desk.ask({ type: 'withdraw', market: 'bill' })).toBeNull();
    expect(desk.view('bill')).toMatchObject({ state: 'ended', doing: null });
  });
  it('is asked about after a restart: that it is up may have been said, and lost', () => {
    const desk = new Desk();
    desk.send('bill');
    desk.take({ type: 'started', markets: ['moor', 'wick', 'bill'] });
    expect(desk.ask({ type: 'withdraw', market: 'bill' })).toBeNull();
    expect(desk.view('bill')).toMatchObject({ state: 'onItsWay', want: 'gone', doing: 'withdraw' });
    expect(desk.ask({ type: 'handDown', market: 'bill' })).toBeNull();
    expect(desk.view('bill')).toMatchObject({ state: 'ended', doing: null });
  });
  it('waits to be put up again, and is not held to be up, when a promise comes to nothing', () => {
    const desk = new Desk();
    desk.send('moor');
    desk.send('bill');
    desk.take({ type: 'started', markets: ['moor', 'wick', 'bill'] });
    desk.ask({ type: 'hold', market: 'moor', elsewhere: 'withdraw' });
    desk.ask({ type: 'release' });
    expect(desk.view('bill')).toMatchObject({ state: 'onItsWay', want: 'live', doing: 'publish' });
  });
});

describe('put up by hand just when it was sold', () => {
  it('is red until it was taken down, though nobody knew that it was up', () => {
    const desk = new Desk();
    desk.send('moor');
    desk.send('bill');
    desk.tick();
    desk.live('moor');
    desk.sold('moor');
    // Nobody said that it is up, and nobody said that it is not: the person is asked.
    expect(desk.closing?.doneAt).toBeNull();
    expect(desk.view('bill')).toMatchObject({ state: 'onItsWay', want: 'gone', doing: 'withdraw' });
    expect(desk.ask({ type: 'handUp', market: 'bill', url: '/notice/1' })).toBeNull();
    expect(desk.closing?.doneAt).toBeNull();
    expect(desk.ask({ type: 'handDown', market: 'bill' })).toBeNull();
    expect(desk.closing?.doneAt).not.toBeNull();
  });
});
