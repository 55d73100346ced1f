import { fakeServer } from '@/testing/courier';
import { emptyAttic } from '@/testing/world';

import { useAttic } from './attic';
import { announceParcel, backFromDepot, callBack, readParcels, saveContents } from './depot';
import * as files from './files';
import { addThing, editThing } from './things';

const thing = (id: string) => useAttic.getState().things[id]!;
const parcel = (part: object = {}) => ({ parcel: 'P-1', at: 5, countedAt: null, contents: [], ...part });

beforeEach(() => emptyAttic());

it('a parcel is announced, counted there, and what is missing from it told', async () => {
  const [here, lost] = [addThing({ facts: { barcode: '2000000000015' } }), addThing({ facts: { barcode: '2000000000022' } })];
  const content = (id: string, depotNo: string | null) => ({ code: thing(id).code, barcode: thing(id).facts.barcode ?? '', depotNo });
  const asked = fakeServer({
    '/depot/quirestack': ({ body }) =>
      Array.isArray(body)
        ? { parcel: 'P-1' }
        : { parcels: [parcel({ countedAt: 9, contents: [content(here, 'D-7'), content(lost, null)] })], stock: { day: '2026-11-20', lines: [] } },
  });
  expect(await announceParcel('quirestack', [thing(here), thing(lost)])).toBe('P-1');
  expect(asked[0]?.body).toEqual([here, lost].map((id) => ({ code: thing(id).code, barcode: thing(id).facts.barcode })));
  expect(thing(here)).toMatchObject({ depot: { state: 'sent', parcel: 'P-1' }, spot: 'On its way to Quirestack' });
  const { parcels } = await readParcels('quirestack');
  expect(parcels).toHaveLength(1);
  expect(thing(here).depot).toMatchObject({ state: 'there', no: 'D-7' });
  expect(thing(lost).depot?.state).toBe('missing');
  backFromDepot(thing(lost));
  expect(thing(lost)).toMatchObject({ depot: null, spot: '' });
}); // prettier-ignore

describe('called back', () => {
  const kept = () => {
    const id = addThing();
    const depot = { market: 'quirestack', parcel: 'P-1', state: 'there' as const, no: 'D-7', since: 1 };
    editThing(id, 'depot', { depot });
    return id;
  };
  it('it is on its way, and the depot knows', async () => {
    const asked = fakeServer({ '/depot/': () => ({}) });
    const id = kept();
    await callBack(thing(id));
    expect(asked).toEqual([{ path: '/depot/quirestack/back', body: { nos: ['D-7'] } }]);
    expect(thing(id)).toMatchObject({ depot: { state: 'back' }, spot: 'On its way back from Quirestack' });
  });
  it('one that is still offered from there stays, with the depot’s words', async () => {
    fakeServer({ '/depot/': () => ({ refused: 'It is still offered from here.', status: 409 }) });
    const id = kept();
    await expect(callBack(thing(id))).rejects.toThrow('It is still offered from here.');
    expect(thing(id).depot?.state).toBe('there');
  });
  it('one that is at no depot asks nobody', async () => {
    const asked = fakeServer({});
    await callBack(thing(addThing()));
    expect(asked).toEqual([]);
  });
});

it('the list to lay into a parcel has what it holds, line by line', async () => {
  const saved: Blob[] = [];
  jest.spyOn(files, 'saveFile').mockImplementation((blob) => void saved.push(blob));
  const id = addThing({ title: 'Field guide, "Birds"' });
  saveContents(parcel({ countedAt: 9, contents: [{ code: thing(id).code, barcode: '2000000000015', depotNo: null }] }) as never);
  const text = await saved[0]!.text();
  expect(text.split('\r\n').slice(0, 2)).toEqual(['parcel,code,barcode,title,arrived', `P-1,${thing(id).code},2000000000015,"Field guide, ""Birds""",no`]);
}); // prettier-ignore
