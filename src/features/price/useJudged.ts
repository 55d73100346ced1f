import { useMemo } from 'react';

import type { JudgedComp } from '@/core/price/comps';
import { judgedFor } from '@/core/price/judged';
import { useAttic } from '@/store/attic/attic';

const NONE: JudgedComp[] = [];

/** What was found out about an item's price, each record with whether it counts. */
export function useJudged(id: string): JudgedComp[] {
  const research = useAttic((s) => s.research[id]);
  const item = useAttic((s) => s.items[id]);
  return useMemo(() => {
    return research ? judgedFor(research, item) : NONE;
  }, [research, item]);
}
