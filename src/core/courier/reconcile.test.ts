import { ListingDraft } from '@/contract/courier';

import { compareShown, type Shown } from './reconcile';
import { emptyCourier, nextDue, step } from './step';
import type { CourierEvent, CourierState, Policy } from './types';
import { viewOf } from './view';
import { REST_AFTER } from './waiting';

const POLICY: Policy = { moor: { pollEvery: 600_000 }, wick: { pollEvery: 600_000 } };
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

class Desk {
  state: CourierState = emptyCourier();
  now = 1_000_000;
  /** Taken down at once by the last comparison. */
  down: string[] = [];
  constructor() {
    this.take({ type: 'started', markets: ['moor', 'wick'] });
  }
  take(event: CourierEvent) {
    return step(this.state, event, this.now, POLICY);
  }
  send(market: string, item = 't') {
    return this.take({
      type: 'command',
      command: { type: 'send', id: `${item}${market}${this.now}`, item, market, draft: DRAFT },
    }).refusal;
  }
  tick(later = 0): string[] {
    this.now += later;
    const out = this.take({ type: 'tick' }).effects.flatMap((e) => (e.type === 'poll' ? [] : [e]));
    for (const e of out)
      if (e.type === 'publish') this.take({ type: 'publishDispatched', market: e.market, ref: e.ref });
    return out.map((e) => `${e.type} ${e.ref}`);
  }
  live(market: string, item = 't') {
    this.send(market, item);
    this.tick();
    this.take({
      type: 'published',
      market,
      ref: `${item}.${market}.1`,
      remoteId: '1',
      url: '/1',
      state: 'live',
    });
  }
  sellOnWick() {
    const sale = { market: 'wick', order: 'w1', amount: 4_800, postage: 0, fees: 0, at: this.now };
    this.take({
      type: 'news',
      market: 'wick',
      cursor: '1',
      news: [{ type: 'sale', ref: 't.wick.1', remoteId: '5', ...sale }],
    });
  }
  view(market: string, item = 't') {
    return viewOf(this.state.items.get(item)!).listings.find((l) => l.market === market)!;
  }
  compare(market: string, shown: Shown[], asked = this.now) {
    const { missing, stale, edited, found, duplicates, unknown } = compareShown(
      this.state,
      market,
      shown,
      asked,
      true,
    );
    const lost = found.map((ref) => ({
      ref,
      remoteId: '9',
      url: '/9',
      state: 'live' as const,
      draft: DRAFT,
      listedAt: null,
    }));
    const { effects } = this.take({
      type: 'strays',
      market,
      gone: missing,
      stale,
      edited,
      found: lost,
      duplicates,
    });
    this.down = effects.flatMap((e) => (e.type === 'withdraw' ? e.ref : []));
    return { missing, stale: stale.map((l) => l.ref), edited, found, duplicates, unknown };
  }
}
const shown = (ref: string, part: Partial<Shown> = {}): Shown => ({
  ref,
  remoteId: '1',
  url: '/1',
  title: DRAFT.title,
  price: DRAFT.price,
  ...part,
});
const NOTHING = { missing: [], stale: [], edited: [], found: [], duplicates: [], unknown: 0 };

