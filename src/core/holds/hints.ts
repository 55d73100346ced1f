import { NONE, type Coded, type None } from '@/contract/coded';
import type { Item } from '@/contract/records';

import type { Hold } from './holds';

type Meeting = NonNullable<Hold['meet']>;

/** What fits the case when something is handed over in person. */
export interface MeetingHintParams {
  /** A transfer is there when the account says so, not when a screen is shown. */
  transferFirst: None;
  countThere: None;
  publicPlace: None;
  afterDark: None;
  tryThere: None;
  bringHelp: { weightG: number };
  /** They did not come before; how often. */
  missedBefore: { times: number };
}
export type MeetingHint = Coded<MeetingHintParams>;

/** From this amount on cash is counted together, minor units. */
const COUNTED = 5_000;
/** What one person does not carry far, grams. */
const HEAVY = 15_000;
/** Hours of the day by the clock of the place in which it may be dark. */
const DARK = { until: 7, from: 18 } as const;

/**
 * Hints for a meeting, the most important first. Common practice of sales between strangers.
 *
 * @param about.hour by the clock of the place
 * @param about.missed how often this buyer did not come
 */
export function meetingHints(about: {
  item: Pick<Item, 'weightG' | 'facts'>;
  meet: Pick<Meeting, 'place' | 'pay' | 'amount'>;
  hour: number;
  missed: number;
}): MeetingHint[] {
  const { item, meet, hour, missed } = about;
  const hints: MeetingHint[] = [];
  if (missed > 0) hints.push({ code: 'missedBefore', params: { times: missed } });
  if (meet.pay === 'transfer') hints.push({ code: 'transferFirst', params: NONE });
  else if (meet.amount >= COUNTED) hints.push({ code: 'countThere', params: NONE });
  if (/\b(?:door|home|house|flat|my place)\b/iu.test(meet.place))
    hints.push({ code: 'publicPlace', params: NONE });
  if (hour < DARK.until || hour >= DARK.from) hints.push({ code: 'afterDark', params: NONE });
  if ((item.facts.works ?? '') !== '') hints.push({ code: 'tryThere', params: NONE });
  if ((item.weightG ?? 0) >= HEAVY) hints.push({ code: 'bringHelp', params: { weightG: item.weightG ?? 0 } });
  return hints;
}
