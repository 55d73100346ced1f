import { unlessExpected } from '@/store/base/faults';

import { leftIncoming, useIncoming } from './incoming';
import { takeKept } from './pictures';

/**
 * Makes pictures of what a page that is gone had kept.
 *
 * @returns stops nothing: each is stored as a whole
 */
export function goOnTaking(): () => void {
  void (async () => {
    const left = await leftIncoming();
    if (left.length === 0) return;
    const { notTaken } = await takeKept(left);
    useIncoming.setState((s) => ({ notTaken: [...s.notTaken, ...notTaken] }));
  })().catch(unlessExpected('taking in what was left'));
  return () => undefined;
}
