import { z } from 'zod';
import { create } from 'zustand';

import type { Incoming } from '@/contract/incoming';
import type { Origin } from '@/contract/picture';
import { COLOURS } from '@/core/kinds/facts';
import { isOfCode } from '@/core/picture/shows';
import { splitIntoItems, type Sketch } from '@/core/picture/split';
import { READ_WORDS } from '@/core/reading/sense';
import { serialQueue } from '@/core/serialQueue';
import { newId } from '@/store/attic/attic';
import { unlessExpected, wordsFor } from '@/store/base/faults';
import { pictureTroubleWords } from '@/wording/pictures';

import {
  countForSorting,
  forgetIncoming,
  keepIncoming,
  keptForSorting,
  sortedInto,
  type Waiting,
} from './incoming';
import { takeKept, type NotTaken } from './pictures';
import { pictureWorker, readingWorker } from './pictureWorker';
import { barcodeIn } from './reading';

/** A picture that waits to be sorted into an item, with a small copy to look at. */
export interface Sorted {
  waiting: Waiting;
  sketch: Sketch;
  small: Blob;
}

/** Pictures that were chosen at once, and are no items yet. */
export const useSorting = create<{
  sorted: readonly Sorted[];
  /** Ids of all that were ever given to be looked at: none is looked at twice. */
  begun: readonly string[];
  /** How many are still to be kept or looked at; how many an earlier page kept, which none looks at yet. */
  left: number;
  kept: number;
  notTaken: readonly NotTaken[];
  /** What was agreed on: how many pictures of how many are taken, and the items they became. */
  taking: { done: number; of: number; itemIds: readonly string[] } | null;
}>(() => ({ sorted: [], begun: [], left: 0, kept: 0, notTaken: [], taking: null }));

/** So many chosen at once are likely of several items. */
export const SEVERAL = 9;
/** Pictures kept to be sorted belong to no item yet. */
const NO_ITEM = 'unsorted';

const Ids = z.array(z.string().max(60)).max(500);
/** How a person arranged them so far. */
export const ArrangementDraft = z.object({ rows: z.array(Ids).max(500), out: Ids }).nullable();

const keptInTurn = serialQueue();
const lookedInTurn = serialQueue();

/** Keeps files that may be of several items, and looks at each for what tells them apart. */
export async function sortPictures(files: readonly File[], origin: Origin): Promise<void> {
  // Counted before they are kept: nobody is to take those kept so far for all of them.
  useSorting.setState((s) => ({ notTaken: [], taking: null, left: s.left + files.length }));
  const part = { begins: true, origin, shows: '', showsBy: 'list', look: true } as const;
  await sketchAll(() => keepIncoming(NO_ITEM, files, part, true), files.length);
}

/** What a page before this one had kept to be sorted is looked at again. */
export async function goOnSorting(): Promise<void> {
  useSorting.setState({ kept: 0 });
  await sketchAll(keptForSorting);
}

/** Whether any were kept to be sorted and left. */
export async function lookForUnsorted(): Promise<void> {
  const { begun, left } = useSorting.getState();
  const kept = begun.length + left > 0 ? 0 : await countForSorting();
  useSorting.setState({ kept });
}

/** @param counted how many of them count as left already */
async function sketchAll(kept: () => Promise<readonly Waiting[]>, counted = 0): Promise<void> {
  const fresh = await begin(kept, counted);
  return lookedInTurn(async () => {
    const still = [...fresh];
    const work = async (worker: typeof pictureWorker) => {
      for (let one = still.shift(); one; one = still.shift()) await sketchOne(one, worker());
    };
    // Two at a time: each keeps a processor busy.
    await Promise.all([pictureWorker, readingWorker].map(work));
  });
}

/**
 * Those of them that nobody looks at yet. One after the other: who asks for what is kept while files are
 * still being kept would find some of them, and be done with those.
 */
