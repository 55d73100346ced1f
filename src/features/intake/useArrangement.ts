import { useMemo } from 'react';

import { joinedUp, put, splitAt, withProposed, type Arrangement, type Place } from '@/core/picture/arrange';
import { useDraft } from '@/store/attic/drafts';
import { ArrangementDraft, proposedFor, useSorting } from '@/store/pictures/sorting';

/**
 * Which pictures are of one item: as proposed until a person changes it, then as they left it, also after a
 * reload.
 */
export function useArrangement() {
  const sorted = useSorting((s) => s.sorted);
  const [kept, setKept, clear] = useDraft('sorting', ArrangementDraft, null);
  const proposed = useMemo(() => proposedFor(sorted), [sorted]);
  const now = useMemo(() => withProposed(kept, proposed), [kept, proposed]);
  const to = (next: Arrangement) => setKept({ rows: next.rows.map((row) => [...row]), out: [...next.out] });
  return {
    now,
    put: (id: string, place: Place) => to(put(now, id, place)),
    splitAt: (id: string) => to(splitAt(now, id)),
    joinUp: (row: number) => to(joinedUp(now, row)),
    allIntoOne: () => to({ rows: [now.rows.flat()], out: now.out }),
    clear,
  };
}
