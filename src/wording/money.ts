import type { Wording } from '@/contract/coded';
import type { RowTrouble, RowTroubleParams } from '@/core/payout/statement';

import { worded } from './worded';

const ROWS: Wording<RowTroubleParams> = {
  unknownSort: ({ said }) => `“${said}” is no sort of line it uses.`,
  amountUnread: () => 'The amount could not be read.',
  dayOrOrderUnread: () => 'The day or order could not be read.',
  quoteNotClosed: () => 'A quotation mark in it is never closed: what comes after it was not read.',
  fileTooLong: () => 'The file is too long: from this row on nothing was read. Read it in parts.',
};

/** Why a row of a statement was left out. */
export const rowTrouble = (trouble: RowTrouble): string => worded(ROWS, trouble);
