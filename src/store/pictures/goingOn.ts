import { unlessExpected } from '@/store/base/faults';

import { leftIncoming, pageGone, useIncoming } from './incoming';
import { takeKept } from './pictures';

/**
 * Makes pictures of what a page that is gone had kept. A page that was just left may count as there for a
 * moment longer, the more it was busy: what it worked on is gone on with once it is gone.
 *
 * @returns waits for no page any more; those at work are stored as a whole
 */
export function goOnTaking(): () => void {
  const stopped = new AbortController();
  const waitedFor = new Set<string>();
  const go = async (): Promise<void> => {
    const left = await leftIncoming((page) => {
      if (waitedFor.has(page)) return;
      waitedFor.add(page);
      pageGone(page, stopped.signal).then(go, failed);
    });
    if (left.length === 0) return;
    const { notTaken } = await takeKept(left);
    useIncoming.setState((s) => ({ notTaken: [...s.notTaken, ...notTaken] }));
  };
  const failed = (error: unknown) => {
    // No page is waited for any more.
    if (!stopped.signal.aborted) unlessExpected('taking in what was left')(error);
  };
  go().catch(failed);
  return () => stopped.abort();
}
