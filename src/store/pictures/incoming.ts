import { nanoid } from 'nanoid';
import { create } from 'zustand';

import { Incoming } from '@/contract/incoming';
import { newId, openDisk } from '@/store/attic/attic';
import { unlessExpected } from '@/store/base/faults';
import { once } from '@/store/base/once';

/** A file that waits to be worked up, with its bytes. */
export interface Waiting {
  about: Incoming;
  file: Blob;
}

/** Files that were chosen and are no pictures yet. */
export const useIncoming = create<{
  waiting: readonly Incoming[];
  /** Those that could not be taken after a reload, until it was seen. */
  notTaken: readonly { name: string; why: string }[];
  /** Items that exist since a picture of them was taken: one that is missing now was removed. */
  begun: readonly string[];
}>(() => ({ waiting: [], notTaken: [], begun: [] }));

const PREFIX = 'incoming:';
const keyOf = (id: string) => `${PREFIX}${id}`;
const bytesOf = (id: string) => `${PREFIX}${id}:bytes`;

/** How often it is tried again. */
const MOST_TRIES = 3;

/** Tells pages of one attic apart: what one works on, no other takes up. */
const PAGE = nanoid();
const lockOf = (page: string) => `attic-incoming-${page}`;

/** Held for as long as this page lives: whoever finds it free knows that the page is gone. */
const holdPage = once(() => {
  if (!navigator.locks) return;
  navigator.locks
    .request(lockOf(PAGE), () => new Promise<never>(() => undefined))
    .catch(unlessExpected('holding what is taken in'));
});

/**
 * Keeps files as they were chosen, before anything else is done with them: from then on a reload loses none.
 * Where there is no room for that they are worked up all the same.
 */
export async function keepIncoming(
  itemId: string,
  files: readonly File[],
  part: Pick<Incoming, 'begins' | 'origin' | 'shows' | 'showsBy' | 'look'> &
    Partial<Pick<Incoming, 'address'>>,
  sorting = false,
): Promise<Waiting[]> {
  holdPage();
  const disk = openDisk();
  const at = Date.now();
  const all = files.map((file, order): Waiting => {
    const about = {
      ...part,
      id: newId(),
      itemId,
      name: file.name.slice(0, 400),
      type: file.type.slice(0, 200),
      at,
      order,
      page: PAGE,
      tries: 0,
      address: part.address ?? null,
      shows: order === 0 ? part.shows : '',
      sorting,
      fileAt: file.lastModified > 0 ? file.lastModified : null,
    };
    return { about, file };
  });
  for (const { about, file } of all) {
    await disk
      ?.write({ [keyOf(about.id)]: JSON.stringify(about), [bytesOf(about.id)]: file })
      .catch(unlessExpected('keeping a chosen picture'));
    if (!sorting) useIncoming.setState((s) => ({ waiting: [...s.waiting, about] }));
  }
  return all;
}

/** Files that wait for a person to say of which items they are. */
export async function keptForSorting(): Promise<Waiting[]> {
  const disk = openDisk();
  if (!disk) return [];
  const kept: Waiting[] = [];
  for (const text of Object.values(await disk.texts(await marksOn(disk)))) {
    const about = readIncoming(text);
    const file = about?.sorting && (await disk.blob(bytesOf(about.id)));
    if (about && file) kept.push({ about, file });
  }
  return kept;
}

/** How many wait so. */
export async function countForSorting(): Promise<number> {
  const disk = openDisk();
  if (!disk) return 0;
  const texts = Object.values(await disk.texts(await marksOn(disk)));
  return texts.filter((text) => readIncoming(text)?.sorting).length;
}

/** A person said of which item it is: from now on it is one to be worked up, by this page. */
export async function sortedInto({ about, file }: Waiting, itemId: string, order: number): Promise<Waiting> {
  const sorted = { ...about, itemId, order, sorting: false, page: PAGE };
  await openDisk()
    ?.write({ [keyOf(about.id)]: JSON.stringify(sorted) })
    .catch(unlessExpected('keeping a chosen picture'));
  useIncoming.setState((s) => ({ waiting: [...s.waiting, sorted] }));
  return { about: sorted, file };
}

async function marksOn(disk: NonNullable<ReturnType<typeof openDisk>>): Promise<string[]> {
  return (await disk.keys()).filter((key) => key.startsWith(PREFIX) && !key.endsWith(':bytes'));
}

/** Nothing is left to do about it in this page; its file stays as it was chosen. */
export function noLongerWaiting(id: string): void {
  useIncoming.setState((s) => ({ waiting: s.waiting.filter((w) => w.id !== id) }));
}

/** It is a picture now, or never will be. */
export async function forgetIncoming(id: string): Promise<void> {
  noLongerWaiting(id);
  await openDisk()
    ?.remove([keyOf(id), bytesOf(id)])
    // It is found again at the next start, and known to be a picture by then.
    .catch(unlessExpected('clearing a chosen picture'));
}

/** Resolves once a page is gone; a browser without locks can't tell, and it never is. */
export async function pageGone(page: string, signal: AbortSignal): Promise<void> {
  await navigator.locks?.request(lockOf(page), { signal }, () => undefined);
}

/**
 * Files that a page which is gone had kept and not worked up, in the order they were chosen.
 *
 * @param onOther told of each other page that works on some: one that is being left still counts as there
 */
export async function leftIncoming(onOther: (page: string) => void = () => undefined): Promise<Waiting[]> {
  // By one page at a time: whatever is taken up by one, no other takes up.
  const { locks } = navigator;
  return locks ? locks.request('attic-incoming-left', () => takenUp(onOther)) : takenUp(onOther);
}

async function takenUp(onOther: (page: string) => void): Promise<Waiting[]> {
  holdPage();
  const disk = openDisk();
  if (!disk) return [];
  const texts = await disk.texts(await marksOn(disk));
  const living = new Set((await navigator.locks?.query())?.held?.map((lock) => lock.name));
  const left: Waiting[] = [];
  for (const [key, text] of Object.entries(texts)) {
    const about = readIncoming(text);
    const file = about && (await disk.blob(bytesOf(about.id)));
    if (!about || !file) {
      await disk.remove([key, `${key}:bytes`]);
      continue;
    }
    if (about.sorting || about.page === PAGE) continue;
    if (living.has(lockOf(about.page))) {
      onOther(about.page);
      continue;
    }
    if (about.tries >= MOST_TRIES) {
      await forgetIncoming(about.id);
      const why = 'The page closed each time it was worked on. Make it smaller, then choose it again.';
      useIncoming.setState((s) => ({ notTaken: [...s.notTaken, { name: about.name, why }] }));
      continue;
    }
    const again = { ...about, page: PAGE, tries: about.tries + 1 };
    await disk.write({ [key]: JSON.stringify(again) });
    left.push({ about: again, file });
  }
  left.sort((a, b) => a.about.at - b.about.at || a.about.order - b.about.order);
  useIncoming.setState((s) => ({ waiting: [...s.waiting, ...left.map((w) => w.about)] }));
  return left;
}

function readIncoming(text: string | null): Incoming | null {
  try {
    return Incoming.parse(JSON.parse(text ?? ''));
  } catch {
    return null;
  }
}
