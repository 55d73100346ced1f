import { BlobReader, TextReader, TextWriter, ZipReader, ZipWriter, configure } from '@zip.js/zip.js';

import { CopyBeside, CopyHead } from '@/contract/copy';
import { copiesAmong, copiesToRemove } from '@/core/copy/kept';
import { BESIDE_NAME, BYTES_FOLDER, bytesName, HEAD_NAME } from '@/core/copy/names';

// This is a worker's work already.
configure({ useWebWorkers: false });

/** What was written is not what can be read. */
export class NotWhole extends Error {
  override name = 'NotWhole';
}

/** How much of a file tells it apart from another one of its size, at each of three places, bytes. */
const TOLD_BY = 4_096;
/** How much is compared at a time, bytes. */
const STRIDE = 1_048_576;

type Beside = CopyBeside[number];

/**
 * Keeps bytes in the folder, unless the very same are there; what was written is read back.
 *
 * @param key where the attic keeps them
 * @returns null for what no copy holds
 * @throws NotWhole, or DOMException as the folder says it
 */
export async function keepBytes(
  folder: FileSystemDirectoryHandle,
  key: string,
  blob: Blob,
): Promise<Beside | null> {
  const name = bytesName(key, blob.type);
  if (name === null) return null;
  const mark = await markOf(key, blob);
  const bucket = mark.slice(0, 2);
  const file = `${mark}.${name.slice(name.lastIndexOf('.') + 1)}`;
  const all = await folder.getDirectoryHandle(BYTES_FOLDER, { create: true });
  const within = await all.getDirectoryHandle(bucket, { create: true });
  const kept = { name, file: `${bucket}/${file}`, size: blob.size };
  if ((await sizeIn(within, file)) === blob.size) return kept;
  const handle = await within.getFileHandle(file, { create: true });
  await blob.stream().pipeTo(await handle.createWritable());
  if (!(await sameBytes(await handle.getFile(), blob))) {
    await within.removeEntry(file);
    throw new NotWhole(file);
  }
  return kept;
}

/** Tells bytes apart without reading all of them: whose they are, how many, and some of three places. */
async function markOf(key: string, blob: Blob): Promise<string> {
  const at = (from: number) => blob.slice(from, from + TOLD_BY);
  const some = new Blob([
    `${key} ${blob.size} `,
    at(0),
    at(Math.floor(blob.size / 2)),
    at(Math.max(0, blob.size - TOLD_BY)),
  ]);
  const digest = new Uint8Array(await crypto.subtle.digest('SHA-256', await some.arrayBuffer()));
  return [...digest.subarray(0, 20)].map((byte) => byte.toString(16).padStart(2, '0')).join('');
}

async function sizeIn(folder: FileSystemDirectoryHandle, name: string): Promise<number | null> {
  try {
    return (await (await folder.getFileHandle(name)).getFile()).size;
  } catch (error) {
    if (error instanceof DOMException && error.name === 'NotFoundError') return null;
    throw error;
  }
}

async function sameBytes(one: Blob, other: Blob): Promise<boolean> {
  if (one.size !== other.size) return false;
  for (let at = 0; at < one.size; at += STRIDE) {
    const [a, b] = await Promise.all(
      [one, other].map(async (blob) => new Uint8Array(await blob.slice(at, at + STRIDE).arrayBuffer())),
    );
    if (!a || !b || a.some((byte, i) => byte !== b[i])) return false;
  }
  return true;
}

/**
 * Writes an archive of these texts into the folder. An archive that was not finished is none there: it stands
 * in its place only once it is closed.
 *
 * @param texts by their names in it
 */
export async function writeArchive(
  folder: FileSystemDirectoryHandle,
  name: string,
  texts: ReadonlyMap<string, string>,
): Promise<void> {
  const handle = await folder.getFileHandle(name, { create: true });
  try {
    const writer = new ZipWriter(await handle.createWritable());
    for (const [path, text] of texts) await writer.add(path, new TextReader(text));
    await writer.close();
    await readBack(await handle.getFile(), texts);
  } catch (error) {
    // Whatever went wrong with it is told by that; an empty file would only be taken for a copy.
    await folder.removeEntry(name).catch(() => undefined);
    throw error;
  }
}

/** @throws NotWhole where an archive does not hold just these texts */
async function readBack(file: Blob, texts: ReadonlyMap<string, string>): Promise<void> {
  const reader = new ZipReader(new BlobReader(file));
  const entries = await reader.getEntries();
  if (entries.length !== texts.size) throw new NotWhole('entries');
  for (const entry of entries) {
    if (entry.directory) throw new NotWhole(entry.filename);
    const text = await entry.getData(new TextWriter(), { checkSignature: true });
    if (text !== texts.get(entry.filename)) throw new NotWhole(entry.filename);
  }
  await reader.close();
}

/** How much a copy of the folder names, and what of it is there. */
async function besideOf(folder: FileSystemDirectoryHandle, name: string): Promise<CopyBeside | null> {
  try {
    const file = await (await folder.getFileHandle(name)).getFile();
    const entries = await new ZipReader(new BlobReader(file)).getEntries();
    const said = async (path: string): Promise<unknown> => {
      const entry = entries.find((e) => e.filename === path);
      return entry && !entry.directory ? JSON.parse(await entry.getData(new TextWriter())) : null;
    };
    if (!CopyHead.safeParse(await said(HEAD_NAME)).success) return null;
    return CopyBeside.parse(await said(BESIDE_NAME));
  } catch {
    // Damaged, or gone meanwhile: then nobody knows what it names, and nothing is taken away.
    return null;
  }
}

/**
 * Takes away the copies of an attic that are no longer wanted, and the bytes that no copy in the folder names
 * any more. Where one of the copies can't be read, all bytes stay.
 *
 * @returns how many copies are left
 */
export async function tidyFolder(folder: FileSystemDirectoryHandle, tag: string): Promise<number> {
  const names: string[] = [];
  for await (const name of folder.keys()) names.push(name);
  const gone = new Set(copiesToRemove(names, tag));
  for (const name of gone) await folder.removeEntry(name);
  const left = copiesAmong(names).filter((copy) => !gone.has(copy.name));
  if (gone.size === 0) return left.length;
  const wanted = new Set<string>();
  for (const copy of left) {
    const beside = await besideOf(folder, copy.name);
    if (!beside) return left.length;
    for (const { file } of beside) wanted.add(file);
  }
  await takeAwayUnnamed(folder, wanted);
  return left.length;
}

async function takeAwayUnnamed(
  folder: FileSystemDirectoryHandle,
  wanted: ReadonlySet<string>,
): Promise<void> {
  const all = await folder.getDirectoryHandle(BYTES_FOLDER, { create: true });
  for await (const [bucket, { kind }] of all.entries()) {
    if (kind !== 'directory' || !/^[0-9a-f]{2}$/u.test(bucket)) continue;
    const within = await all.getDirectoryHandle(bucket);
    const unnamed: string[] = [];
    for await (const name of within.keys())
      if (/^[0-9a-f]{40}\./u.test(name) && !wanted.has(`${bucket}/${name}`)) unnamed.push(name);
    for (const name of unnamed) await within.removeEntry(name);
  }
}
