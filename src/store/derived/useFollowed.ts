import { useMemo } from 'react';

import { outcomeOf, type Outcome } from '@/core/outgoing/outcome';
import { SECOND, useTime } from '@/store/base/useTime';
import { useCourier } from '@/store/courier/courierLink';
import type { Round, RoundJob } from '@/store/courier/outgoing';
import { cellKey, useQueue } from '@/store/courier/sendQueue';
import { reasonWords, troubleWords } from '@/wording/courier';

/** One listing of a round, and how far it is. */
export interface Followed extends RoundJob {
  outcome: Outcome;
  /** Why it needs a person, and where that is put right. */
  why: string;
  field: string;
}

/** How far all of a round are; none where there is no round. */
export function useFollowed(round: Round | null): Followed[] {
  const views = useCourier((s) => s.items);
  const markets = useCourier((s) => s.markets);
  const queue = useQueue();
  const now = useTime(10 * SECOND);
  return useMemo(() => {
    return (round?.jobs ?? []).map((job) => {
      const listing = views[job.item]?.listings.find((l) => l.market === job.market);
      const queued = queue[cellKey(job.item, job.market)];
      const byHand = markets.some((m) => m.id === job.market && m.byHand);
      const outcome = outcomeOf(job.action, queued?.state, listing, now, byHand);
      const [reason] = listing?.reasons ?? [];
      const why =
        outcome === 'failed'
          ? (queued?.why ?? '')
          : outcome === 'refused'
            ? reason
              ? reasonWords(reason)
              : listing?.trouble
                ? troubleWords(listing.trouble)
                : 'It was not taken there.'
            : outcome === 'byHand'
              ? 'It is done by hand there, and waits for you.'
              : '';
      return { ...job, outcome, why, field: queued?.field || reason?.field || 'markets' };
    });
  }, [round, views, markets, queue, now]);
}
