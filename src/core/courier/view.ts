import type { CourierItemView } from '@/contract/courier';

import { isStopped } from './refs';
import type { CourierItem } from './types';
import { NEVER } from './waiting';
import { draftHash } from '../listing/draft';

/** What the page is told of one item. */
export function viewOf(item: CourierItem): CourierItemView {
  return {
    id: item.id,
    sale: item.sale,
    laterSales: item.laterSales,
    pieceSales: item.pieceSales,
    pastSales: item.pastSales ?? [],
    hold: item.hold ?? null,
    listings: Object.values(item.listings).map((l) => ({
      market: l.market,
      state: l.state,
      want: l.want,
      doing: l.job?.action ?? null,
      tries: l.job?.tries ?? 0,
      nextTryAt: l.job && !l.job.running && l.job.due < NEVER ? l.job.due : null,
      trouble: l.job?.trouble ?? null,
      url: l.url,
      remoteId: l.remoteId,
      title: l.draft.title,
      price: l.draft.price,
      category: l.draft.category,
      postage: l.draft.postage,
      reasons: l.reasons,
      since: l.since,
      listedAt: l.listedAt,
      firstPrice: l.firstPrice ?? null,
      draftHash: draftHash(l.nextDraft ?? l.draft),
      edited: l.edited ?? null,
      held: item.hold?.market === l.market,
      stopped: l.job !== null && isStopped(l.job),
    })),
    closing: item.closing && {
      startedAt: item.closing.startedAt,
      doneAt: item.closing.doneAt,
      entries: item.closing.entries.map((e) => {
        const job = item.listings[e.market]?.job;
        return { ...e, tries: job?.tries ?? 0, trouble: job?.trouble ?? null };
      }),
    },
  };
}
