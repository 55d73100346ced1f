import { create, type StoreApi } from 'zustand';

import { Settings } from '@/contract/records';

import type { Change } from './journal';
import type { Conflict } from './merging';
import { noRecords, type Quarantined, type Records } from './records';

export interface AtticState extends Records {
  /** Fields that another page set without having seen what this one had set. */
  conflicts: Conflict[];
  status: 'closed' | 'open';
  settings: Settings;
  quarantine: Quarantined[];
  journal: Change[];
  /** When everything was last safely stored; null while something waits. */
  savedAt: number | null;
  /** Why the last write failed; what is on the screen is kept and tried again. */
  saveTrouble: string | null;
  /** The change that "undo" is offered for without being asked. */
  offer: Change | null;
}

/** What the parts of an attic read and change. */
export type AtticStore = Pick<StoreApi<AtticState>, 'getState' | 'setState'>;

/** What screens read of the attic that is open. */
export const useAttic = create<AtticState>(() => ({
  conflicts: [],
  ...noRecords(),
  status: 'closed',
  settings: Settings.parse({ id: 'settings' }),
  quarantine: [],
  journal: [],
  savedAt: null,
  saveTrouble: null,
  offer: null,
}));

/** Whether there are no records; asked at every change, so none is counted. */
export function isNone(records: Readonly<Record<string, unknown>>): boolean {
  for (const id in records) return id === undefined;
  return true;
}
