import 'fake-indexeddb/auto';

import { planId } from '@/contract/records';
import type { OutLine } from '@/core/outgoing/lines';
import { useAttic } from '@/store/attic/attic';
import { useDrafts } from '@/store/attic/draftStore';
import { listed, told } from '@/testing/courier';
import { waitFor } from '@/testing/patience';
import { manyItems } from '@/testing/world';

import { useCourier } from './courierLink';
import { beginRound, goOnSending, leftOf, unplan, type Round } from './outgoing';
import { send, withdraw } from './sending';
import { dropJobs, useQueue } from './sendQueue';

jest.mock('./sending', () => ({
  ...jest.requireActual('./sending'),
  send: jest.fn(),
  withdraw: jest.fn(),
}));

const line = (item: string, market: string, deed: OutLine['deed'] = 'send') =>
  ({ item, market, deed }) as OutLine;
const plan = (item: string, market: string) => useAttic.getState().plans[planId(item, market)];
const kept = () => useDrafts.getState().outgoing as Round;
const sent = () => jest.mocked(send).mock.calls.map(([item, sheet]) => `${item.id} ${sheet.marketplace}`);

let first = '';
let second = '';
beforeEach(async () => {
  const many = await manyItems();
  first = many.id('Kittiwake');
  second = many.id('Ostler');
  told(first);
  told(second);
  jest.mocked(send).mockReset().mockResolvedValue();
  jest.mocked(withdraw).mockReset().mockResolvedValue();
});
afterEach(() => {
  dropJobs(Object.keys(useQueue.getState()));
});

it('plans what goes out in one change, each at its time, and notes when all was given', async () => {
  beginRound('list', [line(first, 'brackenmoor'), line(second, 'threadwick')], [5_000, undefined]);
  expect(plan(first, 'brackenmoor')).toMatchObject({ wanted: true, startAt: 5_000 });
  expect(plan(second, 'threadwick')?.wanted).toBe(true);
  expect(kept()).toMatchObject({ wish: 'list', given: false });
  await waitFor(() => expect(kept().given).toBe(true));
  expect(sent().sort()).toEqual([`${first} brackenmoor`, `${second} threadwick`].sort());
});

it('what comes down is planned nowhere any more only where that is wanted', () => {
  beginRound('list', [line(first, 'brackenmoor'), line(first, 'threadwick')], [undefined, undefined]);
  unplan([first], ['threadwick']);
  expect([plan(first, 'brackenmoor')?.wanted, plan(first, 'threadwick')?.wanted]).toEqual([true, false]);
});

describe('a round that a page which is gone had begun', () => {
  const round = (jobs: Round['jobs']): Round => ({ at: 1_000, wish: 'list', jobs, given: false });
  const job = (item: string, market: string, part: Partial<Round['jobs'][number]> = {}) =>
    ({ item, market, action: 'send', seen: false, ...part }) as const;

  it('is what the courier does not know of', () => {
    told(first, {
      listings: [
        listed('brackenmoor'),
        listed('threadwick', { state: 'ended', want: 'gone', since: 500 }),
        listed('oldhollow', { state: 'ended', want: 'gone', since: 2_000 }),
      ],
    });
    const markets = (left: Round['jobs']) => left.map((j) => j.market);
    expect(
      markets(
        leftOf(round(['brackenmoor', 'threadwick', 'oldhollow', 'nearstile'].map((m) => job(first, m)))),
      ),
    ).toEqual(['threadwick', 'nearstile']);
    const down = ['brackenmoor', 'threadwick'].map((m) => job(first, m, { action: 'withdraw' }));
    expect(markets(leftOf(round(down)))).toEqual(['brackenmoor']);
    // A change of what is up is not made unseen.
    expect(leftOf(round([job(first, 'brackenmoor', { seen: true })]))).toEqual([]);
  });

  it('goes on once the courier told all, and once only', async () => {
    useDrafts.setState({ outgoing: round([job(first, 'brackenmoor'), job(second, 'threadwick')]) });
    useCourier.setState({ connected: true, caughtUp: false });
    const stop = goOnSending();
    expect(sent()).toEqual([]);
    useCourier.setState({ caughtUp: true });
    await waitFor(() => expect(kept().given).toBe(true));
    expect(sent()).toHaveLength(2);
    stop();
    const again = goOnSending();
    await waitFor(() => expect(useQueue.getState()).toEqual({}));
    expect(sent()).toHaveLength(2);
    again();
  });
});
