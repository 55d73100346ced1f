import type { CodePattern } from '@/contract/records';
import { RuleSheet } from '@/contract/ruleSheet';

import { linesOfYear, type PastLine } from './lines';
import { recordsOf, type PastRecords } from './records';
import { DAY, ORIGINS } from './rules';
import { yearBefore, type PastSale } from './year';
import { SHEET as BRACKENMOOR } from '../../server/standins/brackenmoor/sheet';
import { SHEET as HANDBILL } from '../../server/standins/handbill/sheet';
import { SHEET as LANTERNYARD } from '../../server/standins/lanternyard/sheet';
import { SHEET as NEARSTILE } from '../../server/standins/nearstile/sheet';
import { SHEET as OLDHOLLOW } from '../../server/standins/oldhollow/sheet';
import { SHEET as QUIRESTACK } from '../../server/standins/quirestack/sheet';
import { SHEET as THREADWICK } from '../../server/standins/threadwick/sheet';

/** The rules that the past was sold by. */
export const SHEETS: readonly RuleSheet[] = [
  BRACKENMOOR,
  THREADWICK,
  NEARSTILE,
  OLDHOLLOW,
  QUIRESTACK,
  LANTERNYARD,
  HANDBILL,
].map((sheet) => RuleSheet.parse(sheet));

/** How many items were sold before the demo begins: their numbers come before all others. */
export const PAST_ITEMS = ORIGINS.reduce((sum, origin) => sum + origin.sold, 0);

export interface Past {
  /** As it truly was. */
  sales: PastSale[];
  /** What the browser holds of it. */
  records: PastRecords;
  /** What the courier wrote down of it. */
  lines: PastLine[];
}

/**
 * The year before a moment: the same for every moment of a day.
 *
 * @param now milliseconds since 1970
 * @param sizeOf the bytes of a drawing's picture
 */
export function pastBefore(
  now: number,
  pattern: CodePattern,
  sizeOf: (drawing: string) => number = () => 1,
): Past {
  const today = Math.floor(now / DAY) * DAY;
  const sales = yearBefore(today, SHEETS);
  const records = recordsOf(sales, today, SHEETS, pattern, sizeOf);
  return { sales, records, lines: linesOfYear(sales, records.items, SHEETS) };
}
