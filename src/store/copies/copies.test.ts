import { strToU8, unzipSync, zipSync } from 'fflate';

import { change, putBlob, pictureKey, readBlob, saveNow, useAttic } from '@/store/attic/attic';
import * as files from '@/store/base/files';
import { emptyAttic, manyItems } from '@/testing/world';

import { folderOfCopies } from './folderOfCopies';
import { bringBack, openCopy } from './readCopy';
import { saveCopy } from './saveCopy';

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

describe('a folder of copies', () => {
  const MARK = 'ab'.repeat(20);
  const inFolder = (path: string, ...parts: BlobPart[]) =>
    Object.defineProperty(new File(parts, path.split('/').at(-1) ?? ''), 'webkitRelativePath', {
      value: `Backups/${path}`,
    });
  /** A copy as it lies in a folder: its bytes beside it, as large as it says or not. */
  async function folder(picture: Blob, size = picture.size): Promise<File[]> {
    const inside = unzipSync(new Uint8Array(await (await copied()).arrayBuffer()));
    const [name = ''] = Object.keys(inside).filter((one) => one.startsWith('picture/'));
    const rest = Object.entries(inside).filter(([one]) => !one.startsWith('picture/'));
    const beside = strToU8(JSON.stringify([{ name, file: `ab/${MARK}.jpg`, size }]));
    const copy = zipSync(Object.fromEntries([...rest, ['beside.json', beside]]));
    return [
      inFolder('old/attic-own-2027-01-01-120000.zip', new Uint8Array(9)),
      inFolder('attic-own-2026-11-27-120000.zip', new Uint8Array(9)),
      inFolder('attic-own-2026-11-28-120000.zip', new Uint8Array(copy)),
      inFolder(`attic-pictures/ab/${MARK}.jpg`, picture),
      inFolder('letter.txt', 'Dear Odile'),
    ];
  }
  // No larger than its head says: 16 × 16.
  const HEAD = [0xff, 0xd8, 0xff, 0xe0, 0, 4, 0, 0, 0xff, 0xc0, 0, 11, 8, 0, 16, 0, 16, 1, 1, 0x11, 0];
  const PICTURE = new Blob([new Uint8Array([...HEAD, 0xff, 0xd9])]);

  it('gives its copies, the newest first, and what lies beside them', async () => {
    const chosen = folderOfCopies((await folder(PICTURE)).slice(1));
    expect(chosen.copies.map((c) => c.stamp)).toEqual(['2026-11-28-120000', '2026-11-27-120000']);
    await emptyAttic();
    const copy = await openCopy(chosen.copies[0]!.file, chosen);
    expect(copy.leftOut).toEqual([]);
    expect(await bringBack(copy, false, progress)).toMatchObject({ items: 16, broken: 0 });
    expect(await readBlob(pictureKey('picture-0-0', 'thumb'))).not.toBeNull();
  });
  it('says of a copy taken out of it that its pictures lie beside it', async () => {
    const files = await folder(PICTURE);
    await emptyAttic();
    const copy = await openCopy(files[2]!);
    expect(copy.leftOut).toEqual([expect.stringContaining('choose the whole folder')]);
    const brought = await bringBack(copy, false, progress);
    expect(brought).toMatchObject({ items: 16, broken: 0 });
    expect(state().settings.copiedAt).toBe(copy.head.at);
  });
  it('takes nothing that is of another size than the copy says, and counts it', async () => {
    const files = await folder(PICTURE, PICTURE.size + 1);
    await emptyAttic();
    const chosen = folderOfCopies(files.slice(1));
    const brought = await bringBack(await openCopy(chosen.copies[0]!.file, chosen), false, progress);
    expect(brought).toMatchObject({ items: 16, broken: 1 });
  });
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