describe('comparing what is shown with what should be', () => {
  it('finds nothing where all is as it should be', () => {
    const desk = new Desk();
    desk.live('moor');
    desk.now += 60_000;
    expect(desk.compare('moor', [shown('t.moor.1')])).toEqual(NOTHING);
  });
  it('ends what is no longer shown, with the reason, and it can be put up again', () => {
    const desk = new Desk();
    desk.live('moor');
    desk.now += 60_000;
    expect(desk.compare('moor', []).missing).toEqual(['t.moor.1']);
    expect(desk.view('moor')).toMatchObject({
      state: 'ended',
      reasons: [{ code: 'notShownThere' }],
    });
    expect(desk.send('moor')).toBeNull();
    expect(desk.tick()).toEqual(['publish t.moor.2']);
  });
  it('looks after its own listings again when the memory of them is lost, closes them by the sale', () => {
    const desk = new Desk();
    desk.compare('moor', [shown('t.moor.3')]);
    expect(desk.view('moor')).toMatchObject({ state: 'live', want: 'live', url: '/9' });
    desk.sellOnWick();
    expect(desk.tick()).toEqual(['withdraw t.moor.3']);
  });
  it('takes down at once what it finds of an item that is sold', () => {
    const desk = new Desk();
    desk.sellOnWick();
    desk.compare('moor', [shown('t.moor.1')]);
    expect(viewOf(desk.state.items.get('t')!).closing?.doneAt).toBeNull();
    expect(desk.tick()).toEqual(['withdraw t.moor.1']);
  });
  it('takes down an older listing of its own that stands beside the newer one', () => {
    const desk = new Desk();
    desk.live('moor');
    desk.now += 60_000;
    desk.compare('moor', []);
    desk.send('moor');
    desk.tick();
    desk.take({
      type: 'published',
      market: 'moor',
      ref: 't.moor.2',
      remoteId: '2',
      url: '/2',
      state: 'live',
    });
    desk.now += 60_000;
    expect(desk.compare('moor', [shown('t.moor.1'), shown('t.moor.2')]).duplicates).toEqual([
      { ref: 't.moor.1', remoteId: '1' },
    ]);
    expect(desk.down).toEqual(['t.moor.1']);
  });
  it('lists nothing before it has looked, where it begins with nothing and can ask', () => {
    const policy: Policy = { moor: { pollEvery: 600_000, looksFirst: true } };
    const state = emptyCourier();
    const take = (event: CourierEvent) => step(state, event, 1_000, policy);
    take({ type: 'started', markets: ['moor'] });
    take({ type: 'command', command: { type: 'send', id: 'c1', item: 't', market: 'moor', draft: DRAFT } });
    expect(take({ type: 'tick' }).effects.filter((e) => e.type === 'publish')).toEqual([]);
    expect(nextDue(state)).toBeNull();
    take({ type: 'firstSyncDone', market: 'moor' });
    expect(take({ type: 'tick' }).effects.filter((e) => e.type === 'publish')).toHaveLength(1);
    // A start later it remembers that it has looked.
    take({ type: 'started', markets: ['moor'] });
    expect(state.markets.get('moor')?.needsFirstSync).toBe(false);
  });
  it('does not believe a list that is older than the last change', () => {
    const desk = new Desk();
    desk.live('moor');
    desk.now += 60_000;
    const asked = desk.now;
    expect(desk.send('moor')).toBeNull();
    expect(desk.tick()).toEqual(['revise t.moor.1']);
    desk.now += 3_000;
    desk.take({ type: 'revised', market: 'moor', ref: 't.moor.1' });
    expect(desk.compare('moor', [shown('t.moor.1', { price: 2_500 })], asked)).toEqual(NOTHING);
    desk.now += 60_000;
    expect(desk.compare('moor', [shown('t.moor.1', { price: 2_500 })]).edited).toHaveLength(1);
  });
  it('takes down what is still shown though it was sold', () => {
    const desk = new Desk();
    desk.live('moor');
    desk.live('wick');
    const news = [
      {
        type: 'sale' as const,
        ref: 't.moor.1',
        remoteId: '1',
        order: 'o',
        amount: 1,
        postage: 0,
        fees: 0,
        at: desk.now,
      },
    ];
    desk.take({ type: 'news', market: 'moor', news, cursor: null });
    desk.tick();
    desk.take({ type: 'withdrawn', market: 'wick', ref: 't.wick.1' });
    desk.now += 60_000;
    expect(desk.compare('wick', [shown('t.wick.1')]).stale).toEqual(['t.wick.1']);
    expect(viewOf(desk.state.items.get('t')!).closing?.doneAt).toBeNull();
    expect(desk.tick()).toEqual(['withdraw t.wick.1']);
    // Told again of the sale, where it was sold there is nothing left to do.
    expect(desk.compare('moor', [shown('t.moor.1')]).stale).toEqual(['t.moor.1']);
    expect(desk.tick()).toEqual(['withdraw t.moor.1']);
    desk.take({ type: 'news', market: 'moor', news, cursor: null });
    expect(desk.view('moor')).toMatchObject({ state: 'sold', doing: null });
  });
  it('says what was changed there, once, and forgets it when it is as it was sent', () => {
    const desk = new Desk();
    desk.live('moor');
    desk.now += 60_000;
    const cheaper = shown('t.moor.1', { price: 3_000 });
    expect(desk.compare('moor', [cheaper]).edited).toEqual([
      { ref: 't.moor.1', as: { title: null, price: 3_000 } },
    ]);
    expect(desk.view('moor').edited).toEqual({ title: null, price: 3_000 });
    expect(desk.compare('moor', [cheaper])).toEqual(NOTHING);
    expect(desk.compare('moor', [shown('t.moor.1')]).edited).toEqual([{ ref: 't.moor.1', as: null }]);
    expect(desk.view('moor').edited).toBeNull();
  });
  it('counts what nobody knows, and leaves alone what changed about the time of asking', () => {
    const desk = new Desk();
    desk.live('moor');
    expect(desk.compare('moor', [], desk.now - 1_000)).toEqual(NOTHING);
    desk.now += 60_000;
    expect(desk.compare('moor', [shown('t.moor.1'), shown('old-7'), shown('x.wick.3')]).unknown).toBe(2);
    desk.send('moor');
    expect(desk.compare('moor', [])).toEqual(NOTHING);
  });
});

