import type { CourierItemView } from '@/contract/courier';

/** What goes at one moment: an item, to one marketplace or several. */
export interface PlannedItem {
  id: string;
  at: number;
  markets: string[];
  /** As it is called there. */
  title: string;
}

/**
 * What the courier holds until its time, the soonest first; an item's listings of one moment together.
 *
 * @param now milliseconds since 1970
 */
export function plannedItems(views: Readonly<Record<string, CourierItemView>>, now: number): PlannedItem[] {
  const found = new Map<string, PlannedItem>();
  for (const { id, listings } of Object.values(views))
    for (const { market, doing, tries, nextTryAt, title } of listings) {
      if (doing !== 'publish' || tries > 0 || nextTryAt === null || nextTryAt <= now) continue;
      const key = `${id} ${nextTryAt}`;
      const one = found.get(key) ?? { id, at: nextTryAt, markets: [], title };
      one.markets.push(market);
      found.set(key, one);
    }
  return [...found.values()].sort((a, b) => a.at - b.at);
}
