import { useCallback, useEffect, useMemo, useRef, useState } from 'react';

import type { Outcome } from '@/core/tables/planIn';
import { unlessExpected } from '@/store/base/faults';
import { tableLines, useTableIn } from '@/store/tables/tableIn';
import type { ShownLine } from '@/workers/tablereader.worker';

/** Lines asked for at a time. */
const BLOCK = 40;

export interface Lines {
  of: number;
  /** A line by its place; undefined: it was asked for and is not here yet. */
  at: (place: number) => ShownLine | undefined;
}

interface Known {
  outcome: Outcome | null;
  blocks: Readonly<Record<number, ShownLine[]>>;
}
const NO_BLOCKS: Known['blocks'] = {};

/** Lines of one outcome, asked of the reader as they come into sight. */
export function useLines(outcome: Outcome | null): Lines {
  const counts = useTableIn((s) => s.counts);
  const round = useTableIn((s) => s.round);
  const [known, setKnown] = useState<Known>({ outcome, blocks: {} });
  // Lines of another outcome are none of these; those from before a change stay until the new ones are here.
  const blocks = known.outcome === outcome ? known.blocks : NO_BLOCKS;
  const asked = useRef(new Set<string>());
  const key = `${outcome ?? 'all'} ${round}`;
  const latest = useRef(key);
  useEffect(() => {
    latest.current = key;
    asked.current.clear();
  }, [key]);
  const ask = useCallback(
    (block: number) => {
      const name = `${key} ${block}`;
      if (asked.current.has(name)) return;
      asked.current.add(name);
      void tableLines(outcome, block * BLOCK, BLOCK)
        .then(({ lines }) => {
          // What was asked before something changed is no answer any more.
          if (latest.current !== key) return;
          setKnown((all) => ({
            outcome,
            blocks: { ...(all.outcome === outcome ? all.blocks : {}), [block]: lines },
          }));
        })
        .catch(unlessExpected('showing a table'));
    },
    [key, outcome],
  );
  const of = (outcome ? counts?.of[outcome] : counts?.all) ?? 0;
  return useMemo(
    () => ({
      of,
      at: (place) => {
        const block = Math.floor(place / BLOCK);
        // Asked after drawing: it may be drawn many times before.
        queueMicrotask(() => ask(block));
        return blocks[block]?.[place % BLOCK];
      },
    }),
    [of, ask, blocks],
  );
}
