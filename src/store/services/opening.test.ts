import { Plan, planId } from '@/contract/records';
import { change, openAttic, saveNow, useAttic } from '@/store/attic/attic';
import { findAttics, rememberAttic, rememberedAttic } from '@/store/attic/attics';
import { useCourier } from '@/store/courier/courierLink';
import { relearn, useRelearned, dismissRelearned } from '@/store/courier/relearn';
import { addItem } from '@/store/items/items';
import { fakeServer } from '@/testing/courier';
import { emptyAttic, market, SHEETS } from '@/testing/world';

import { begin, goOnWithAttic, openCouriers, useOpening } from './opening';

// What runs by itself has tests of its own.
jest.mock('./services', () => ({ startServices: () => () => undefined }));

const session = (attic: string) => ({
  token: 't'.repeat(20),
  attic,
  demo: false,
  currency: 'EUR',
  earlierLedger: null,
});
let names = 0;
const fresh = (start = 'own') => `${start}-${Date.now()}-${(names += 1)}`;
const now = () => useOpening.getState().now;
const until = async (stage: string) => {
  for (let n = 0; n < 200 && now().stage !== stage; n += 1) await new Promise((done) => setTimeout(done, 10));
  expect(now().stage).toBe(stage);
};
/** An attic in this browser with one item in it. */
async function kept(name: string): Promise<void> {
  await openAttic(name);
  addItem({ title: `of ${name}` });
  await saveNow();
}

beforeEach(() => {
  localStorage.clear();
  useOpening.setState({ now: { stage: 'opening' } });
  useCourier.setState({ session: null, attic: null });
});

describe('which attic is opened', () => {
  it('the courier’s, where this browser knows no other; and it is remembered', async () => {
    const name = fresh();
    fakeServer({ '/session': () => session(name) });
    useCourier.setState({ session: null });
    const stop = begin();
    await until('open');
    expect(rememberedAttic()).toBe(name);
    stop();
  });
  it('once a page: drawn anew, the frame begins it again, and what was changed meanwhile stays', async () => {
    const name = fresh();
    const asked = fakeServer({ '/session': () => session(name) });
    useCourier.setState({ session: null });
    const first = begin();
    await until('open');
    const id = addItem({ title: 'just now' });
    first();
    const second = begin();
    await new Promise((done) => setTimeout(done, 50));
    expect(useAttic.getState().items[id]?.title).toBe('just now');
    expect(asked.filter((a) => a.path === '/session')).toHaveLength(1);
    second();
    // Stopped for good, it begins anew.
    await new Promise((done) => setTimeout(done, 0));
    begin()();
    expect(now().stage).toBe('opening');
  });
  it('the one opened last, where the courier can’t be reached', async () => {
    const name = fresh();
    await kept(name);
    rememberAttic(name);
    globalThis.fetch = () => Promise.reject(new TypeError('Failed to fetch'));
    const stop = begin();
    await until('open');
    expect(Object.values(useAttic.getState().items).map((t) => t.title)).toEqual([`of ${name}`]);
    stop();
  });
  it('none, where neither is there: in words', async () => {
    globalThis.fetch = () => Promise.reject(new TypeError('Failed to fetch'));
    const stop = begin();
    await until('trouble');
    expect(now()).toMatchObject({ words: expect.stringContaining('this browser holds no attic yet') });
    stop();
  });
  it('asked for, where the courier works for another than was open; nothing is forgotten', async () => {
    const name = fresh();
    await kept(name);
    rememberAttic(name);
    fakeServer({ '/session': () => session('own-new'), '/attic': () => session(name) });
    const stop = begin();
    await until('choose');
    expect(now()).toMatchObject({
      remembered: name,
      found: expect.arrayContaining([expect.objectContaining({ name, items: 1 })]),
    });
    expect(rememberedAttic()).toBe(name);
    await goOnWithAttic(name);
    await until('open');
    expect(useCourier.getState().session?.attic).toBe(name);
    stop();
  });
  it('never one of another sort: what was tried in the demo is not offered to one’s own', async () => {
    const tried = fresh('demo');
    await kept(tried);
    rememberAttic(tried);
    const own = fresh();
    await kept(fresh());
    fakeServer({ '/session': () => session(own) });
    useCourier.setState({ session: null, attic: null });
    const stop = begin();
    await until('choose');
    const told = now();
    const names = told.stage === 'choose' ? told.found.map((one) => one.name) : [];
    expect(names.length).toBeGreaterThan(0);
    expect(names.filter((name) => !name.startsWith('own-'))).toEqual([]);
    expect(told).toMatchObject({ remembered: null });
    stop();
  });
  it('or the courier’s own, if the person says so', async () => {
    await openCouriers(session(fresh()));
    await until('open');
  });
  it('a courier that does not want to work for it says why', async () => {
    fakeServer({ '/attic': () => ({ refused: 'It works for another attic.', status: 409 }) });
    await goOnWithAttic('own-x');
    expect(now()).toEqual({ stage: 'trouble', words: 'It works for another attic.' });
  });
  it('empty ones are not found, half pages count for nothing', async () => {
    await openAttic(fresh('own-empty'));
    await saveNow();
    expect((await findAttics()).filter((a) => a.name.startsWith('own-empty'))).toEqual([]);
  });
});

describe('a courier that remembers nothing', () => {
  it('compares, adopts what was brought in, says who could not be asked and what hangs by hand', async () => {
    await emptyAttic();
    const [brought, gone] = [addItem({ title: 'Brought in' }), 'not-here'];
    const plan = (itemId: string, where: string, part: object) => ({
      collection: 'plans' as const,
      id: planId(itemId, where),
      record: Plan.parse({ id: planId(itemId, where), itemId, market: where, wanted: true, ...part }),
    });
    change('planned', [
      plan(brought, 'brackenmoor', { adopted: 'their-1' }),
      plan(brought, 'handbill', { sentMedia: ['x'] }),
      plan(gone, 'brackenmoor', { adopted: 'their-2' }),
    ]);
    useCourier.setState({ markets: SHEETS.map((s) => market(s)) });
    const listing = (ref: string, item: string | null) => ({
      market: 'brackenmoor',
      ref,
      remoteId: ref,
      url: `/x/${ref}`,
      state: 'live',
      title: 'Brought in',
      text: '',
      price: 900,
      postage: 0,
      category: 'c',
      condition: 'g',
      specifics: {},
      pictures: [],
      listedAt: 5,
      item,
    });
    const asked = fakeServer({
      '/own/': ({ path }) =>
        path === '/own/brackenmoor'
          ? {
              listings: [
                listing('their-1', null),
                listing('their-2', null),
                listing('their-3', null),
                listing('ours', brought),
              ],
            }
          : path.startsWith('/own/threadwick')
            ? { refused: 'It did not answer.', status: 502 }
            : { listings: [], strays: 0 },
    });
    await relearn();
    expect(useRelearned.getState().now).toEqual({
      done: true,
      listings: 3,
      missing: ['Threadwick'],
      byHand: 1,
    });
    const adopted = asked
      .filter((a) => a.path === '/commands')
      .map((a) => [a.body.type, a.body.item, a.body.ref]);
    expect(adopted).toEqual([['adopt', brought, 'their-1']]);
    dismissRelearned();
    expect(useRelearned.getState().now).toBeNull();
  });
});
