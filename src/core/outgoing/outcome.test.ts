import fc from 'fast-check';

import type { CourierListingView } from '@/contract/courier';

import { isSettled, outcomeOf, tallyOf, type Outcome } from './outcome';

const NOW = 1_000_000;
const listing = (part: Partial<CourierListingView> = {}) =>
  ({
    market: 'moor',
    state: 'live',
    want: 'live',
    doing: null,
    tries: 0,
    nextTryAt: null,
    reasons: [],
    stopped: false,
    ...part,
  }) as CourierListingView;
const publish = (part: Partial<CourierListingView> = {}) =>
  listing({ state: 'onItsWay', doing: 'publish', ...part });

describe('how far a listing is', () => {
  it.each([
    ['in the queue', 'send', 'waiting', undefined, 'waits'],
    ['being made ready', 'send', 'working', undefined, 'going'],
    ['not sent', 'send', 'failed', listing(), 'failed'],
    ['given, and not heard of yet', 'send', undefined, undefined, 'waits'],
    ['due in a moment', 'send', undefined, publish({ nextTryAt: NOW + 2_000 }), 'going'],
    ['held until its time', 'send', undefined, publish({ nextTryAt: NOW + 60_000 }), 'planned'],
    ['tried, and tried again', 'send', undefined, publish({ nextTryAt: NOW + 60_000, tries: 1 }), 'going'],
    ['in review', 'send', undefined, listing({ state: 'inReview' }), 'going'],
    ['there', 'send', undefined, listing(), 'there'],
    ['sold at once', 'send', undefined, listing({ state: 'sold', want: 'gone' }), 'there'],
    ['refused', 'send', undefined, listing({ state: 'refused', want: 'gone' }), 'refused'],
    [
      'a change not taken',
      'send',
      undefined,
      listing({ reasons: [{ field: 'title', message: '' }] }),
      'refused',
    ],
    ['ended meanwhile', 'send', undefined, listing({ state: 'ended', want: 'gone' }), 'down'],
    ['coming down', 'withdraw', undefined, listing({ want: 'gone', doing: 'withdraw' }), 'going'],
    ['still there', 'withdraw', undefined, listing(), 'going'],
    ['down', 'withdraw', undefined, listing({ state: 'ended', want: 'gone' }), 'down'],
    ['never there', 'withdraw', undefined, undefined, 'down'],
  ] as const)('%s', (_, action, queued, there, outcome) => {
    expect(outcomeOf(action, queued, there, NOW)).toBe(outcome);
  });

  it('is counted once each, and settled when none is on its way', () => {
    const ALL: Outcome[] = ['waits', 'going', 'planned', 'there', 'down', 'refused', 'failed'];
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...ALL), { maxLength: 30 }), (outcomes) => {
        const tally = tallyOf(outcomes);
        expect(Object.values(tally).reduce((a, b) => a + b, 0)).toBe(outcomes.length);
        expect(isSettled(tally)).toBe(!outcomes.some((o) => o === 'waits' || o === 'going'));
      }),
    );
  });
});

it('what a person does by hand there is not waited for', () => {
  const far = (part: CourierListingView, queued?: 'working') => outcomeOf('send', queued, part, NOW, true);
  expect(far(publish({ nextTryAt: NOW }))).toBe('byHand');
  expect(far(publish({ nextTryAt: NOW + 60_000 }))).toBe('planned');
  expect(far(listing())).toBe('there');
  // Its pictures are still being made ready.
  expect(far(publish(), 'working')).toBe('going');
  expect(isSettled(tallyOf(['byHand', 'there']))).toBe(true);
  expect(outcomeOf('withdraw', undefined, listing({ want: 'gone', doing: 'withdraw' }), NOW, true)).toBe(
    'byHand',
  );
});
