import '@/contract/noEval';

import { expose } from 'comlink';

import { TwinFinder, type Seen } from '@/core/picture/twins';

/** What is new of a picture; null where it is gone, or nothing can be held against it. */
export type Change = readonly [id: string, seen: Seen | null];

/** Finds pictures that show the same, among all it was told of. */
export interface TwinWorker {
  know(changes: readonly Change[]): void;
  /**
   * @param own the item's pictures in their order
   * @param known how many it should know
   * @returns the other picture's id; `behind` where it was not told of all: it is a new worker
   */
  twinOf(id: string, own: readonly string[], known: number): string | null;
}

const finder = new TwinFinder();

expose({
  know: (changes) => changes.forEach(([id, seen]) => finder.know(id, seen)),
  twinOf: (id, own, known) => (finder.size === known ? finder.twinOf(id, own) : 'behind'),
} satisfies TwinWorker);
