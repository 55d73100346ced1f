import type { Wording } from '@/contract/coded';
import { counted, plural } from '@/core/language/plural';
import type { Finding, FindingParams, Fix, FixParams } from '@/core/listing/findings';
import { formatMoney } from '@/core/money/money';
import type { Unpostable, UnpostableParams } from '@/core/postage/rates';
import type { TermsTrouble, TermsTroubleParams } from '@/core/terms/terms';
import type { PrivateKind, PrivateKindParams } from '@/core/words/privacy';
import type { ClaimAgainstParams } from '@/core/words/unsupportedClaims';

import { gradeReason } from './condition';
import { worded } from './worded';

const lower = (label: string) => label.toLocaleLowerCase('en');

/** "for size"; of a label that begins so: "for whom". */
export const askedWords = (label: string): string =>
  /^for\s/iu.test(label) ? lower(label) : `for ${lower(label)}`;

const UNPOSTABLE: Wording<UnpostableParams> = {
  parcelTooLong: ({ mostMm }) => `Too long for a parcel: at most ${mostMm / 10} cm.`,
  parcelTooBulky: ({ mostMm }) => `Too bulky for a parcel: length and girth at most ${mostMm / 10} cm.`,
  parcelTooHeavy: ({ mostG }) => `Too heavy for a parcel: at most ${mostG / 1_000} kg.`,
  carrierNotThere: () => 'The carrier does not go there.',
};

const TERMS: Wording<TermsTroubleParams> = {
  handlingTooLong: ({ market, mostDays }) => `${market} wants items posted within ${mostDays} days.`,
  returnDaysNotTaken: ({ market, days }) => `${market} takes returns within ${days.join(', ')} days.`,
};

/** What a find is, as it goes on after "holds". */
const PRIVATE: Wording<PrivateKindParams> = {
  email: () => 'an e-mail address',
  webAddress: () => 'a web address',
  phone: () => 'a phone number',
  spot: () => 'the private spot',
  fact: ({ name }) => `your private ${lower(name)}`,
};

/** What speaks against a promise, as it goes on after "but". */
const AGAINST: Wording<ClaimAgainstParams> = {
  postageCharged: () => 'buyers are charged postage',
  notTested: () => 'it is not recorded as tried out and working',
  smokeNotRecorded: () => 'nobody recorded a home without smoke',
  petsNotRecorded: () => 'nobody recorded a home without pets',
  used: () => 'it is recorded as used',
  flaws: () => 'flaws are recorded',
  missing: ({ part }) => `something is recorded as missing: ${part}`,
  noReturns: () => 'your terms take nothing back',
  notCleaned: () => 'it is not recorded as cleaned',
};

