import { lineTrouble, typedTrouble } from './typed';

type Trouble = Parameters<typeof typedTrouble>[0];

it.each<[Trouble, string]>([
  [
    { code: 'otherCurrency', params: { sign: '£', currency: 'EUR' } },
    '“£” is another currency: this amount is in EUR.',
  ],
  [{ code: 'amountMissing', params: {} }, 'Type an amount, like 24.00.'],
  [{ code: 'amountBelowZero', params: {} }, 'An amount can’t be below zero.'],
  [{ code: 'amountNotDigits', params: {} }, 'Use digits only, like 24.00.'],
  [{ code: 'tooManySeparators', params: {} }, 'Too many separators.'],
  [
    { code: 'twoReadings', params: { said: '1,234' } },
    '“1,234” can be read two ways: type it without the separator.',
  ],
  [{ code: 'separatorsDoNotFit', params: {} }, 'The separators don’t fit: type it like 1234.50.'],
  [{ code: 'tooManyDecimals', params: { most: 0 } }, 'This currency has no decimals.'],
  [{ code: 'tooManyDecimals', params: { most: 2 } }, 'At most 2 digits after the decimal sign.'],
  [{ code: 'amountTooLarge', params: {} }, 'That is more than can be recorded.'],
  [{ code: 'endsInZero', params: {} }, 'A fraction can’t end in /0.'],
  [{ code: 'lengthUnread', params: { units: 'metric' } }, 'Type centimetres, like 54.5.'],
  [{ code: 'lengthUnread', params: { units: 'imperial' } }, 'Type inches, like 21 1/4.'],
  [{ code: 'lengthNotAboveZero', params: {} }, 'A length is more than zero.'],
  [{ code: 'lengthTooLong', params: { mostMm: 20_000 } }, 'That is longer than 20 metres: check the figure.'],
  [{ code: 'weightUnread', params: { units: 'metric' } }, 'Type grams, like 850.'],
  [{ code: 'weightUnread', params: { units: 'imperial' } }, 'Type ounces, like 30.'],
  [{ code: 'weightTooLight', params: {} }, 'A weight is at least one gram.'],
  [{ code: 'weightTooHeavy', params: {} }, 'That is more than a tonne: check the figure.'],
  [
    { code: 'unseenCharacters', params: {} },
    'It holds characters that can’t be seen: type it instead of pasting.',
  ],
  [{ code: 'notAmong', params: { choices: ['Navy', 'Tan'] } }, 'Only Navy or Tan.'],
  [{ code: 'notNumber', params: {} }, 'A number, like 12 or 12,5.'],
  [{ code: 'notYear', params: {} }, 'A year in four figures, like 1968.'],
  [{ code: 'notYesOrNo', params: {} }, 'Yes or no.'],
  [{ code: 'tooLong', params: { length: 500, most: 400 } }, 'It is 500 characters long; 400 fit.'],
  [{ code: 'barcodeLength', params: {} }, 'A barcode has 8, 12, 13 or 14 digits, an ISBN 10 or 13.'],
  [
    { code: 'barcodeCheckDigit', params: {} },
    'The last digit does not fit the others: a digit was misread or mistyped.',
  ],
  [{ code: 'howManyKinds', params: {} }, 'An item has one to three options.'],
  [{ code: 'nameMissing', params: {} }, 'Each option needs a name.'],
  [{ code: 'nameTwice', params: { name: 'Size' } }, '“Size” is there twice.'],
  [{ code: 'valuesMissing', params: { name: 'Size' } }, '“Size” needs something to choose from.'],
  [
    { code: 'valuesTooMany', params: { name: 'Size', most: 40, longest: 60 } },
    '“Size” takes at most 40 values of 60 characters.',
  ],
  [
    { code: 'combinationsTooMany', params: { count: 1_600, most: 400 } },
    'That makes 1600 combinations; 400 can be kept.',
  ],
  [{ code: 'kindOnlySet', params: {} }, 'A kind can only be set.'],
  [{ code: 'noSuchKind', params: {} }, 'There is no such kind.'],
  [{ code: 'useSetOrCleared', params: {} }, 'Use can be set or cleared.'],
  [{ code: 'amountSetOrCleared', params: {} }, 'An amount can be set or cleared.'],
  [{ code: 'weightSetOrCleared', params: {} }, 'A weight can be set or cleared.'],
  [{ code: 'measureSetOrCleared', params: {} }, 'A measurement can be set or cleared.'],
  [{ code: 'groupNotReplaced', params: {} }, 'Groups can be set, added or cleared.'],
  [{ code: 'noSuchGroup', params: {} }, 'There is no such group.'],
  [{ code: 'notForMany', params: {} }, 'That can’t be changed for many at once.'],
  [{ code: 'notMeasured', params: {} }, 'Its kind is not measured so.'],
  [{ code: 'notAsked', params: {} }, 'Its kind is not asked this.'],
])('%j: %s', (trouble, words) => expect(typedTrouble(trouble)).toBe(words));

it.each<[Parameters<typeof lineTrouble>[0], string]>([
  [{ code: 'listTooLong', params: { most: 200_000 } }, 'All from here on was left: the list is over 200 kB.'],
  [
    { code: 'amountLeft', params: { column: 'price', why: { code: 'amountNotDigits', params: {} } } },
    'Its price was left empty: Use digits only, like 24.00.',
  ],
  [{ code: 'noBarcode', params: {} }, 'No barcode stands in it.'],
  [
    { code: 'noColumns', params: {} },
    'What stands beside the barcode was left: the first line names no columns.',
  ],
  [{ code: 'noCopies', params: {} }, 'None of it was made: it says 0 copies.'],
  [
    { code: 'copiesUnread', params: { most: 999 } },
    'It counts as one copy: a whole number up to 999 is wanted.',
  ],
  [{ code: 'conditionUnread', params: {} }, 'Its condition was left open: say it on its sheet.'],
])('a line: %j: %s', (trouble, words) => expect(lineTrouble(trouble)).toBe(words));
