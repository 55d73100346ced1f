import '@/contract/noEval';

import { expose } from 'comlink';

import type { CopyBeside, CopyHead } from '@/contract/copy';
import { BESIDE_NAME, HEAD_NAME, recordsName, SETTINGS_NAME } from '@/core/copy/names';

import { keepBytes, NotWhole, tidyFolder, writeArchive } from './copyFolder';

/** Pieces told of before: a worker that was started anew knows of none. */
export interface Told {
  records: number;
  bytes: number;
}

export interface CopyWriter {
  begin(folder: FileSystemDirectoryHandle): void;
  addRecords(told: Told, collection: string, records: readonly unknown[]): void;
  /** Kept in the folder at once. @returns how many pieces of bytes the copy holds by now */
  addBytes(told: Told, key: string, blob: Blob): Promise<number>;
  /** Writes the copy, reads it back, and takes away what is no longer wanted. @returns how many are there */
  finish(told: Told, end: CopyEnd): Promise<number>;
}

export interface CopyEnd {
  name: string;
  tag: string;
  head: Omit<CopyHead, 'records' | 'bytes'>;
  settings: unknown;
}

let folder: FileSystemDirectoryHandle | null = null;
let records = new Map<string, unknown[]>();
let recordCount = 0;
let beside: CopyBeside = [];

/** @throws Error where other pieces are known than those told of */
function known(told: Told): FileSystemDirectoryHandle {
  if (!folder || told.records !== recordCount || told.bytes !== beside.length)
    throw new Error('the pieces before this one are not known');
  return folder;
}

const writer: CopyWriter = {
  begin(next) {
    folder = next;
    records = new Map();
    recordCount = 0;
    beside = [];
  },
  addRecords(told, collection, some) {
    known(told);
    records.set(collection, [...(records.get(collection) ?? []), ...some]);
    recordCount += some.length;
  },
  async addBytes(told, key, blob) {
    const kept = await keepBytes(known(told), key, blob);
    if (kept) beside.push(kept);
    return beside.length;
  },
  async finish(told, { name, tag, head, settings }) {
    const into = known(told);
    const whole: CopyHead = { ...head, records: recordCount, bytes: beside.length };
    const texts = new Map(
      [...records].map(([collection, all]) => [recordsName(collection), JSON.stringify(all)] as const),
    );
    texts.set(SETTINGS_NAME, JSON.stringify(settings));
    texts.set(BESIDE_NAME, JSON.stringify(beside));
    texts.set(HEAD_NAME, JSON.stringify(whole));
    records = new Map();
    await writeArchive(into, name, texts);
    const left = await tidyFolder(into, tag);
    if (left === 0) throw new NotWhole(name);
    return left;
  },
};

expose(writer);
