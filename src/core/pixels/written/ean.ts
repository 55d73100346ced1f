import { checkDigit } from '../../identity/gtin';

/**
 * The patterns of an EAN-13's digits.
 *
 * @see GS1 General Specifications, 5.2 (EAN/UPC symbology specifications)
 */

/** Modules of a digit; which of them are bars, the first module first. */
export const WIDE = 7;
export type Pattern = readonly number[];

/** Left digits with odd parity, seven bits each. */
const ODD = [0x0d, 0x19, 0x13, 0x3d, 0x23, 0x31, 0x2f, 0x3b, 0x37, 0x0b] as const;
/** Which of the six left digits have even parity, the first as the highest bit, by the first digit of all. */
const PARITIES = [0x00, 0x0b, 0x0d, 0x0e, 0x13, 0x19, 0x1c, 0x15, 0x16, 0x1a] as const;

const barsOf = (bits: number): Pattern =>
  Array.from({ length: WIDE }, (_, i) => (bits >> (WIDE - 1 - i)) & 1);

/** Right digits are odd ones inverted; even ones are right ones backwards. */
export const RIGHT: readonly Pattern[] = ODD.map((odd) => barsOf(~odd & 0x7f));
/** Ten of odd parity, then ten of even. */
export const LEFT: readonly Pattern[] = [...ODD.map(barsOf), ...RIGHT.map((right) => [...right].reverse())];

/**
 * The number of twelve drawn digits.
 *
 * @param drawn places in {@link LEFT} for the first six, in {@link RIGHT} for the others
 * @returns null where their parities stand for no first digit
 */
export function textOf(drawn: readonly number[]): string | null {
  const parity = drawn.slice(0, 6).reduce((bits, digit) => bits * 2 + (digit >= 10 ? 1 : 0), 0);
  const first = PARITIES.findIndex((one) => one === parity);
  return first < 0 ? null : `${first}${drawn.map((digit) => digit % 10).join('')}`;
}

/** Whether they are a number with its own check digit. */
export function isValid(drawn: readonly number[]): boolean {
  const text = textOf(drawn);
  return text !== null && text.endsWith(checkDigit(text.slice(0, -1)));
}
