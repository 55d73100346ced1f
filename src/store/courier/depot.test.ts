import { useAttic } from '@/store/attic/attic';
import * as files from '@/store/base/files';
import { addItem, editItem } from '@/store/items/items';
import { fakeServer } from '@/testing/courier';
import { emptyAttic } from '@/testing/world';

import { announceParcel, backFromDepot, callBack, readParcels, saveContents } from './depot';

const item = (id: string) => useAttic.getState().items[id]!;
const parcel = (part: object = {}) => ({ parcel: 'P-1', at: 5, countedAt: null, contents: [], ...part });

beforeEach(() => emptyAttic());

it('a parcel is announced, counted there, and what is missing from it told', async () => {
  const [here, lost] = [
    addItem({ facts: { barcode: '2000000000015' } }),
    addItem({ facts: { barcode: '2000000000022' } }),
  ];
  const content = (id: string, depotNo: string | null) => ({
    code: item(id).code,
    barcode: item(id).facts.barcode ?? '',
    depotNo,
  });
  const asked = fakeServer({
    '/depot/quirestack': ({ body }) =>
      Array.isArray(body)
        ? { parcel: 'P-1' }
        : {
            parcels: [parcel({ countedAt: 9, contents: [content(here, 'D-7'), content(lost, null)] })],
            stock: { day: '2026-11-20', lines: [] },
          },
  });
  expect(await announceParcel('quirestack', [item(here), item(lost)])).toBe('P-1');
  expect(asked[0]?.body).toEqual(
    [here, lost].map((id) => ({ code: item(id).code, barcode: item(id).facts.barcode })),
  );
  expect(item(here)).toMatchObject({
    depot: { state: 'sent', parcel: 'P-1' },
    spot: 'On its way to Quirestack',
  });
  const { parcels } = await readParcels('quirestack');
  expect(parcels).toHaveLength(1);
  expect(item(here).depot).toMatchObject({ state: 'there', no: 'D-7' });
  expect(item(lost).depot?.state).toBe('missing');
  backFromDepot(item(lost));
  expect(item(lost)).toMatchObject({ depot: null, spot: '' });
});

describe('called back', () => {
  const kept = () => {
    const id = addItem();
    const depot = { market: 'quirestack', parcel: 'P-1', state: 'there' as const, no: 'D-7', since: 1 };
    editItem(id, 'depot', { depot });
    return id;
  };
  it('it is on its way, and the depot knows', async () => {
    const asked = fakeServer({ '/depot/': () => ({}) });
    const id = kept();
    await callBack(item(id));
    expect(asked).toEqual([{ path: '/depot/quirestack/back', body: { nos: ['D-7'] } }]);
    expect(item(id)).toMatchObject({ depot: { state: 'back' }, spot: 'On its way back from Quirestack' });
  });
  it('one that is still offered from there stays, with the depot’s words', async () => {
    fakeServer({ '/depot/': () => ({ refused: 'It is still offered from here.', status: 409 }) });
    const id = kept();
    await expect(callBack(item(id))).rejects.toThrow('It is still offered from here.');
    expect(item(id).depot?.state).toBe('there');
  });
  it('one that is at no depot asks nobody', async () => {
    const asked = fakeServer({});
    await callBack(item(addItem()));
    expect(asked).toEqual([]);
  });
});

it('the list to lay into a parcel has what it holds, line by line', async () => {
  const saved: Blob[] = [];
  jest.spyOn(files, 'saveFile').mockImplementation((blob) => void saved.push(blob));
  const id = addItem({ title: 'Field guide, "Birds"' });
  saveContents(
    parcel({
      countedAt: 9,
      contents: [{ code: item(id).code, barcode: '2000000000015', depotNo: null }],
    }) as never,
  );
  const text = await saved[0]!.text();
  expect(text.split('\r\n').slice(0, 2)).toEqual([
    'parcel,code,barcode,title,arrived',
    `P-1,${item(id).code},2000000000015,"Field guide, ""Birds""",no`,
  ]);
});
