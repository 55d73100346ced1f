import { create } from 'zustand';

import { useAttic } from '@/store/attic/attic';
import { Expected, wordsFor } from '@/store/base/faults';
import { zipLibrary } from '@/store/base/zip';
import { keepIncoming } from '@/store/pictures/incoming';
import { takeKept } from '@/store/pictures/pictures';
import type { TakenLine } from '@/workers/tablereader.worker';

/** Pictures that lie beside a table, packed into one file. */
export interface PicturesBeside {
  file: Blob | null;
  name: string;
  /** How many pictures it holds. */
  count: number;
  /** Being taken: how many items are done of how many. */
  done: number;
  of: number;
  notTaken: readonly { name: string; why: string }[];
  trouble: string | null;
}

const NONE: PicturesBeside = {
  file: null,
  name: '',
  count: 0,
  done: 0,
  of: 0,
  notTaken: [],
  trouble: null,
};
export const usePicturesBeside = create<PicturesBeside>(() => NONE);

/** A picture larger than that is none a person took, bytes. */
const LARGEST = 60_000_000;
const PICTURE = /\.(?:jpe?g|png|webp|heic|heif|gif|bmp|avif)$/iu;
const TYPES: Readonly<Record<string, string>> = {
  jpg: 'image/jpeg',
  jpeg: 'image/jpeg',
  png: 'image/png',
  webp: 'image/webp',
  heic: 'image/heic',
  heif: 'image/heif',
  gif: 'image/gif',
  bmp: 'image/bmp',
  avif: 'image/avif',
};

/** A file's own name, without folders and ending, in small letters. */
function plainName(path: string): string {
  return (path.split(/[\\/]/u).at(-1) ?? path).replace(/\.[^.]*$/u, '').toLocaleLowerCase('en');
}

async function entriesOf(file: Blob) {
  const { BlobReader, ZipReader } = await zipLibrary();
  const reader = new ZipReader(new BlobReader(file));
  const entries = await reader.getEntries();
  return { reader, entries: entries.filter((e) => !e.directory && PICTURE.test(e.filename)) };
}

/** Looks into a file of pictures; null puts it away. */
export async function choosePictures(file: File | null): Promise<void> {
  usePicturesBeside.setState(NONE);
  if (!file) return;
  try {
    const { reader, entries } = await entriesOf(file);
    await reader.close();
    if (entries.length === 0) throw new Expected('No picture is in it. Nothing was changed.');
    usePicturesBeside.setState({ file, name: file.name, count: entries.length });
  } catch (error) {
    const why =
      error instanceof Expected
        ? wordsFor(error, 'looking into a file of pictures')
        : 'It can’t be read as a ZIP. Nothing was changed.';
    usePicturesBeside.setState({ trouble: why });
  }
}

/** Which of some pictures are an item's: those named on its line, or that begin with its code. */
export function picturesOfLine<T extends { filename: string }>(
  all: readonly T[],
  named: readonly string[],
  code: string,
): T[] {
  const byName = new Map(all.map((e) => [plainName(e.filename), e]));
  const wanted = named.flatMap((name) => byName.get(plainName(name)) ?? []);
  if (wanted.length > 0) return wanted;
  const key = code.toLocaleLowerCase('en').replace(/[^\p{L}\p{N}._-]+/gu, '-');
  if (key === '') return [];
  const order = (e: T) => Number(/(\d+)\D*$/u.exec(plainName(e.filename).slice(key.length))?.[1] ?? 0);
  return all
    .filter(({ filename }) => {
      const name = plainName(filename);
      // What follows the code is a number of the picture's own: another item's code may begin with this one.
      return name === key || (name.startsWith(key) && /^[-_ .(]+\d{1,3}\)?$/u.test(name.slice(key.length)));
    })
    .sort((a, b) => order(a) - order(b));
}

/** Takes the pictures of lines that were taken, item by item; those that can't be are told. */
export async function takePicturesBeside(
  taken: readonly { line: TakenLine; ids: readonly string[] }[],
): Promise<void> {
  const { file } = usePicturesBeside.getState();
  if (!file) return;
  const { reader, entries } = await entriesOf(file);
  const { BlobWriter } = await zipLibrary();
  usePicturesBeside.setState({ of: taken.length, done: 0 });
  try {
    for (const [i, { line, ids }] of taken.entries()) {
      const item = useAttic.getState().items[ids[0] ?? ''];
      const mine = item ? picturesOfLine(entries, line.pictures, item.code) : [];
      const files: File[] = [];
      for (const entry of mine) {
        if (entry.directory || entry.uncompressedSize > LARGEST) continue;
        const name = entry.filename.split('/').at(-1) ?? entry.filename;
        const type = TYPES[name.split('.').at(-1)?.toLowerCase() ?? ''] ?? '';
        files.push(new File([await entry.getData(new BlobWriter(type))], name, { type }));
      }
      if (item && files.length > 0) {
        const waiting = await keepIncoming(item.id, files, {
          begins: false,
          origin: 'file',
          shows: '',
          showsBy: 'person',
          // What they show stands in the table.
          look: false,
        });
        // With a new item its pictures go, when it is taken back: they are no changes of their own.
        const { notTaken } = await takeKept(waiting, undefined, { ownUndo: line.itemId === null });
        usePicturesBeside.setState((s) => ({ notTaken: [...s.notTaken, ...notTaken] }));
      }
      usePicturesBeside.setState({ done: i + 1 });
    }
  } finally {
    await reader.close();
    usePicturesBeside.setState({ file: null });
  }
}
