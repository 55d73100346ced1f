import 'fake-indexeddb/auto';

import { RuleSheet } from '@/contract/ruleSheet';
import { openAttic, readBlob, useAttic } from '@/store/attic/attic';
import { CourierTrouble, useCourier } from '@/store/courier/courierLink';
import { useQueue } from '@/store/courier/sendQueue';
import { addItem, editItem } from '@/store/items/items';
import { commandsIn, fakeServer, sold, told } from '@/testing/courier';

import {
  addressOf,
  arrived,
  askArrivals,
  backHere,
  buyLabels,
  cancel,
  cancelSecond,
  closed,
  fetched,
  giveBack,
  handledThere,
  labelKey,
  openReturn,
  ordersNow,
  packed,
  packedNow,
  posted,
  returnDone,
  setAddress,
  tellPosted,
} from './orders';
import { SHEET } from '../../../server/standins/brackenmoor/sheet';

const MOOR = 'brackenmoor';
const BRACKENMOOR = RuleSheet.parse(SHEET);
const BUYER = { name: 'Ada Harrow', lines: ['Mill Bank 4', '4410 Saltreach'], zone: 'inland' as const };
const there = (part: object = {}) => ({
  order: 'B-1',
  state: 'paid',
  buyer: BUYER,
  amount: 4_800,
  postage: 390,
  fees: 300,
  back: 0,
  feesBack: 0,
  ...part,
});
const label = (tracking: string) => ({
  carrier: 'Pennant',
  tracking,
  cost: 390,
  pdf: btoa('%PDF-1.4 label'),
});
const rowOf = (id: string) => ordersNow().find((r) => r.itemId === id)!;
const record = (id: string) => rowOf(id).record;

beforeEach(async () => {
  useCourier.setState({ items: {}, sheets: [BRACKENMOOR], markets: [] });
  useQueue.setState({}, true);
  await openAttic(`orders-${Math.random()}`);
});

/** A sold item with all a label needs. */
function soldItem(order = 'B-1', part: Parameters<typeof addItem>[0] = {}): string {
  const id = addItem({ title: 'Gansey', weightG: 820, ...part });
  told(id, { sale: sold(MOOR, order) });
  return id;
}

it('goes from the shelf to the buyer, stage by stage', () => {
  const id = soldItem();
  const stages = [rowOf(id).stage];
  const step = (act: () => void) => {
    act();
    stages.push(rowOf(id).stage);
  };
  step(() => fetched(rowOf(id)));
  step(() => packed(rowOf(id), 790));
  step(() => arrived(rowOf(id)));
  step(() => closed(rowOf(id)));
  expect(stages).toEqual(['toFetch', 'toPack', 'toLabel', 'arrived', 'over']);
  expect(record(id)).toMatchObject({ weightG: 790, market: MOOR, order: 'B-1' });
});

it('asks for an address once, and keeps it', async () => {
  const asked = fakeServer({ '/orders/': () => there() });
  const id = soldItem();
  expect(await addressOf(rowOf(id))).toEqual(BUYER);
  expect(await addressOf(rowOf(id))).toEqual(BUYER);
  expect(asked.map((a) => a.path)).toEqual(['/orders/brackenmoor/B-1']);
});

it('asks nobody for the address of a deal between two people', async () => {
  const asked = fakeServer({});
  const id = addItem();
  told(id, { sale: sold(MOOR, 'deal-x') });
  expect(handledThere(rowOf(id))).toBe(false);
  expect(await addressOf(rowOf(id))).toBeNull();
  setAddress(rowOf(id), BUYER);
  expect(await addressOf(rowOf(id))).toEqual(BUYER);
  expect(asked).toEqual([]);
});

