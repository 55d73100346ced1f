import { COPY_FORMAT, type CopyHead } from '@/contract/copy';
import { SCHEMA_VERSION } from '@/contract/migrations';
import { bytesName, HEAD_NAME, ownerOfKey, recordsName, SETTINGS_NAME } from '@/core/copy/names';
import { readBlob, saveNow, setSettings, storedBytes, useAttic, type AtticState } from '@/store/attic/attic';
import { COLLECTION_NAMES } from '@/store/attic/records';
import { saveFile } from '@/store/base/files';
import { isoDay } from '@/store/base/isoDay';
import { yieldToMain } from '@/store/base/yieldToMain';
import { zipLibrary } from '@/store/base/zip';

/** Told how many pieces of how many are done. */
export type Progress = (done: number, of: number) => void;

/** What a copy holds, as it was in one moment. */
export interface Snapshot {
  state: AtticState;
  /** Where the bytes are that its records speak of. */
  keys: string[];
  head: Omit<CopyHead, 'records' | 'bytes'>;
}

/** All that is in the attic now, stored first: bytes of pictures are read from the disk one by one. */
export async function snapshot(): Promise<Snapshot> {
  await saveNow();
  const state = useAttic.getState();
  const keys = (await storedBytes()).filter((key) => {
    const { collection, id } = ownerOfKey(key);
    return state[collection][id] !== undefined;
  });
  const { author } = state.settings;
  return { state, keys, head: { format: COPY_FORMAT, schema: SCHEMA_VERSION, at: Date.now(), author } };
}

/** Saves everything in this attic as one file: records, pictures, labels, settings. */
export async function saveCopy(progress: Progress): Promise<void> {
  const { state, keys, head } = await snapshot();
  const { ZipWriter, BlobWriter, BlobReader, TextReader } = await zipLibrary();
  // The browser keeps what is written on disk where it is much.
  const writer = new ZipWriter(new BlobWriter('application/zip'));
  let records = 0;
  for (const collection of COLLECTION_NAMES) {
    const all = Object.values(state[collection]);
    records += all.length;
    await writer.add(recordsName(collection), new TextReader(JSON.stringify(all)));
    await yieldToMain();
  }
  await writer.add(SETTINGS_NAME, new TextReader(JSON.stringify(state.settings)));
  let bytes = 0;
  for (const [i, key] of keys.entries()) {
    progress(i, keys.length);
    const blob = await readBlob(key);
    const name = blob && bytesName(key, blob.type);
    if (!blob || !name) continue;
    await writer.add(name, new BlobReader(blob), { level: 0 });
    bytes += 1;
  }
  const whole: CopyHead = { ...head, records, bytes };
  await writer.add(HEAD_NAME, new TextReader(JSON.stringify(whole)));
  saveFile(await writer.close(), `attic-${isoDay(head.at)}.zip`);
  setSettings({ copiedAt: head.at });
}
