import type { Item, Owner } from '@/contract/records';
import type { RuleSheet } from '@/contract/ruleSheet';

import type { KindTree } from '../kinds/tree';
import { effectiveListing, listingTakeHome } from '../listing/effective';
import type { Setup } from '../listing/setup';
import type { Minor } from '../money/money';
import { profitOf } from '../price/profit';

/** What a sale at an item's price comes to, on the marketplace where it leaves most. */
export interface Brings {
  market: string;
  fees: Minor;
  takeHome: Minor;
  /** What stays after the cost, and the owner's share; null while the cost is not known. */
  profit: Minor | null;
}

/**
 * Where an item would leave most at its own price: among the marketplaces it may go to, those that take
 * nothing of the sort left out.
 *
 * @returns null where it has no price or none of them takes it
 */
export function mostLeft(
  item: Item,
  sheets: readonly RuleSheet[],
  kinds: KindTree,
  setup: Setup,
  owner: Owner | null,
): Brings | null {
  let best: Brings | null = null;
  for (const sheet of sheets) {
    const effective = effectiveListing(item, undefined, sheet, kinds, setup);
    if (sheet.categories.length > 0 && !effective.category) continue;
    const left = listingTakeHome(effective, sheet);
    if (!left || item.price === null || (best && left.takeHome <= best.takeHome)) continue;
    const { profit } = profitOf(item.price, left.takeHome, item.cost, owner);
    best = { market: sheet.name, fees: left.feeTotal, takeHome: left.takeHome, profit };
  }
  return best;
}
