import type { Coded, None } from '@/contract/coded';
import type { Item, Plan } from '@/contract/records';

import type { GradeReason } from '../condition/grade';
import type { UnpostableParams } from '../postage/rates';
import type { TermsTroubleParams } from '../terms/terms';
import type { PrivateKind } from '../words/privacy';
import type { ClaimAgainst } from '../words/unsupportedClaims';

/** Where on the item sheet the person can put a finding right. */
export type CheckField =
  | 'pictures'
  | 'kind'
  | 'condition'
  | 'choices'
  | 'title'
  | 'description'
  | 'price'
  | 'parcel'
  | 'category'
  | 'tags'
  | 'format'
  | 'terms'
  | 'paid'
  | `specific:${string}`
  // A field that takes free text: it is filled from the fact of the same name.
  | `fact:${string}`
  | `answer:${string}`;

/** An amount in minor units of a currency. */
interface Amount {
  amount: number;
  currency: string;
}
interface At {
  /** A marketplace, by its name. */
  market: string;
}

/**
 * Every code of the check with its params: lengths in the marketplace's own count, sizes in pixels, amounts
 * in minor units, promotion in basis points.
 */
export interface FindingParams extends UnpostableParams, TermsTroubleParams {
  noLongerHere: None;

  choicesNotTaken: At;
  choiceKindsTooMany: At & { most: number; there: number };
  choicePieces: At & { most: number; there: number };
  choiceTooLong: { text: string; most: number };
  choicePrices: { min: number; max: number; currency: string };
  choiceStock: At & { most: number };
  choicesOutOfStock: None;
  choicesHeldBack: None;
  choicesInAuction: None;

  depotOnItsWay: None;
  depotElsewhere: None;
  depotComingBack: None;
  depotMissing: None;

  picturesNotOwn: { count: number };
  clipTooLarge: At & { seconds: number; bytes: number };
  picturesAllWritten: None;
  coverWritten: None;
  picturesTooFew: At & { least: number; there: number };
  pictureTooSmall: { position: number; least: number };
  picturesLeftOut: { most: number };
  picturesFew: { there: number };

  barcodeMissing: At;
  barcodeUnknown: At & { barcode: string };
  recordClosed: At & { barcode: string };
  kindMissing: None;
  readingsWait: None;
  categoryGone: At;
  categoryUnknown: At;
  useMissing: None;
  conditionNotTaken: At & { because: GradeReason };

  titleMissing: None;
  titleTooLong: At & { length: number; most: number };
  titleShort: { room: number };
  titleShortened: At & { title: string };
  descriptionShortened: At & { end: string };
  topicsTooMany: At & { there: number; most: number };
  topicTooLong: { word: string; most: number };
  descriptionMissing: None;
  descriptionTooShort: At & { length: number; least: number };
  descriptionTooLong: At & { length: number; most: number };
  privateText: { field: 'title' | 'description'; what: PrivateKind; text: string };
  markup: { field: 'title' | 'description' };
  /** `why` is the marketplace's own. */
  forbiddenWord: { word: string; why: string };
  claimUnsupported: { claim: string; against: ClaimAgainst };
  tagsTooMany: At & { there: number; most: number };
  tagLength: { tag: string; most: number };

  priceMissing: None;
  priceUnder: At & Amount;
  priceOver: At & Amount;
  priceNotRound: None;
  underOwnLeast: Amount;
  overOwnGreatest: Amount;
  underFloor: Amount;
  postageOver: At & Amount;
  otherCurrency: At & { theirs: string; ours: string };
  auctionDays: At & { min: number; max: number };
  auctionAgain: At & { most: number };
  auctionOpening: At & { min: number; max: number; currency: string };
  auctionOutright: None;
  auctionBecomes: { min: number; max: number; currency: string };
  auctionUnderFloor: Amount;

  twin: At;
  upElsewhere: None;
  allowanceUsed: At & { allowance: number };
  allowanceNearlyUsed: At & { allowance: number; left: number };
  promotionRange: At & { minBp: number; maxBp: number };
  extraCategory: { label: string };
  extraLength: { label: string; most: number };

  privateSpecific: { label: string; what: PrivateKind };
  specificMissing: At & { label: string; listed: boolean };
  specificHelps: { label: string };
  specificNotListed: At & { value: string; label: string };
  specificTooLong: { label: string; most: number };
  specificTooMany: { label: string; most: number };
  answerMissing: At & { label: string };
  answerNotListed: At & { answer: string };
  answerNoNumber: { label: string };
  answerYesOrNo: { label: string };
}
export type FindingCode = keyof FindingParams;

/** What one press can do about a finding. */
export interface FixParams {
  writeShorter: None;
  endAtSentence: None;
  askAtLeast: Amount;
  runDays: { days: number };
}

/** A change that puts a finding right: to the item, or to its plan for that marketplace. */
export type Fix = Coded<FixParams> & { item?: Partial<Item>; plan?: Partial<Plan> };

export type Finding = Coded<FindingParams> & {
  /** A blocker stops the sending, a caution does not. */
  level: 'blocker' | 'caution';
  field: CheckField;
  /** A rule of our own, which the marketplace need not share. */
  ours?: true;
  fix?: Fix;
};

/** What of a fact, a field or a question a finding is about: "fact:size" is about "size". */
export function idInField(field: CheckField): string {
  return field.slice(field.indexOf(':') + 1);
}

/** Two findings say the same when they are equal in this, whatever they were found on. */
export function findingKey({ field, code, params }: Finding): string {
  return JSON.stringify([field, code, params]);
}
