import type { Minor } from '../money/money';

/** Somebody else's copy of the same catalogue record. */
export interface CompetingCopy {
  seller: string;
  /** Price and postage together: what a buyer compares. */
  total: Minor;
  /** Better is lower, as our grade's wear: 0 is new. */
  wear: number;
}

export interface PriceRule {
  /** Equal to the cheapest, this much under it, or this much above it. */
  way: 'match' | 'undercut' | 'above';
  by: Minor;
  /** Sellers not to be compared with, by name. */
  leaveOut: readonly string[];
  /** Compare with copies of this wear or better only; null: with all. */
  notWorseThan: number | null;
  /** Neither under nor over these; the floor is one of them. */
  min: Minor;
  max: Minor;
}

export interface RuledPrice {
  price: Minor;
  /** Where it stands by total among those compared with, 1 is the cheapest. */
  position: number;
  of: number;
  lowestNew: Minor | null;
  lowestUsed: Minor | null;
  /** What the cheapest of those compared with costs, with postage; null: there are none. */
  cheapest: Minor | null;
  /** The guard that holds the price; null: the rule's own. */
  heldBy: 'min' | 'max' | null;
}

/**
 * A price by the person's rule, within the guards.
 *
 * @param own the price to keep where there is nothing to compare with
 * @param postage what buyers pay on top of ours
 */
export function ruledPrice(
  own: Minor,
  postage: Minor,
  copies: readonly CompetingCopy[],
  rule: PriceRule,
): RuledPrice {
  const out = new Set(rule.leaveOut.map((name) => name.trim().toLocaleLowerCase('en')));
  const others = copies.filter((c) => !out.has(c.seller.trim().toLocaleLowerCase('en')));
  const lowest = (some: readonly CompetingCopy[]) =>
    some.length === 0 ? null : Math.min(...some.map((c) => c.total));
  const compared = others.filter((c) => rule.notWorseThan === null || c.wear <= rule.notWorseThan);
  const cheapest = lowest(compared);
  const add = rule.way === 'match' ? 0 : rule.way === 'undercut' ? -rule.by : rule.by;
  const wish = cheapest === null ? own : cheapest - postage + add;
  const price = Math.max(rule.min, Math.min(rule.max, wish));
  return {
    price,
    position: 1 + compared.filter((c) => c.total < price + postage).length,
    of: compared.length + 1,
    lowestNew: lowest(others.filter((c) => c.wear === 0)),
    lowestUsed: lowest(others.filter((c) => c.wear > 0)),
    cheapest,
    heldBy: price > wish ? 'min' : price < wish ? 'max' : null,
  };
}
