import type { Wording } from '@/contract/coded';
import type { CommandAnswer, Reason } from '@/contract/courier';
import type {
  CallTroubleParams,
  CommandRefusal,
  LetInTrouble,
  OwnReason,
  Trouble,
  WriteTrouble,
} from '@/contract/troubles';

import { worded } from './worded';

const REFUSALS: Readonly<Record<CommandRefusal, string>> = {
  notConnected: 'That marketplace is not connected.',
  notListed: 'It is not listed there.',
  beingWithdrawn: 'It is being withdrawn already.',
  soldAlready: 'It is sold already.',
  soldSoNotSent: 'It is sold already, so it was not sent.',
  nothingToShow: 'All that is left of it is held back: there would be nothing to show.',
  promisedSoNotSent: 'It is promised to somebody, so it was not sent.',
  withdrawFirst: 'It is being withdrawn there; send it again once it is gone.',
  onItsWay: 'It is on its way there already.',
  changeOnItsWay: 'The last change is still on its way there; send again in a moment.',
  courierDoesThat: 'The courier does that there by itself.',
  nothingWaits: 'Nothing waits to be put up there.',
  notPlanned: 'It no longer waits for its time: it is on its way, or up.',
  noSecondSale: 'There is no such second sale.',
  noSuchSale: 'There is no such sale.',
  stillComingDown: 'It is still being taken down elsewhere; say so again once it is gone.',
  neverListed: 'The courier knows of no such item: it was never listed.',
  promisedAlready: 'It is promised already.',
  notPromised: 'It is not promised.',
  nobodyToAsk: 'Nobody can ask that marketplace what it shows.',
  itemSoldAlready: 'That item is sold already.',
  listedAlready: 'That item has a listing there already.',
  belongsAlready: 'That listing belongs to an item already.',
};

/** Why the courier did not take a command. */
export function refusalWords({ refusal, why }: Pick<CommandAnswer, 'refusal' | 'why'>): string {
  return refusal ? REFUSALS[refusal] : (why ?? 'The courier did not take it.');
}

const TROUBLES: Wording<CallTroubleParams> = {
  noAnswer: () => 'No answer in time.',
  brokeOff: () => 'The connection broke off.',
  unreadable: () => 'The answer could not be read.',
  notAsAgreed: () => 'The answer was not what was agreed.',
  slowDown: () => 'It asked us to slow down.',
  keyRefused: () => 'It no longer lets us in: it needs a new code.',
  closed: () => 'It is closed just now.',
  status: ({ status }) => `It answered with an error (${status}).`,
  notConnected: () => 'That marketplace is not connected.',
  endlessList: () => 'Its list of listings has no end.',
  pictureGone: () => 'The picture is not there any more.',
  pictureTooLarge: ({ most }) => `The picture is over ${most / 1_000_000} MB.`,
  pictureNotFetched: () => 'The picture could not be fetched.',
  stillWorkedThrough: () => 'Its list is still being worked through.',
  soldToNobody: () => 'The shop says that it is sold, but not to whom.',
  byHand: () => 'Nobody can call there: a person does it by hand.',
  ourFault: () => 'Something went wrong here, not there: it is in the server’s log.',
  answerNotRead: () => 'Its answer could not be read: it is in the server’s log.',
};

/** Why something at a marketplace is not done yet: its own words, or those for our code. */
export const troubleWords = (trouble: Trouble): string =>
  typeof trouble === 'string' ? trouble : worded(TROUBLES, trouble);

const OWN_REASONS: Readonly<Record<OwnReason, string>> = {
  broughtInOnly: 'It was brought in and never sent from here: look at it, and send it to put it up again.',
  notShownThere: 'It was found to be no longer shown there.',
  noLongerThere: 'It is not there any more.',
  ranOutUnsold: 'Its place there ran out unsold.',
  noReasonGiven: 'Turned down without a reason.',
  pictureLost: 'A picture of it got lost on the server: send it again.',
};

/** Why a listing is not up: the marketplace's own words, or those for our code. */
export const reasonWords = ({ code, message }: Reason): string => (code ? OWN_REASONS[code] : message);

/** Several reasons in one go. */
export const reasonsWords = (reasons: readonly Reason[]): string => reasons.map(reasonWords).join(' ');

const WRITING: Readonly<Record<WriteTrouble, string>> = {
  full: 'the disk is full',
  unwritable: 'the disk does not take what is written',
  readOnly: 'the ledger is read-only',
  locked: 'another program has locked the ledger',
  damaged: 'the ledger is damaged',
  cannotOpen: 'the ledger can’t be opened',
};

/** Why the ledger can't be written, as part of a sentence. */
export const writeTrouble = (trouble: WriteTrouble): string => WRITING[trouble];

/** Said of what was asked while the ledger can't be written. */
export function notWritten(trouble: WriteTrouble | null): string {
  const why = trouble ? writeTrouble(trouble) : 'of the ledger';
  return `The courier cannot write: ${why}. Nothing was sent or changed; try again once that is put right.`;
}

const LET_IN: Readonly<Record<LetInTrouble, string>> = {
  notNeeded: 'Nobody needs to be let in there.',
  noAnswer: 'It does not answer just now. Nothing was changed; try again later.',
  codeRefused: 'That code is wrong or too old. Fetch another one there; nothing was changed.',
  notAsAgreed: 'It did not answer as agreed. Nothing was changed.',
};

export const letInTrouble = (trouble: LetInTrouble): string => LET_IN[trouble];
