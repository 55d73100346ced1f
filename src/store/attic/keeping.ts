import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import { nanoid } from 'nanoid';

import { once } from '@/store/base/once';

/**
 * What this browser can keep. `bytes`: no Blobs, as in private windows of some browsers, so pictures are kept
 * as bare bytes. `memory`: nothing at all.
 */
export type Keeping = 'blobs' | 'bytes' | 'memory';

/** Where it is tried; not the name of an attic. */
const TRIED = 'yonder-tried';
/** A browser that takes a Blob and never says so stores none, milliseconds. */
const PATIENCE = 5_000;
/** Texts are waited for much longer: an attic must not be taken for lost because the machine is slow. */
const TEXT_PATIENCE = 60_000;

/** Where it is noted that this browser takes Blobs, so that no later start waits for trying it. */
const NOTED = 'yonder-keeps';

/** Found out once a browser, before anything is read. */
export const howKept = once((): Promise<Keeping> =>
  noted() ? Promise.resolve('blobs') : tried().then(noting),
);

/** For tests: found out anew, as by another page. */
export function forgetHowKept(): void {
  howKept.forget();
  forgetTrial();
}

/** A write failed: the next start finds out anew what can be kept. */
export function forgetTrial(): void {
  try {
    localStorage.removeItem(NOTED);
  } catch {
    // Where nothing can be noted, nothing was.
  }
}

function noted(): boolean {
  try {
    return localStorage.getItem(NOTED) === 'blobs';
  } catch {
    // A browser may forbid it: then it is tried each time.
    return false;
  }
}

function noting(how: Keeping): Keeping {
  try {
    if (how === 'blobs') localStorage.setItem(NOTED, how);
  } catch {
    // It is tried again the next time.
  }
  return how;
}

async function tried(): Promise<Keeping> {
  try {
    const storage = createAsyncStorage(TRIED);
    // Another one each time: what an earlier page left there says nothing of today.
    const words = nanoid();
    await inTime(storage.setItem('text', words), TEXT_PATIENCE);
    if ((await inTime(storage.getItem('text'), TEXT_PATIENCE)) !== words) return 'memory';
    return (await takesBlobs(storage, words)) ? 'blobs' : 'bytes';
  } catch {
    // Told to the person by what is found out here.
    return 'memory';
  }
}

async function takesBlobs(storage: ReturnType<typeof createAsyncStorage>, words: string): Promise<boolean> {
  try {
    // The engine hands Blobs on as they are, though its types say text.
    await inTime(storage.setItem('blob', new Blob([words]) as unknown as string), PATIENCE);
    const back: unknown = await inTime(storage.getItem('blob'), PATIENCE);
    return back instanceof Blob && (await inTime(back.text(), PATIENCE)) === words;
  } catch {
    return false;
  }
}

async function inTime<T>(work: Promise<T>, ms: number): Promise<T> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const late = new Promise<never>((_, fail) => {
    timer = setTimeout(() => fail(new Error('no answer')), ms);
  });
  try {
    return await Promise.race([work, late]);
  } finally {
    clearTimeout(timer);
  }
}

/** Whether what is kept outlives the window; a private one keeps nothing when it is closed. */
export async function isPassing(): Promise<boolean> {
  if ((await howKept()) !== 'blobs') return true;
  try {
    // Private windows of some browsers have no files of their own.
    await navigator.storage?.getDirectory?.();
    return false;
  } catch {
    return true;
  }
}
