import { useMemo } from 'react';

import { gradeOfThing } from '@/core/condition/grade';
import { judgeComps, USUAL_LIKENESS, type JudgedComp } from '@/core/price/comps';
import { useAttic } from '@/store/attic';

const NONE: JudgedComp[] = [];

/** What was found out about a thing's price, each record with whether it counts. */
export function useJudged(id: string): JudgedComp[] {
  const research = useAttic((s) => s.research[id]);
  const thing = useAttic((s) => s.things[id]);
  return useMemo(() => {
    if (!research) return NONE;
    const wear = thing ? (gradeOfThing(thing)?.wear ?? null) : null;
    const { comps, brand, leftOut, byHand, at } = research;
    return judgeComps(comps, { ...USUAL_LIKENESS, brand, wear, leftOut }, byHand, at);
  }, [research, thing]);
}