describe('labels', () => {
  it('one that can’t be had keeps none of the others from being bought, and says why', async () => {
    fakeServer({
      '/orders/': () => there(),
      '/labels': ({ body }) =>
        (body.weightG as number) > 5_000
          ? { refused: 'At most 5 kg.', status: 422 }
          : label(`T-${String(body.key)}`),
    });
    const [light, heavy, unweighed] = [
      soldItem('B-1'),
      soldItem('B-2', { weightG: 9_000 }),
      soldItem('B-3', { weightG: null }),
    ];
    for (const id of [light, heavy, unweighed]) packedNow(id, rowOf(id).sale);
    let done = 0;
    const trouble = await buyLabels([light, heavy, unweighed].map(rowOf), () => (done += 1));
    expect(done).toBe(3);
    expect(trouble.map((t) => [t.row.itemId, t.why])).toEqual(
      expect.arrayContaining([
        [heavy, 'At most 5 kg.'],
        [unweighed, 'Nobody has weighed it.'],
      ]),
    );
    expect(trouble).toHaveLength(2);
    expect(record(light)?.label).toMatchObject({ carrier: 'Pennant', cost: 390 });
    expect((await readBlob(labelKey(record(light)!)))?.type).toBe('application/pdf');
    expect(rowOf(light).stage).toBe('toPost');
  });

  it('asked for again, nothing is paid twice; what was weighed when packed counts', async () => {
    const asked = fakeServer({ '/orders/': () => there(), '/labels': () => label('T-1') });
    const id = soldItem('B-1', { parcel: { lengthMm: 300, widthMm: 200, heightMm: 80 } });
    packed(rowOf(id), 1_050);
    await buyLabels([rowOf(id)]);
    await buyLabels([rowOf(id)]);
    const wishes = asked.filter((a) => a.path === '/labels');
    expect(wishes).toHaveLength(1);
    expect(wishes[0]?.body).toMatchObject({ weightG: 1_050, sidesMm: [300, 200, 80], to: BUYER });
  });

  it('the same parcel asks with the same key, however often an answer was lost', async () => {
    let lost = true;
    const asked = fakeServer({
      '/orders/': () => there(),
      '/labels': () => (lost ? { refused: 'It is closed just now.', status: 503 } : label('T-1')),
    });
    const id = soldItem();
    packed(rowOf(id), 800);
    expect(await buyLabels([rowOf(id)])).toHaveLength(1);
    lost = false;
    expect(await buyLabels([rowOf(id)])).toEqual([]);
    const keys = asked.filter((a) => a.path === '/labels').map((a) => a.body.key);
    expect(keys).toHaveLength(2);
    expect(new Set(keys).size).toBe(1);
  });
});

describe('handing in', () => {
  const ready = async () => {
    const id = soldItem();
    packed(rowOf(id), 800);
    await buyLabels([rowOf(id)]);
    return id;
  };

  it('tells carrier and marketplace once each', async () => {
    const asked = fakeServer({
      '/orders/': () => there(),
      '/labels': () => label('T-9'),
      '/parcels/': () => ({}),
    });
    const id = await ready();
    asked.length = 0;
    await posted([rowOf(id)]);
    await tellPosted();
    expect(asked).toEqual([
      { path: '/parcels/T-9/handed', body: {} },
      { path: '/orders/brackenmoor/B-1', body: { type: 'posted', carrier: 'Pennant', tracking: 'T-9' } },
    ]);
    expect(rowOf(id).stage).toBe('underWay');
  });

  it('is told again later where nobody could be told', async () => {
    let away = true;
    fakeServer({
      '/orders/': ({ body }) =>
        away && body.type === 'posted' ? { refused: 'closed', status: 503 } : there(),
      '/labels': () => label('T-9'),
      '/parcels/': () => ({}),
    });
    const id = await ready();
    await posted([rowOf(id)]);
    expect(record(id)?.toldAt).toBeNull();
    expect(record(id)?.postedAt).not.toBeNull();
    const first = record(id)?.postedAt;
    away = false;
    await tellPosted();
    expect(record(id)?.toldAt).not.toBeNull();
    await posted([rowOf(id)]);
    expect(record(id)?.postedAt).toBe(first);
  });

  it('arrives when the carrier says so, and not before', async () => {
    let state = 'onItsWay';
    fakeServer({
      '/orders/': () => there(),
      '/labels': () => label('T-9'),
      '/parcels/T-9/handed': () => ({}),
      '/parcels/T-9': () => ({ tracking: 'T-9', state, at: state === 'delivered' ? 77 : null }),
    });
    const id = await ready();
    await posted([rowOf(id)]);
    await askArrivals();
    expect(rowOf(id).stage).toBe('underWay');
    state = 'delivered';
    await askArrivals();
    expect(record(id)?.arrivedAt).toBe(77);
  });
});

