import { emptyAttic, manyThings } from '@/testing/world';

import { change, putBlob, pictureKey, readBlob, saveNow, useAttic } from './attic';
import { bringBack, openCopy, saveCopy } from './copies';
import * as files from './files';

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

/** An attic with many things, as a file. */
async function copied(): Promise<Blob> {
  await manyThings();
  putBlob(pictureKey('picture-0-0', 'thumb'), JPEG);
  await saveCopy(progress);
  return saved.at(-1)!.blob;
}

it('all of it goes into one file, and comes back into an empty attic', async () => {
  const file = await copied();
  expect(saved[0]?.name).toMatch(/^attic-\d{4}-\d\d-\d\d\.zip$/u);
  expect(state().settings.copiedAt).not.toBeNull();
  const before = { ...state().things };
  await emptyAttic();
  const copy = await openCopy(file);
  expect(copy).toMatchObject({ counts: { things: 16 }, differing: 0, leftOut: [] });
  const brought = await bringBack(copy, false, progress);
  expect(brought).toMatchObject({ things: 16, pictures: copy.counts.pictures, noRoomFor: 0 });
  expect(state().things).toEqual(before);
  expect(state().settings.author).toBe('Odile');
  // What is no picture, whatever it is called, is not taken in.
  expect(brought.broken).toBe(1);
  expect(await readBlob(pictureKey('picture-0-0', 'thumb'))).toBeNull();
});

it('what differs stays, unless the copy’s is wanted', async () => {
  const file = await copied();
  const thing = state().things['thing-1']!;
  change('price', [{ collection: 'things', id: thing.id, record: { ...thing, price: 1 } }]);
  change('gone', [{ collection: 'things', id: 'thing-2', record: null }]);
  await saveNow();
  const copy = await openCopy(file);
  expect(copy.counts.things).toBe(1);
  expect(copy.beside.differing.things).toEqual(['thing-1']);
  await bringBack(copy, false, progress);
  expect(state().things['thing-1']?.price).toBe(1);
  expect(state().things['thing-2']).toBeDefined();
  await bringBack(await openCopy(file), true, progress);
  expect(state().things['thing-1']?.price).toBe(thing.price);
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
    expect(state().things).toEqual({});
  });
});
