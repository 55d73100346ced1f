import { isToday } from 'date-fns';

import type { Item } from '@/contract/records';
import { isTheirs, openHold } from '@/core/holds/holds';
import type { TalkOf } from '@/core/talks/talks';
import { useAttic } from '@/store/attic/attic';
import { meetingMessage, reminderMessage } from '@/wording/meeting';

import { markMeeting } from './holds';
import { reply, useTalks } from './talks';

/** The conversation with whom an item is promised to; undefined: nothing was written there. */
export function useHoldTalk(item: Item): TalkOf | undefined {
  const hold = openHold(item);
  return useTalks((s) => s.talks.find((t) => t.item === item.id && hold !== undefined && isTheirs(hold, t)));
}

/** What the buyer would be told of the meeting as it stands; null: nothing is arranged. */
function wordsOfMeeting(item: Item, what: 'tell' | 'remind'): string | null {
  const hold = openHold(item);
  if (!hold?.meet) return null;
  const { currency } = useAttic.getState().settings;
  return what === 'tell'
    ? meetingMessage(hold.who, hold.meet, currency)
    : reminderMessage(hold.who, hold.meet, currency, isToday(hold.meet.at));
}

/**
 * Tells the buyer where and when they meet, or reminds them of it.
 *
 * @throws CourierTrouble where it can't be told; then nothing is marked as told
 */
export async function writeOfMeeting(id: string, talk: TalkOf, what: 'tell' | 'remind'): Promise<void> {
  const item = useAttic.getState().items[id];
  const words = item && wordsOfMeeting(item, what);
  if (!words) return;
  // It is their own promise: that others can't have it is no reason to keep it from them.
  await reply(talk, words, true);
  const at = what === 'tell' ? { toldAt: Date.now() } : { remindedAt: Date.now() };
  markMeeting(id, what === 'tell' ? 'told of the meeting' : 'reminded', at);
}
