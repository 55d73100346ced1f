import type { Candidate, Path, Seen } from '@/contract/sync';

import { contested } from './candidates';
import { forgetLeft, isVoid, stable } from './members';
import { THERE } from './registers';
import { ofRecordKey, type RecordKey, type Replica } from './replica';
import { holds } from './seen';
import { isThere, takenAlong } from './take';

/**
 * Forgets what nobody can disagree about any more: registers whose givers everybody has seen, and changes
 * that everybody has.
 *
 * @returns what everybody has seen
 */
export function settle(replica: Replica): Seen {
  forgetLeft(replica);
  replica.waiting = replica.waiting.filter((change) => !isVoid(replica, change));
  const all = stable(replica);
  for (const [key, open] of replica.open) settleRecord(replica, key, open, all);
  for (const [name, keys] of replica.along)
    if (![...keys].some((key) => replica.open.has(key))) replica.along.delete(name);
  for (const [key, brought] of replica.anew) {
    const kept = brought.filter((one) => !holds(all, one));
    if (kept.length === 0) replica.anew.delete(key);
    else replica.anew.set(key, kept);
  }
  for (const [by, changes] of replica.held) {
    const kept = changes.filter((change) => !holds(all, change));
    if (kept.length === 0) replica.held.delete(by);
    else if (kept.length < changes.length) replica.held.set(by, kept);
  }
  return all;
}

function settleRecord(
  replica: Replica,
  key: RecordKey,
  open: Map<Path, readonly Candidate[]>,
  all: Seen,
): void {
  const { collection } = ofRecordKey(key);
  const isSettled = (candidates: readonly Candidate[]) =>
    candidates.every((one) => one.n === 0 || holds(all, one));
  const isSettledAway = (one: RecordKey) => {
    const there = replica.open.get(one)?.get(THERE);
    return !there || (isSettled(there) && isThere(replica, one) === false);
  };
  // Whatever was taken away in one is forgotten in one: while any of it may come back, all may.
  if (open.has(THERE) && [key, ...takenAlong(replica, key)].every(isSettledAway)) {
    replica.open.delete(key);
    replica.gone.delete(key);
    return;
  }
  for (const [path, candidates] of open) {
    if (!isSettled(candidates) || contested(collection, path, candidates).length > 0) continue;
    // What was taken away and is there because of others is asked about along with them.
    if (path === THERE && candidates.some(({ value }) => value === false)) continue;
    open.delete(path);
  }
  if (open.size === 0) replica.open.delete(key);
}
