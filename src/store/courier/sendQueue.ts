import { create } from 'zustand';

import { useAttic } from '@/store/attic/attic';
import { wordsFor } from '@/store/base/faults';
import { editPlan } from '@/store/items/items';

import { CourierTrouble, useCourier } from './courierLink';
import { send, withdraw } from './sending';

export interface QueuedJob {
  item: string;
  market: string;
  action: 'send' | 'withdraw';
  /** The person saw, value by value, what changes there. */
  seen?: boolean;
  state: 'waiting' | 'working' | 'failed';
  /** Why it failed, in words for a person. */
  why: string;
  /** Where it may be put right; empty where nobody knows. */
  field: string;
  /** What is wanted after what is being done now: somebody thought better of it meanwhile. */
  next: 'send' | 'withdraw' | null;
}

/**
 * What is being sent or taken down, by item and marketplace. Finished jobs leave; failed ones stay until
 * they are tried again or dropped.
 */
export const useQueue = create<Record<string, QueuedJob>>(() => ({}));

export function cellKey(item: string, market: string): string {
  return `${item} ${market}`;
}

/** Pictures are made ready for so many at a time. */
const AT_ONCE = 2;

/**
 * Adds jobs; the same that is there already, waiting or working, is not added again. The last word counts:
 * what waits is done as it was asked for last, and the opposite of what is being done is done right after it.
 * Goes on by itself while the person works.
 */
export function enqueue(jobs: readonly Pick<QueuedJob, 'item' | 'market' | 'action' | 'seen'>[]): void {
  const before = useQueue.getState();
  const added = jobs.flatMap((job): QueuedJob[] => {
    const there = before[cellKey(job.item, job.market)];
    if (!there || there.state === 'failed')
      return [{ ...job, state: 'waiting', why: '', field: '', next: null }];
    if (there.state === 'waiting') return there.action === job.action ? [] : [{ ...there, ...job }];
    return [{ ...there, next: there.action === job.action ? null : job.action }];
  });
  if (added.length === 0) return;
  useQueue.setState(Object.fromEntries(added.map((job) => [cellKey(job.item, job.market), job])));
  // Whoever works takes the next job in the same moment in which the last one is done.
  const working = Object.values(before).filter((job) => job.state === 'working').length;
  for (let n = working; n < AT_ONCE && n - working < added.length; n += 1) void work();
}

/** Takes what waits, or failed, out again; what is being sent goes on. */
export function dropJobs(keys: readonly string[]): void {
  const rest = { ...useQueue.getState() };
  for (const key of keys) {
    const job = rest[key];
    if (job?.state === 'working') rest[key] = { ...job, next: null };
    else delete rest[key];
  }
  useQueue.setState(rest, true);
}

async function work(): Promise<void> {
  for (;;) {
    // Withdrawals go first: they are promises to buyers.
    const waiting = Object.entries(useQueue.getState()).filter(([, j]) => j.state === 'waiting');
    const next = waiting.find(([, j]) => j.action === 'withdraw') ?? waiting[0];
    if (!next) return;
    const [key, job] = next;
    useQueue.setState({ [key]: { ...job, state: 'working' } });
    const failure = await carryOut(job);
    const action = useQueue.getState()[key]?.next ?? null;
    if (action) useQueue.setState({ [key]: { ...job, action, state: 'waiting' } });
    else if (failure) useQueue.setState({ [key]: { ...job, state: 'failed', ...failure } });
    else {
      const { [key]: _, ...rest } = useQueue.getState();
      useQueue.setState(rest, true);
    }
  }
}

async function carryOut(job: QueuedJob): Promise<{ why: string; field: string } | null> {
  try {
    if (job.action === 'withdraw') {
      await withdraw(job.item, job.market);
      editPlan(job.item, job.market, 'not listed any more', { wanted: false });
      return null;
    }
    const item = useAttic.getState().items[job.item];
    const sheet = useCourier.getState().sheets.find((s) => s.marketplace === job.market);
    if (!item || !sheet) return { why: 'It is not there any more.', field: '' };
    await send(item, sheet, job.seen);
    return null;
  } catch (error) {
    if (error instanceof CourierTrouble) return { why: error.message, field: error.field };
    return { why: wordsFor(error, 'sending'), field: '' };
  }
}
