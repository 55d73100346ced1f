import { cellTrouble, purchaseTrouble } from './tables';

it.each<[Parameters<typeof cellTrouble>[0], string]>([
  [{ code: 'lengthUnread', params: { units: 'metric' } }, 'A length, like 54.5 or 21 in.'],
  [{ code: 'lengthUnread', params: { units: 'imperial' } }, 'A length, like 21.5, 21 1/4 or 54 cm.'],
  [{ code: 'weightUnread', params: { units: 'metric' } }, 'A weight, like 850 or 0.85 kg.'],
  [{ code: 'weightUnread', params: { units: 'imperial' } }, 'A weight, like 30 or 2 lb.'],
  [{ code: 'noSuchHaul', params: {} }, 'There is no haul of that name: begin it first, or leave this empty.'],
  [{ code: 'noSuchLine', params: {} }, 'Its haul has no such line.'],
  [
    { code: 'noSuchOwner', params: {} },
    'There is no consignor of that name: add them first, or leave this empty.',
  ],
  [{ code: 'notOneOf', params: { words: ['apart', 'in the price'] } }, 'Only apart or in the price.'],
  [{ code: 'dateUnread', params: {} }, 'A day, like 2026-11-08.'],
  [{ code: 'wholeUnread', params: { least: 0, most: 9 } }, 'A whole number from 0 to 9.'],
  [{ code: 'dataUnread', params: {} }, 'It is not as it was saved: empty it, and the rest is taken.'],
  [
    { code: 'optionsMissing', params: {} },
    'Nothing says which piece it is: a piece’s code, or options and choices.',
  ],
  [{ code: 'copiesUnread', params: { most: 999 } }, 'A whole number of copies, up to 999.'],
  [{ code: 'codeTwice', params: { line: 7 } }, 'Line 7 has the same code: two items can’t have one.'],
  [{ code: 'codeTaken', params: {} }, 'An item here has that code: give the new one another.'],
  [{ code: 'noCopies', params: {} }, 'It says 0 copies: nothing is made of it.'],
  [{ code: 'nothingSaid', params: {} }, 'Nothing in it is taken: no column that is taken says anything.'],
  [{ code: 'amountNotDigits', params: {} }, 'Use digits only, like 24.00.'],
])('%j: %s', (trouble, words) => expect(cellTrouble(trouble)).toBe(words));

it.each<[Parameters<typeof purchaseTrouble>[0], string]>([
  [{ code: 'whatMissing', params: {} }, 'Nothing says what it is.'],
  [
    { code: 'piecesUnread', params: { most: 10_000 } },
    'A whole number of pieces, up to 10000; or cases of so many, like 3 × 12.',
  ],
  [{ code: 'tooManyLines', params: { most: 500 } }, 'A haul has at most 500 lines: part the list.'],
])('a purchase: %j: %s', (trouble, words) => expect(purchaseTrouble(trouble)).toBe(words));
