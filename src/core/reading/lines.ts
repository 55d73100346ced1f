import type { Doubt } from '@/contract/picture';

/** A line of text as a reader found it in a picture. */
export interface ReadLine {
  text: string;
  /** 0 to 100. */
  confidence: number;
  /** Left, top, width, height as shares of the picture. */
  box: [number, number, number, number];
  /** How tall it is against the others it was read with, where it is not upright in the picture. */
  tall?: number;
  /** Its figures were read otherwise a second time. */
  readOtherwise?: boolean;
  /** What it was read as, too. */
  others?: readonly string[];
}

/**
 * Below this a line is junk: upside-down text comes out like that. Common practice with this kind of reader.
 */
export const LEAST_CONFIDENCE = 50;

/** What a line may mean, for a person to confirm. */
export interface Suggestion {
  /** `fact:size`, `measure:chest`, `weight`, `flaw`. */
  field: string;
  /** The fact's text, millimetres for a measurement, grams for the weight. */
  value: string;
  words: string;
  box: [number, number, number, number];
  confidence: number;
  doubt?: Doubt;
}

/** Figures that readers take for letters, put right. */
export function digits(text: string): string {
  return text
    .replace(/[Oo]/gu, '0')
    .replace(/[lI|\]]/gu, '1')
    .replace(/S/gu, '5')
    .replace(/#/gu, '7');
}

/** "KITTIWAKE mills" as "Kittiwake Mills". */
export function titled(text: string): string {
  return text
    .toLocaleLowerCase('en')
    .replace(
      /(^|[\s&-])(\p{L})/gu,
      (_, before: string, letter: string) => before + letter.toLocaleUpperCase('en'),
    );
}

/** The one of some words that this is, one wrong letter allowed from so many letters on; null where none. */
export function nearest<T extends string>(word: string, among: Iterable<T>, from: number): T | null {
  let near: T | null = null;
  for (const one of among) {
    if (one === word) return one;
    if (near === null && one.length >= from && withinOne(one, word)) near = one;
  }
  return near;
}

/** Whether two words are the same but for one letter wrong, missing or too many. */
function withinOne(a: string, b: string): boolean {
  if (Math.abs(a.length - b.length) > 1) return false;
  let i = 0;
  while (i < a.length && a[i] === b[i]) i += 1;
  if (a.length === b.length) return a.slice(i + 1) === b.slice(i + 1);
  return a.length > b.length ? a.slice(i + 1) === b.slice(i) : a.slice(i) === b.slice(i + 1);
}
