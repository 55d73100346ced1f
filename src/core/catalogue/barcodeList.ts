import { bareDigits, canonicalBarcode, readBarcode } from '../identity/gtin';

export interface ListedBarcode {
  /** Digits in the one form in which barcodes are kept. */
  digits: string;
  /** How often it stands there: that many copies. */
  times: number;
}

export interface BarcodeList {
  barcodes: ListedBarcode[];
  /** What looked like a barcode and is none, with the reason. */
  refused: { text: string; why: string }[];
  /** More than {@link MOST_BARCODES}: the rest is for another time. */
  left: number;
}

/** The most different barcodes of one list. */
export const MOST_BARCODES = 500;
/** The longest text looked at, in UTF-16 code units. */
const LONGEST = 200_000;

/**
 * Barcodes from a pasted or imported list: one a line, or in any column of a table. Words and prices beside them do not
 * matter. The same one twice is two copies. Whatever has the length of a barcode and a wrong check digit is told.
 */
export function barcodesIn(text: string): BarcodeList {
  const times = new Map<string, number>();
  const refused: BarcodeList['refused'] = [];
  let left = 0;
  for (const cell of text.slice(0, LONGEST).split(/[\r\n\t,;|]+/u)) {
    const bare = bareDigits(cell.replace(/["']/gu, ''));
    if (!/^\d[\dX]{7,13}$/u.test(bare)) continue;
    const read = readBarcode(bare);
    if (!read.ok) {
      if (refused.length < 100) refused.push({ text: bare, why: read.why });
      continue;
    }
    const digits = canonicalBarcode(bare);
    if (!times.has(digits) && times.size >= MOST_BARCODES) {
      left += 1;
      continue;
    }
    times.set(digits, (times.get(digits) ?? 0) + 1);
  }
  return { barcodes: [...times].map(([digits, n]) => ({ digits, times: n })), refused, left };
}
