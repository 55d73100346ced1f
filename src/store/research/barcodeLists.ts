import { create } from 'zustand';

import type { CatalogueRecord } from '@/contract/catalogue';
import { wordsFor } from '@/store/base/faults';

import { lookUp } from './lookUp';

/** What the product look-up answered for one barcode. */
export interface LookUpAnswer {
  digits: string;
  state: 'known' | 'unknown' | 'trouble';
  record: CatalogueRecord | null;
  /** Why it could not be asked, in words. */
  why: string;
}

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
