import type { Coded, Wording } from '@/contract/coded';
import type { ChoicesTroubleParams } from '@/core/choices/choices';
import type { BarcodeTroubleParams } from '@/core/identity/gtin';
import type { AnswerTroubleParams } from '@/core/kinds/values';
import { listed } from '@/core/language/listed';
import { counted, plural } from '@/core/language/plural';
import type { FigureTroubleParams } from '@/core/measure/units';
import type { MoneyTroubleParams } from '@/core/money/money';
import type { BulkTroubleParams } from '@/core/stock/bulk';

import { worded } from './worded';

export const MONEY: Wording<MoneyTroubleParams> = {
  otherCurrency: ({ sign, currency }) => `“${sign}” is another currency: this amount is in ${currency}.`,
  amountMissing: () => 'Type an amount, like 24.00.',
  amountBelowZero: () => 'An amount can’t be below zero.',
  amountNotDigits: () => 'Use digits only, like 24.00.',
  tooManySeparators: () => 'Too many separators.',
  twoReadings: ({ said }) => `“${said}” can be read two ways: type it without the separator.`,
  separatorsDoNotFit: () => 'The separators don’t fit: type it like 1234.50.',
  tooManyDecimals: ({ most }) =>
    most === 0
      ? 'This currency has no decimals.'
      : `At most ${counted(most, 'digit')} after the decimal sign.`,
  amountTooLarge: () => 'That is more than can be recorded.',
};

const FIGURES: Wording<FigureTroubleParams> = {
  endsInZero: () => 'A fraction can’t end in /0.',
  lengthUnread: ({ units }) =>
    units === 'metric' ? 'Type centimetres, like 54.5.' : 'Type inches, like 21 1/4.',
  lengthNotAboveZero: () => 'A length is more than zero.',
  lengthTooLong: ({ mostMm }) => `That is longer than ${mostMm / 1_000} metres: check the figure.`,
  weightUnread: ({ units }) => (units === 'metric' ? 'Type grams, like 850.' : 'Type ounces, like 30.'),
  weightTooLight: () => 'A weight is at least one gram.',
  weightTooHeavy: () => 'That is more than a tonne: check the figure.',
};

const ANSWERS: Wording<AnswerTroubleParams> = {
  unseenCharacters: () => 'It holds characters that can’t be seen: type it instead of pasting.',
  notAmong: ({ choices }) => `Only ${listed(choices, 'or')}.`,
  notNumber: () => 'A number, like 12 or 12,5.',
  notYear: () => 'A year in four figures, like 1968.',
  notYesOrNo: () => 'Yes or no.',
  tooLong: ({ length, most }) =>
    `It is ${counted(length, 'character')} long; ${most} ${plural(most, 'fits', 'fit')}.`,
};

const BARCODES: Wording<BarcodeTroubleParams> = {
  barcodeLength: () => 'A barcode has 8, 12, 13 or 14 digits, an ISBN 10 or 13.',
  barcodeCheckDigit: () => 'The last digit does not fit the others: a digit was misread or mistyped.',
};

const CHOICES: Wording<ChoicesTroubleParams> = {
  howManyKinds: () => 'An item has one to three options.',
  nameMissing: () => 'Each option needs a name.',
  nameTwice: ({ name }) => `“${name}” is there twice.`,
  valuesMissing: ({ name }) => `“${name}” needs something to choose from.`,
  valuesTooMany: ({ name, most, longest }) =>
    `“${name}” takes at most ${most} values of ${longest} characters.`,
  allAway: () => 'Every combination of these was taken away: bring one back first.',
  pieceCodeMissing: () => 'A piece has a code, of at most 90 characters.',
  pieceCodeTwice: ({ name }) => `Another piece has the code ${name}.`,
  combinationsTooMany: ({ count, most }) =>
    `That makes ${counted(count, 'combination')}; ${most} can be kept.`,
};

const BULK: Wording<BulkTroubleParams> = {
  ...MONEY,
  ...FIGURES,
  ...ANSWERS,
  kindOnlySet: () => 'A kind can only be set.',
  noSuchKind: () => 'There is no such kind.',
  useSetOrCleared: () => 'Use can be set or cleared.',
  amountSetOrCleared: () => 'An amount can be set or cleared.',
  percentUnread: () => 'Whole per cent, from 1 to 90.',
  noPriceYet: () => 'It has no price yet.',
  weightSetOrCleared: () => 'A weight can be set or cleared.',
  quantitySetOrCleared: () => 'How many there are can be set or cleared.',
  quantityUnread: ({ most }) => `A whole number from 0 to ${most}, or nothing for one of a kind.`,
  inVariations: () => 'It is sold in variations: each has a stock of its own, on the item’s sheet.',
  measureSetOrCleared: () => 'A measurement can be set or cleared.',
  groupNotReplaced: () => 'Groups can be set, added or cleared.',
  noSuchGroup: () => 'There is no such group.',
  notForMany: () => 'That can’t be changed for many at once.',
  notMeasured: () => 'Its kind is not measured so.',
  notAsked: () => 'Its kind is not asked this.',
};

type TypedParams = BulkTroubleParams & BarcodeTroubleParams & ChoicesTroubleParams;
export const TYPED: Wording<TypedParams> = { ...BULK, ...BARCODES, ...CHOICES };

/** Why something typed, pasted or read was not taken, and what would be. */
export const typedTrouble = (trouble: Coded<TypedParams>): string => worded(TYPED, trouble);
