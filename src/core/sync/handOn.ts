import type { Change, ReplicaId, Seen } from '@/contract/sync';

import { covers } from './seen';

/**
 * The changes to hand on next to somebody who has seen so much: each rests only on what they have, or on
 * what stands before it, so that whatever arrives can be taken over at once.
 *
 * @param changes by replica, each in their order, none left out between two
 * @param most how many at most
 * @param without of whom nothing is taken any more
 */
export function nextFor(
  seen: Seen,
  changes: ReadonlyMap<ReplicaId, readonly Change[]>,
  most: number,
  without: ReadonlySet<ReplicaId> = new Set(),
): Change[] {
  const has: Record<ReplicaId, number> = { ...seen };
  const next: Change[] = [];
  const lists = [...changes]
    .filter(([by]) => !without.has(by))
    .map(([by, list]) => ({ by, list: list.filter(({ n }) => n > (has[by] ?? 0)) }));
  for (let moved = true; moved && next.length < most;) {
    moved = false;
    for (const { by, list } of lists) {
      for (let change = list[0]; change && next.length < most; change = list[0]) {
        if (change.n !== (has[by] ?? 0) + 1 || !covers(has, change.seen)) break;
        has[by] = change.n;
        next.push(change);
        list.shift();
        moved = true;
      }
    }
  }
  return next;
}
