import { z } from 'zod';

import type { Coded, None } from './coded';

/** Why a command was not carried out. */
export const CommandRefusal = z.enum([
  'notConnected',
  'notListed',
  'beingWithdrawn',
  'soldAlready',
  'soldSoNotSent',
  'nothingToShow',
  'promisedSoNotSent',
  'withdrawFirst',
  'onItsWay',
  'changeOnItsWay',
  'courierDoesThat',
  'nothingWaits',
  'notPlanned',
  'noSecondSale',
  'noSuchSale',
  'stillComingDown',
  'neverListed',
  'promisedAlready',
  'notPromised',
  'nobodyToAsk',
  'itemSoldAlready',
  'listedAlready',
  'belongsAlready',
]);
export type CommandRefusal = z.infer<typeof CommandRefusal>;

/** Why a call to a marketplace, a carrier or a look-up brought no answer that settles it. */
export interface CallTroubleParams {
  noAnswer: None;
  brokeOff: None;
  unreadable: None;
  notAsAgreed: None;
  slowDown: None;
  keyRefused: None;
  closed: None;
  /** An HTTP status (RFC 9110). */
  status: { status: number };
  notConnected: None;
  endlessList: None;
  pictureGone: None;
  /** Bytes. */
  pictureTooLarge: { most: number };
  pictureNotFetched: None;
  stillWorkedThrough: None;
  soldToNobody: None;
  byHand: None;
  /** A fault of our own; the server's log tells more. */
  ourFault: None;
  answerNotRead: None;
}
export type CallTrouble = Coded<CallTroubleParams>;

const none = z.record(z.string(), z.never());
const PLAIN = [
  'noAnswer',
  'brokeOff',
  'unreadable',
  'notAsAgreed',
  'slowDown',
  'keyRefused',
  'closed',
  'notConnected',
  'endlessList',
  'pictureGone',
  'pictureNotFetched',
  'stillWorkedThrough',
  'soldToNobody',
  'byHand',
  'ourFault',
  'answerNotRead',
] as const satisfies readonly CallTrouble['code'][];

/** Those that need no more to be said. */
export type PlainTrouble = (typeof PLAIN)[number];

export const CallTrouble: z.ZodType<CallTrouble> = z.union([
  z.object({ code: z.enum(PLAIN), params: none }),
  z.object({ code: z.literal('status'), params: z.object({ status: z.number().int() }) }),
  z.object({ code: z.literal('pictureTooLarge'), params: z.object({ most: z.number().int() }) }),
]);

/** A code of ours; or words: a marketplace's own, or those a courier of an earlier version wrote down. */
export const Trouble = z.union([CallTrouble, z.string().max(500)]);
export type Trouble = z.infer<typeof Trouble>;

/** Why a listing is not up any more, where that is known here and not told by the marketplace. */
export const OwnReason = z.enum([
  'broughtInOnly',
  'notShownThere',
  'noLongerThere',
  'ranOutUnsold',
  'noReasonGiven',
  'pictureLost',
]);
export type OwnReason = z.infer<typeof OwnReason>;

/** Why the ledger can't be written. */
export const WriteTrouble = z.enum(['full', 'unwritable', 'readOnly', 'locked', 'damaged', 'cannotOpen']);
export type WriteTrouble = z.infer<typeof WriteTrouble>;

/** Why a marketplace does not let us in. */
export type LetInTrouble = 'notNeeded' | 'noAnswer' | 'codeRefused' | 'notAsAgreed';
