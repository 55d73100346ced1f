import type { CompetingOffer } from '@/contract/comps';
import type { Followed } from '@/contract/following';
import type { Item } from '@/contract/records';
import type { RuleSheet } from '@/contract/ruleSheet';
import type { Examined } from '@/core/listing/examine';
import { followedThere } from '@/core/listing/followed';
import { followDue } from '@/core/price/following';
import { change, useAttic } from '@/store/attic/attic';
import { unlessExpected } from '@/store/base/faults';
import { repeating } from '@/store/base/repeating';
import { useCourier } from '@/store/courier/courierLink';
import { sendPriceAlone } from '@/store/courier/priceAlone';
import { examine } from '@/store/courier/sending';
import { planWith } from '@/store/items/items';
import { kindsNow } from '@/store/items/kinds';

import { askCompeting } from './competing';

/** How often it is seen whose turn it is to look, milliseconds; each looks as often as its rule says. */
const EVERY = 5 * 60_000;
/** Records asked about in one round: the rest have their turn in the next. */
const MOST_ASKED = 60;

/** Listings whose price follows others' copies and is to be looked at now, those longest ago first. */
function dueNow(now: number): { item: Item; sheet: RuleSheet; examined: Examined }[] {
  const { items, plans } = useAttic.getState();
  const { sheets, items: views } = useCourier.getState();
  const due = Object.values(plans).flatMap((plan) => {
    const item = items[plan.itemId];
    const sheet = sheets.find((s) => s.marketplace === plan.market);
    if (!plan.wanted || !item || !sheet?.records || views[item.id]?.sale) return [];
    const examined = examine(item, sheet);
    const rule = examined.laid.plan?.follow;
    return rule && followDue(rule, plan.followed, now) ? [{ item, sheet, examined }] : [];
  });
  const last = ({ examined }: { examined: Examined }) => examined.plan?.followed?.checkedAt ?? 0;
  return due.sort((a, b) => last(a) - last(b)).slice(0, MOST_ASKED);
}

/** What a look at others' copies gives is kept with the listing; nothing a person did, so nothing to undo. */
function keepFollowed(item: Item, sheet: RuleSheet, followed: Followed): void {
  const label = `price following copies on ${sheet.name}`;
  change(label, [planWith(item.id, sheet.marketplace, { followed })], { ownUndo: true });
}

/**
 * Has the price of a listing follow others' copies once, if its rule is (still) on, and sends it where it is
 * shown with nothing else changed.
 */
export async function followNow(
  item: Item,
  sheet: RuleSheet,
  copies: readonly CompetingOffer[],
): Promise<void> {
  const examined = examine(item, sheet);
  const rule = examined.laid.plan?.follow;
  if (!rule) return;
  const { settings } = useAttic.getState();
  const around = { kinds: kindsNow(), settings, now: Date.now() };
  keepFollowed(item, sheet, followedThere(item, examined, rule, copies, around));
  await sendPriceAlone(item, sheet, (price, shown) => price !== shown);
}

/** @returns how many listings were looked at */
async function followWhatIsDue(): Promise<number> {
  if (!useCourier.getState().connected) return 0;
  const away = new Set<string>();
  let looked = 0;
  for (const { item, sheet, examined } of dueNow(Date.now())) {
    if (away.has(sheet.marketplace)) continue;
    try {
      const copies = await askCompeting(sheet.marketplace, examined.effective.specifics.barcode ?? '');
      // It has no such record (any more): the check says so.
      if (!copies) continue;
      await followNow(item, sheet, copies);
      looked += 1;
    } catch (error) {
      // It can't be asked just now: all of it is tried again at the next round.
      away.add(sheet.marketplace);
      unlessExpected('following others’ prices')(error);
    }
  }
  return looked;
}

/** From now on prices follow others' copies by their rules while a page is open. @returns stops */
export function beginFollowing(): () => void {
  return repeating('following others’ prices', followWhatIsDue, { first: 15_000, every: EVERY });
}
