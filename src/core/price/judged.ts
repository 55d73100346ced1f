import type { Item, Research } from '@/contract/records';

import { judgeComps, USUAL_LIKENESS, type JudgedComp } from './comps';
import { gradeOfItem } from '../condition/grade';

/** What was found out about a price, each record with whether it counts; without an item for any wear. */
export function judgedFor({ comps, brand, leftOut, byHand, at }: Research, item?: Item): JudgedComp[] {
  const wear = item ? (gradeOfItem(item)?.wear ?? null) : null;
  return judgeComps(comps, { ...USUAL_LIKENESS, brand, wear, leftOut }, byHand, at);
}
