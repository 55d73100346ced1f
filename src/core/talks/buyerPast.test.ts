import type { BuyerOffer } from '@/contract/fulfilment';
import { Item } from '@/contract/records';

import { buyerPast } from './buyerPast';
import type { TalkOf } from './talks';

const offer = (state: BuyerOffer['state']): BuyerOffer => ({
  ...{ id: 'o', amount: 900, at: 5, state, counter: null },
});
const talk = (item: string | null, part: Partial<TalkOf> = {}): TalkOf => ({
  ...{ market: 'board', id: 't', ref: `r-${item}`, what: 'Gansey', who: 'Ines', item },
  ...{ lines: [], offers: [], changedAt: 10, takesOffers: true },
  ...part,
});
type Meet = NonNullable<Item['holds'][number]['meet']>;
const met = (id: string, meet: Partial<Meet>, who = 'Ines', market = 'board'): Item =>
  Item.parse({
    ...{ id, code: id, author: 'me', createdAt: 0, updatedAt: 0 },
    holds: [{ from: 1, to: 2, who, market, meet: { place: 'Quay', at: 1, pay: 'cash', amount: 1, ...meet } }],
  });
const INES = { who: 'Ines', market: 'board' };

describe('a buyer’s own past', () => {
  it('is none of one who comes first', () =>
    expect(buyerPast(INES, 'now', [talk('now')], [])).toEqual({
      ...{ bought: 0, haggled: 0, missed: 0, lastAt: null },
    }));
  it('counts what was bought, by a paid offer or handed over, each item once', () => {
    const talks = [talk('a', { offers: [offer('paid')] }), talk('b')];
    const items = [met('a', { handedAt: 20 }), met('b', { handedAt: 30 })];
    expect(buyerPast(INES, 'now', talks, items)).toEqual({ bought: 2, haggled: 1, missed: 0, lastAt: 30 });
  });
  it('counts meetings nobody came to', () =>
    expect(buyerPast(INES, 'now', [], [met('now', { missedAt: 7 })])).toMatchObject({
      missed: 1,
      lastAt: 7,
    }));
  it('is nobody else’s: not of another name, nor of the same name elsewhere', () => {
    const items = [met('a', { handedAt: 1 }, 'Odo'), met('b', { handedAt: 1 }, 'Ines', 'shop')];
    const talks = [talk('c', { who: 'Odo' }), talk('d', { market: 'shop', offers: [offer('open')] })];
    expect(buyerPast(INES, null, talks, items).lastAt).toBeNull();
  });
});
