import type { CourierThingView } from '@/contract/courier';

/** What else of ours is listed, as far as it bears on a listing. */
export interface Beside {
  /** Things up under a title at a price, by {@link twinKey}. */
  twins: ReadonlyMap<string, readonly string[]>;
  /** Marketplaces a thing is up on. */
  upOn: ReadonlyMap<string, ReadonlySet<string>>;
  /** New listings of this calendar month, by marketplace. */
  thisMonth: Readonly<Record<string, number>>;
}

export const NOTHING_BESIDE: Beside = { twins: new Map(), upOn: new Map(), thisMonth: {} };

export function twinKey(market: string, title: string, price: number): string {
  return `${market}\n${title.trim().toLocaleLowerCase('en')}\n${price}`;
}

/** What is just being sent, before the courier tells of it. */
export interface Going {
  thing: string;
  market: string;
  title: string;
  /** Minor units. */
  price: number;
}

/**
 * @param monthBegan first moment of this calendar month, milliseconds since 1970
 */
export function besideOf(
  views: readonly CourierThingView[],
  monthBegan: number,
  going: readonly Going[] = [],
): Beside {
  const twins = new Map<string, string[]>();
  const upOn = new Map<string, Set<string>>();
  const thisMonth: Record<string, number> = {};
  for (const { id, listings } of views)
    for (const l of listings) {
      if (l.listedAt !== null && l.listedAt >= monthBegan)
        thisMonth[l.market] = (thisMonth[l.market] ?? 0) + 1;
      if (l.want !== 'live' || l.state === 'refused') continue;
      const key = twinKey(l.market, l.title, l.price);
      twins.set(key, [...(twins.get(key) ?? []), id]);
      upOn.set(id, (upOn.get(id) ?? new Set()).add(l.market));
    }
  for (const g of going) {
    const key = twinKey(g.market, g.title, g.price);
    twins.set(key, [...(twins.get(key) ?? []), g.thing]);
  }
  return { twins, upOn, thisMonth };
}