function begin(kept: () => Promise<readonly Waiting[]>, counted: number): Promise<Waiting[]> {
  return keptInTurn(async () => {
    try {
      const all = await kept();
      const { begun } = useSorting.getState();
      const fresh = all.filter((w) => !begun.includes(w.about.id));
      useSorting.setState((s) => ({
        left: s.left + fresh.length,
        begun: [...s.begun, ...fresh.map((w) => w.about.id)],
      }));
      return fresh;
    } finally {
      useSorting.setState((s) => ({ left: s.left - counted }));
    }
  });
}

async function sketchOne(waiting: Waiting, worker: ReturnType<typeof pictureWorker>): Promise<void> {
  const { about, file } = waiting;
  try {
    const [drawn, code] = await Promise.all([
      worker.sketch(file, WORDS),
      barcodeIn(file, false).catch((error: unknown) => {
        // Without a code it is told apart by what else it shows.
        unlessExpected('looking for a barcode')(error);
        return null;
      }),
    ]);
    if (drawn.ok) {
      const { exam, hasWords, takenAt, small } = drawn;
      const sketch = {
        id: about.id,
        at: takenAt ?? about.fileAt,
        exam,
        hasWords,
        isCode: isOfCode(code?.box ?? null),
      };
      useSorting.setState((s) => ({ sorted: inOrder([...s.sorted, { waiting, sketch, small }]) }));
    } else await leaveOut(about, pictureTroubleWords(drawn.why));
  } catch (error) {
    await leaveOut(about, wordsFor(error, 'looking at a picture'));
  } finally {
    useSorting.setState((s) => ({ left: s.left - 1 }));
  }
}

const WORDS = [...READ_WORDS, ...COLOURS.map((name) => name.toLocaleLowerCase('en'))];

async function leaveOut(about: Incoming, why: string): Promise<void> {
  useSorting.setState((s) => ({ notTaken: [...s.notTaken, { name: about.name, why }] }));
  await forgetIncoming(about.id);
}

/** As they were taken, where that is known of all; else as they were chosen. */
function inOrder(sorted: readonly Sorted[]): Sorted[] {
  const isTimed = sorted.every(({ sketch }) => sketch.at !== null);
  return [...sorted].sort(
    (a, b) =>
      (isTimed ? (a.sketch.at ?? 0) - (b.sketch.at ?? 0) : 0) ||
      a.waiting.about.at - b.waiting.about.at ||
      a.waiting.about.order - b.waiting.about.order,
  );
}

/** Which pictures are of one item, as far as they tell; plain cards between two are left out. */
export function proposedFor(sorted: readonly Sorted[]) {
  const { items, separators } = splitIntoItems(sorted.map(({ sketch }) => sketch));
  return { rows: items, out: separators };
}

/** Makes an item of each row, the first row first; what was left out is let go. */
export async function takeSorted(rows: readonly (readonly string[])[]): Promise<void> {
  const { sorted } = useSorting.getState();
  const byId = new Map(sorted.map((s) => [s.waiting.about.id, s.waiting]));
  const agreed: Waiting[] = [];
  for (const row of rows) {
    const itemId = newId();
    for (const id of row) {
      const waiting = byId.get(id);
      if (waiting) agreed.push(await sortedInto(waiting, itemId, agreed.length));
    }
  }
  const taken = new Set(rows.flat());
  const left = sorted.filter((s) => !taken.has(s.waiting.about.id));
  useSorting.setState({ sorted: [], taking: { done: 0, of: agreed.length, itemIds: [] } });
  for (const { waiting } of left) await forgetIncoming(waiting.about.id);
  const { notTaken } = await takeKept(agreed, (done, itemId) =>
    useSorting.setState(({ taking }) => ({
      taking: taking && {
        ...taking,
        done,
        itemIds: itemId === null ? taking.itemIds : [...new Set([...taking.itemIds, itemId])],
      },
    })),
  );
  useSorting.setState({ notTaken });
}

/** None of them is taken in; the files stay where they came from. */
export async function dropSorted(): Promise<void> {
  const { sorted } = useSorting.getState();
  useSorting.setState({ sorted: [], notTaken: [] });
  for (const { waiting } of sorted) await forgetIncoming(waiting.about.id);
}
