import { editItem } from '@/store/items/items';
import { waitFor } from '@/testing/patience';
import { emptyAttic, manyItems } from '@/testing/world';

import { askToLast, useLasting, watchLasting } from './lasting';

/** A browser that answers so. */
function browser(answers: { persisted: boolean; persist: boolean }) {
  const storage = {
    persisted: jest.fn(() => Promise.resolve(answers.persisted)),
    persist: jest.fn(() => Promise.resolve(answers.persist)),
  };
  Object.defineProperty(navigator, 'storage', { value: storage, configurable: true });
  useLasting.setState({ lasting: null });
  return storage;
}
afterEach(() => Object.defineProperty(navigator, 'storage', { value: undefined, configurable: true }));

const lasting = () => useLasting.getState().lasting;

it('is asked once there is something to lose, once, and its answer is known', async () => {
  const many = await manyItems();
  const storage = browser({ persisted: false, persist: true });
  const stop = watchLasting();
  await waitFor(() => expect(storage.persisted).toHaveBeenCalled());
  expect([storage.persist.mock.calls.length, lasting()]).toEqual([0, null]);
  editItem(many.id('Silk'), 'price', { price: 900 });
  await waitFor(() => expect(lasting()).toBe(true));
  editItem(many.id('Silk'), 'price', { price: 800 });
  expect(storage.persist).toHaveBeenCalledTimes(1);
  stop();
});

it('is not asked where it was promised before, nor after it was stopped', async () => {
  const many = await manyItems();
  const promised = browser({ persisted: true, persist: true });
  watchLasting();
  await waitFor(() => expect(lasting()).toBe(true));
  editItem(many.id('Silk'), 'price', { price: 700 });
  expect(promised.persist).not.toHaveBeenCalled();
  const other = browser({ persisted: false, persist: true });
  watchLasting()();
  await waitFor(() => expect(other.persisted).toHaveBeenCalled());
  editItem(many.id('Silk'), 'price', { price: 600 });
  expect(other.persist).not.toHaveBeenCalled();
});

it('a browser that will not, or can’t, is told as one that has not promised', async () => {
  await emptyAttic();
  browser({ persisted: false, persist: false });
  await askToLast();
  expect(lasting()).toBe(false);
  Object.defineProperty(navigator, 'storage', { value: undefined, configurable: true });
  useLasting.setState({ lasting: null });
  await askToLast();
  expect(lasting()).toBe(false);
});
