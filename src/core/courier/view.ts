import type { CourierThingView } from '@/contract/courier';

import { draftPrint } from '../listing/draft';
import type { CourierThing } from './types';
import { isStopped } from './refs';
import { NEVER } from './waiting';

/** What the page is told of one thing. */
export function viewOf(thing: CourierThing): CourierThingView {
  return {
    id: thing.id,
    sale: thing.sale,
    laterSales: thing.laterSales,
    pieceSales: thing.pieceSales,
    pastSales: thing.pastSales ?? [],
    hold: thing.hold ?? null,
    listings: Object.values(thing.listings).map((l) => ({
      market: l.market,
      state: l.state,
      want: l.want,
      doing: l.job?.action ?? null,
      tries: l.job?.tries ?? 0,
      nextTryAt: l.job && !l.job.running && l.job.due < NEVER ? l.job.due : null,
      trouble: l.job?.trouble ?? null,
      url: l.url,
      title: l.draft.title,
      price: l.draft.price,
      category: l.draft.category,
      postage: l.draft.postage,
      reasons: l.reasons,
      since: l.since,
      listedAt: l.listedAt,
      draftPrint: draftPrint(l.nextDraft ?? l.draft),
      edited: l.edited ?? null,
      held: thing.hold?.market === l.market,
      stopped: l.job !== null && isStopped(l.job),
    })),
    closing: thing.closing && {
      startedAt: thing.closing.startedAt,
      doneAt: thing.closing.doneAt,
      entries: thing.closing.entries.map((e) => {
        const job = thing.listings[e.market]?.job;
        return { ...e, tries: job?.tries ?? 0, trouble: job?.trouble ?? null };
      }),
    },
  };
}
