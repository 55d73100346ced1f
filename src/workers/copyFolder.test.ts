import { unzipSync } from 'fflate';

import { COPY_FORMAT } from '@/contract/copy';
import { copyFileName } from '@/core/copy/kept';
import { BESIDE_NAME, HEAD_NAME } from '@/core/copy/names';
import { folderInMemory, type TriedFolder } from '@/testing/folder';

import { keepBytes, NotWhole, tidyFolder, writeArchive } from './copyFolder';

/** Bytes of a picture that are like no others. */
const picture = (seed: number, size = 40_000) =>
  new Blob([Uint8Array.from({ length: size }, (_, i) => (i * seed + (i >> 8)) & 255)], {
    type: 'image/jpeg',
  });

const head = JSON.stringify({
  format: COPY_FORMAT,
  schema: 3,
  at: 1,
  author: 'Wren',
  records: 0,
  bytes: 0,
});

/** A copy of these pictures, as a page would have it made. @param day `2026-11-28` */
async function copyOn({ handle }: TriedFolder, day: string, pictures: Record<string, Blob>, tag = 'own') {
  const beside = [];
  for (const [id, blob] of Object.entries(pictures))
    beside.push(await keepBytes(handle, `picture:${id}:full`, blob));
  const name = copyFileName(tag, `${day}-120000`);
  await writeArchive(
    handle,
    name,
    new Map([
      [BESIDE_NAME, JSON.stringify(beside)],
      [HEAD_NAME, head],
    ]),
  );
  return beside;
}

const bytesKept = ({ files }: TriedFolder) =>
  [...files.keys()].filter((p) => p.startsWith('attic-pictures/'));
const copiesKept = ({ files }: TriedFolder) => [...files.keys()].filter((p) => p.endsWith('.zip'));

it('writes what another reader opens, and the bytes once for all copies', async () => {
  const folder = folderInMemory();
  let writes = 0;
  folder.drive.onWrite = (bytes) => ((writes += 1), bytes);
  const one = await copyOn(folder, '2026-11-27', { a: picture(3), b: picture(5) });
  const two = await copyOn(folder, '2026-11-28', { a: picture(3), b: picture(5), c: picture(7) });
  expect(bytesKept(folder)).toHaveLength(3);
  expect(writes).toBe(3 + 2);
  expect(two.slice(0, 2)).toEqual(one);
  const zip = unzipSync(folder.files.get('attic-own-2026-11-28-120000.zip')!);
  const beside = JSON.parse(new TextDecoder().decode(zip[BESIDE_NAME]));
  expect(beside.map((b: { name: string }) => b.name)).toEqual([
    'picture/a/full.jpg',
    'picture/b/full.jpg',
    'picture/c/full.jpg',
  ]);
  for (const [i, seed] of [3, 5, 7].entries())
    expect(folder.files.get(`attic-pictures/${beside[i].file}`)).toEqual(
      new Uint8Array(await picture(seed).arrayBuffer()),
    );
});

it('a picture that was worked on since is kept beside what it was', async () => {
  const folder = folderInMemory();
  await copyOn(folder, '2026-11-27', { a: picture(3) });
  await copyOn(folder, '2026-11-28', { a: picture(4) });
  expect(bytesKept(folder)).toHaveLength(2);
});

it('what could not be read back as it was written is no copy, and is not left there', async () => {
  const folder = folderInMemory();
  folder.drive.onWrite = (bytes) => bytes.map((byte, i) => (i === bytes.length - 9_000 ? byte ^ 1 : byte));
  await expect(copyOn(folder, '2026-11-28', { a: picture(3) })).rejects.toThrow(NotWhole);
  expect([...folder.files.keys()]).toEqual([]);
  folder.drive.onWrite = (bytes, path) => (path.endsWith('.zip') ? bytes.slice(0, -1) : bytes);
  await expect(copyOn(folder, '2026-11-28', { a: picture(3) })).rejects.toThrow();
  expect(copiesKept(folder)).toEqual([]);
  // Bytes that a copy before it was stopped had written are used by the next one.
  folder.drive.onWrite = (bytes) => bytes;
  await copyOn(folder, '2026-11-28', { a: picture(3) });
  expect(bytesKept(folder)).toHaveLength(1);
});

it('a file that was cut short from outside is written anew', async () => {
  const folder = folderInMemory();
  const [kept] = await copyOn(folder, '2026-11-27', { a: picture(3) });
  const path = `attic-pictures/${kept!.file}`;
  folder.files.set(path, folder.files.get(path)!.slice(0, 100));
  await copyOn(folder, '2026-11-28', { a: picture(3) });
  expect(folder.files.get(path)).toHaveLength(40_000);
});

it('says what the drive says', async () => {
  const folder = folderInMemory();
  folder.drive.onWrite = () => {
    throw new DOMException('no room', 'QuotaExceededError');
  };
  await expect(copyOn(folder, '2026-11-28', {})).rejects.toMatchObject({ name: 'QuotaExceededError' });
});

describe('tidying', () => {
  /** A copy a day from the first of October to the last of November, each with a picture of its own. */
  async function twoMonths() {
    const folder = folderInMemory();
    const days = Array.from({ length: 61 }, (_, i) => new Date(Date.UTC(2026, 9, 1 + i)).toISOString());
    for (const [i, day] of days.entries())
      await copyOn(folder, day.slice(0, 10), { all: picture(1), [`d${i}`]: picture(i + 2, 9_000 + i) });
    return folder;
  }
  it('leaves the newest seven and the last of each month, and the bytes that these name', async () => {
    const folder = await twoMonths();
    folder.files.set('holiday.zip', new Uint8Array(4));
    folder.files.set('attic-pictures/readme.txt', new Uint8Array(4));
    await copyOn(folder, '2025-01-01', {}, 'other');
    expect(await tidyFolder(folder.handle, 'own')).toBe(9);
    expect(copiesKept(folder).sort()).toEqual([
      'attic-other-2025-01-01-120000.zip',
      'attic-own-2026-10-31-120000.zip',
      ...Array.from({ length: 7 }, (_, i) => `attic-own-2026-11-${24 + i}-120000.zip`),
      'holiday.zip',
    ]);
    // One each, the one they share, and what was never ours.
    expect(bytesKept(folder)).toHaveLength(8 + 1 + 1);
    for (const copy of copiesKept(folder).filter((name) => name.startsWith('attic-own'))) {
      const zip = unzipSync(folder.files.get(copy)!);
      for (const { file } of JSON.parse(new TextDecoder().decode(zip[BESIDE_NAME])))
        expect(folder.files.has(`attic-pictures/${file}`)).toBe(true);
    }
  });
  it('takes no bytes away as long as a copy can’t be read', async () => {
    const folder = await twoMonths();
    folder.files.set('attic-own-2026-11-30-120000.zip', new Uint8Array(40));
    await tidyFolder(folder.handle, 'own');
    expect(bytesKept(folder)).toHaveLength(62);
  });
});
