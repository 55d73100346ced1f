import fc from 'fast-check';

import { CourierItemView, ListingDraft } from '@/contract/courier';
import { readEvent, type CourierEvent } from '@/contract/courierEvents';
import { Snapshot } from '@/contract/courierEvents';
import { snapshotOf, stateOf } from '@/core/courier/snapshot';
import { emptyCourier, step } from '@/core/courier/step';
import type { Policy } from '@/core/courier/types';
import { viewOf } from '@/core/courier/view';

import { entering } from './entering';
import type { Log } from '../faults/log';

const POLICY: Policy = {
  moor: { pollEvery: 1_000 },
  wick: { pollEvery: 1_000 },
  bill: { pollEvery: 1_000, byHand: true },
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

class Notes implements Log {
  faults: string[] = [];
  fault(where: string) {
    this.faults.push(where);
  }
  note() {}
  close() {}
}

// What an adapter may hand in: its types, and nothing else, are believed.
const words = fc.oneof(
  fc.string(),
  fc.constant(''),
  fc.integer({ min: 0, max: 3_000 }).map((n) => 'é'.repeat(n)),
);
const number = fc.oneof(
  fc.integer(),
  fc.double(),
  fc.constant(Number.NaN),
  fc.constant(1e300),
  fc.nat(10_000),
);
const market = fc.constantFrom('moor', 'wick');
const ref = fc.oneof(
  fc.constantFrom('t.moor.1', 't.wick.1', 'u.moor.1', 't.moor.9'),
  fc.string({ maxLength: 200 }),
);
const reasons = fc.array(fc.record({ field: words, message: words }), { maxLength: 80 });
const about = { market, ref };
const action = fc.constantFrom('publish' as const, 'revise' as const, 'withdraw' as const);
const upState = fc.constantFrom('live' as const, 'inReview' as const);
const news = fc.oneof(
  fc.record(
    {
      type: fc.constant('sale' as const),
      ref,
      remoteId: words,
      order: words,
      amount: number,
      postage: number,
      fees: fc.oneof(fc.constant(null), number),
      at: number,
      piece: words,
    },
    { requiredKeys: ['type', 'ref', 'remoteId', 'order', 'amount', 'postage', 'fees', 'at'] },
  ),
  fc.record({ type: fc.constant('approved' as const), ref, remoteId: words, url: words }),
  fc.record({ type: fc.constant('turnedDown' as const), ref, remoteId: words, reasons }),
  fc.record({ type: fc.constant('ended' as const), ref, remoteId: words, why: words }),
);
const draft = fc.record({ title: words, price: number }).map((d) => ({ ...DRAFT, ...d }));
const told: fc.Arbitrary<CourierEvent> = fc.oneof(
  fc.record({
    type: fc.constant('published' as const),
    ...about,
    remoteId: words,
    url: words,
    state: upState,
  }),
  fc.record({ type: fc.constantFrom('revised' as const, 'withdrawn' as const, 'absent' as const), ...about }),
  fc.record({ type: fc.constant('refused' as const), ...about, action, reasons }),
  fc.record({
    type: fc.constant('failed' as const),
    ...about,
    action,
    trouble: words,
    unclear: fc.boolean(),
    retryAfter: fc.oneof(fc.constant(null), number),
  }),
  fc.record({
    type: fc.constant('news' as const),
    market,
    news: fc.array(news, { maxLength: 5 }),
    cursor: fc.constant(null),
  }),
  fc.record({
    type: fc.constant('strays' as const),
    market,
    gone: fc.array(ref),
    stale: fc.array(fc.record({ ref, remoteId: words, url: words })),
    edited: fc.array(
      fc.record({
        ref,
        as: fc.oneof(
          fc.constant(null),
          fc.record({
            title: fc.oneof(fc.constant(null), words),
            price: fc.oneof(fc.constant(null), number),
          }),
        ),
      }),
    ),
    found: fc.array(
      fc.record({
        ref,
        remoteId: words,
        url: words,
        state: upState,
        draft,
        listedAt: fc.oneof(fc.constant(null), number),
      }),
    ),
    duplicates: fc.array(fc.record({ ref, remoteId: words })),
  }),
  fc.record({
    type: fc.constant('pollFailed' as const),
    market,
    trouble: words,
    retryAfter: fc.oneof(fc.constant(null), number),
  }),
);

function begun() {
  const state = emptyCourier();
  step(state, { type: 'started', markets: Object.keys(POLICY) }, 1_000, POLICY);
  for (const [i, at] of ['moor', 'wick'].entries()) {
    step(
      state,
      { type: 'command', command: { type: 'send', id: `c${i}`, item: 't', market: at, draft: DRAFT } },
      1_000,
      POLICY,
    );
    step(
      state,
      { type: 'published', market: at, ref: `t.${at}.1`, remoteId: 'r', url: '/r', state: 'live' },
      1_001,
      POLICY,
    );
  }
  step(
    state,
    { type: 'command', command: { type: 'withdraw', id: 'w', item: 't', market: 'wick' } },
    1_002,
    POLICY,
  );
  return state;
}

it('whatever an adapter may hand in: page, ledger and snapshot take it', () => {
  fc.assert(
    fc.property(fc.array(told, { minLength: 1, maxLength: 6 }), (events) => {
      const state = begun();
      const log = new Notes();
      let now = 2_000;
      for (const event of events)
        for (const fit of entering(event, log)) {
          step(state, fit, (now += 10), POLICY);
          const line = readEvent(JSON.parse(JSON.stringify(fit)), 1);
          expect(line).toEqual({ ok: true, event: JSON.parse(JSON.stringify(fit)) });
        }
      for (const item of state.items.values())
        expect(CourierItemView.safeParse(viewOf(item)).error).toBeUndefined();
      const kept: unknown = JSON.parse(JSON.stringify(snapshotOf(state)));
      expect(stateOf(Snapshot.parse(kept))).not.toBeNull();
    }),
    { numRuns: 300 },
  );
});

describe('what does not fit', () => {
  const sale = {
    type: 'sale' as const,
    ref: 't.moor.1',
    remoteId: 'r',
    order: 'o1',
    amount: 1,
    postage: 0,
    fees: null,
    at: 1,
  };
  it('does not cost the sale that came with it', () => {
    const log = new Notes();
    const [event] = entering(
      { type: 'news', market: 'moor', news: [{ ...sale, ref: 'x'.repeat(300) }, sale], cursor: '7' },
      log,
    );
    expect(event).toEqual({ type: 'news', market: 'moor', news: [sale], cursor: '7' });
    expect(log.faults).toHaveLength(1);
  });
  it('is cut, not refused: two long reasons of a refused withdrawal are shown', () => {
    const state = begun();
    step(state, { type: 'tick' }, 2_000, POLICY);
    const message = 'no '.repeat(160);
    for (const event of entering(
      {
        type: 'refused',
        market: 'wick',
        ref: 't.wick.1',
        action: 'withdraw',
        reasons: [
          { field: '', message },
          { field: '', message },
        ],
      },
      new Notes(),
    ))
      step(state, event, 2_001, POLICY);
    const view = CourierItemView.parse(viewOf(state.items.get('t')!));
    expect(view.listings.find((l) => l.market === 'wick')?.trouble).toMatch(/^no no/u);
  });
  it('a sale without a number is a sale, the same when it is told again, another than the next', () => {
    const [first] = entering(
      {
        type: 'news',
        market: 'moor',
        news: [
          { ...sale, order: ' ' },
          { ...sale, order: '', at: 2 },
        ],
        cursor: null,
      },
      new Notes(),
    );
    const orders = first?.type === 'news' ? first.news.map((n) => (n.type === 'sale' ? n.order : '')) : [];
    expect(orders).toEqual(['unnumbered t.moor.1 1', 'unnumbered t.moor.1 2']);
  });
  it('a marketplace can’t give its sale the name of a deal that the seller made', () => {
    const [event] = entering(
      { type: 'news', market: 'moor', news: [{ ...sale, order: 'deal-1' }], cursor: null },
      new Notes(),
    );
    expect(event).toMatchObject({ news: [{ order: 'order deal-1' }] });
  });
  it('of an answer counts as none: it may have been done all the same', () => {
    const published = {
      type: 'published',
      market: 'moor',
      ref: 't.moor.1',
      remoteId: 7,
      url: '/r',
      state: 'live',
    } as unknown as CourierEvent;
    expect(entering(published, new Notes())).toMatchObject([
      { type: 'failed', action: 'publish', unclear: true, fault: true },
    ]);
  });
});
