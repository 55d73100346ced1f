import { auctionNext, endsUnbid } from './auctionStanding';

const standing = {
  market: 'oldhollow',
  remoteId: 'r',
  bids: 0,
  highest: null,
  endsAt: 1_000,
  round: 1,
  rounds: 3,
  becomes: 2_000,
};

it('sells to the highest bid, goes round again, then stays at its price or comes down', () => {
  expect(auctionNext({ ...standing, bids: 2, highest: 1_500 })).toEqual({
    code: 'sells',
    params: { for: 1_500 },
  });
  expect(auctionNext(standing)).toEqual({ code: 'again', params: { round: 2, rounds: 3 } });
  expect(auctionNext({ ...standing, round: 3 })).toEqual({ code: 'becomes', params: { price: 2_000 } });
  expect(auctionNext({ ...standing, round: 3, becomes: null }).code).toBe('comesDown');
});

it('ends tonight with no bid: not when somebody bid, nor later, nor once it is over', () => {
  expect(endsUnbid(standing, 0, 1_000)).toBe(true);
  expect(endsUnbid({ ...standing, bids: 1, highest: 5 }, 0, 1_000)).toBe(false);
  expect(endsUnbid(standing, 0, 999)).toBe(false);
  expect(endsUnbid(standing, 1_000, 2_000)).toBe(false);
});
