import type { CourierListingView } from '@/contract/courier';
import type { Plan } from '@/contract/records';

import type { CellCheck } from './examine';

/** What can be done in one cell of items and marketplaces. */
export type CellDeed = 'send' | 'resend' | 'again' | 'withdraw' | 'fix' | 'nothing';

/**
 * What a cell is ready for.
 *
 * @param sold the item is sold, anywhere
 */
export function deedOf(
  check: CellCheck | undefined,
  plan: Pick<Plan, 'wanted'> | undefined,
  listing: CourierListingView | undefined,
  sold: boolean,
): CellDeed {
  if (sold) return 'nothing';
  const up = listing && (listing.want === 'live' || listing.doing !== null);
  const over = listing && !up && ['ended', 'refused', 'sold'].includes(listing.state);
  if (up) {
    if (listing.state === 'live' && listing.doing === null && check?.changed) return 'resend';
    return 'nothing';
  }
  if (!plan?.wanted) return 'nothing';
  if (!check) return 'nothing';
  if (check.blockers.length > 0) return 'fix';
  return over ? 'again' : 'send';
}

export interface CellTotals {
  ready: number;
  /** Planned, with something against them. */
  toFix: number;
  live: number;
  /**
   * Of those ready: the most that fees may come to, and what is left, as if each item sold once; minor
   * units.
   */
  fees: number;
  takeHomeLeast: number;
  takeHomeMost: number;
}

export const NO_TOTALS: CellTotals = {
  ready: 0,
  toFix: 0,
  live: 0,
  fees: 0,
  takeHomeLeast: 0,
  takeHomeMost: 0,
};

/** Totals of other items, put together: no item may be in both. */
export function addTotals(a: CellTotals, b: CellTotals): CellTotals {
  return {
    ready: a.ready + b.ready,
    toFix: a.toFix + b.toFix,
    live: a.live + b.live,
    fees: a.fees + b.fees,
    takeHomeLeast: a.takeHomeLeast + b.takeHomeLeast,
    takeHomeMost: a.takeHomeMost + b.takeHomeMost,
  };
}

export interface Cell {
  item: string;
  check: CellCheck | undefined;
  deed: CellDeed;
  live: boolean;
}

/**
 * Totals over many cells. An item sells once, so its take-home counts once: the least and the most over the
 * marketplaces it is ready for.
 */
export function totalsOf(cells: readonly Cell[]): CellTotals {
  const totals: CellTotals = { ...NO_TOTALS };
  const perItem = new Map<string, { least: number; most: number; fees: number }>();
  for (const { item, check, deed, live } of cells) {
    if (live) totals.live += 1;
    if (deed === 'fix') totals.toFix += 1;
    if (deed !== 'send' && deed !== 'again' && deed !== 'resend') continue;
    totals.ready += 1;
    if (check?.takeHome == null) continue;
    const known = perItem.get(item);
    perItem.set(item, {
      least: Math.min(known?.least ?? Infinity, check.takeHome),
      most: Math.max(known?.most ?? -Infinity, check.takeHome),
      fees: Math.max(known?.fees ?? 0, check.fees ?? 0),
    });
  }
  for (const { least, most, fees } of perItem.values()) {
    totals.takeHomeLeast += least;
    totals.takeHomeMost += most;
    totals.fees += fees;
  }
  return totals;
}
