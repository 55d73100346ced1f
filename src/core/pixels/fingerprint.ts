import { labOf } from './lab';
import { apart, GRID, sampled, type Print } from './laidOn';
import { shrunk, type Pixels } from './pixels';

/** Cells along each side of the two colour axes, which say less than lightness. */
const COLOUR_GRID = 8;
const CELLS = GRID * GRID;
const FORM = /^[\w-]{384}$/u;
/** One character a value: the alphabet of RFC 4648 for base 64 in addresses. */
const DIGITS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789-_';
const VALUE_OF = new Uint8Array(128);
for (let value = 0; value < 64; value += 1) VALUE_OF[DIGITS.charCodeAt(value)] = value;
/** Steps of L*, and of a* and b*, whose middle is 32. */
const LIGHT_STEP = 100 / 63;
const COLOUR_STEP = 2.5;

/**
 * A short description of what a picture looks like, for finding near-duplicates: the lightness of 16 × 16
 * cells and the colours of 8 × 8, each one character; 384 of them.
 */
export function fingerprintOf(picture: Pixels): string {
  const small = shrunk(picture, 320);
  const light = cells(small, GRID).map(([l]) => l / LIGHT_STEP);
  const colour = cells(small, COLOUR_GRID);
  const axis = (k: 1 | 2) => colour.map((lab) => lab[k] / COLOUR_STEP + 32);
  return [...light, ...axis(1), ...axis(2)]
    .map((value) => DIGITS[Math.max(0, Math.min(63, Math.round(value)))])
    .join('');
}

/** A picture's cells, each of the mean colour of what it stands for. */
function cells(picture: Pixels, grid: number): (readonly [number, number, number])[] {
  const span = (i: number, length: number): [number, number] => {
    const from = Math.min(length - 1, Math.floor((i * length) / grid));
    return [from, Math.max(from + 1, Math.floor(((i + 1) * length) / grid))];
  };
  return Array.from({ length: grid * grid }, (_, at) => {
    const [top, bottom] = span(Math.floor(at / grid), picture.height);
    const [left, right] = span(at % grid, picture.width);
    const sums: [number, number, number] = [0, 0, 0];
    for (let y = top; y < bottom; y += 1)
      for (let x = left; x < right; x += 1)
        for (let k = 0; k < 3; k += 1) sums[k]! += picture.data[(y * picture.width + x) * 4 + k]!;
    const n = (bottom - top) * (right - left);
    return labOf(Math.round(sums[0] / n), Math.round(sums[1] / n), Math.round(sums[2] / n));
  });
}

/** Read back from its characters. */
function printFrom(text: string): Print {
  const values = new Float32Array(text.length);
  for (let i = 0; i < values.length; i += 1) values[i] = VALUE_OF[text.charCodeAt(i)]!;
  const colours = COLOUR_GRID * COLOUR_GRID;
  const axis = (from: number) =>
    widened(values.slice(from, from + colours).map((v) => (v - 32) * COLOUR_STEP));
  return [values.slice(0, CELLS).map((v) => v * LIGHT_STEP), axis(CELLS), axis(CELLS + colours)];
}

/** From 8 × 8 cells to 16 × 16. */
function widened(plane: Float32Array): Float32Array {
  const out = new Float32Array(CELLS);
  const k = COLOUR_GRID / GRID;
  for (let y = 0; y < GRID; y += 1)
    for (let x = 0; x < GRID; x += 1)
      out[y * GRID + x] = sampled(plane, COLOUR_GRID, (x + 0.5) * k - 0.5, (y + 0.5) * k - 0.5);
  return out;
}

/**
 * How alike two pictures look, once one is laid on the other as well as it goes (moved, turned, stretched a
 * little; lighter or darker, warmer or cooler).
 *
 * @returns 0 the same, above about 1 different; Infinity where one of them is no fingerprint
 */
export function fingerprintDistance(one: string, other: string): number {
  if (one === other && isFingerprint(one)) return 0;
  if (!isFingerprint(one) || !isFingerprint(other)) return Infinity;
  // Quick, and enough for nearly all.
  const coloursApart = meanStepsApart(one, other, CELLS);
  if (coloursApart > OTHER_COLOURS) return coloursApart / 1.75;
  const [a, b] = [printFrom(one), printFrom(other)];
  // Always the same one is laid on the other, so that it does not matter which is named first.
  return one < other ? apart(a, b) : apart(b, a);
}

/** Mean steps by which colours are apart; of pictures of the same it is 2.4 at most. */
const OTHER_COLOURS = 3.5;

/** Whether two can't be of the same, at a glance. */
export function haveOtherColours(one: string, other: string): boolean {
  return meanStepsApart(one, other, CELLS) > OTHER_COLOURS;
}

/** Whether it is one that can be compared: those kept before they had this form can't. */
export function isFingerprint(text: string): boolean {
  return FORM.test(text);
}

/**
 * Mean lightness of the upper left quarter, 0 to 63: near pictures are near in it too. NaN of no
 * fingerprint.
 */
export function cornerLight(text: string): number {
  if (!isFingerprint(text)) return NaN;
  let sum = 0;
  for (let y = 0; y < GRID / 2; y += 1)
    for (let x = 0; x < GRID / 2; x += 1) sum += VALUE_OF[text.charCodeAt(y * GRID + x)]!;
  return sum / (GRID / 2) ** 2;
}

/** Mean difference of the characters from one on, in steps. */
function meanStepsApart(one: string, other: string, from: number): number {
  let sum = 0;
  for (let i = from; i < one.length; i += 1)
    sum += Math.abs(VALUE_OF[one.charCodeAt(i)]! - VALUE_OF[other.charCodeAt(i)]!);
  return sum / (one.length - from);
}
