import { NONE, type Coded, type None, type Refusal } from '@/contract/coded';

/** What kind of number a barcode carries. */
export type BarcodeType = 'EAN-13' | 'EAN-8' | 'UPC-A' | 'GTIN-14' | 'ISBN-13' | 'ISBN-10';

/** Why digits are no barcode. */
export interface BarcodeTroubleParams {
  barcodeLength: None;
  barcodeCheckDigit: None;
}
export type BarcodeTrouble = Coded<BarcodeTroubleParams>;

export type Barcode =
  | {
      ok: true;
      type: BarcodeType;
      /** Filled up with zeros in front: the same article, however it was written. */ gtin14: string;
    }
  | Refusal<BarcodeTrouble>;

/** What stands in front of the digits in print. */
const NAMED = /^\s*(?:ISBN|EAN|UPC|GTIN|JAN)(?:\s*-?\s*(?:8|10|12|13|14|A)(?=[\s:]))?\s*:?\s*/iu;

/**
 * The bare digits of what was typed, pasted or printed: "ISBN 978-0-306-40615-7" without name, spaces, and
 * dashes of any length.
 */
export function bareDigits(text: string): string {
  return text
    .normalize('NFKC')
    .replace(NAMED, '')
    .replace(/[\s\p{Pd}\p{Cf}−]/gu, '')
    .toUpperCase();
}

/**
 * The one form in which a barcode is kept and compared, however it was written: 13 digits for EAN-13, UPC-A
 * and ISBN (of ten characters, too), 8 for EAN-8, 14 only where the first is no zero.
 *
 * @returns what was typed, trimmed, where it is no barcode
 * @see GS1 General Specifications, "Storage of a GTIN in a database": all lengths are one number filled up
 * with zeros
 */
export function canonicalBarcode(text: string): string {
  const read = readBarcode(text);
  if (!read.ok) return text.trim();
  const { gtin14 } = read;
  if (gtin14.startsWith('000000')) return gtin14.slice(6);
  return gtin14.startsWith('0') ? gtin14.slice(1) : gtin14;
}

/**
 * Reads the digits of a barcode or of a printed ISBN; its name in front, dashes and spaces do not matter.
 *
 * @see GS1 General Specifications, "Check digit calculation"; ISBN Users' Manual, International edition
 */
export function readBarcode(text: string): Barcode {
  const bare = bareDigits(text);
  if (/^\d{9}[\dX]$/u.test(bare)) {
    if (isbn10CheckDigit(bare.slice(0, 9)) !== bare[9]) return wrong();
    return { ok: true, type: 'ISBN-10', gtin14: `0${isbn13From10(bare)}` };
  }
  if (!/^(\d{8}|\d{12,14})$/u.test(bare)) return { ok: false, why: { code: 'barcodeLength', params: NONE } };
  if (checkDigit(bare.slice(0, -1)) !== bare.at(-1)) return wrong();
  const gtin14 = bare.padStart(14, '0');
  switch (bare.length) {
    case 8:
      return { ok: true, type: 'EAN-8', gtin14 };
    case 12:
      return { ok: true, type: 'UPC-A', gtin14 };
    case 14:
      return { ok: true, type: 'GTIN-14', gtin14 };
    default:
      return { ok: true, type: /^97[89]/u.test(bare) ? 'ISBN-13' : 'EAN-13', gtin14 };
  }
}

function wrong(): Barcode {
  return { ok: false, why: { code: 'barcodeCheckDigit', params: NONE } };
}

/** GS1 check digit for the digits before it: weights 3 and 1 in turn, from the right. */
export function checkDigit(digits: string): string {
  let sum = 0;
  for (let i = 0; i < digits.length; i += 1)
    sum += Number(digits[digits.length - 1 - i]) * (i % 2 === 0 ? 3 : 1);
  return String((10 - (sum % 10)) % 10);
}

/** ISBN-10 check character for nine digits: weights 10 down to 2, modulo 11. */
export function isbn10CheckDigit(nine: string): string {
  let sum = 0;
  for (let i = 0; i < 9; i += 1) sum += Number(nine[i]) * (10 - i);
  const rest = (11 - (sum % 11)) % 11;
  return rest === 10 ? 'X' : String(rest);
}

/** The thirteen digits of an ISBN-10, by the Bookland prefix 978. */
export function isbn13From10(isbn10: string): string {
  const twelve = `978${isbn10.slice(0, 9)}`;
  return twelve + checkDigit(twelve);
}

/** The ten characters of an ISBN-13 that begins with 978; null for others. */
export function isbn10From13(isbn13: string): string | null {
  if (!/^978\d{10}$/u.test(isbn13)) return null;
  const nine = isbn13.slice(3, 12);
  return nine + isbn10CheckDigit(nine);
}
