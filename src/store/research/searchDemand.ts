import { useQueries, useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';

import { SearchDemandAnswer, type SearchedWord } from '@/contract/comps';
import type { Mapping } from '@/contract/mapping';
import type { RuleSheet } from '@/contract/ruleSheet';
import type { KindTree } from '@/core/kinds/tree';
import { categoryFor } from '@/core/mapping/categories';
import { useAttic } from '@/store/attic/attic';
import { queries } from '@/store/base/queries';
import { ask, useCourier } from '@/store/courier/courierLink';
import { kindsNow, useKinds } from '@/store/items/kinds';

/** `market:category` for every marketplace that has a category for this kind. */
export function placesOf(kind: string): string[] {
  const mappings = Object.values(useAttic.getState().mappings);
  return placesAmong(useCourier.getState().sheets, kind, kindsNow(), mappings);
}

function placesAmong(
  sheets: readonly RuleSheet[],
  kind: string,
  tree: KindTree,
  mappings: readonly Mapping[],
): string[] {
  return sheets.flatMap((sheet) => {
    const category = sheet.byHand ? null : categoryFor(kind, tree, sheet, mappings);
    return category ? [`${sheet.marketplace}:${category.id}`] : [];
  });
}

type ByMarket = Readonly<Record<string, readonly SearchedWord[]>>;

/** Words can be written without it: who could not be asked is asked again the next time. */
async function askSearchDemand(at: readonly string[]): Promise<{ words: ByMarket; isWhole: boolean }> {
  const query = new URLSearchParams(at.map((place) => ['at', place]));
  const answer = SearchDemandAnswer.parse(await (await ask(`/search-demand?${query}`)).json());
  const words = Object.fromEntries(answer.markets.map((m) => [m.market, m.words]));
  return { words, isWhole: answer.missing.length === 0 };
}

const NOTHING: ByMarket = {};

const keyFor = (kind: string, at: readonly string[]) => ['searchDemand', kind, at] as const;

/** What buyers search for in items of a kind, as far as it was asked already. */
export function soughtNow(kind: string): ByMarket {
  const asked = queries.getQueryData<{ words: ByMarket }>(keyFor(kind, kind === '' ? [] : placesOf(kind)));
  return asked?.words ?? NOTHING;
}

/** What buyers search for in items of a kind, per marketplace; asked once for as long as the page is open. */
export function useSearchDemand(kind: string): ByMarket {
  const sheets = useCourier((s) => s.sheets);
  const mappings = useAttic((s) => s.mappings);
  const tree = useKinds();
  const at = useMemo(
    () => (kind === '' ? [] : placesAmong(sheets, kind, tree, Object.values(mappings))),
    [kind, sheets, tree, mappings],
  );
  const { data } = useQuery(
    {
      queryKey: keyFor(kind, at),
      queryFn: () => askSearchDemand(at),
      enabled: at.length > 0,
      staleTime: ({ state }) => (state.data?.isWhole ? Infinity : 0),
      gcTime: Infinity,
    },
    queries,
  );
  return data?.words ?? NOTHING;
}

/** Asks for several kinds, so that {@link soughtNow} knows. @returns whether all are answered or given up */
export function useSoughtOf(kinds: readonly string[]): boolean {
  const sheets = useCourier((s) => s.sheets);
  const asked = useQueries(
    {
      queries: kinds
        .filter((kind) => kind !== '' && sheets.length > 0)
        .map((kind) => {
          const at = placesOf(kind);
          const queryFn = () => askSearchDemand(at);
          return { queryKey: keyFor(kind, at), queryFn, enabled: at.length > 0, staleTime: Infinity };
        }),
    },
    queries,
  );
  return asked.every((one) => !one.isFetching);
}

/** All marketplaces together: each word with its greatest count, the most searched first. */
export function together(markets: Readonly<Record<string, readonly SearchedWord[]>>): SearchedWord[] {
  const counts = new Map<string, number>();
  for (const words of Object.values(markets))
    for (const { word, count } of words) counts.set(word, Math.max(count, counts.get(word) ?? 0));
  return [...counts].map(([word, count]) => ({ word, count })).sort((a, b) => b.count - a.count);
}
