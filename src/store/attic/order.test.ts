import 'fake-indexeddb/auto';

import type { CatalogueRecord } from '@/contract/catalogue';
import { EVERYTHING } from '@/core/stock/filter';
import { useCourier } from '@/store/courier/courierLink';
import { addGroup, editGroup, removeGroup, toggleGroup } from '@/store/items/groups';
import { addItem, itemWith } from '@/store/items/items';
import { keepForm } from '@/store/items/ownKinds';
import { addReadings, confirmAll, confirmReading } from '@/store/pictures/readings';
import { barcodeSeen, lookUpItem, rankOnListing, rankOnSale, useLookUps } from '@/store/research/lookUp';

import { change, openAttic, setSettings, undo, useAttic } from './attic';

const item = (id: string) => useAttic.getState().items[id]!;
const groups = () => useAttic.getState().groups;
const CARD: CatalogueRecord = {
  barcode: '2000000000015',
  title: 'Wading Birds',
  maker: 'Plover Press',
  sort: ['Print', 'Field guide'],
  details: { Author: 'M. Tarrant' },
  rank: { place: 400, among: 'Print', of: 90_000 },
  picture: null,
  listPrice: { amount: 1_250, currency: 'EUR' },
};

/** The server's answers, in order; a number is a status without one. */
function answers(...list: (object | number)[]): jest.Mock {
  useCourier.setState({ session: { token: 't' } as never });
  const mock = jest.fn(async () => {
    const next = list.length > 1 ? list.shift()! : list[0]!;
    const status = typeof next === 'number' ? next : 200;
    return {
      ok: status === 200,
      status,
      json: async () => (typeof next === 'number' ? { error: 'Not now.' } : next),
    };
  });
  Object.assign(globalThis, { fetch: mock });
  return mock;
}

beforeAll(() => openAttic(`order-${Date.now()}`));

describe('groups', () => {
  it('let go of their items and move up what lies below, in one that can be taken back', () => {
    const outer = addGroup('Winter', null);
    const inner = addGroup('Fair', outer);
    const innermost = addGroup('Table 3', inner);
    const id = addItem();
    toggleGroup(id, inner);
    expect(item(id).groupIds).toEqual([inner]);
    removeGroup(inner);
    expect(item(id).groupIds).toEqual([]);
    expect(groups()[innermost]?.parent).toBe(outer);
    undo();
    expect(item(id).groupIds).toEqual([inner]);
    expect(groups()[innermost]?.parent).toBe(inner);
    toggleGroup(id, inner);
    expect(item(id).groupIds).toEqual([]);
  });
  it('can’t be put below themselves', () => {
    const outer = addGroup('A', null, { ...EVERYTHING, spot: 'A' });
    const inner = addGroup('B', outer);
    editGroup(outer, 'place', { parent: inner });
    expect(groups()[outer]?.parent).toBeNull();
    editGroup(inner, 'name', { name: 'C' });
    expect(groups()[inner]?.name).toBe('C');
    removeGroup('nobody');
  });
});

it('keeps one form a kind, and forgets it when asked', () => {
  const forms = () => Object.values(useAttic.getState().forms).filter((f) => f.kind === 'jumper');
  keepForm('jumper', { order: ['colour'], hidden: ['model'] });
  keepForm('jumper', { order: ['brand'], hidden: [] });
  expect(forms()).toMatchObject([{ order: ['brand'], hidden: [] }]);
  keepForm('jumper', null);
  keepForm('jumper', null);
  expect(forms()).toEqual([]);
});

