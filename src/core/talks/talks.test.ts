import type { BuyerOffer } from '@/contract/fulfilment';

import { filledIn, tokensOf } from './answers';
import {
  agreedOffer,
  inboxOf,
  openOffer,
  rankedByLeaves,
  talksByItem,
  waits,
  waitsSince,
  type Inbox,
  type TalkOf,
} from './talks';

const offer = (amount: number, at: number, state: BuyerOffer['state'] = 'open'): BuyerOffer => ({
  id: `o${at}`,
  amount,
  at,
  state,
  counter: null,
});
const said = (by: 'buyer' | 'seller', at: number) => ({ by, words: 'x', at });
const talk = (id: string, part: Partial<TalkOf> = {}): TalkOf => ({
  market: 'moor',
  id,
  ref: 't.moor.1',
  what: 'Gansey',
  who: id,
  lines: [],
  offers: [],
  changedAt: 0,
  takesOffers: true,
  item: 't',
  ...part,
});

describe('who waits for an answer', () => {
  it('is whoever spoke last, or offered and heard nothing', () => {
    expect(waits(talk('a', { lines: [said('buyer', 1)] }))).toBe(true);
    expect(waits(talk('a', { lines: [said('buyer', 1), said('seller', 2)] }))).toBe(false);
    expect(waits(talk('a', { offers: [offer(100, 1)] }))).toBe(true);
    expect(waits(talk('a', { offers: [offer(100, 1, 'refused')] }))).toBe(false);
  });
  it('only the newest offer counts', () => {
    const two = talk('a', { offers: [offer(100, 1, 'over'), offer(120, 2)] });
    expect(openOffer(two)?.amount).toBe(120);
    expect(agreedOffer(talk('a', { offers: [offer(100, 1, 'accepted')] }))?.amount).toBe(100);
    expect(agreedOffer(two)).toBeNull();
  });
  it('since the buyer spoke or offered last', () => {
    expect(
      waitsSince(talk('a', { lines: [said('buyer', 5), said('seller', 9)], offers: [offer(1, 7)] })),
    ).toBe(7);
  });
});

describe('conversations by item', () => {
  it('puts several buyers of one side by side, those who wait first, the highest offer first', () => {
    const quiet = talk('q', { lines: [said('seller', 1)], changedAt: 9 });
    const low = talk('l', { offers: [offer(3_900, 3)] });
    const high = talk('h', { offers: [offer(4_100, 4)], market: 'wick' });
    const [group] = talksByItem([quiet, low, high]);
    expect(group?.talks.map((t) => t.id)).toEqual(['h', 'l', 'q']);
  });
  it('puts the item first whose buyers wait longest', () => {
    const groups = talksByItem([
      talk('new', { item: 'a', lines: [said('buyer', 50)] }),
      talk('old', { item: 'b', lines: [said('buyer', 10)] }),
      talk('done', { item: 'c', lines: [said('seller', 1)], changedAt: 99 }),
    ]);
    expect(groups.map((g) => g.item)).toEqual(['b', 'a', 'c']);
  });
  it('keeps conversations about items nobody here knows apart by their listings', () => {
    const groups = talksByItem([talk('a', { item: null, ref: 'x' }), talk('b', { item: null, ref: 'y' })]);
    expect(groups).toHaveLength(2);
  });
});

describe('a saved answer', () => {
  it('has the item’s facts in it', () => {
    expect(filledIn('Pit to pit is {{chest}}, {{buyer}}.', { chest: '54 cm', buyer: 'Imke & Co' })).toEqual({
      words: 'Pit to pit is 54 cm, Imke & Co.',
      missing: [],
    });
  });
  it('says what the item does not have, and leaves dots there', () => {
    const { words, missing } = filledIn('It is {{chest}} wide and {{length}} long.', { chest: '54 cm' });
    expect(missing).toEqual(['length']);
    expect(words).toBe('It is 54 cm wide and … long.');
  });
  it('that can’t be read is left as it was typed', () => {
    expect(filledIn('A {{#broken', {})).toEqual({ words: 'A {{#broken', missing: [] });
    expect(tokensOf('{{a}} {{b}} {{a}}')).toEqual(['a', 'b']);
  });
});

describe('several buyers of one item', () => {
  it('are ranked by what their offers leave, which need not be by what they offer', () => {
    const dear = talk('dear', { offers: [offer(4_300, 1)], market: 'moor' });
    const free = talk('free', { offers: [offer(4_000, 1)], market: 'board' });
    const asks = talk('asks', { lines: [said('buyer', 1)] });
    const done = talk('done', { lines: [said('seller', 1)] });
    const leaves = (t: TalkOf) => ({ dear: 3_600, free: 4_000 })[t.id] ?? null;
    expect(rankedByLeaves([done, asks, dear, free], leaves).map((t) => t.id)).toEqual([
      'free',
      'dear',
      'asks',
      'done',
    ]);
  });
});

describe('a part of the inbox', () => {
  const groups = talksByItem([
    talk('asks', { item: 'a', lines: [said('buyer', 9)] }),
    talk('beside', { item: 'a', lines: [said('seller', 8)] }),
    talk('offers', { item: 'b', offers: [offer(1, 7)] }),
    talk('agreed', { item: 'c', offers: [offer(1, 6, 'accepted')] }),
    talk('meets', { item: 'd', lines: [said('seller', 5)] }),
    talk('over', { item: 'e', lines: [said('seller', 4)], offers: [offer(1, 3, 'refused')] }),
  ]);
  const items = (part: Inbox) =>
    inboxOf(groups, part, (t) => t.id === 'meets')
      .map((g) => g.item)
      .sort();
  it.each([
    ['all', ['a', 'b', 'c', 'd', 'e']],
    ['waiting', ['a', 'b']],
    ['offers', ['b', 'c']],
    ['meetings', ['d']],
  ] as const)('%s holds %j', (part, wanted) => expect(items(part)).toEqual(wanted));
  it('shows all buyers of an item beside the one that belongs there', () =>
    expect(inboxOf(groups, 'waiting', () => false).find((g) => g.item === 'a')?.talks).toHaveLength(2));
});
