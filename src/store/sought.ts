import { useEffect } from 'react';
import { create } from 'zustand';

import { SoughtAnswer, type Sought } from '@/contract/comps';
import { categoryFor } from '@/core/mapping/categories';

import { useAttic } from './attic';
import { ask, useCourier } from './courierLink';
import { unlessExpected } from './faults';
import { kindsNow } from './kinds';

/** What buyers search for, by our kind: per marketplace, as long as the page is open. Absent: not asked yet. */
export const useSoughtWords = create<Record<string, Record<string, readonly Sought[]>>>(() => ({}));

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

/** Asks once for each kind; without a connection it is asked again the next time. Words can be written without it. */
export async function askSought(kind: string): Promise<void> {
  const at = placesOf(kind);
  if (kind === '' || at.length === 0 || asked.has(kind)) return;
  asked.add(kind);
  try {
    const query = new URLSearchParams(at.map((place) => ['at', place]));
    const answer = SoughtAnswer.parse(await (await ask(`/sought?${query}`)).json());
    const words = Object.fromEntries(answer.markets.map((m) => [m.market, m.words]));
    useSoughtWords.setState({ [kind]: words });
    if (answer.missing.length > 0) asked.delete(kind);
  } catch (error) {
    unlessExpected('asking what buyers search')(error);
    asked.delete(kind);
  }
}

const NOTHING: Record<string, readonly Sought[]> = {};

/** What buyers search for in things of a kind, per marketplace. */
export function useSought(kind: string): Record<string, readonly Sought[]> {
  const sheets = useCourier((s) => s.sheets);
  useEffect(() => void askSought(kind), [kind, sheets]);
  return useSoughtWords((s) => s[kind]) ?? NOTHING;
}

/** All marketplaces together: each word with its greatest count, the most searched first. */
export function together(markets: Readonly<Record<string, readonly Sought[]>>): Sought[] {
  const counts = new Map<string, number>();
  for (const words of Object.values(markets))
    for (const { word, count } of words) counts.set(word, Math.max(count, counts.get(word) ?? 0));
  return [...counts].map(([word, count]) => ({ word, count })).sort((a, b) => b.count - a.count);
}
