import { BlobReader, configure, ZipReader } from '@zip.js/zip.js';

/** What a packed file says it holds, without unpacking it. @throws Error where it is none */
export async function filesIn(file: Blob): Promise<{ name: string; size: number }[]> {
  configure({ useWebWorkers: false });
  const reader = new ZipReader(new BlobReader(file));
  const entries = await reader.getEntries();
  await reader.close();
  return entries.map((e) => ({ name: e.filename, size: e.uncompressedSize }));
}
