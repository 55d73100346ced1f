import { ListingDraft, type Command } from '@/contract/courier';

import { emptyCourier, step } from './step';
import type { CourierEvent, CourierState, Effect, Policy } from './types';
import { viewOf } from './view';
import { LATE_PUBLISH } from './waiting';

const POLICY: Policy = {
  moor: { pollEvery: 600_000 },
  wick: { pollEvery: 600_000 },
  board: { pollEvery: 600_000, showsHolds: true },
  paper: { pollEvery: 600_000, byHand: true },
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

type Wish = Command extends infer C ? (C extends unknown ? Omit<C, 'id' | 'item'> : never) : never;

/** One item, and marketplaces that do at once what they are asked. */
class Desk {
  state: CourierState = emptyCourier();
  now = 1_000_000;
  private ids = 0;
  constructor(...markets: string[]) {
    this.take({ type: 'started', markets: Object.keys(POLICY) });
    for (const market of markets) this.say({ type: 'send', market, draft: DRAFT });
    this.work();
  }
  take(event: CourierEvent) {
    return step(this.state, event, this.now, POLICY);
  }
  say(wish: Wish): string | null {
    const command = { ...wish, id: `c${(this.ids += 1)}`, item: 't' } as Command;
    return this.take({ type: 'command', command }).refusal;
  }
  /** What is called now, answered as it should be. */
  work(later = 0): string[] {
    this.now += later;
    const done: string[] = [];
    for (;;) {
      const out = this.take({ type: 'tick' }).effects.filter((e) => e.type !== 'poll');
      if (out.length === 0) return done;
      for (const effect of out) {
        done.push(
          `${effect.type} ${effect.ref.slice(2)}${'draft' in effect && effect.draft.held ? ' held' : ''}`,
        );
        if (effect.type === 'publish')
          this.take({ type: 'publishDispatched', market: effect.market, ref: effect.ref });
        this.take(answer(effect));
      }
    }
  }
  sell(market: string, order: string, at = this.now) {
    const generation = this.state.items.get('t')?.listings[market]?.generation ?? 1;
    this.take({
      type: 'news',
      market,
      cursor: order,
      news: [
        {
          type: 'sale',
          ref: `t.${market}.${generation}`,
          remoteId: '1',
          order,
          amount: 4_800,
          postage: 0,
          fees: 0,
          at,
        },
      ],
    });
  }
  get view() {
    return viewOf(this.state.items.get('t')!);
  }
  states() {
    return Object.fromEntries(this.view.listings.map((l) => [l.market, l.state]));
  }
}

function answer(effect: Exclude<Effect, { type: 'poll' }>): CourierEvent {
  const { market, ref } = effect;
  switch (effect.type) {
    case 'publish':
      return { type: 'published', market, ref, remoteId: ref, url: `/${ref}`, state: 'live' };
    case 'revise':
      return { type: 'revised', market, ref };
    case 'withdraw':
      return { type: 'withdrawn', market, ref };
  }
}

describe('a promise', () => {
  it('takes the item down elsewhere and tells buyers where it was made', () => {
    const desk = new Desk('moor', 'wick', 'board');
    expect(desk.say({ type: 'hold', market: 'board', elsewhere: 'withdraw' })).toBeNull();
    expect(desk.work().sort()).toEqual(['revise board.1 held', 'withdraw moor.1', 'withdraw wick.1']);
    expect(desk.view.hold).toMatchObject({ market: 'board', down: ['moor', 'wick'] });
    expect(desk.states()).toEqual({ moor: 'ended', wick: 'ended', board: 'live' });
  });
  it('that comes to nothing puts up again just what was taken down for it', () => {
    const desk = new Desk('moor', 'wick', 'board');
    desk.say({ type: 'withdraw', market: 'wick' });
    desk.work();
    desk.say({ type: 'hold', market: 'board', elsewhere: 'withdraw' });
    desk.work();
    expect(desk.say({ type: 'release' })).toBeNull();
    expect(desk.work().sort()).toEqual(['publish moor.2', 'revise board.1']);
    expect(desk.states()).toEqual({ moor: 'live', wick: 'ended', board: 'live' });
    expect(desk.say({ type: 'release' })).toBe('notPromised');
  });
  it('released while the withdrawal is still out puts it up again once it is gone', () => {
    const desk = new Desk('moor', 'board');
    desk.say({ type: 'hold', market: 'board', elsewhere: 'withdraw' });
    const { effects } = desk.take({ type: 'tick' });
    desk.say({ type: 'release' });
    for (const e of effects) if (e.type !== 'poll') desk.take(answer(e));
    expect(desk.work()).toContain('publish moor.2');
    expect(desk.states().moor).toBe('live');
  });
  it('leaves by-hand notices that nobody has taken down yet where they are', () => {
    const desk = new Desk('paper', 'board');
    desk.say({ type: 'handUp', market: 'paper', url: '/p1' });
    desk.say({ type: 'hold', market: 'board', elsewhere: 'withdraw' });
    expect(desk.view.listings.find((l) => l.market === 'paper')).toMatchObject({
      want: 'gone',
      doing: 'withdraw',
    });
    desk.say({ type: 'release' });
    expect(desk.view.listings.find((l) => l.market === 'paper')).toMatchObject({
      want: 'live',
      state: 'live',
      doing: null,
    });
  });
  it('made again before all was gone keeps what is to come back', () => {
    const desk = new Desk('moor', 'board');
    desk.say({ type: 'hold', market: 'board', elsewhere: 'withdraw' });
    desk.say({ type: 'release' });
    desk.say({ type: 'hold', market: 'board', elsewhere: 'withdraw' });
    expect(desk.work().filter((w) => w.startsWith('publish'))).toEqual([]);
    expect(desk.view.hold?.down).toEqual(['moor']);
    desk.say({ type: 'release' });
    expect(desk.work()).toContain('publish moor.2');
  });
  it('lets nothing new out elsewhere, unless it may stay up there', () => {
    const desk = new Desk('board');
    desk.say({ type: 'hold', market: 'board', elsewhere: 'withdraw' });
    expect(desk.say({ type: 'send', market: 'moor', draft: DRAFT })).toBe('promisedSoNotSent');
    expect(desk.say({ type: 'hold', market: 'board', elsewhere: 'leave' })).toBe('promisedAlready');
    desk.say({ type: 'release' });
    desk.say({ type: 'hold', market: 'board', elsewhere: 'leave' });
    expect(desk.say({ type: 'send', market: 'moor', draft: DRAFT })).toBeNull();
  });
  it('gives way to a sale: nothing goes up again', () => {
    const desk = new Desk('moor', 'wick', 'board');
    desk.say({ type: 'hold', market: 'board', elsewhere: 'withdraw' });
    desk.say({ type: 'release' });
    desk.sell('wick', 'w1');
    expect(desk.work().filter((w) => w.startsWith('publish'))).toEqual([]);
    expect(desk.states()).toEqual({ moor: 'ended', wick: 'sold', board: 'ended' });
    expect(desk.say({ type: 'hold', market: 'board', elsewhere: 'leave' })).toBe('soldAlready');
  });
  it('says it once more where the last word went unanswered and could arrive late', () => {
    const desk = new Desk('board');
    desk.say({ type: 'hold', market: 'board', elsewhere: 'leave' });
    desk.take({ type: 'tick' });
    desk.take({
      type: 'failed',
      market: 'board',
      ref: 't.board.1',
      action: 'revise',
      trouble: '?',
      unclear: true,
      retryAfter: null,
    });
    desk.say({ type: 'release' });
    expect(desk.work(2_000)).toEqual(['revise board.1', 'revise board.1']);
    expect(desk.work(LATE_PUBLISH)).toEqual(['revise board.1']);
    expect(desk.work(LATE_PUBLISH)).toEqual([]);
  });
  it('says it once more also where a person sends a change before that', () => {
    const desk = new Desk('board');
    desk.say({ type: 'hold', market: 'board', elsewhere: 'leave' });
    desk.take({ type: 'tick' });
    desk.take({
      type: 'failed',
      market: 'board',
      ref: 't.board.1',
      action: 'revise',
      trouble: '?',
      unclear: true,
      retryAfter: null,
    });
    desk.say({ type: 'release' });
    desk.work(2_000);
    expect(desk.say({ type: 'send', market: 'board', draft: DRAFT })).toBeNull();
    expect(desk.work(2_000)).toEqual(['revise board.1']);
    expect(desk.work(LATE_PUBLISH)).toEqual(['revise board.1']);
    expect(desk.work(LATE_PUBLISH)).toEqual([]);
  });
});

describe('a sale that comes to nothing', () => {
  it('is kept, and the item may go up again', () => {
    const desk = new Desk('moor', 'wick');
    desk.sell('moor', 'm1');
    desk.work();
    expect(desk.say({ type: 'undo', order: 'm1', why: 'returned' })).toBeNull();
    expect(desk.view).toMatchObject({
      sale: null,
      closing: null,
      pastSales: [{ order: 'm1', why: 'returned' }],
    });
    expect(desk.say({ type: 'send', market: 'wick', draft: DRAFT })).toBeNull();
    expect(desk.work()).toEqual(['publish wick.2']);
  });
  it('does not come back with news that are told twice', () => {
    const desk = new Desk('moor', 'wick');
    desk.sell('moor', 'm1');
    desk.work();
    desk.say({ type: 'undo', order: 'm1', why: 'cancelled' });
    desk.sell('moor', 'm1');
    expect(desk.view.sale).toBeNull();
  });
  it('waits until the item is gone everywhere', () => {
    const desk = new Desk('moor', 'wick');
    desk.sell('moor', 'm1');
    expect(desk.say({ type: 'undo', order: 'm1', why: 'cancelled' })).toBe('stillComingDown');
    desk.work();
    expect(desk.say({ type: 'undo', order: 'm1', why: 'cancelled' })).toBeNull();
  });
  it('gives its place to a second sale nobody has dealt with', () => {
    const desk = new Desk('moor', 'wick');
    desk.sell('moor', 'm1', desk.now - 100);
    desk.sell('wick', 'w1', desk.now);
    desk.work();
    expect(desk.view.laterSales).toHaveLength(1);
    desk.say({ type: 'undo', order: 'm1', why: 'cancelled' });
    expect(desk.view).toMatchObject({ sale: { order: 'w1' }, laterSales: [], pastSales: [{ order: 'm1' }] });
    expect(desk.view.closing?.doneAt).not.toBeNull();
  });
  it('that was the second one leaves the first in peace', () => {
    const desk = new Desk('moor', 'wick');
    desk.sell('moor', 'm1', desk.now - 100);
    desk.sell('wick', 'w1', desk.now);
    desk.work();
    desk.say({ type: 'undo', order: 'w1', why: 'cancelled' });
    expect(desk.view).toMatchObject({ sale: { order: 'm1' }, laterSales: [], pastSales: [{ order: 'w1' }] });
    expect(desk.say({ type: 'undo', order: 'x9', why: 'cancelled' })).toBe('noSuchSale');
  });
});

describe('an order the person has before the courier', () => {
  it('closes everything else, and is the same sale when the marketplace tells of it', () => {
    const desk = new Desk('moor', 'wick');
    expect(desk.say({ type: 'sold', market: 'moor', amount: 4_800, order: 'm1' })).toBeNull();
    expect(desk.work()).toEqual(['withdraw wick.1']);
    desk.sell('moor', 'm1');
    expect(desk.view).toMatchObject({ sale: { order: 'm1', fees: null }, laterSales: [] });
    expect(desk.states()).toEqual({ moor: 'sold', wick: 'ended' });
  });
});

describe('a sale heard of late', () => {
  it('of a listing that was put up again since takes the newer one down as well', () => {
    const desk = new Desk('moor', 'wick');
    desk.take({ type: 'strays', market: 'moor', gone: ['t.moor.1'], stale: [], edited: [] });
    desk.say({ type: 'send', market: 'moor', draft: DRAFT });
    desk.work();
    desk.take({
      type: 'news',
      market: 'moor',
      cursor: 'm1',
      news: [
        {
          type: 'sale',
          ref: 't.moor.1',
          remoteId: '1',
          order: 'm1',
          amount: 4_800,
          postage: 0,
          fees: 0,
          at: desk.now,
        },
      ],
    });
    expect(desk.work().sort()).toEqual(['withdraw moor.2', 'withdraw wick.1']);
    expect(desk.view.closing?.doneAt).not.toBeNull();
  });
});

describe('pieces that come back', () => {
  const choices = { options: ['Piece'], pieces: [{ code: 'MUG', values: ['mug'], price: 900, stock: 2 }] };
  const several = { ...DRAFT, choices };
  const sell = (desk: Desk, market: string, order: string) =>
    desk.take({
      type: 'news',
      market,
      cursor: order,
      news: [
        {
          type: 'sale',
          ref: `t.${market}.1`,
          remoteId: '1',
          order,
          amount: 900,
          postage: 0,
          fees: 0,
          at: desk.now,
          piece: 'MUG',
        },
      ],
    });
  const stockAt = (desk: Desk, market: string) => {
    const out = desk.take({ type: 'tick' }).effects.find((e) => e.type === 'revise' && e.market === market);
    return out && 'draft' in out ? out.draft.choices?.pieces[0]?.stock : undefined;
  };
  it('are offered again everywhere, also where they were sold', () => {
    const desk = new Desk();
    for (const market of ['moor', 'wick']) desk.say({ type: 'send', market, draft: several });
    desk.work();
    sell(desk, 'moor', 'm1');
    expect(stockAt(desk, 'wick')).toBe(1);
    desk.take({ type: 'revised', market: 'wick', ref: 't.wick.1' });
    expect(desk.say({ type: 'undo', order: 'm1', why: 'returned' })).toBeNull();
    // Moor itself counted one sold, so that it shows two again it has to be told three.
    expect(
      desk
        .take({ type: 'tick' })
        .effects.flatMap((e) => ('draft' in e ? [[e.market, e.draft.choices?.pieces[0]?.stock]] : []))
        .sort(),
    ).toEqual([
      ['moor', 3],
      ['wick', 2],
    ]);
  });
  // Common practice: 3 in stock with 1 held back shows 2; 100 with a cap of 20 shows 20, until fewer than 20
  // are left.
  it.each([
    [3, { heldBack: 1 }, 0, 2],
    [3, { heldBack: 1 }, 1, 1],
    [100, { cap: 20 }, 0, 20],
    [100, { cap: 20 }, 85, 15],
    [100, { cap: 20 }, 79, 20],
  ])('of %i with %j, %i sold elsewhere, %i are shown', (stock, limits, sold, shown) => {
    const draft = {
      ...DRAFT,
      choices: { ...choices, ...limits, pieces: [{ ...choices.pieces[0]!, stock }] },
    };
    const desk = new Desk();
    for (const market of ['moor', 'wick']) desk.say({ type: 'send', market, draft });
    desk.work();
    for (let i = 0; i < sold; i += 1) sell(desk, 'moor', `m${i}`);
    if (sold === 0) desk.say({ type: 'send', market: 'wick', draft });
    expect(stockAt(desk, 'wick')).toBe(shown);
  });
  it('come down where all that is left is held back, and go up again when one comes back', () => {
    const draft = {
      ...DRAFT,
      choices: { ...choices, heldBack: 1, pieces: [{ ...choices.pieces[0]!, stock: 2 }] },
    };
    const desk = new Desk();
    for (const market of ['moor', 'wick']) desk.say({ type: 'send', market, draft });
    desk.work();
    sell(desk, 'moor', 'm1');
    // One is left, and that is held back: no marketplace goes on showing it, the item itself is not sold.
    const down = desk
      .take({ type: 'tick' })
      .effects.filter((e) => e.type !== 'poll')
      .map((e) => [e.type, e.market]);
    expect(down.sort()).toEqual([
      ['withdraw', 'moor'],
      ['withdraw', 'wick'],
    ]);
    for (const market of ['moor', 'wick']) desk.take({ type: 'withdrawn', market, ref: `t.${market}.1` });
    expect(desk.view.sale).toBeNull();
    expect(desk.view.listings.map((l) => l.state)).toEqual(['ended', 'ended']);
    expect(desk.say({ type: 'send', market: 'moor', draft })).toBe('nothingToShow');
    // One is not wanted there any more, so only the other goes up again.
    expect(desk.say({ type: 'withdraw', market: 'wick' })).toBeNull();
    expect(desk.say({ type: 'undo', order: 'm1', why: 'returned' })).toBeNull();
    const up = desk
      .take({ type: 'tick' })
      .effects.flatMap((e) => (e.type === 'publish' ? [[e.market, e.draft.choices?.pieces[0]?.stock]] : []));
    expect(up).toEqual([['moor', 1]]);
  });
  it('are put up to the cap again where they were sold, on top of what the marketplace counted', () => {
    const draft = {
      ...DRAFT,
      choices: { ...choices, cap: 2, pieces: [{ ...choices.pieces[0]!, stock: 5 }] },
    };
    const desk = new Desk();
    desk.say({ type: 'send', market: 'moor', draft });
    desk.work();
    sell(desk, 'moor', 'm1');
    // Moor knows of two and has sold one; told three, it shows two again.
    expect(stockAt(desk, 'moor')).toBe(3);
  });
  it('go to the buyer who was one too many', () => {
    const desk = new Desk();
    for (const market of ['moor', 'wick']) desk.say({ type: 'send', market, draft: several });
    desk.work();
    sell(desk, 'moor', 'm1');
    sell(desk, 'moor', 'm2');
    sell(desk, 'wick', 'w1');
    desk.work();
    expect(desk.view.laterSales.map((s) => s.order)).toEqual(['w1']);
    desk.say({ type: 'undo', order: 'm1', why: 'cancelled' });
    expect(desk.view.laterSales).toEqual([]);
    expect(desk.view.pieceSales.map((s) => s.order)).toEqual(['m2', 'w1']);
    expect(desk.view.sale?.order).toBe('w1');
  });
});

describe('what was brought in and never sent from here', () => {
  const found = { ...DRAFT, found: true };
  const brought = () => {
    const desk = new Desk();
    for (const market of ['board', 'moor'])
      desk.say({
        type: 'adopt',
        market,
        ref: `old-${market}`,
        remoteId: 'r',
        url: '/x',
        state: 'live',
        listedAt: 1,
        draft: found,
      });
    return desk;
  };
  const at = (desk: Desk, market: string) => desk.view.listings.find((l) => l.market === market)!;
  it('is not written over to show a promise: it is known here, and that is all', () => {
    const desk = brought();
    expect(desk.say({ type: 'hold', market: 'board', elsewhere: 'leave' })).toBeNull();
    expect(desk.work()).toEqual([]);
    expect(at(desk, 'board')).toMatchObject({ held: true, state: 'live' });
  });
  it('comes down for a promise elsewhere, and is not put up again by itself: a person is told', () => {
    const desk = brought();
    desk.say({ type: 'hold', market: 'board', elsewhere: 'withdraw' });
    expect(desk.work()).toEqual(['withdraw d-moor']);
    desk.say({ type: 'release' });
    expect(desk.work(LATE_PUBLISH)).toEqual([]);
    expect(at(desk, 'moor')).toMatchObject({ state: 'ended', reasons: [{ field: 'markets' }] });
  });
  it('goes as ours once the person has sent it', () => {
    const desk = brought();
    desk.say({ type: 'send', market: 'board', draft: DRAFT });
    desk.work();
    desk.say({ type: 'hold', market: 'board', elsewhere: 'leave' });
    expect(desk.work()).toEqual(['revise d-board held']);
  });
});
