import { useMemo } from 'react';

import { gradeOfItem } from '@/core/condition/grade';
import { judgeComps, USUAL_LIKENESS, type JudgedComp } from '@/core/price/comps';
import { useAttic } from '@/store/attic/attic';

const NONE: JudgedComp[] = [];

/** What was found out about an item's price, each record with whether it counts. */
export function useJudged(id: string): JudgedComp[] {
  const research = useAttic((s) => s.research[id]);
  const item = useAttic((s) => s.items[id]);
  return useMemo(() => {
    if (!research) return NONE;
    const wear = item ? (gradeOfItem(item)?.wear ?? null) : null;
    const { comps, brand, leftOut, byHand, at } = research;
    return judgeComps(comps, { ...USUAL_LIKENESS, brand, wear, leftOut }, byHand, at);
  }, [research, item]);
}
