import type { Wording } from '@/contract/coded';
import { listed } from '@/core/language/listed';
import { counted } from '@/core/language/plural';
import type { PurchaseTrouble, PurchaseTroubleParams } from '@/core/tables/purchases';
import type { CellTrouble, CellTroubleParams } from '@/core/tables/stock/column';

import { MONEY, TYPED } from './typed';
import { worded } from './worded';

const CELLS: Wording<CellTroubleParams> = {
  ...TYPED,
  lengthUnread: ({ units }) =>
    units === 'metric' ? 'A length, like 54.5 or 21 in.' : 'A length, like 21.5, 21 1/4 or 54 cm.',
  weightUnread: ({ units }) =>
    units === 'metric' ? 'A weight, like 850 or 0.85 kg.' : 'A weight, like 30 or 2 lb.',
  noSuchHaul: () => 'There is no haul of that name: begin it first, or leave this empty.',
  noSuchLine: () => 'Its haul has no such line.',
  noSuchOwner: () => 'There is no consignor of that name: add them first, or leave this empty.',
  notOneOf: ({ words }) => `Only ${listed(words, 'or')}.`,
  dateUnread: () => 'A day, like 2026-11-08.',
  wholeUnread: ({ least, most }) => `A whole number from ${least} to ${most}.`,
  dataUnread: () => 'It is not as it was saved: empty it, and the rest is taken.',
  optionsMissing: () => 'Nothing says which piece it is: a piece’s code, or options and choices.',
  copiesUnread: ({ most }) => `A whole number of copies, up to ${most}.`,
  codeTwice: ({ line }) => `Line ${line} has the same code: two items can’t have one.`,
  codeTaken: () => 'An item here has that code: give the new one another.',
  noCopies: () => 'It says 0 copies: nothing is made of it.',
  nothingSaid: () => 'Nothing in it is taken: no column that is taken says anything.',
};

/** Why a cell of a table was not taken, and what would be. */
export const cellTrouble = (trouble: CellTrouble): string => worded(CELLS, trouble);

const PURCHASES: Wording<PurchaseTroubleParams> = {
  ...MONEY,
  whatMissing: () => 'Nothing says what it is.',
  piecesUnread: ({ most }) => `A whole number of pieces, up to ${most}; or cases of so many, like 3 × 12.`,
  tooManyLines: ({ most }) => `A haul has at most ${counted(most, 'line')}: part the list.`,
};

/** Why a line of a purchase list was not taken. */
export const purchaseTrouble = (trouble: PurchaseTrouble): string => worded(PURCHASES, trouble);
