/**
 * An EAN-13 out of focus, its digits fitted to the row of light they make: not the blur taken back, but
 * each digit blurred as the picture is and held against it.
 *
 * @see GS1 General Specifications, 5.2 (EAN/UPC symbology): the 95 modules and the patterns of the digits
 */

/** Left digits with odd parity; even parity is the right ones reversed, the right ones are the odd inverted. */
const ODD = [0x0d, 0x19, 0x13, 0x3d, 0x23, 0x31, 0x2f, 0x3b, 0x37, 0x0b] as const;
/** Which of the six left digits are even, by the first digit of all. */
const PARITIES = [0x00, 0x0b, 0x0d, 0x0e, 0x13, 0x19, 0x1c, 0x15, 0x16, 0x1a] as const;
const MODULES = 95;
const WIDE = 7;

/** Seven modules of a digit, first module first: 1 is a bar. */
type Pattern = readonly number[];
const bitsOf = (value: number): Pattern => Array.from({ length: WIDE }, (_, i) => (value >> (WIDE - 1 - i)) & 1);
const RIGHT: readonly Pattern[] = ODD.map((odd) => bitsOf(~odd & 0x7f));
const LEFT: readonly Pattern[] = [...ODD.map(bitsOf), ...RIGHT.map((right) => [...right].reverse())];

/** Where the modules of the twelve digits begin. */
const BEGINS = Array.from({ length: 12 }, (_, i) => (i < 6 ? 3 + WIDE * i : 50 + WIDE * (i - 6)));
const patternsAt = (digit: number) => (digit < 6 ? LEFT : RIGHT);

/** Samples a module, and modules of quiet on each side that are looked at. */
const FINE = 3;
const QUIET = 4;
const SAMPLES = (MODULES + 2 * QUIET) * FINE;
/** Modules on each side that a blurred one reaches. */
const REACH = 3;
/** Blurs that are tried, σ in modules. */
const SIGMAS = [0.4, 0.55, 0.72, 0.9] as const;
