import type { AuctionStanding } from '@/contract/auctions';
import type { RuleSheet } from '@/contract/ruleSheet';

import type { Ending } from '../consign/endings';
import { isNearlyUsed } from '../listing/otherListings';

const DAY = 86_400_000;

/** An auction so near its end is about to end, milliseconds. */
export const ENDS_SOON = DAY;

/** What is nearly over: it stands against nothing yet. */
export type Soon =
  /** New listings of the month: `used` of `allowance`. */
  | { sort: 'allowance'; market: string; used: number; allowance: number }
  | { sort: 'auction'; market: string; item: string; auction: AuctionStanding }
  /** The time agreed with a consignor: days left, below zero when it is over. */
  | { sort: 'consignment'; item: string; daysLeft: number; owner: string };

/**
 * All that is nearly over: allowances first, then what ends first.
 *
 * @param thisMonth listings put up this month, by marketplace
 * @param itemOf whose listing a marketplace knows by this; undefined: nobody's here
 */
export function soonOver(about: {
  sheets: readonly Pick<RuleSheet, 'marketplace' | 'monthlyAllowance'>[];
  thisMonth: Readonly<Record<string, number>>;
  auctions: readonly AuctionStanding[];
  endings: readonly Ending[];
  itemOf: (market: string, remoteId: string) => string | undefined;
  now: number;
}): Soon[] {
  const { now } = about;
  const allowances = about.sheets.flatMap(({ marketplace: market, monthlyAllowance: allowance }): Soon[] => {
    const used = about.thisMonth[market] ?? 0;
    return allowance !== undefined && isNearlyUsed(used, allowance)
      ? [{ sort: 'allowance', market, used, allowance }]
      : [];
  });
  const timed: { at: number; soon: Soon }[] = [];
  for (const auction of about.auctions) {
    const item = about.itemOf(auction.market, auction.remoteId);
    if (item !== undefined && auction.endsAt > now && auction.endsAt <= now + ENDS_SOON)
      timed.push({
        at: auction.endsAt,
        soon: { sort: 'auction', market: auction.market, item, auction },
      });
  }
  for (const ending of about.endings)
    if (ending.sort === 'consignment')
      timed.push({
        at: now + ending.daysLeft * DAY,
        soon: {
          ...{ sort: 'consignment', item: ending.item.id },
          ...{ daysLeft: ending.daysLeft, owner: ending.owner.name },
        },
      });
  return [...allowances, ...timed.sort((a, b) => a.at - b.at).map(({ soon }) => soon)];
}
