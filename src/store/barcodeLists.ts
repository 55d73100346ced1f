import type { CatalogueRecord } from '@/contract/catalogue';
import type { ListedBarcode } from '@/core/catalogue/barcodeList';

import { change, type Put } from './attic';
import { wordsFor } from './faults';
import { lookUp, recordBeside } from './lookUp';
import { allConfirmed } from './readings';
import { newThing } from './things';

/** One barcode of a list and what the desk says of it. */
export interface Looked extends ListedBarcode {
  state: 'waiting' | 'known' | 'unknown' | 'trouble';
  record: CatalogueRecord | null;
  why: string;
}

/** Asked at the same time: the desk has a pace of its own. */
const AT_ONCE = 3;

/** Looks a list up, some at a time; each answer is told as it comes. */
export async function lookUpList(
  barcodes: readonly ListedBarcode[],
  onEach: (one: Pick<Looked, 'digits' | 'state' | 'record' | 'why'>) => void,
): Promise<void> {
  const waiting = [...barcodes];
  const work = async () => {
    for (let next = waiting.shift(); next; next = waiting.shift()) {
      const { digits } = next;
      try {
        const record = await lookUp(digits);
        onEach({ digits, state: record ? 'known' : 'unknown', record, why: '' });
      } catch (error) {
        const why = wordsFor(error, 'looking up a barcode');
        onEach({ digits, state: 'trouble', record: null, why });
      }
    }
  };
  await Promise.all(Array.from({ length: AT_ONCE }, work));
}

/**
 * Makes things of what was looked up: one a copy, each with its barcode; those without a card are kept, to be filled in
 * by hand.
 *
 * @param sure a person has said that all of it is right; otherwise it waits at the things to be confirmed
 * @returns the things' ids
 */
export function makeLooked(looked: readonly Looked[], sure: boolean): string[] {
  const puts = looked.flatMap(({ digits, times, record }) =>
    Array.from({ length: times }, (): Put => {
      const bare = newThing({ facts: { barcode: digits } });
      const told = record ? { ...bare, ...recordBeside(bare, record) } : bare;
      const thing = sure ? { ...told, ...allConfirmed(told) } : told;
      return { collection: 'things', id: thing.id, record: thing };
    }),
  );
  if (puts.length > 0) change(`${puts.length} things from a list of barcodes`, puts, { destructive: true });
  return puts.map((p) => p.id);
}
