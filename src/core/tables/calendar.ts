import type { Item, Owner, Plan } from '@/contract/records';

import { consignmentEnd } from '../consign/endings';

/** Something that is to happen, for a calendar. */
export type ToCome = {
  /** Its own for ever: told again, a calendar takes it for the same. */
  uid: string;
  item: Item;
  at: number;
} & (
  | { sort: 'goesUp'; market: string }
  | { sort: 'meeting'; market: string | null; who: string; place: string }
  | { sort: 'ending'; owner: Owner }
);

/**
 * What is planned: listings that go up by themselves, meetings with buyers, ends of consignments; the
 * earliest first.
 *
 * @param isOver what is sold or gone has no consignment any more
 * @param now of what goes up only what is still to come is told
 */
export function toCome(
  items: Readonly<Record<string, Item>>,
  plans: readonly Plan[],
  owners: Readonly<Record<string, Owner>>,
  isOver: (item: Item) => boolean,
  now: number,
): ToCome[] {
  const found: ToCome[] = [];
  for (const { id, itemId, market, wanted, startAt } of plans) {
    const item = items[itemId];
    if (item && wanted && startAt !== null && startAt > now)
      found.push({ uid: `plan-${id}`, item, at: startAt, sort: 'goesUp', market });
  }
  for (const item of Object.values(items)) {
    for (const { meet, to, who, market, from } of item.holds) {
      if (!meet || to !== null || meet.handedAt !== null || meet.missedAt !== null) continue;
      const { place, at } = meet;
      found.push({ uid: `meeting-${item.id}-${from}`, item, at, sort: 'meeting', market, who, place });
    }
    const owner = item.ownerId ? owners[item.ownerId] : undefined;
    if (owner && !item.left && !isOver(item))
      found.push({ uid: `end-${item.id}`, item, at: consignmentEnd(item, owner), sort: 'ending', owner });
  }
  return found.sort((a, b) => a.at - b.at);
}
