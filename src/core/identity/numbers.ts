import type { Settings } from '@/contract/records';

export type RunningNumbers = Pick<Settings, 'nextNumber' | 'nextRecord'>;

/**
 * The running numbers to go on with where two sides have some: they only ever go up, so none is given twice.
 */
export function numbersUp(mine: RunningNumbers, theirs: Partial<RunningNumbers>): RunningNumbers {
  return {
    nextNumber: Math.max(mine.nextNumber, theirs.nextNumber ?? 1),
    nextRecord: Math.max(mine.nextRecord, theirs.nextRecord ?? 1),
  };
}
