import type { Minor } from '../money/money';

/** The last day of each age; what is older comes after them. */
const AGE_ENDS = [30, 60, 90, 180] as const;
const DAY = 86_400_000;

/** Something in stock, as far as its age and worth go. Minor units. */
export interface InStock {
  id: string;
  /** Milliseconds since 1970. */
  takenInAt: number;
  cost: Minor | null;
  /** What is asked for it now; null: no price yet. */
  asked: Minor | null;
  /** What it would leave at the best of the places it is up at; null: it is up nowhere. */
  leaves: Minor | null;
  /** How many of it there are. */
  pieces: number;
  /** Its price comes down by itself, or has. */
  comesDown: boolean;
}

export interface AgeGroup {
  /** Days, both included; `to` null: and all above. */
  from: number;
  to: number | null;
  ids: string[];
  pieces: number;
  cost: Minor;
  costUnknown: number;
  asked: Minor;
  notPriced: number;
  leaves: Minor;
  /** Up nowhere, so that nothing is known of what it would leave. */
  notUp: number;
}

/** Whole days since it was taken in. */
const ageOf = (takenInAt: number, now: number) => Math.max(0, Math.floor((now - takenInAt) / DAY));

/** Stock by age, the youngest first; the groups hold each thing once. */
export function stockAges(stock: readonly InStock[], now: number): AgeGroup[] {
  const groups = [...AGE_ENDS, null].map((to, i): AgeGroup => ({
    from: i === 0 ? 0 : (AGE_ENDS[i - 1] ?? 0) + 1,
    to,
    ids: [],
    pieces: 0,
    cost: 0,
    costUnknown: 0,
    asked: 0,
    notPriced: 0,
    leaves: 0,
    notUp: 0,
  }));
  for (const one of stock) {
    const age = ageOf(one.takenInAt, now);
    const group = groups.find((g) => g.to === null || age <= g.to);
    if (!group) continue;
    group.ids.push(one.id);
    group.pieces += one.pieces;
    group.cost += (one.cost ?? 0) * one.pieces;
    group.costUnknown += one.cost === null ? 1 : 0;
    group.asked += (one.asked ?? 0) * one.pieces;
    group.notPriced += one.asked === null ? 1 : 0;
    group.leaves += (one.leaves ?? 0) * one.pieces;
    group.notUp += one.leaves === null ? 1 : 0;
  }
  return groups;
}

/** From this age on, days, something is to be done. Common practice: what was not sold in a season sits. */
export const OLD = 91;

/** What is to be done about old stock. */
export const REMEDIES = ['price', 'list', 'markDown'] as const;
export type Remedy = (typeof REMEDIES)[number];

/** Old stock by what would help it first: a price, a place to be sold at, a lower price. Each thing once. */
export function remedies(stock: readonly InStock[], now: number): Record<Remedy, string[]> {
  const all: Record<Remedy, string[]> = { price: [], list: [], markDown: [] };
  for (const one of stock) {
    if (ageOf(one.takenInAt, now) < OLD) continue;
    if (one.asked === null) all.price.push(one.id);
    else if (one.leaves === null) all.list.push(one.id);
    else if (!one.comesDown) all.markDown.push(one.id);
  }
  return all;
}
