import { useEffect } from 'react';
import { create } from 'zustand';

import { SearchDemandAnswer, type SearchedWord } from '@/contract/comps';
import { categoryFor } from '@/core/mapping/categories';
import { useAttic } from '@/store/attic/attic';
import { unlessExpected } from '@/store/base/faults';
import { ask, useCourier } from '@/store/courier/courierLink';
import { kindsNow } from '@/store/items/kinds';

/**
 * What buyers search for, by our kind: per marketplace, as long as the page is open. Absent: not asked yet.
 */
const useDemand = create<Record<string, Record<string, readonly SearchedWord[]>>>(() => ({}));

/** `market:category` for every marketplace that has a category for this kind. */
export function placesOf(kind: string): string[] {
  const tree = kindsNow();
  const mappings = Object.values(useAttic.getState().mappings);
  return useCourier.getState().sheets.flatMap((sheet) => {
    const category = sheet.byHand ? null : categoryFor(kind, tree, sheet, mappings);
    return category ? [`${sheet.marketplace}:${category.id}`] : [];
  });
}

const asked = new Set<string>();

/**
 * Asks once for each kind; without a connection it is asked again the next time. Words can be written without
 * it.
 */
async function askSearchDemand(kind: string): Promise<void> {
  const at = placesOf(kind);
  if (kind === '' || at.length === 0 || asked.has(kind)) return;
  asked.add(kind);
  try {
    const query = new URLSearchParams(at.map((place) => ['at', place]));
    const answer = SearchDemandAnswer.parse(await (await ask(`/search-demand?${query}`)).json());
    const words = Object.fromEntries(answer.markets.map((m) => [m.market, m.words]));
    useDemand.setState({ [kind]: words });
    if (answer.missing.length > 0) asked.delete(kind);
  } catch (error) {
    unlessExpected('asking what buyers search')(error);
    asked.delete(kind);
  }
}

const NOTHING: Record<string, readonly SearchedWord[]> = {};

/** What buyers search for in items of a kind, per marketplace. */
export function useSearchDemand(kind: string): Record<string, readonly SearchedWord[]> {
  const sheets = useCourier((s) => s.sheets);
  useEffect(() => void askSearchDemand(kind), [kind, sheets]);
  return useDemand((s) => s[kind]) ?? NOTHING;
}

/** All marketplaces together: each word with its greatest count, the most searched first. */
export function together(markets: Readonly<Record<string, readonly SearchedWord[]>>): SearchedWord[] {
  const counts = new Map<string, number>();
  for (const words of Object.values(markets))
    for (const { word, count } of words) counts.set(word, Math.max(count, counts.get(word) ?? 0));
  return [...counts].map(([word, count]) => ({ word, count })).sort((a, b) => b.count - a.count);
}
