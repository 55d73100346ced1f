import { useAttic } from '@/store/attic/attic';
import { unlessExpected } from '@/store/base/faults';

import { leftIncoming, useIncoming } from './incoming';
import { takeKept } from './pictures';
import { READ_BY_ITSELF, readPicture } from './reading';

/**
 * Makes pictures of what a page that is gone had kept, and reads those that are read by themselves.
 *
 * @returns stops nothing: each is stored as a whole
 */
export function goOnTaking(): () => void {
  void (async () => {
    const left = await leftIncoming();
    if (left.length === 0) return;
    const { notTaken } = await takeKept(left);
    useIncoming.setState((s) => ({ notTaken: [...s.notTaken, ...notTaken] }));
    for (const { id, itemId } of left.map((w) => w.about))
      if (READ_BY_ITSELF.has(useAttic.getState().pictures[id]?.shows ?? ''))
        await readPicture(itemId, id).catch(unlessExpected('reading words'));
  })().catch(unlessExpected('taking in what was left'));
  return () => undefined;
}
