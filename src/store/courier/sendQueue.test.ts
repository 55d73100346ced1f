import 'fake-indexeddb/auto';

import { useAttic } from '@/store/attic/attic';

import { CourierTrouble, useCourier } from './courierLink';
import { send, withdraw } from './sending';
import { cellKey, dropJobs, enqueue, useQueue } from './sendQueue';

jest.mock('./sending', () => ({ send: jest.fn(), withdraw: jest.fn() }));
jest.mock('@/store/items/items', () => ({ editPlan: jest.fn() }));

const MARKETS = ['moor', 'wick', 'stile'];
/** Calls that were begun, in order, each to be ended by hand. */
let begun: { what: string; end: (error?: Error) => void }[];

const call = (what: string) =>
  new Promise<never>((done, fail) => {
    begun.push({ what, end: (error) => (error ? fail(error) : done(undefined as never)) });
  });
const whats = () => begun.map((b) => b.what);
/** Ends the call that was begun as the n-th, and lets what follows from it happen. */
const end = async (n: number, error?: Error) => {
  await new Promise((done) => setTimeout(done));
  begun[n]?.end(error);
  await new Promise((done) => setTimeout(done));
};
const jobs = () => Object.fromEntries(Object.entries(useQueue.getState()).map(([k, j]) => [k, j.state]));
const job = (item: string, market: string, action: 'send' | 'withdraw' = 'send') => ({
  item,
  market,
  action,
});

beforeEach(() => {
  begun = [];
  useQueue.setState({}, true);
  useAttic.setState({ items: Object.fromEntries(['a', 'b', 'c', 'd'].map((id) => [id, { id }])) as never });
  useCourier.setState({ sheets: MARKETS.map((marketplace) => ({ marketplace })) as never });
  jest.mocked(send).mockImplementation((item, sheet) => call(`send ${item.id} ${sheet.marketplace}`));
  jest.mocked(withdraw).mockImplementation((item, market) => call(`withdraw ${item} ${market}`));
});
// No call of a test lasts into the next one.
afterEach(async () => {
  for (let n = 0; n < begun.length; n += 1) await end(n);
});

it('does two at a time, and goes on with the next as one ends', async () => {
  enqueue([job('a', 'moor'), job('b', 'moor'), job('c', 'moor')]);
  expect(whats()).toEqual(['send a moor', 'send b moor']);
  await end(1);
  expect(whats()).toEqual(['send a moor', 'send b moor', 'send c moor']);
  await end(0);
  await end(2);
  expect(jobs()).toEqual({});
});

it('takes items down before it puts others up: that is a promise to buyers', async () => {
  enqueue([job('a', 'moor'), job('b', 'moor'), job('c', 'moor')]);
  enqueue([job('d', 'moor', 'withdraw')]);
  await end(0);
  expect(whats().at(-1)).toBe('withdraw d moor');
});

it('the same twice is once, whether it waits or is being done', async () => {
  enqueue([job('a', 'moor'), job('b', 'moor'), job('c', 'moor')]);
  enqueue([job('a', 'moor'), job('c', 'moor')]);
  for (let n = 0; n < 4; n += 1) await end(n);
  expect(whats()).toEqual(['send a moor', 'send b moor', 'send c moor']);
});

it('thought better of while it is being sent: taken down right after', async () => {
  enqueue([job('a', 'moor')]);
  enqueue([job('a', 'moor', 'withdraw')]);
  expect(whats()).toEqual(['send a moor']);
  await end(0);
  expect(whats()).toEqual(['send a moor', 'withdraw a moor']);
  await end(1);
  expect(jobs()).toEqual({});
});

it('also where the sending failed', async () => {
  enqueue([job('a', 'moor')]);
  enqueue([job('a', 'moor', 'withdraw')]);
  await end(0, new CourierTrouble('It can’t be reached.'));
  expect(whats()).toEqual(['send a moor', 'withdraw a moor']);
});

it('thought better of twice, the first word stands', async () => {
  enqueue([job('a', 'moor')]);
  enqueue([job('a', 'moor', 'withdraw')]);
  enqueue([job('a', 'moor', 'send')]);
  await end(0);
  expect(whats()).toEqual(['send a moor']);
  expect(jobs()).toEqual({});
});

it('what waits is done as it was asked for last', async () => {
  enqueue([job('a', 'moor'), job('b', 'moor'), job('c', 'moor')]);
  enqueue([job('c', 'moor', 'withdraw')]);
  await end(0);
  expect(whats().at(-1)).toBe('withdraw c moor');
});

it('what failed stays with its reason and field, until it is tried again or dropped', async () => {
  enqueue([job('a', 'moor'), job('b', 'wick')]);
  await end(0, new CourierTrouble('The title is too long.', null, 'title'));
  const complained = jest.spyOn(console, 'error').mockImplementation(() => undefined);
  await end(1, new TypeError('Cannot read properties of undefined'));
  expect(useQueue.getState()[cellKey('a', 'moor')]).toMatchObject({
    state: 'failed',
    why: 'The title is too long.',
    field: 'title',
  });
  // What nobody expected is written down with its stack, and told in words for people.
  expect(useQueue.getState()[cellKey('b', 'wick')]).toMatchObject({
    why: expect.stringMatching(/^Something went wrong\./u),
    field: '',
  });
  expect(complained).toHaveBeenCalledWith('sending:', expect.any(TypeError));
  complained.mockRestore();
  enqueue([job('a', 'moor')]);
  expect(whats().at(-1)).toBe('send a moor');
  await end(2);
  dropJobs([cellKey('b', 'wick')]);
  expect(jobs()).toEqual({});
});

it('one that is being done is not dropped, but what was to follow it is', async () => {
  enqueue([job('a', 'moor'), job('b', 'moor'), job('c', 'moor')]);
  enqueue([job('a', 'moor', 'withdraw')]);
  dropJobs(Object.keys(useQueue.getState()));
  expect(jobs()).toEqual({ 'a moor': 'working', 'b moor': 'working' });
  await end(0);
  await end(1);
  expect(whats()).toEqual(['send a moor', 'send b moor']);
});

it('an item or marketplace that is gone meanwhile is said, and stops nothing else', async () => {
  enqueue([job('gone', 'moor'), job('a', 'nowhere'), job('b', 'moor')]);
  await end(0);
  expect(whats()).toEqual(['send b moor']);
  expect(jobs()).toEqual({ 'gone moor': 'failed', 'a nowhere': 'failed' });
});
