import { dequal } from 'dequal';

import type { RecordWrites, Write } from '@/contract/sync';

import { THERE, writeOf, type Registers } from './registers';

/**
 * What takes a change of one record back, where it still stands: registers that somebody else wrote since
 * stay as they are.
 *
 * @param now the record's registers; null: it is gone
 * @param held what it held before it was taken away, where the change did that
 * @returns null: nothing is left to take back
 */
export function inverse(
  done: RecordWrites,
  now: Registers | null,
  held: Registers | null,
): RecordWrites | null {
  const there = done.writes.find(({ path }) => path === THERE);
  const writes = there ? inverseOfThere(there, done, now, held) : inverseOfWrites(done.writes, now);
  return writes.length === 0 ? null : { ...done, writes };
}

function inverseOfThere(
  there: Write,
  done: RecordWrites,
  now: Registers | null,
  held: Registers | null,
): Write[] {
  if (there.value === false)
    return now || !held
      ? []
      : [
          { path: THERE, value: true, was: false },
          ...Object.entries(held).map(([path, value]) => ({ path, value })),
        ];
  if (!now) return [];
  // What others made of it since is not one's own to take away.
  const made = done.writes.filter(({ path }) => path !== THERE);
  const isAsMade =
    made.every(({ path, value }) => dequal(now[path], value)) && Object.keys(now).length === made.length;
  return isAsMade ? [{ path: THERE, value: false, was: true }] : [];
}

function inverseOfWrites(writes: readonly Write[], now: Registers | null): Write[] {
  if (!now) return [];
  return writes.flatMap(({ path, value, was }) =>
    dequal(now[path], value) ? [writeOf(path, was, value)] : [],
  );
}
