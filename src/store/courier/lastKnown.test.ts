import 'fake-indexeddb/auto';

import type { CourierItemView } from '@/contract/courier';
import { openAttic, openDisk } from '@/store/attic/attic';
import { keepTalks, recallTalks, useTalks } from '@/store/fulfilment/talks';
import { listed, sold, told } from '@/testing/courier';
import { waitFor } from '@/testing/patience';
import { emptyAttic, market, SHEETS } from '@/testing/world';

import { useCourier } from './courierLink';
import { keepWhatIsHeard, recallCourier } from './lastKnown';

const FIRST = '000001-a';
const FAR = '000fff-b';
let attics = 0;
let attic = '';
let stop = () => {};

/** As another page finds it that is opened with no connection. */
async function openedWithout(): Promise<void> {
  useCourier.setState(useCourier.getInitialState());
  await openAttic(attic);
  await recallCourier();
}
const keys = async () => ((await openDisk()?.keys()) ?? []).filter((key) => key.startsWith('heard:')).sort();
const kept = async (key: string) => (await openDisk()?.text(`heard:${key}`)) ?? '';

beforeEach(async () => {
  await emptyAttic();
  attics += 1;
  attic = `known-${attics}`;
  await openAttic(attic);
  stop = keepWhatIsHeard();
});
afterEach(() => stop());

it('what the courier told is there with its time when a page opens with no connection', async () => {
  const before = Date.now();
  told(FIRST, { listings: [listed('brackenmoor')] });
  told(FAR, { sale: sold('nearstile', 'o-1') });
  const { items } = useCourier.getState();
  await waitFor(async () => expect(await keys()).toHaveLength(4));
  stop();
  await openedWithout();
  const now = useCourier.getState();
  expect(now.items).toEqual(items);
  expect(now.markets).toEqual(SHEETS.map((s) => market(s, { comparedAt: expect.any(Number) as number })));
  expect(now.sheets).toEqual(SHEETS);
  expect(now.heardAt).toBeGreaterThanOrEqual(before);
  // It is not taken for what the courier says now.
  expect(now).toMatchObject({ connected: false, caughtUp: false });
});

it('a page that nobody can read costs that page; what fits no more, itself', async () => {
  told(FIRST, { listings: [listed('brackenmoor')] });
  told(FAR);
  await waitFor(async () => expect(await keys()).toHaveLength(4));
  stop();
  const [view] = JSON.parse(await kept('items:0')) as CourierItemView[];
  const [other] = JSON.parse(await kept('items:99')) as CourierItemView[];
  const odd = [
    { ...view, listings: 'many' },
    { ...view, id: '000002-c' },
  ];
  await openDisk()?.write({ 'heard:items:0': JSON.stringify(odd), 'heard:items:99': '[{"id":' });
  await openedWithout();
  expect(Object.keys(useCourier.getState().items)).toEqual(['000002-c']);
  await openDisk()?.write({ 'heard:items:99': JSON.stringify([other]), 'heard:courier': '{}' });
  await openedWithout();
  // Without the time it was heard at, none of it can be shown as last known.
  expect(useCourier.getState()).toMatchObject({ items: {}, heardAt: null });
});

it('half of what is told is not kept, nor what another attic’s courier tells', async () => {
  useCourier.setState({ caughtUp: false });
  told(FIRST);
  const looked = new Promise((done) => setTimeout(done, 1_600));
  await looked;
  expect(await keys()).toEqual([]);
  useCourier.setState({ caughtUp: true, otherAttic: true });
  told(FAR);
  useCourier.setState({ otherAttic: false });
  await waitFor(async () => expect(await keys()).toHaveLength(4));
});

it('only pages on which anything changed are written, and what the courier forgot goes', async () => {
  told(FIRST);
  told(FAR);
  await waitFor(async () => expect(await keys()).toHaveLength(4));
  const written: string[] = [];
  const disk = openDisk()!;
  const write = disk.write.bind(disk);
  disk.write = (entries) => {
    written.push(...Object.keys(entries));
    return write(entries);
  };
  const { [FIRST]: _, ...rest } = useCourier.getState().items;
  useCourier.setState({ items: rest });
  await waitFor(async () => expect(await kept('items:0')).toBe('[]'));
  await waitFor(() => expect(written).toContain('heard:courier'));
  expect(new Set(written)).toEqual(new Set(['heard:items:0', 'heard:courier']));
});

it('what buyers said is there with the time they were asked', async () => {
  const stopTalks = keepTalks();
  const talk = {
    ...{ market: 'nearstile', id: 't-1', ref: 'r', what: 'A mug', who: 'Tam', lines: [], offers: [] },
    ...{ changedAt: 5, takesOffers: true, item: FIRST },
  };
  useTalks.setState({ talks: [talk], missing: [], readAt: 1_000 });
  await waitFor(async () => expect(await kept('talks')).not.toBe(''));
  stopTalks();
  useTalks.setState({ talks: [], missing: [], readAt: null });
  await openAttic(attic);
  await recallTalks();
  expect(useTalks.getState()).toEqual({ talks: [talk], missing: [], readAt: 1_000 });
});