const CHECK: Wording<FindingParams> = {
  ...UNPOSTABLE,
  ...TERMS,
  noLongerHere: () => 'It is no longer here to be sold.',

  choicesNotTaken: ({ market }) => `${market} takes no variations: remove them, or leave it out there.`,
  choiceKindsTooMany: ({ market, most, there }) =>
    `${market} takes ${counted(most, 'option')}; there ${plural(there, 'is', 'are')} ${there}.`,
  choicePieces: ({ market, most, there }) =>
    `${market} takes 2 to ${most} pieces to choose from; there ${plural(there, 'is', 'are')} ${there}.`,
  choiceTooLong: ({ text, most }) => `“${text}” is longer than ${counted(most, 'character')}.`,
  choicePrices: ({ min, max, currency }) =>
    `Every piece needs a price from ${formatMoney(min, currency)} to ${formatMoney(max, currency)}.`,
  choiceStock: ({ market, most }) => `${market} counts up to ${most} of a piece.`,
  choicesOutOfStock: () => 'Nothing of it is in stock.',
  choicesHeldBack: () => 'All of it is held back: there would be nothing to show.',
  choicesInAuction: () => 'An auction sells one item: it can’t have variations.',

  depotOnItsWay: () => 'It is on its way to a depot: nothing can be posted before it is counted there.',
  depotElsewhere: () =>
    'It is at another marketplace’s depot: if it sells here, it has to be called back first.',
  depotComingBack: () => 'It is on its way back from a depot: it can be posted once it is here.',
  depotMissing: () => 'It was missing when its parcel was counted at the depot: find it before it sells.',

  picturesNotOwn: ({ count }) =>
    `${plural(count, 'One picture is', `${count} pictures are`)} not your own: not sent unless you ` +
    'say you may.',
  clipTooLarge: ({ market, seconds, bytes }) =>
    `${market} takes clips up to ${counted(seconds, 'second')} and ${Math.round(bytes / 1e6)} MB: ` +
    'this one stays here.',
  picturesAllWritten: () => 'Every picture has writing on it: covers with writing are refused in places.',
  coverWritten: () => 'The cover may have writing on it: another picture goes first there.',
  picturesTooFew: ({ market, least, there }) =>
    `${market} wants at least ${counted(least, 'picture')}; there ${plural(there, 'is', 'are')} ${there}.`,
  pictureTooSmall: ({ position, least }) =>
    `Picture ${position} is smaller than ${counted(least, 'pixel')} on its longer side.`,
  picturesLeftOut: ({ most }) =>
    `Only ${counted(most, 'picture')} ${plural(most, 'goes', 'go')} there: plain details are left out first.`,
  picturesFew: ({ there }) => `Only ${counted(there, 'picture')}: six or more sell better.`,

  barcodeMissing: ({ market }) => `${market} lists items by their barcode: it needs one.`,
  barcodeUnknown: ({ market, barcode }) => `${market} has no record under ${barcode}.`,
  recordClosed: ({ market, barcode }) => `The record ${barcode} is closed to you on ${market}.`,
  kindMissing: () => 'Say what kind of item it is.',
  readingsWait: () => 'What its pictures say waits to be confirmed: nothing of it is sent.',
  categoryGone: ({ market }) => `${market} no longer has the category chosen: choose another.`,
  categoryUnknown: ({ market }) =>
    `${market} has no category known for this kind: choose one, or leave it out there.`,
  useMissing: () => 'Say how much it was used.',
  conditionNotTaken: ({ market, because }) => `${market} takes nothing this worn (${gradeReason(because)}).`,

  titleMissing: () => 'It needs a title.',
  titleTooLong: ({ market, length, most }) => `The title is ${length} long; ${market} takes ${most}.`,
  titleShort: ({ room }) => `${room} more ${plural(room, 'character', 'characters')} would fit in the title.`,
  titleShortened: ({ market, title }) => `Too long for ${market}: there it is “${title}”.`,
  descriptionShortened: ({ market, end }) => `Too long for ${market}: there it ends “…${end}”.`,
  topicsTooMany: ({ market, there, most }) => `${counted(there, 'topic word')}; ${market} takes ${most}.`,
  topicTooLong: ({ word, most }) => `The topic word “${word}” is longer than ${most}.`,
  descriptionMissing: () => 'It needs a description.',
  descriptionTooShort: ({ market, length, least }) =>
    `The description is ${length} long; ${market} wants ${least}.`,
  descriptionTooLong: ({ market, length, most }) =>
    `The description is ${length} long; ${market} takes ${most}.`,
  privateText: ({ field, what, text }) => `The ${field} holds ${privateThing(what)}: “${text}”.`,
  markup: ({ field }) => `The ${field} holds markup; only plain text goes there.`,
  forbiddenWord: ({ word, why }) => `“${word}” is refused there: ${why}`,
  claimUnsupported: ({ claim, against }) =>
    `The description says “${claim}”, but ${worded(AGAINST, against)}.`,
  tagsTooMany: ({ market, there, most }) =>
    `${counted(there, 'word')} to be found by; ${market} takes ${most}.`,
  tagLength: ({ tag, most }) => `“${tag}”, to be found by, is empty or longer than ${most}.`,

  priceMissing: () => 'It needs a price.',
  priceUnder: ({ market, amount, currency }) =>
    `${market} takes no price under ${formatMoney(amount, currency)}.`,
  priceOver: ({ market, amount, currency }) =>
    `${market} takes no price over ${formatMoney(amount, currency)}.`,
  priceNotRound: () => 'Round prices are easier to pay in cash.',
  underOwnLeast: ({ amount, currency }) =>
    `Under your own least price of ${formatMoney(amount, currency)}: a slip?`,
  overOwnGreatest: ({ amount, currency }) =>
    `Over your own greatest price of ${formatMoney(amount, currency)}: a slip?`,
  underFloor: ({ amount, currency }) => `Under your floor of ${formatMoney(amount, currency)}.`,
  otherCurrency: ({ market, theirs, ours }) =>
    `${market} sells in ${theirs}, and your amounts are in ${ours}: it would ask another price.`,
  postageOver: ({ market, amount, currency }) =>
    `${market} takes no postage over ${formatMoney(amount, currency)}.`,
  auctionDays: ({ market, min, max }) => `Auctions run ${min} to ${max} days on ${market}.`,
  auctionAgain: ({ market, most }) => `Put up again ${counted(most, 'time')} at most on ${market}.`,
  auctionOpening: ({ market, min, max, currency }) =>
    `Auctions open from ${formatMoney(min, currency)} to ${formatMoney(max, currency)} on ${market}.`,
  auctionOutright: () => 'The outright price has to be above the opening price.',
  auctionBecomes: ({ min, max, currency }) =>
    `What it becomes: prices go from ${formatMoney(min, currency)} to ${formatMoney(max, currency)} there.`,
  auctionUnderFloor: ({ amount, currency }) =>
    `It may go under your floor of ${formatMoney(amount, currency)}.`,

  twin: ({ market }) => `Another item of yours is up on ${market} under the same title at the same price.`,
  upElsewhere: () =>
    'It is up elsewhere too: with the first bid it may be sold twice. Withdraw it there first.',
  allowanceUsed: ({ market, allowance }) =>
    `This month’s ${counted(allowance, 'listing')} on ${market} ${plural(allowance, 'is', 'are')} used up.`,
  allowanceNearlyUsed: ({ market, allowance, left }) =>
    `${left} of this month’s ${counted(allowance, 'listing')} on ${market} ` +
    `${plural(left, 'is', 'are')} left.`,
  promotionRange: ({ market, minBp, maxBp }) =>
    `Promotion goes from ${minBp / 100} to ${maxBp / 100} % on ${market}.`,
  extraCategory: ({ label }) => `${label}: choose which.`,
  extraLength: ({ label, most }) => `${label}: 1 to ${most} characters.`,

  privateSpecific: ({ label, what }) => `${label} holds ${privateThing(what)}.`,
  specificMissing: ({ market, label, listed }) =>
    `${market} asks ${askedWords(label)}${listed ? ' from its own list' : ''}.`,
  specificHelps: ({ label }) => `${label} helps buyers there find it.`,
  specificNotListed: ({ market, label, value }) =>
    `“${value}” is not on ${market}’s list for ${lower(label)}.`,
  specificTooMany: ({ label, most }) => `${label} takes ${counted(most, 'value')} at once there.`,
  specificTooLong: ({ label, most }) => `${label} takes ${counted(most, 'character')} there.`,
  answerMissing: ({ market, label }) => `${label}: ${market} asks.`,
  answerNotListed: ({ market, answer }) => `“${answer}” is not one of ${market}’s answers.`,
  answerNoNumber: ({ label }) => `${label}: a number.`,
  answerYesOrNo: ({ label }) => `${label}: yes or no.`,
};

