import fc from 'fast-check';

import { Item } from '@/contract/records';

import { claimsFree, mayPromise, standingFor } from './standing';
import type { TalkOf } from './talks';

const item = (part: Partial<Item> = {}) =>
  Item.parse({ id: 't', code: 'c', author: 'me', createdAt: 0, updatedAt: 0, ...part });
const hold = (who: string, market: string | null, part = {}) => ({
  from: 1,
  to: null,
  who,
  market,
  meet: null,
  ...part,
});
const sale = { market: 'moor', order: '1', amount: 1, postage: 0, fees: null, at: 1, knownAt: 1 };
const talk = (part: Partial<TalkOf> = {}): TalkOf => ({
  market: 'moor',
  id: 'k',
  ref: 'r',
  what: '',
  who: 'Wilma',
  lines: [],
  offers: [],
  changedAt: 1,
  takesOffers: true,
  item: 't',
  ...part,
});
const taken: TalkOf['offers'] = [{ id: 'o', amount: 1, at: 1, state: 'accepted', counter: null }];
const wilma = { who: 'Wilma', market: 'moor', id: 'k' };

describe('how an item stands towards one who asks', () => {
  it.each<[string, ReturnType<typeof standingFor>, object]>([
    ['nothing speaks against it', standingFor(wilma, item(), undefined), { is: 'free' }],
    [
      'it is sold, whatever else',
      standingFor(wilma, item({ left: { how: 'given', at: 1 } }), { sale, hold: null }),
      { is: 'sold', market: 'moor' },
    ],
    [
      'it was given away',
      standingFor(wilma, item({ left: { how: 'given', at: 1 } }), undefined),
      { is: 'away', why: 'left' },
    ],
    [
      'it is promised to another',
      standingFor(wilma, item({ holds: [hold('Odo', 'wick')] }), undefined),
      { is: 'held', who: 'Odo', market: 'wick', until: null },
    ],
    [
      'another of that name elsewhere has it',
      standingFor(wilma, item({ holds: [hold('Wilma', 'wick')] }), undefined),
      { is: 'held' },
    ],
    [
      'it is promised to her',
      standingFor(wilma, item({ holds: [hold('Wilma', 'moor')] }), {
        sale: null,
        hold: { market: 'moor', at: 1, elsewhere: 'leave', down: [] },
      }),
      { is: 'free' },
    ],
    [
      'a promise that is over binds nobody',
      standingFor(wilma, item({ holds: [hold('Odo', 'wick', { to: 5 })] }), undefined),
      { is: 'free' },
    ],
    [
      'another’s offer was taken',
      standingFor(wilma, item(), undefined, [talk({ id: 'other', who: 'Ines', offers: taken })]),
      { is: 'held', who: 'Ines' },
    ],
    [
      'her own offer was taken',
      standingFor(wilma, item(), undefined, [talk({ offers: taken })]),
      { is: 'free' },
    ],
    [
      'of another item an offer was taken',
      standingFor(wilma, item(), undefined, [talk({ id: 'other', item: 'u', offers: taken })]),
      { is: 'free' },
    ],
    [
      'only the courier knows of a promise',
      standingFor(wilma, item(), {
        sale: null,
        hold: { market: 'wick', at: 1, elsewhere: 'leave', down: [] },
      }),
      { is: 'held', who: '', market: 'wick' },
    ],
  ])('%s', (_, standing, expected) => expect(standing).toMatchObject(expected));

  it('at a depot it can be had where that depot posts it, and later elsewhere', () => {
    const at = item({ depot: { market: 'moor', state: 'there', parcel: 'p', no: 'n', since: 1 } });
    expect(standingFor(wilma, at, undefined)).toEqual({ is: 'free' });
    const elsewhere = standingFor({ ...wilma, market: 'wick' }, at, undefined);
    expect(elsewhere).toEqual({ is: 'away', why: 'depot' });
    expect(mayPromise(elsewhere)).toBe(true);
  });

  it('what is sold, given away or promised to another is promised to nobody', () => {
    fc.assert(
      fc.property(fc.boolean(), fc.boolean(), fc.boolean(), (isSold, isGone, isHeld) => {
        const standing = standingFor(
          wilma,
          item({
            left: isGone ? { how: 'thrown', at: 1 } : null,
            holds: isHeld ? [hold('Odo', 'wick')] : [],
          }),
          { sale: isSold ? sale : null, hold: null },
        );
        expect(mayPromise(standing)).toBe(!isSold && !isGone && !isHeld);
      }),
    );
  });
});

it.each<[string, boolean]>([
  ['Yes, it is still here.', true],
  ['Still available, and I post tomorrow.', true],
  ['{{price}} is what I need for it.', true],
  ['It’s for sale, yes', true],
  ['Hello. It is still for sale!', true],
  ['I am sorry, it is no longer for sale.', false],
  ['It is not available any more.', false],
  ['Laid flat: pit to pit 54 cm.', false],
  ['Thank you, it went out today.', false],
  ['Sorry for the wait. Yes, it is available.', true],
])('“%s” says that it can be had: %s', (words, says) => expect(claimsFree(words)).toBe(says));