describe('a marketplace that fails again and again', () => {
  const fail = (desk: Desk, ref: string, retryAfter: number | null = null) =>
    desk.take({
      type: 'failed',
      market: 'moor',
      ref,
      action: 'publish',
      trouble: 'out',
      unclear: false,
      retryAfter,
    });
  const many = ['a', 'b', 'c', 'd', 'e', 'f', 'g'];
  const broken = () => {
    const desk = new Desk();
    for (const id of many) desk.send('moor', id);
    expect(desk.tick()).toHaveLength(many.length);
    for (const id of many) fail(desk, `${id}.moor.1`);
    return desk;
  };
  it('is left in peace, but for one call now and then; others go on as ever', () => {
    const desk = broken();
    expect(desk.state.markets.get('moor')?.failedCalls).toBeGreaterThanOrEqual(REST_AFTER);
    desk.send('wick', 'a');
    expect(desk.tick()).toEqual(['publish a.wick.1']);
    expect(desk.tick(10_000)).toHaveLength(1);
    expect(desk.tick(100)).toEqual([]);
    expect(nextDue(desk.state)).toBeGreaterThan(desk.now);
  });
  it('gets a withdrawal first when it is tried', () => {
    const desk = broken();
    desk.take({ type: 'command', command: { type: 'withdraw', id: 'w', item: 'g', market: 'moor' } });
    expect(desk.tick(10_000)).toEqual(['withdraw g.moor.1']);
  });
  it('gets everything again as soon as it answers', () => {
    const desk = broken();
    const [first] = desk.tick(60_000);
    const ref = first!.split(' ')[1]!;
    desk.take({ type: 'published', market: 'moor', ref, remoteId: '1', url: '/1', state: 'live' });
    expect(desk.tick()).toHaveLength(many.length - 1);
  });
  it('that only asks to slow down is not given up on', () => {
    const desk = new Desk();
    for (const id of many) desk.send('moor', id);
    desk.tick();
    for (const id of many) fail(desk, `${id}.moor.1`, 1_000);
    expect(desk.state.markets.get('moor')?.failedCalls).toBe(0);
    expect(desk.tick(10_000)).toHaveLength(many.length);
  });
});
