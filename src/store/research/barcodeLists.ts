import { z } from 'zod';
import { create } from 'zustand';

import { CatalogueRecord } from '@/contract/catalogue';
import { Minor } from '@/contract/common';
import { USES } from '@/contract/records';
import { MOST_COPIES } from '@/core/catalogue/barcodeList';
import { change, type Put } from '@/store/attic/attic';
import { wordsFor } from '@/store/base/faults';
import { newItem } from '@/store/items/items';
import { allConfirmed } from '@/store/pictures/readings';

import { lookUp, recordBeside } from './lookUp';

/** One article of a list and what the product look-up says of it. */
export const Looked = z.object({
  digits: z.string().max(20),
  times: z.number().int().positive().max(MOST_COPIES),
  price: Minor.nonnegative().nullable(),
  cost: Minor.nonnegative().nullable(),
  use: z.enum(USES).nullable(),
  state: z.enum(['waiting', 'known', 'unknown', 'trouble']),
  record: CatalogueRecord.nullable(),
  why: z.string(),
});
export type Looked = z.infer<typeof Looked>;

/** What the product look-up answered for one barcode. */
export type LookUpAnswer = Pick<Looked, 'digits' | 'state' | 'record' | 'why'>;

/** Asked at the same time: the product look-up has a pace of its own. */
const AT_ONCE = 3;

/** Whether a list is being looked up just now; it goes on when its screen is left. */
export const useListBusy = create(() => ({ busy: false }));

/** Looks barcodes up, some at a time, each once; each answer is told as it comes. One list at a time. */
export async function lookUpList(
  barcodes: readonly string[],
  onEach: (one: LookUpAnswer) => void,
): Promise<void> {
  if (useListBusy.getState().busy) return;
  useListBusy.setState({ busy: true });
  const waiting = [...new Set(barcodes)];
  const work = async () => {
    for (let digits = waiting.shift(); digits !== undefined; digits = waiting.shift()) {
      try {
        const record = await lookUp(digits);
        onEach({ digits, state: record ? 'known' : 'unknown', record, why: '' });
      } catch (error) {
        const why = wordsFor(error, 'looking up a barcode');
        onEach({ digits, state: 'trouble', record: null, why });
      }
    }
  };
  try {
    await Promise.all(Array.from({ length: AT_ONCE }, work));
  } finally {
    useListBusy.setState({ busy: false });
  }
}

/**
 * Makes items of what was looked up: one a copy, each with its barcode and what stood beside it; those
 * without a card are kept, to be filled in by hand.
 *
 * @param sure a person has said that all of it is right; otherwise it waits at the items to be confirmed
 * @returns the items' ids
 */
export function makeLooked(looked: readonly Looked[], sure: boolean): string[] {
  const puts = looked.flatMap(({ digits, times, record, price, cost, use }) =>
    Array.from({ length: times }, (): Put => {
      const bare = newItem({ facts: { barcode: digits }, price, cost, use });
      const told = record ? { ...bare, ...recordBeside(bare, record) } : bare;
      const item = sure ? { ...told, ...allConfirmed(told) } : told;
      return { collection: 'items', id: item.id, record: item };
    }),
  );
  if (puts.length > 0) change(`${puts.length} items from a list of barcodes`, puts, { destructive: true });
  return puts.map((p) => p.id);
}