describe('looking up', () => {
  it('keeps rank and price with the day, and everything else as readings', async () => {
    answers({ found: true, record: CARD });
    const id = addItem({ facts: { barcode: CARD.barcode } });
    await lookUpItem(id, CARD.barcode);
    expect(item(id)).toMatchObject({
      kind: '',
      facts: { barcode: CARD.barcode },
      ranks: [{ place: 400, of: 90_000 }],
      priceNew: { amount: 1_250 },
    });
    expect(item(id).readings.every((r) => r.from === 'productLookup')).toBe(true);
    confirmAll(item(id));
    expect(item(id)).toMatchObject({
      kind: 'book',
      facts: { model: 'Wading Birds', author: 'M. Tarrant', brand: 'Plover Press' },
      readings: [],
    });
    // Asked again: nothing new to confirm, one more rank to compare.
    await lookUpItem(id, CARD.barcode);
    expect(item(id).readings).toEqual([]);
    expect(item(id).ranks).toHaveLength(2);
  });
  it('says what could not be asked or is not known, and changes nothing', async () => {
    const id = addItem({ facts: { barcode: CARD.barcode } });
    const before = item(id);
    answers(502);
    await lookUpItem(id, CARD.barcode);
    expect(useLookUps.getState()[id]).toEqual({ trouble: 'Not now.' });
    answers({ found: true, record: { ...CARD, barcode: 'x' } });
    await lookUpItem(id, CARD.barcode);
    expect(useLookUps.getState()[id]).toEqual({ trouble: expect.stringContaining('could not be read') });
    answers({ found: false });
    await lookUpItem(id, CARD.barcode);
    expect(useLookUps.getState()[id]).toEqual({ unknown: CARD.barcode });
    expect(item(id)).toEqual(before);
  });
  it('is left alone when switched off, and for what is no barcode', () => {
    const fetched = answers({ found: false });
    setSettings({ lookUp: false });
    barcodeSeen(addItem(), CARD.barcode);
    setSettings({ lookUp: true });
    barcodeSeen(addItem(), '2000000000019');
    expect(fetched).not.toHaveBeenCalled();
  });
  it('asks for the rank again on the day of the sale, once, never where it was not before', async () => {
    const fetched = answers({ found: true, record: CARD });
    const id = addItem({ facts: { barcode: CARD.barcode } });
    await rankOnSale(id, Date.now() + 1_000);
    expect(fetched).not.toHaveBeenCalled();
    await lookUpItem(id, CARD.barcode);
    const { at } = item(id).ranks[0]!;
    answers({ found: true, record: { ...CARD, rank: { ...CARD.rank!, place: 250 } } });
    await rankOnSale(id, at + 1);
    expect(item(id).ranks.map((r) => r.place)).toEqual([400, 250]);
    await rankOnSale(id, at);
    expect(item(id).ranks).toHaveLength(2);
    answers(502);
    await rankOnSale(id, Date.now() + 60_000);
    expect(item(id).ranks).toHaveLength(2);
  });
  it('asks for the rank when it is listed, unless asked the day before; not for one long ago', async () => {
    const day = 86_400_000;
    answers({ found: true, record: CARD });
    const id = addItem({ facts: { barcode: CARD.barcode } });
    await lookUpItem(id, CARD.barcode);
    await rankOnListing(id, Date.now());
    expect(item(id).ranks).toHaveLength(1);
    // It was scanned two days ago.
    const { at } = item(id).ranks[0]!;
    change('earlier', [itemWith(item(id), { ranks: [{ ...item(id).ranks[0]!, at: at - 2 * day }] })]);
    await rankOnListing(id, Date.now() - day);
    expect(item(id).ranks).toHaveLength(1);
    await rankOnListing(id, Date.now());
    expect(item(id).ranks).toHaveLength(2);
  });
});

it('takes over one reading at a time: kind, title, a measurement with its source', () => {
  const id = addItem({ kind: 'jumper' });
  const found = (field: string, value: string) => ({
    field,
    value,
    words: value,
    box: [0, 0, 1, 1] as [number, number, number, number],
    confidence: 90,
  });
  addReadings(id, null, [found('title', 'Gansey'), found('measure:chest', '540'), found('kind', 'cardigan')]);
  expect(addReadings(id, null, [found('title', 'Gansey')])).toBe(0);
  for (const reading of [...item(id).readings]) confirmReading(item(id), reading);
  expect(item(id)).toMatchObject({
    title: 'Gansey',
    kind: 'cardigan',
    measurements: { chest: 540 },
    measuredBy: { chest: 'label' },
    readings: [],
  });
  expect(addReadings('nobody', null, [])).toBe(0);
});
