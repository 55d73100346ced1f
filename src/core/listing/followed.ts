import type { CompetingOffer } from '@/contract/comps';
import type { Followed, FollowRule } from '@/contract/following';
import type { Item, Settings } from '@/contract/records';

import { floorHere } from './effective';
import type { Examined } from './examine';
import { gradeOfItem } from '../condition/grade';
import type { KindTree } from '../kinds/tree';
import { followBounds, followOnce, type Ours } from '../price/following';

/** What of a listing bears on following others' copies of its record. */
function oursThere(
  item: Item,
  { sheet, plan, effective }: Examined,
  rule: FollowRule,
  kinds: KindTree,
  settings: Settings,
): Ours {
  const guards = [settings.guards, sheet.price];
  const bounds = followBounds(rule, floorHere(item, kinds, settings), guards);
  return {
    shared: plan?.price ?? item.price ?? bounds.floor,
    postage: effective.postage ?? 0,
    wear: gradeOfItem(item)?.wear ?? null,
    bounds,
  };
}

/** One look at others' copies for a listing, by a rule: {@link followOnce}. */
export function followedThere(
  item: Item,
  examined: Examined,
  rule: FollowRule,
  copies: readonly CompetingOffer[],
  { kinds, settings, now }: { kinds: KindTree; settings: Settings; now: number },
): Followed {
  const ours = oursThere(item, examined, rule, kinds, settings);
  // What an earlier rule led to is no move of ours.
  const before = examined.laid.plan?.follow ? (examined.plan?.followed ?? null) : null;
  return followOnce(copies, rule, ours, before, now);
}
