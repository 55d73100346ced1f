import type { Owner, Item } from '@/contract/records';

import { openHold } from '../holds/holds';

const DAY = 86_400_000;

/** How long before a consignment's end a person is told, days. */
const WARN_DAYS = 7;

export type Ending =
  /** A consignor's item: days until its time is over, below zero when it is. */
  | { sort: 'consignment'; item: Item; owner: Owner; daysLeft: number }
  /** Our own, up and unsold longer than patience. */
  | { sort: 'patience'; item: Item; days: number };

/** When a consignor's item was tried as long as was agreed. */
export function consignmentEnd(
  item: Pick<Item, 'createdAt' | 'moreDays'>,
  owner: Pick<Owner, 'days'>,
): number {
  return item.createdAt + (owner.days + item.moreDays) * DAY;
}

/**
 * Items whose time is (nearly) over, the most urgent first. What is sold, gone or held has time.
 *
 * @param isUp whether it is up anywhere: what nobody can buy is not tried
 * @param patience days in stock; an item that was looked at anew (`Item.patientFrom`) begins again
 */
export function endings(
  items: readonly Item[],
  owners: Readonly<Record<string, Owner>>,
  isUp: (id: string) => boolean,
  busy: (id: string) => boolean,
  now: number,
  patience: number,
): Ending[] {
  const found: (Ending & { urgency: number })[] = [];
  for (const item of items) {
    if (item.left || busy(item.id) || openHold(item)) continue;
    const owner = item.ownerId ? owners[item.ownerId] : undefined;
    if (owner) {
      const daysLeft = Math.ceil((consignmentEnd(item, owner) - now) / DAY);
      if (daysLeft <= WARN_DAYS)
        found.push({ sort: 'consignment', item, owner, daysLeft, urgency: daysLeft });
      continue;
    }
    if (!isUp(item.id)) continue;
    const days = Math.floor((now - (item.patientFrom ?? item.createdAt)) / DAY);
    if (days >= patience) found.push({ sort: 'patience', item, days, urgency: 1_000 + patience - days });
  }
  return found.sort((a, b) => a.urgency - b.urgency).map(({ urgency: _, ...e }) => e);
}
