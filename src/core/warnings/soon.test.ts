import type { AuctionStanding } from '@/contract/auctions';
import type { Ending } from '@/core/consign/endings';

import { ENDS_SOON, soonOver } from './soon';

const NOW = Date.parse('2026-11-20T09:00:00Z');
const DAY = 86_400_000;

const auction = (part: Partial<AuctionStanding> = {}): AuctionStanding => ({
  ...{ market: 'hollow', remoteId: 'r1', bids: 0, highest: null, endsAt: NOW + 3_600_000 },
  ...{ round: 1, rounds: 2, becomes: null },
  ...part,
});
const consigned = (id: string, daysLeft: number) =>
  ({ sort: 'consignment', item: { id }, owner: { name: 'Ansel' }, daysLeft }) as Ending;
const of = (part: Partial<Parameters<typeof soonOver>[0]> = {}) =>
  soonOver({
    sheets: [],
    thisMonth: {},
    auctions: [],
    endings: [],
    itemOf: (market, remote) => (market === 'hollow' && remote === 'r1' ? 'a' : undefined),
    now: NOW,
    ...part,
  });

describe('what is nearly over', () => {
  it.each([
    [89, false],
    [90, true],
    [100, true],
    [130, true],
  ])('of an allowance of 100, %i used: %s', (used, told) => {
    const sheets = [{ marketplace: 'moor', monthlyAllowance: 100 }, { marketplace: 'free' }];
    const found = of({ sheets, thisMonth: { moor: used, free: 9_999 } });
    expect(found).toEqual(told ? [{ sort: 'allowance', market: 'moor', used, allowance: 100 }] : []);
  });

  it('are auctions within a day, neither over nor of nobody here', () => {
    const sorts = (one: AuctionStanding) => of({ auctions: [one] }).map((s) => s.sort);
    expect(sorts(auction())).toEqual(['auction']);
    expect(sorts(auction({ endsAt: NOW + ENDS_SOON + 1 }))).toEqual([]);
    expect(sorts(auction({ endsAt: NOW }))).toEqual([]);
    expect(sorts(auction({ remoteId: 'another’s' }))).toEqual([]);
  });

  it('stand by when they end, what is over before all', () => {
    const found = of({
      auctions: [auction({ endsAt: NOW + DAY / 2 })],
      endings: [
        consigned('late', 5),
        consigned('over', -2),
        { sort: 'patience', item: { id: 'p' }, days: 90 } as Ending,
      ],
    });
    expect(found.map((s) => ('item' in s ? s.item : ''))).toEqual(['over', 'a', 'late']);
  });
});
