import type { Owner, Thing } from '@/contract/records';
import { openHold } from '../holds/holds';

const DAY = 86_400_000;

/** How long before a consignment's end a person is told, days. */
export const WARN_DAYS = 7;

export type Ending =
  /** A consignor's thing: days until its time is over, below zero when it is. */
  | { sort: 'consignment'; thing: Thing; owner: Owner; daysLeft: number }
  /** Our own, up and unsold longer than patience. */
  | { sort: 'patience'; thing: Thing; days: number };

/**
 * Things whose time is (nearly) over, the most urgent first. What is sold, gone or held has time.
 *
 * @param isUp whether it is up anywhere: what nobody can buy is not tried
 * @param patience days in stock; a thing that was looked at anew (`Thing.patientFrom`) begins again
 */
export function endings(
  things: readonly Thing[],
  owners: Readonly<Record<string, Owner>>,
  isUp: (id: string) => boolean,
  busy: (id: string) => boolean,
  now: number,
  patience: number,
): Ending[] {
  const found: (Ending & { urgency: number })[] = [];
  for (const thing of things) {
    if (thing.left || busy(thing.id) || openHold(thing)) continue;
    const owner = thing.ownerId ? owners[thing.ownerId] : undefined;
    if (owner) {
      const daysLeft = Math.ceil((thing.createdAt + (owner.days + thing.moreDays) * DAY - now) / DAY);
      if (daysLeft <= WARN_DAYS)
        found.push({ sort: 'consignment', thing, owner, daysLeft, urgency: daysLeft });
      continue;
    }
    if (!isUp(thing.id)) continue;
    const days = Math.floor((now - (thing.patientFrom ?? thing.createdAt)) / DAY);
    if (days >= patience) found.push({ sort: 'patience', thing, days, urgency: 1_000 + patience - days });
  }
  return found.sort((a, b) => a.urgency - b.urgency).map(({ urgency: _, ...e }) => e);
}