/** The same of several items, each with figures or words of its own. */
const SEVERAL: Partial<Wording<FindingParams>> = {
  picturesTooFew: ({ market, least }) => `${market} wants at least ${counted(least, 'picture')}.`,
  pictureTooSmall: ({ least }) => `A picture is smaller than ${counted(least, 'pixel')} on its longer side.`,
  picturesNotOwn: () => 'Pictures are not your own: not sent unless you say you may.',
  picturesFew: () => 'Few pictures: six or more sell better.',
  barcodeUnknown: ({ market }) => `${market} has no record under the barcode.`,
  recordClosed: ({ market }) => `The record is closed to you on ${market}.`,
  conditionNotTaken: ({ market }) => `${market} takes nothing this worn.`,
  titleTooLong: ({ market, most }) => `The title is too long: ${market} takes ${most}.`,
  titleShort: () => 'More would fit in the title.',
  titleShortened: ({ market }) => `The title is too long for ${market}: it is shortened there.`,
  descriptionShortened: ({ market }) => `The description is too long for ${market}: it is shortened there.`,
  descriptionTooShort: ({ market, least }) => `The description is too short: ${market} wants ${least}.`,
  descriptionTooLong: ({ market, most }) => `The description is too long: ${market} takes ${most}.`,
  topicsTooMany: ({ market, most }) => `Too many topic words: ${market} takes ${most}.`,
  topicTooLong: ({ most }) => `A topic word is longer than ${most}.`,
  privateText: ({ field }) => `The ${field} holds something private.`,
  markup: () => 'The words hold markup; only plain text goes there.',
  forbiddenWord: () => 'A word is refused there.',
  claimUnsupported: () => 'The description says what the facts do not.',
  tagsTooMany: ({ market, most }) => `Too many words to be found by: ${market} takes ${most}.`,
  tagLength: ({ most }) => `A word to be found by is empty or longer than ${most}.`,
  underFloor: () => 'Under your floor.',
  auctionUnderFloor: () => 'It may go under your floor.',
  specificNotListed: ({ market, label }) => `What it says is not on ${market}’s list for ${lower(label)}.`,
  answerNotListed: ({ market }) => `What it says is not one of ${market}’s answers.`,
};

const FIXES: Wording<FixParams> = {
  writeShorter: () => 'Write it shorter',
  endAtSentence: () => 'End it at a sentence',
  askAtLeast: ({ amount, currency }) => `Ask ${formatMoney(amount, currency)} there`,
  runDays: ({ days }) => `Let it run ${counted(days, 'day')}`,
};

export const findingWords = (finding: Pick<Finding, 'code' | 'params'>): string =>
  // Its code and params are all that is read.
  worded(CHECK, finding as Finding);

/** What several have in common, whatever figures and words each has of its own. */
export const findingsWords = (findings: readonly Pick<Finding, 'code' | 'params'>[]): string => {
  const [first, ...more] = findings;
  if (!first) return '';
  const words = findingWords(first);
  // By its own code, whose params it has.
  const several = SEVERAL[first.code] as ((params: Finding['params']) => string) | undefined;
  return more.every((f) => findingWords(f) === words) ? words : (several?.(first.params) ?? words);
};

/** What a press of it does, as a verb. */
export const fixWords = (fix: Fix): string => worded(FIXES, fix);
export const unpostableWords = (why: Unpostable): string => worded(UNPOSTABLE, why);
/** "an e-mail address", "your private pile" */
export const privateThing = (what: PrivateKind): string => worded(PRIVATE, what);
export const termsTroubleWords = (trouble: TermsTrouble): string => worded(TERMS, trouble);
