import type { CourierListingView } from '@/contract/courier';
import { Plan } from '@/contract/records';

import { stateWords, signLabel, signState } from './signState';

const plan = Plan.parse({ id: 'p', itemId: 't', market: 'wick', wanted: true });
const listing = (part: Partial<CourierListingView>): CourierListingView => ({
  market: 'wick',
  state: 'live',
  want: 'live',
  doing: null,
  tries: 0,
  nextTryAt: null,
  trouble: null,
  remoteId: null,
  url: null,
  title: '',
  price: 2400,
  category: '',
  postage: 0,
  reasons: [],
  listedAt: null,
  firstPrice: null,
  since: 0,
  draftHash: '',
  edited: null,
  held: false,
  stopped: false,
  ...part,
});

it.each<[Partial<CourierListingView> | null, string, string]>([
  [null, 'draft', 'draft'],
  [{ state: 'onItsWay', doing: 'publish' }, 'onItsWay', 'on its way'],
  [{ state: 'onItsWay', doing: 'publish', trouble: 'closed' }, 'onItsWay', 'on its way, trying again'],
  [{ state: 'inReview' }, 'onItsWay', 'in review there'],
  [{}, 'live', 'live'],
  [{ doing: 'revise' }, 'live', 'live'],
  [{ reasons: [{ field: 'price', message: 'Too low.' }] }, 'changeRefused', 'live, change not taken'],
  [{ reasons: [{ field: 'price', message: 'Too low.' }], doing: 'revise' }, 'live', 'live'],
  [{ doing: 'revise', stopped: true }, 'changeRefused', 'live, change not taken'],
  [{ want: 'gone', doing: 'withdraw' }, 'goingDown', 'coming down'],
  [{ want: 'gone', doing: 'withdraw', trouble: 'closed' }, 'goingDown', 'coming down, trying again'],
  [{ state: 'refused', want: 'gone' }, 'refused', 'refused'],
  [{ state: 'ended', want: 'gone' }, 'ended', 'ended'],
  [{ state: 'sold', want: 'gone' }, 'sold', 'sold'],
])('%j is drawn as %s and called “%s”', (part, state, words) => {
  const seen = part === null ? undefined : listing(part);
  expect(signState(seen, plan)).toBe(state);
  expect(stateWords(seen, plan)).toBe(words);
});

it('is said aloud with the price where there is one to say', () => {
  expect(signLabel('Threadwick', listing({}), plan, 'EUR')).toBe('Threadwick: live, €24.00');
  expect(signLabel('Threadwick', undefined, undefined, 'EUR')).toBe('Threadwick: not planned');
});
