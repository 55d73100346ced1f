import { addItem } from '@/store/items/items';

import { openAttic, pictureKey, putBlob, readBlob, saveNow, useAttic } from './attic';
import { findAttics, rememberAttic } from './attics';
import { Disk } from './disk';
import { forgetHowKept, howKept } from './keeping';

const put = Reflect.get(IDBObjectStore.prototype, 'put') as IDBObjectStore['put'];
/** A browser whose storage takes no Blobs, and says so, or never answers. */
function noBlobs(how: 'says no' | 'is silent') {
  IDBObjectStore.prototype.put = function (this: IDBObjectStore, value: unknown, ...key: [IDBValidKey]) {
    if (!(value instanceof Blob)) return put.call(this, value, ...key);
    if (how === 'says no') throw new DOMException('BlobURLs are not yet supported', 'DataCloneError');
    return new EventTarget() as IDBRequest<IDBValidKey>;
  };
}

beforeEach(forgetHowKept);
afterEach(() => {
  IDBObjectStore.prototype.put = put;
});

it('an ordinary browser keeps Blobs, which is tried once and not at every start', async () => {
  expect(await howKept()).toBe('blobs');
  const tried = jest.spyOn(IDBObjectStore.prototype, 'put');
  jest.resetModules();
  const again = jest.requireActual<typeof import('./keeping')>('./keeping');
  expect(await again.howKept()).toBe('blobs');
  expect(tried).not.toHaveBeenCalled();
  tried.mockRestore();
});

it.each(['says no', 'is silent'] as const)(
  'a browser that stores no Blobs and %s keeps pictures as bare bytes, over a reload too',
  async (how) => {
    noBlobs(how);
    expect(await howKept()).toBe('bytes');
    const name = `bytes-${how === 'says no' ? 1 : 2}`;
    await openAttic(name);
    addItem();
    putBlob(pictureKey('p1', 'thumb'), new Blob(['pixels'], { type: 'image/jpeg' }));
    await saveNow();
    expect(useAttic.getState().saveTrouble).toBeNull();
    const back = await new Disk(name).blob(pictureKey('p1', 'thumb'));
    expect(back?.type).toBe('image/jpeg');
    expect(await back?.text()).toBe('pixels');
  },
  20_000,
);

it('a browser that keeps nothing works all the same, as long as the page is open', async () => {
  IDBObjectStore.prototype.put = () => {
    throw new DOMException('not allowed', 'SecurityError');
  };
  expect(await howKept()).toBe('memory');
  await openAttic('nothing');
  const id = addItem();
  putBlob(pictureKey('p1', 'thumb'), new Blob(['pixels']));
  await saveNow();
  expect(useAttic.getState().saveTrouble).toBeNull();
  expect(await (await readBlob(pictureKey('p1', 'thumb')))?.text()).toBe('pixels');
  await openAttic('nothing');
  expect(useAttic.getState().items[id]).toBeDefined();
});

it('finds the attics it holds by itself, and none that is empty', async () => {
  await openAttic('found-here');
  addItem();
  addItem();
  await saveNow();
  await openAttic('empty-here');
  await saveNow();
  const found = await findAttics();
  expect(found.find((a) => a.name === 'found-here')).toMatchObject({ items: 2 });
  expect(found.some((a) => a.name === 'empty-here' || a.name.includes('tried'))).toBe(false);
  // Also where the browser does not tell which databases it has: then the one it remembers.
  rememberAttic('found-here');
  const some = jest.spyOn(indexedDB, 'databases').mockResolvedValue([]);
  expect((await findAttics()).map((a) => a.name)).toEqual(['found-here']);
  some.mockRestore();
});
