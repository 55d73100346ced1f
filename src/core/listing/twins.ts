import type { Cell } from './cells';
import { twinKey } from './otherListings';

export type MarketCell = Cell & { market: string };

/** Deeds that put something up, or change what is up. */
const SENDS: readonly Cell['deed'][] = ['send', 'again', 'resend'];

/**
 * What can't go together: where a marketplace takes no two of the same title at the same price, the first one
 * goes, and the others have to differ.
 *
 * @param cells in the order they would be sent
 * @returns the cell that has to differ -> the item that goes before it
 */
export function twinsAmong(cells: readonly MarketCell[]): Map<MarketCell, string> {
  const first = new Map<string, string>();
  const twins = new Map<MarketCell, string>();
  for (const cell of cells) {
    const { check, market, item } = cell;
    if (!SENDS.includes(cell.deed) || !check?.refusesTwins || check.price === null) continue;
    const key = twinKey(market, check.title, check.price);
    const before = first.get(key);
    if (before === undefined) first.set(key, item);
    else if (before !== item) twins.set(cell, before);
  }
  return twins;
}

/** The cells as they can go: what has a twin before it has to be put right first. */
export function withoutTwins(
  cells: readonly MarketCell[],
  twins: ReadonlyMap<MarketCell, string>,
): MarketCell[] {
  return twins.size === 0
    ? [...cells]
    : cells.map((c) => (twins.has(c) ? { ...c, deed: 'fix' as const } : c));
}
