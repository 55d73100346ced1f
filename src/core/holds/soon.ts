import type { Item } from '@/contract/records';

import { openHold, type Hold } from './holds';

/** How long after its time a meeting is still told of: people come late. Milliseconds. */
const LATE = 15 * 60_000;

export interface MeetingSoon {
  item: Item;
  hold: Hold;
  meet: NonNullable<Hold['meet']>;
}

/**
 * Meetings that are near and not over, the nearest first.
 *
 * @param minutes how long before a meeting it is told of
 */
export function meetingsSoon(items: Iterable<Item>, now: number, minutes: number): MeetingSoon[] {
  const soon: MeetingSoon[] = [];
  for (const item of items) {
    const hold = openHold(item);
    const meet = hold?.meet;
    if (!hold || !meet || meet.receivedAt !== null) continue;
    if (meet.at - now <= minutes * 60_000 && now <= meet.at + LATE) soon.push({ item, hold, meet });
  }
  return soon.sort((a, b) => a.meet.at - b.meet.at);
}
