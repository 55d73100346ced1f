import { createStore as database, del, get, set, type UseStore } from 'idb-keyval';
import { create } from 'zustand';

import type { FolderTrouble } from '@/contract/copy';
import { copyDue } from '@/core/copy/due';
import { copyFileName, copyTag } from '@/core/copy/kept';
import { sinceCopy } from '@/core/copy/since';
import { readBlob, setSettings, useAttic } from '@/store/attic/attic';
import { rememberedAttic } from '@/store/attic/attics';
import { COLLECTION_NAMES } from '@/store/attic/records';
import { fault } from '@/store/base/faults';
import { isoDay } from '@/store/base/isoDay';
import { once } from '@/store/base/once';
import { repeating } from '@/store/base/repeating';
import { keptWorker } from '@/store/base/workers';
import { yieldToMain } from '@/store/base/yieldToMain';
import type { CopyWriter, Told } from '@/workers/copywriter.worker';

import {
  askPermission,
  canKeepFolder,
  KeptBeside,
  permissionOf,
  pickFolder,
  whyOf,
  type KeptFolder,
} from './handles';
import { snapshot, type Progress } from './saveCopy';

/** The folder that copies go to by themselves, as it stands. */
export interface CopyFolder extends KeptBeside {
  name: string;
  /** Whether it may be written now; `prompt`: once a person says so again. */
  permission: PermissionState;
}

/** Why copies do not go there; null: they do. */
export function copyFolderTrouble({ permission, failed }: CopyFolder): FolderTrouble | null {
  return permission === 'granted' ? (failed?.why ?? null) : 'notAllowed';
}

/** Null: none was chosen, or it is not known yet (`isKnown`). `busy`: how far a copy is. */
export const useCopyFolder = create<{
  isKnown: boolean;
  folder: CopyFolder | null;
  busy: { done: number; of: number } | null;
}>(() => ({ isKnown: false, folder: null, busy: null }));

/** How often it is looked whether a copy is due, milliseconds. */
const LOOK = 60_000;
/** Records told at a time: no page is held up by more. */
const PORTION = 100;
/** Reading back and tidying a folder of very many files takes its time, milliseconds. */
const PATIENCE = 1_800_000;

const worker = keptWorker<CopyWriter>(
  'making a copy',
  () => new Worker(new URL('../../workers/copywriter.worker.ts', window.location.href)),
  undefined,
  PATIENCE,
);

/** A folder's handle can't be kept as text: it has a small database of its own. */
const kept = once((): UseStore => database('yonder-copies', 'folders'));
const attic = () => rememberedAttic() ?? '';
const handleKey = () => `${attic()} handle`;
const besideKey = () => `${attic()} beside`;
const NOTHING: KeptBeside = { failed: null, copiedAt: null, copies: 0 };

async function keptFolder(): Promise<KeptFolder | null> {
  return canKeepFolder() ? ((await get<KeptFolder>(handleKey(), kept())) ?? null) : null;
}

async function keptBeside(): Promise<KeptBeside> {
  const beside = KeptBeside.safeParse(await get<unknown>(besideKey(), kept()));
  return beside.success ? beside.data : NOTHING;
}

/** Looks how the folder stands. */
async function look(): Promise<CopyFolder | null> {
  const handle = await keptFolder();
  if (!handle) {
    useCopyFolder.setState({ isKnown: true, folder: null });
    return null;
  }
  const permission = await permissionOf(handle);
  const folder = { ...(await keptBeside()), name: handle.name, permission };
  useCopyFolder.setState({ isKnown: true, folder });
  return folder;
}

async function note(part: Partial<KeptBeside>): Promise<void> {
  await set(besideKey(), { ...(await keptBeside()), ...part }, kept());
  await look();
}

/** A person chooses the folder copies go to; the first is made at once. */
export async function chooseFolder(): Promise<void> {
  const handle = await pickFolder();
  if (!handle) return;
  await set(handleKey(), handle, kept());
  await set(besideKey(), NOTHING, kept());
  await look();
  await copyToFolder();
}

/** No more copies by themselves; those in the folder stay. */
export async function leaveFolder(): Promise<void> {
  await del(handleKey(), kept());
  await del(besideKey(), kept());
  await look();
}

/** A person lets the folder be written again: what waits is copied at once. */
export async function allowFolder(): Promise<void> {
  const handle = await keptFolder();
  if (!handle) return;
  await askPermission(handle);
  if ((await look())?.permission === 'granted') await copyToFolder();
}

/** Makes a copy in the folder now. What fails is noted there and told. */
export async function copyToFolder(): Promise<void> {
  const handle = await keptFolder();
  if (!handle || useCopyFolder.getState().busy) return;
  useCopyFolder.setState({ busy: { done: 0, of: 0 } });
  try {
    const { at, copies } = await written(handle, (done, of) =>
      useCopyFolder.setState({ busy: { done, of } }),
    );
    setSettings({ copiedAt: at });
    await note({ failed: null, copiedAt: at, copies });
  } catch (error) {
    const why = whyOf(error);
    if (why === 'other' || why === 'notWhole') fault('making a copy', error);
    await note({ failed: { at: Date.now(), why } });
  } finally {
    useCopyFolder.setState({ busy: null });
  }
}

/** One page at a time: two would write over each other. */
async function written(handle: KeptFolder, progress: Progress): Promise<{ at: number; copies: number }> {
  const work = () => write(handle, progress);
  return navigator.locks ? await navigator.locks.request(`attic-${attic()}-copy`, work) : work();
}

async function write(handle: KeptFolder, progress: Progress) {
  const { state, keys, head } = await snapshot();
  const told: Told = { records: 0, bytes: 0 };
  await worker.ask.begin(handle);
  for (const collection of COLLECTION_NAMES) {
    const all = Object.values(state[collection]);
    for (let from = 0; from === 0 || from < all.length; from += PORTION) {
      const some = all.slice(from, from + PORTION);
      await worker.ask.addRecords(told, collection, some);
      told.records += some.length;
      await yieldToMain();
    }
  }
  for (const [i, key] of keys.entries()) {
    progress(i, keys.length);
    const blob = await readBlob(key);
    if (blob) told.bytes = await worker.ask.addBytes(told, key, blob);
  }
  const tag = copyTag(attic());
  const time = new Date(head.at).toTimeString().slice(0, 8).replaceAll(':', '');
  const name = copyFileName(tag, `${isoDay(head.at)}-${time}`);
  const copies = await worker.ask.finish(told, { name, tag, head, settings: state.settings });
  return { at: head.at, copies };
}

/** Looks how the folder stands, now and again: a drive comes and goes. @returns stops */
export function watchFolder(): () => void {
  return repeating('looking for the folder of copies', look, { first: 0, every: LOOK });
}

/** Looks again and again whether a copy is due, and makes it. @returns stops */
export function beginCopies(): () => void {
  const round = async () => {
    const folder = await look();
    if (folder?.permission !== 'granted') return;
    const { items, diary, journal } = useAttic.getState();
    const { copiedAt, failed } = folder;
    // A copy saved by hand elsewhere is none in the folder.
    const since = sinceCopy({ items, diary }, journal, copiedAt);
    if (copyDue({ since, copiedAt, failedAt: failed?.at ?? null }, Date.now())) await copyToFolder();
  };
  const stop = repeating('making a copy', round, { first: 5_000, every: LOOK });
  return () => {
    stop();
    worker.stop();
  };
}
