import * as files from '@/store/base/files';
import { emptyAttic, manyItems } from '@/testing/world';

import { change, putBlob, pictureKey, readBlob, saveNow, useAttic } from './attic';
import { bringBack, openCopy, saveCopy } from './copies';

const JPEG = new Blob([new Uint8Array([0xff, 0xd8, 0xff, 0xe0, 0, 16, 74, 70, 73, 70, 0, 1])], {
  type: 'image/jpeg',
});

let saved: { blob: Blob; name: string }[];
beforeEach(() => {
  saved = [];
  jest.spyOn(files, 'saveFile').mockImplementation((blob, name) => void saved.push({ blob, name }));
});
const steps: [number, number][] = [];
const progress = (done: number, of: number) => void steps.push([done, of]);
const state = () => useAttic.getState();

/** An attic with many items, as a file. */
async function copied(): Promise<Blob> {
  await manyItems();
  putBlob(pictureKey('picture-0-0', 'thumb'), JPEG);
  await saveCopy(progress);
  return saved.at(-1)!.blob;
}

it('all of it goes into one file, and comes back into an empty attic', async () => {
  const file = await copied();
  expect(saved[0]?.name).toMatch(/^attic-\d{4}-\d\d-\d\d\.zip$/u);
  expect(state().settings.copiedAt).not.toBeNull();
  const before = { ...state().items };
  await emptyAttic();
  const copy = await openCopy(file);
  expect(copy).toMatchObject({ counts: { items: 16 }, differing: 0, leftOut: [] });
  const brought = await bringBack(copy, false, progress);
  expect(brought).toMatchObject({ items: 16, pictures: copy.counts.pictures, noRoomFor: 0 });
  expect(state().items).toEqual(before);
  expect(state().settings.author).toBe('Odile');
  // What is no picture, whatever it is called, is not taken in.
  expect(brought.broken).toBe(1);
  expect(await readBlob(pictureKey('picture-0-0', 'thumb'))).toBeNull();
});

it('what differs stays, unless the copy’s is wanted', async () => {
  const file = await copied();
  const item = state().items['item-1']!;
  change('price', [{ collection: 'items', id: item.id, record: { ...item, price: 1 } }]);
  change('gone', [{ collection: 'items', id: 'item-2', record: null }]);
  await saveNow();
  const copy = await openCopy(file);
  expect(copy.counts.items).toBe(1);
  expect(copy.beside.differing.items).toEqual(['item-1']);
  await bringBack(copy, false, progress);
  expect(state().items['item-1']?.price).toBe(1);
  expect(state().items['item-2']).toBeDefined();
  await bringBack(await openCopy(file), true, progress);
  expect(state().items['item-1']?.price).toBe(item.price);
});

describe('what is no copy changes nothing, and says what it is', () => {
  it.each([
    ['a file of another kind', async () => new Blob(['not a copy'])],
    ['one that was cut short', async () => (await copied()).slice(0, 900)],
    ['an empty file', async () => new Blob([])],
  ])('%s', async (_, file) => {
    const blob = await file();
    await emptyAttic();
    await expect(openCopy(blob)).rejects.toThrow('This is no copy of an attic');
    expect(state().items).toEqual({});
  });
});