describe('cancelling', () => {
  it('gives the money back there, and undoes the sale', async () => {
    const asked = fakeServer({ '/orders/': () => there({ state: 'cancelled' }) });
    const id = soldItem();
    await cancel(rowOf(id), 'It broke.');
    expect(asked[0]?.body).toEqual({ type: 'cancel', why: 'It broke.' });
    expect(commandsIn(asked)).toEqual([{ type: 'undo', item: id, order: 'B-1', why: 'cancelled' }]);
    expect(record(id)?.cancelled?.why).toBe('It broke.');
  });

  it('where the marketplace refuses, nothing is undone', async () => {
    const asked = fakeServer({ '/orders/': () => ({ refused: 'It was posted already.', status: 409 }) });
    const id = soldItem();
    await expect(cancel(rowOf(id), 'It broke.')).rejects.toThrow(
      new CourierTrouble('It was posted already.'),
    );
    expect(commandsIn(asked)).toEqual([]);
    expect(record(id)).toBeNull();
  });

  it('of a second sale: cancelled there, settled here; settled before, only cancelled', async () => {
    const asked = fakeServer({ '/orders/': () => there({ order: 'L-2', state: 'cancelled' }) });
    const id = soldItem();
    const second = { ...sold('lanternyard', 'L-2'), settled: false };
    told(id, { sale: sold(MOOR, 'B-1'), laterSales: [second] });
    await cancelSecond(id, second, 'There was only one.');
    expect(commandsIn(asked)).toEqual([{ type: 'undo', item: id, order: 'L-2', why: 'cancelled' }]);
    told(id, { sale: sold(MOOR, 'B-1'), laterSales: [{ ...second, settled: true }] });
    await cancelSecond(id, second, 'There was only one.');
    expect(commandsIn(asked)).toHaveLength(1);
  });
});

describe('coming back', () => {
  const back = (id: string) => record(id)?.back;
  it('is asked for, in hand, paid back with what of the fees came back, up again where it was', async () => {
    const asked = fakeServer({ '/orders/': () => there({ state: 'givenBack', back: 4_000, feesBack: 250 }) });
    const id = soldItem();
    packed(rowOf(id), 800);
    openReturn(rowOf(id), 'notAsDescribed', 'The elbow is darned.');
    expect(rowOf(id).stage).toBe('back');
    backHere(rowOf(id));
    await giveBack(rowOf(id), 4_000);
    expect(asked[0]?.body).toEqual({ type: 'giveBack', why: 'The elbow is darned.', amount: 4_000 });
    expect(commandsIn(asked)).toEqual([{ type: 'undo', item: id, order: 'B-1', why: 'returned' }]);
    expect(back(id)).toMatchObject({ given: 4_000, feesBack: 250, doneAt: null });
    returnDone(rowOf(id), ['brackenmoor']);
    expect(rowOf(id).stage).toBe('over');
    expect(Object.keys(useQueue.getState())).toEqual([`${id} brackenmoor`]);
  });

  it('where the marketplace refuses, no money counts as given back', async () => {
    const asked = fakeServer({ '/orders/': () => ({ refused: 'Between 1 and 5190.', status: 409 }) });
    const id = soldItem();
    openReturn(rowOf(id), 'changedMind', '');
    await expect(giveBack(rowOf(id), 9_999)).rejects.toThrow('Between 1 and 5190.');
    expect(back(id)?.given).toBeNull();
    expect(commandsIn(asked)).toEqual([]);
  });

  it('told again, the courier that knows already is not asked once more', async () => {
    const asked = fakeServer({ '/orders/': () => there({ state: 'givenBack' }) });
    const id = soldItem();
    openReturn(rowOf(id), 'changedMind', '');
    told(id, { pastSales: [{ ...sold(MOOR, 'B-1'), why: 'returned', undoneAt: 9 }] });
    await giveBack(rowOf(id), 100);
    expect(commandsIn(asked)).toEqual([]);
  });
});

it('keeps what was written of an order when the item changes meanwhile', () => {
  const id = soldItem();
  packed(rowOf(id), 800);
  editItem(id, 'title', { title: 'Another name' });
  expect(record(id)?.weightG).toBe(800);
  expect(Object.keys(useAttic.getState().orders)).toHaveLength(1);
});
