import type { Haul, Thing } from '@/contract/records';

import { splitCost } from '../money/split';

/** How far a haul has been worked. */
export interface HaulCount {
  bought: number;
  worked: number;
  /** Bought, with no record of its own yet. */
  waiting: number;
  lines: { id: string; what: string; bought: number; worked: number; waiting: number }[];
}

/** A haul's own things, in the order they came in. */
export function haulThings(haul: Haul, things: readonly Thing[]): Thing[] {
  return things.filter((t) => t.haulId === haul.id).sort((a, b) => (a.id < b.id ? -1 : 1));
}

/** Things of a haul that belong to no line count as bought too: somebody forgot to write them down. */
export function haulCount(haul: Haul, things: readonly Thing[]): HaulCount {
  const own = things.filter((t) => t.haulId === haul.id);
  const lines = haul.lines.map(({ id, what, count }) => {
    const worked = own.filter((t) => t.lineId === id).length;
    return { id, what, bought: Math.max(count, worked), worked, waiting: Math.max(0, count - worked) };
  });
  const waiting = lines.reduce((sum, l) => sum + l.waiting, 0);
  return { bought: own.length + waiting, worked: own.length, waiting, lines };
}

export interface HaulSplit {
  /** Minor units by thing. */
  costs: Map<string, number>;
  /** What the pieces still waiting stand for. */
  waiting: number;
}

/**
 * Spreads what a haul cost over its things, and over the pieces still waiting, so that the parts add up to it
 * exactly. By weight or price, a thing or waiting piece whose own is not known counts as the mean of those known.
 *
 * @param things the haul's own or more; of equal remainders the earlier thing gets the left-over unit
 * @param weightOf packed weight in grams
 * @returns null while nobody has said what the haul cost
 */
export function haulSplit(
  haul: Haul,
  things: readonly Thing[],
  weightOf: (thing: Thing) => number,
): HaulSplit | null {
  if (haul.cost === null) return null;
  const own = haulThings(haul, things);
  const { waiting } = haulCount(haul, own);
  const known = own.map((t) =>
    haul.splitBy === 'evenly' ? 1 : haul.splitBy === 'weight' ? weightOf(t) : t.price,
  );
  const said = known.filter((w): w is number => w !== null);
  const mean = said.length > 0 ? said.reduce((a, b) => a + b, 0) / said.length : 1;
  const weights = [...known.map((w) => w ?? mean), ...Array.from({ length: waiting }, () => mean)];
  const parts = splitCost(haul.cost, weights);
  return {
    costs: new Map(own.map((t, i) => [t.id, parts[i] ?? 0])),
    waiting: parts.slice(own.length).reduce((a, b) => a + b, 0),
  };
}
