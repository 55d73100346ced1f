import type { CompReasonParams } from '@/core/price/comps';
import type { OfferReason } from '@/core/price/floor';

import {
  auctionWords,
  compReason,
  dipWords,
  limitsWords,
  markdownTrouble,
  offerReason,
  placeReason,
  promotionReason,
  followWords,
  surenessWords,
  underFloorWords,
} from './price';

it('says why a place stands where it stands', () => {
  const said = (reason: Parameters<typeof placeReason>[0]) => placeReason(reason, 'EUR');
  expect(said({ code: 'leaves', params: { amount: 1_560 } })).toBe('leaves €15.60');
  expect(said({ code: 'soldThere', params: { share: 0.9, sold: 9 } })).toBe(
    '90 in 100 like it sold there (9 lately)',
  );
  expect(said({ code: 'tooFewOffered', params: {} })).toBe(
    'too few like it were offered there to tell how many sell',
  );
  expect(said({ code: 'halfWithin', params: { days: 1 } })).toBe('half of them within a day');
  expect(said({ code: 'halfWithin', params: { days: 20 } })).toBe('half of them within 20 days');
  expect(said({ code: 'nothingOfTheSort', params: {} })).toBe('It takes nothing of the sort.');
  expect(said({ code: 'needsPrice', params: {} })).toBe('It needs a price first.');
  const by = { level: 'blocker', field: 'title', code: 'titleMissing', params: {} } as const;
  expect(said({ code: 'stopped', params: { by } })).toBe('It needs a title.');
});

it.each([
  ['none', 0, 0, 'Nothing like it sold lately: the price is a guess.'],
  ['thin', 1, 0, 'Only one sale: take it as a hint.'],
  ['thin', 9, 0.9, '9 sales, but the prices are far apart: take it as a hint.'],
  ['fair', 8, 0.3, '8 sales: a fair idea.'],
  ['good', 14, 0.1, '14 sales, close together: a sound idea.'],
] as const)('%s, %i sold, spread %f: %s', (sure, sold, spread, words) =>
  expect(surenessWords({ sure, sold, spread })).toBe(words),
);

const COMPS: { [C in keyof CompReasonParams]: [CompReasonParams[C], string] } = {
  older: [{ days: 90 }, 'older than 90 days'],
  otherBrand: [{ brand: 'Marrow & Pike' }, 'another brand: Marrow & Pike'],
  otherCondition: [{}, 'another condition'],
  leftOut: [{ word: 'felting' }, 'says “felting”'],
  keptByHand: [{}, 'kept by hand'],
  droppedByHand: [{}, 'dropped by hand'],
  farFromOthers: [{}, 'far from all others'],
};
it.each(Object.entries(COMPS))('a record: %s', (code, [params, words]) =>
  expect(compReason({ code, params } as Parameters<typeof compReason>[0])).toBe(words),
);

it('says how much promotion, and why', () => {
  expect(promotionReason({ code: 'wellKnown', params: { sales: 14 } })).toBe(
    'It is well known: 14 sold lately without help.',
  );
  expect(promotionReason({ code: 'noneSold', params: {} })).toBe(
    'None of the brand sold lately: the least promotion helps it to be seen.',
  );
  expect(promotionReason({ code: 'fewSold', params: { sales: 3 } })).toBe(
    'Only 3 of the brand sold lately: the least promotion is enough.',
  );
});

it('says what limits say of an offer, and what is wrong with them', () => {
  const all: OfferReason[] = ['isPrice', 'reachesAccept', 'belowDecline', 'betweenLimits', 'underFloor'];
  expect(all.map(offerReason)).toEqual([
    'it is the price',
    'it reaches what you take by itself',
    'it is below what you look at',
    'it is between your limits',
    'it is under your floor',
  ]);
  expect((['acceptAbovePrice', 'declineAboveAccept', 'acceptUnderFloor'] as const).map(limitsWords)).toEqual([
    'Taking by itself begins above the price.',
    'Refusing by itself ends above where taking begins.',
    'Taking by itself begins under the floor: nothing under the floor is taken.',
  ]);
  expect(underFloorWords(1_800, 1_500, 'EUR')).toBe(
    'Others sold for about €15.00: under your floor of €18.00. It may wait long.',
  );
});

it('says what is wrong with a markdown schedule or an auction', () => {
  expect([
    markdownTrouble({ code: 'stepDay', params: { latest: 3_650 } }),
    markdownTrouble({ code: 'stepOff', params: { mostBp: 9_500 } }),
    markdownTrouble({ code: 'twoSteps', params: { day: 9 } }),
    markdownTrouble({ code: 'laterStepLess', params: {} }),
  ]).toEqual([
    'A step comes 1 to 3,650 days after listing.',
    'A step takes off more than nothing and at most 95 %.',
    'There are two steps on day 9.',
    'A later step takes off more than the one before it.',
  ]);
  expect([
    auctionWords({ code: 'auctionTooLong', params: { mostDays: 10 } }),
    auctionWords({ code: 'tooOften', params: { most: 3 } }),
    auctionWords({ code: 'outrightNotAbove', params: {} }),
    auctionWords({ code: 'openingUnderFloor', params: {} }),
    auctionWords({ code: 'becomesUnderFloor', params: {} }),
  ]).toEqual([
    'An auction runs 1 to 10 days.',
    'Put up again at most 3 times.',
    'The outright price is above the opening price.',
    'The opening price is under your floor: one bid would sell it.',
    'What it becomes is under your floor.',
  ]);
});

it('says why a price that follows others is what it is', () => {
  const beside = { seller: 'Mudlark Books', total: 900, way: 'undercut', by: 10, held: null } as const;
  const said = (part: object) => followWords({ code: 'beside', params: { ...beside, ...part } }, 'EUR');
  expect(said({})).toBe('€0.10 under Mudlark Books, €9.00 with postage');
  expect(said({ way: 'above', held: 'floor' })).toBe(
    '€0.10 above Mudlark Books, €9.00 with postage, held at the floor',
  );
  expect(said({ way: 'match', held: 'ceiling' })).toBe(
    'As Mudlark Books, €9.00 with postage, held at the ceiling',
  );
  expect(followWords({ code: 'noneCounts', params: { none: 'shared' } }, 'EUR')).toBe(
    'No copy counts: the shared price',
  );
  expect(followWords({ code: 'onlyFollowers', params: { sellers: ['Newly'] } }, 'EUR')).toBe(
    'Newly changes whenever this does: it stays, so that it is no race',
  );
});

it('warns of a dip', () => {
  const dip = { last: 1_800, brings: 1_560, inside: { price: 1_801, brings: 1_486 } };
  expect(dipWords({ ...dip, again: 1_891 }, 'EUR')).toBe(
    '€18.01 would bring you less than €18.00: €14.86 instead of €15.60. It takes €18.91 to bring ' +
      'as much again.',
  );
  expect(dipWords({ ...dip, again: null }, 'EUR')).toBe(
    '€18.01 would bring you less than €18.00: €14.86 instead of €15.60.',
  );
});
