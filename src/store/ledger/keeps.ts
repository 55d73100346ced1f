import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';

import { matured, type Keep, type Tried } from '@/core/ledger/keep';
import { queries } from '@/store/base/queries';
import { keptWorker } from '@/store/base/workers';
import type { FigureReckoner } from '@/workers/figures.worker';

const worker = keptWorker<FigureReckoner>(
  'reckoning figures',
  () => new Worker(new URL('../../workers/figures.worker.ts', window.location.href)),
);

/** Marketplaces held against each other, reckoned off the page; undefined until that is done. */
export function useKeeps(tried: readonly Tried[], day: number): Keep[] | undefined {
  const all = useMemo(() => matured(tried, day), [tried, day]);
  const { data } = useQuery(
    { queryKey: ['keeps', all], queryFn: () => worker.ask.keeps(all), gcTime: 0 },
    queries,
  );
  return data;
}
