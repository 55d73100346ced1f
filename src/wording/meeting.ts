import type { Wording } from '@/contract/coded';
import type { MeetingHint, MeetingHintParams } from '@/core/holds/hints';
import type { Hold } from '@/core/holds/holds';
import { plural } from '@/core/language/plural';
import { formatMoney } from '@/core/money/money';
import type { BuyerPast } from '@/core/talks/buyerPast';

import { worded } from './worded';

type Meeting = Pick<NonNullable<Hold['meet']>, 'place' | 'at' | 'pay' | 'amount'>;

const HINTS: Wording<MeetingHintParams> = {
  transferFirst: () => 'Hand it over once the money is on your account; a picture of a transfer is none.',
  countThere: () => 'Count the money together before it is handed over.',
  publicPlace: () => 'At a door, have somebody with you, and only that item at hand.',
  afterDark: () => 'It may be dark: somewhere with light and people about.',
  tryThere: () => 'Let them try that it works before they pay: somewhere with a socket, or charged.',
  bringHelp: ({ weightG }) =>
    `It weighs ${Math.round(weightG / 1_000)} kg: tell them to bring a car and a second pair of hands.`,
  missedBefore: ({ times }) =>
    `They did not come ${plural(times, 'once', `${times} times`)}: ask them to confirm on the day.`,
};
export const meetingHintWords = (hint: MeetingHint): string => worded(HINTS, hint);

/** "Tuesday 5 December at 15:30" */
function dayAndTime(at: number): string {
  const day = new Date(at).toLocaleDateString('en-GB', { weekday: 'long', day: 'numeric', month: 'long' });
  return `${day} at ${timeOf(at)}`;
}
const timeOf = (at: number) =>
  new Date(at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
const money = ({ pay, amount }: Meeting, currency: string) =>
  `${formatMoney(amount, currency)} ${pay === 'cash' ? 'in cash' : 'by transfer before we meet'}`;

/** What a buyer is told once it is promised. */
export function meetingMessage(who: string, meet: Meeting, currency: string): string {
  return (
    `Hello ${who}, it is promised to you. Let us meet on ${dayAndTime(meet.at)}: ${meet.place}. ` +
    `It comes to ${money(meet, currency)}. Please write if that does not suit you.`
  );
}

/** What a buyer is told before the meeting. @param today whether it is on this very day */
export function reminderMessage(who: string, meet: Meeting, currency: string, today: boolean): string {
  return (
    `Hello ${who}, see you ${today ? `today at ${timeOf(meet.at)}` : `on ${dayAndTime(meet.at)}`}: ` +
    `${meet.place}. ${formatMoney(meet.amount, currency)} ` +
    `${meet.pay === 'cash' ? 'in cash, please' : 'by transfer, please'}.`
  );
}

/** "Here before: bought twice, never haggled; last 3 Nov 2026."; null: they come first. */
export function buyerPastWords({ bought, haggled, missed, lastAt }: BuyerPast): string | null {
  if (lastAt === null) return null;
  const times = (n: number) => (n === 2 ? 'twice' : plural(n, 'once', `${n} times`));
  const parts = [
    bought > 0 ? `bought ${times(bought)}` : 'bought nothing yet',
    haggled > 0 ? `haggled ${times(haggled)}` : 'never haggled',
    ...(missed > 0 ? [`did not come ${times(missed)}`] : []),
  ];
  const words = parts.join(', ');
  const last = new Date(lastAt).toLocaleDateString('en-GB', { dateStyle: 'medium' });
  return `Here before: ${words}; last ${last}.`;
}

/** "Meeting Ines at 15:30, Harbour steps: YA-0012 gansey, from A3-12. €85.00 in cash." */
export function meetingSoonWords(
  about: { who: string; meet: Meeting; name: string; spot: string },
  currency: string,
): string {
  const { who, meet, name, spot } = about;
  return (
    `Meeting ${who || 'somebody'} at ${timeOf(meet.at)}, ${meet.place}: ${name}` +
    `${spot === '' ? '' : `, from ${spot}`}. ${formatMoney(meet.amount, currency)} ` +
    `${meet.pay === 'cash' ? 'in cash' : 'by transfer'}.`
  );
}
