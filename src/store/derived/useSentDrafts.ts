import { keepPreviousData, useQueries, type UseQueryResult } from '@tanstack/react-query';
import pLimit from 'p-limit';

import type { ListingDraft } from '@/contract/courier';
import { wordsOf } from '@/store/base/faults';
import { queries } from '@/store/base/queries';
import { sentDrafts } from '@/store/courier/courierLink';

/** Asked at a time: they are small, and many of them must not hold up the courier. */
const limit = pLimit(4);

type ByMarket = Readonly<Record<string, ListingDraft>>;

export interface SentDrafts {
  /** By item and marketplace; an item is missing until it was answered. */
  drafts: Readonly<Record<string, ByMarket>>;
  /** Why something could not be asked. */
  trouble: string | null;
}

/**
 * What is shown now of some items, as the courier knows it.
 *
 * @param version anything that changes when it has to be asked again
 */
export function useSentDrafts(items: readonly string[], version?: unknown): SentDrafts {
  return useQueries(
    {
      queries: items.map((id) => ({
        queryKey: ['sentDrafts', id, version],
        queryFn: async () => ({ id, drafts: await limit(() => sentDrafts(id)) }),
        placeholderData: keepPreviousData,
      })),
      combine: together,
    },
    queries,
  );
}

function together(answers: UseQueryResult<{ id: string; drafts: ByMarket }>[]): SentDrafts {
  const failed = answers.find((a) => a.error);
  return {
    drafts: Object.fromEntries(answers.flatMap(({ data }) => (data ? [[data.id, data.drafts]] : []))),
    trouble: failed ? wordsOf(failed.error) : null,
  };
}
