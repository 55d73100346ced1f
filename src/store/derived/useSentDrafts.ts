import pLimit from 'p-limit';
import { useEffect, useState } from 'react';

import type { ListingDraft } from '@/contract/courier';
import { wordsFor } from '@/store/base/faults';
import { sentDrafts } from '@/store/courier/courierLink';

/** Asked at a time: they are small, and many of them must not hold up the courier. */
const limit = pLimit(4);

export interface SentDrafts {
  /** By item and marketplace; an item is missing until it was answered. */
  drafts: Readonly<Record<string, Readonly<Record<string, ListingDraft>>>>;
  /** Why something could not be asked. */
  trouble: string | null;
}

/**
 * What is shown now of some items, as the courier knows it.
 *
 * @param version anything that changes when it has to be asked again
 */
export function useSentDrafts(items: readonly string[], version?: unknown): SentDrafts {
  const [known, setKnown] = useState<SentDrafts>({ drafts: {}, trouble: null });
  const key = items.join(' ');
  useEffect(() => {
    let there = true;
    for (const id of key.split(' ').filter(Boolean))
      void limit(async () => {
        if (!there) return;
        try {
          const drafts = await sentDrafts(id);
          if (there) setKnown((k) => ({ drafts: { ...k.drafts, [id]: drafts }, trouble: null }));
        } catch (error) {
          const trouble = wordsFor(error, 'comparing with what was sent');
          if (there) setKnown((k) => ({ ...k, trouble }));
        }
      });
    return () => {
      there = false;
    };
  }, [key, version]);
  return known;
}
