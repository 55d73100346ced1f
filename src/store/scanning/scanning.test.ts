import type { CatalogueRecord } from '@/contract/catalogue';
import { change, useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { itemWith } from '@/store/items/items';
import { fakeServer, listed } from '@/testing/courier';
import { waitFor as until } from '@/testing/patience';
import { emptyAttic } from '@/testing/world';

import { batchAtHand, beginBatch, itemsOf, renameBatch, setDefaults, workInBatch } from './batches';
import { removeRows } from './rows';
import { lookUpRows, neverAnswered, scan, scanAgain, useScanning } from './scan';
import { sound } from './sounds';

const CODE = '2000000000015';
const OTHER = '2000000000022';
const CARD: CatalogueRecord = {
  barcode: CODE,
  title: 'Wading Birds of the Fells',
  maker: 'Plover Press',
  sort: ['Print', 'Field guide'],
  details: { Author: 'M. Tarrant', Binding: 'Cloth' },
  rank: { place: 400, among: 'Print', of: 90_000 },
  picture: CODE,
  listPrice: { amount: 1_250, currency: 'EUR' },
};

const rows = () => {
  const batch = batchAtHand();
  return batch ? itemsOf(batch.id, useAttic.getState().items) : [];
};
const last = () => useScanning.getState().last;

beforeEach(async () => {
  await emptyAttic();
  useScanning.setState({ last: null, asking: [], troubles: {}, held: 0 });
  useCourier.setState({ caughtUp: true });
});

it('a code is an item at once, and what the look-up says of it is its own', async () => {
  fakeServer({ '/lookup/': () => ({ found: true, record: CARD }) });
  scan(CODE);
  expect(rows()).toHaveLength(1);
  expect(last()?.signal).toBeNull();
  await until(() => last()?.signal === 'found');
  const [row] = rows();
  expect(row).toMatchObject({
    facts: { barcode: CODE, author: 'M. Tarrant', model: 'Wading Birds of the Fells' },
    lookedUp: { found: true, picture: CODE, sort: 'Field guide', maker: 'Plover Press' },
    priceNew: { amount: 1_250 },
  });
  expect(row?.kind).not.toBe('');
  expect(row?.ranks).toHaveLength(1);
  expect(batchAtHand()?.name).toMatch(/^\d{1,2} \p{L}+ \d{4}$/u);
});

it('what nobody knows stays with its code; what is here already is begun again only when told', async () => {
  fakeServer({ '/lookup/': () => ({ found: false }) });
  scan(CODE);
  await until(() => last()?.signal === 'unknown');
  expect(rows()[0]?.lookedUp?.found).toBe(false);
  scan(CODE);
  expect(last()).toMatchObject({ signal: 'here', itemIds: [rows()[0]?.id] });
  expect(rows()).toHaveLength(1);
  scanAgain(CODE);
  expect(rows()).toHaveLength(2);
  scan('2000000000017');
  expect(last()).toMatchObject({ signal: 'refused', why: 'misread' });
  expect(rows()).toHaveLength(2);
});

it('with no connection each is kept, and asked for later', async () => {
  fakeServer({ '/lookup/': () => ({ refused: 'Nobody is there.', status: 502 }) });
  scan(CODE);
  await until(() => useScanning.getState().asking.length === 0);
  const batch = batchAtHand()!;
  expect(last()?.signal).toBe('taken');
  expect(neverAnswered(batch, useAttic.getState().items)).toHaveLength(1);
  expect(Object.values(useScanning.getState().troubles)).toHaveLength(1);
  fakeServer({ '/lookup/': () => ({ found: true, record: CARD }) });
  await lookUpRows(rows().map(({ id }) => id));
  expect(neverAnswered(batch, useAttic.getState().items)).toEqual([]);
  expect(useScanning.getState().troubles).toEqual({});
  expect(rows()[0]?.facts.author).toBe('M. Tarrant');
});

it('each begins with what the batch begins with, and is wanted where the batch is', async () => {
  fakeServer({ '/lookup/': () => ({ found: true, record: CARD }) });
  const { id } = beginBatch();
  setDefaults(id, {
    quantity: 2,
    letters: 'BK',
    cost: 100,
    price: { by: 'ofNew', shareBp: 4_000 },
    markets: ['threadwick'],
    termsIds: { threadwick: 'terms1' },
  });
  scan(CODE);
  await until(() => last()?.signal === 'found');
  expect(rows().map(({ code, price, cost }) => [code.slice(0, 3), price, cost])).toEqual([
    ['BK-', 500, 100],
    ['BK-', 500, 100],
  ]);
  const plans = Object.values(useAttic.getState().plans);
  expect(plans.map(({ market, wanted, termsId }) => [market, wanted, termsId])).toEqual([
    ['threadwick', true, 'terms1'],
    ['threadwick', true, 'terms1'],
  ]);
});

it('asks for a spot before the next code, where it was asked to', () => {
  fakeServer({});
  const { id } = beginBatch();
  setDefaults(id, { askSpot: true, lookUp: false });
  scan(CODE);
  expect(last()?.signal).toBe('taken');
  scan(OTHER);
  expect(last()).toMatchObject({ signal: 'refused', why: 'spotMissing' });
  scan('A3-12');
  expect(rows().map(({ spot }) => spot)).toEqual(['A3-12']);
  scan(OTHER);
  expect(rows()).toHaveLength(2);
  // Only those of the last scan: what came before it was asked for has no part in it.
  const [newest, older] = rows();
  change('spots off', [itemWith(older!, { spot: '' })]);
  scan('B7');
  expect(useAttic.getState().items[newest!.id]?.spot).toBe('B7');
  expect(useAttic.getState().items[older!.id]?.spot).toBe('');
});

it('says where a code is closed to the seller, and keeps it for the others', () => {
  fakeServer({});
  const [sheet] = useCourier.getState().sheets;
  const records = [{ barcode: CODE, rack: 'books', closed: true }];
  useCourier.setState({ sheets: [{ ...sheet!, name: 'Quirestack', records }] });
  setDefaults(beginBatch().id, { lookUp: false });
  scan(CODE);
  expect(last()).toMatchObject({ signal: 'closed', closed: ['Quirestack'] });
  expect(rows()).toHaveLength(1);
});

it('a batch begins with what the last one began with; rows can go, but those that are listed', () => {
  fakeServer({});
  const first = beginBatch();
  setDefaults(first.id, { lookUp: false, taxCode: 'B7' });
  renameBatch(first, 'The blue crate');
  renameBatch(first, '  ');
  expect(batchAtHand()?.name).toBe('The blue crate');
  scan(CODE);
  scan(OTHER);
  removeRows(rows().slice(0, 1));
  expect(rows().map(({ facts }) => facts.barcode)).toEqual([CODE]);
  // What buyers can see somewhere stays.
  const [row] = rows();
  useCourier.setState({
    items: { [row!.id]: { id: row!.id, sale: null, listings: [listed('threadwick')] } as never },
  });
  removeRows(rows());
  expect(rows()).toHaveLength(1);
  expect(useScanning.getState().held).toBe(1);
  useCourier.setState({ items: {} });
  workInBatch(null);
  expect(batchAtHand()).toBeUndefined();
  expect(beginBatch().defaults.taxCode).toBe('B7');
});

it('signals are heard as tones one after the other, unless the person wants none', () => {
  const tones: string[] = [];
  const passes = { connect: (next: unknown) => next };
  class Speaker {
    currentTime = 0;
    resume = () => Promise.resolve();
    createGain = () => ({ ...passes, gain: { value: 0 } });
    createOscillator = () => {
      const tone = { ...passes, type: '', frequency: { value: 0 }, stop: () => undefined };
      return Object.assign(tone, { start: () => tones.push(tone.type) });
    };
  }
  Object.assign(globalThis, { AudioContext: Speaker });
  sound('here');
  expect(tones).toEqual(['sawtooth', 'sine']);
  useAttic.setState((s) => ({ settings: { ...s.settings, sounds: false } }));
  sound('found');
  expect(tones).toHaveLength(2);
});
