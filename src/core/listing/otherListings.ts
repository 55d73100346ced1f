import type { CourierItemView } from '@/contract/courier';

import type { SaleTerms } from '../price/takeHome';

/** What else of ours is listed, as far as it bears on a listing. */
export interface OtherListings {
  /** Items up under a title at a price, by {@link twinKey}. */
  twins: ReadonlyMap<string, readonly string[]>;
  /** Marketplaces an item is up on. */
  upOn: ReadonlyMap<string, ReadonlySet<string>>;
  /** New listings of this calendar month, by marketplace. */
  thisMonth: Readonly<Record<string, number>>;
  /** Since when items are up, or were, by {@link placeKey}: placement fees go by it. */
  placed: ReadonlyMap<string, Placed>;
}

/**
 * A listing's place: since when it has it, and how many were put up there before it in the same calendar
 * month.
 */
export interface Placed {
  /** Milliseconds since 1970. */
  at: number;
  before: number;
}

export const NO_OTHER_LISTINGS: OtherListings = {
  twins: new Map(),
  upOn: new Map(),
  thisMonth: {},
  placed: new Map(),
};

const placeKey = (item: string, market: string) => `${item} ${market}`;

const DAY = 86_400_000;

/** Calendar months of marketplaces, by universal time (common practice). */
const monthOf = (at: number) => new Date(at).toISOString().slice(0, 7);

/**
 * What a listing's place bears on its fees: days it has been up, begun ones counted, and listings of that
 * month before it.
 *
 * @param until now, or when it sold; milliseconds since 1970
 */
export function placeOf(
  beside: OtherListings,
  item: string,
  market: string,
  until: number,
): Pick<SaleTerms, 'daysListed' | 'listedThisMonth'> {
  const placed = beside.placed.get(placeKey(item, market));
  return placed
    ? { daysListed: Math.max(1, Math.ceil((until - placed.at) / DAY)), listedThisMonth: placed.before }
    : { listedThisMonth: beside.thisMonth[market] ?? 0 };
}

export function twinKey(market: string, title: string, price: number): string {
  return `${market}\n${title.trim().toLocaleLowerCase('en')}\n${price}`;
}

/** What is just being sent, before the courier tells of it. */
export interface Going {
  item: string;
  market: string;
  title: string;
  /** Minor units. */
  price: number;
}

/**
 * @param monthBegan first moment of this calendar month, milliseconds since 1970
 */
export function otherListingsOf(
  views: readonly CourierItemView[],
  monthBegan: number,
  going: readonly Going[] = [],
): OtherListings {
  const twins = new Map<string, string[]>();
  const upOn = new Map<string, Set<string>>();
  const thisMonth: Record<string, number> = {};
  const times = new Map<string, { key: string; at: number }[]>();
  for (const { id, listings } of views)
    for (const l of listings) {
      if (l.listedAt !== null) {
        const month = `${l.market} ${monthOf(l.listedAt)}`;
        const there = times.get(month) ?? [];
        there.push({ key: placeKey(id, l.market), at: l.listedAt });
        times.set(month, there);
      }
      if (l.listedAt !== null && l.listedAt >= monthBegan)
        thisMonth[l.market] = (thisMonth[l.market] ?? 0) + 1;
      if (l.want !== 'live' || l.state === 'refused') continue;
      const key = twinKey(l.market, l.title, l.price);
      twins.set(key, [...(twins.get(key) ?? []), id]);
      upOn.set(id, (upOn.get(id) ?? new Set()).add(l.market));
    }
  for (const g of going) {
    const key = twinKey(g.market, g.title, g.price);
    twins.set(key, [...(twins.get(key) ?? []), g.item]);
  }
  const placed = new Map<string, Placed>();
  for (const month of times.values())
    for (const [before, { key, at }] of month.sort((a, b) => a.at - b.at).entries())
      placed.set(key, { at, before });
  return { twins, upOn, thisMonth, placed };
}

/** From this share of a month's allowance on its end is near. */
const NEARLY_USED = 0.9;

/** Whether the end of a month's allowance is near or past. */
export function isNearlyUsed(used: number, allowance: number): boolean {
  return used >= allowance * NEARLY_USED;
}
