import { distance } from 'fastest-levenshtein';

import type { Doubt } from '@/contract/picture';

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
  /** Of its figures, as `ReadLine.weakest`. */
  weakest?: number;
  doubt?: Doubt;
}

/** Figures that readers take for letters, put right. */
export function digits(text: string): string {
  return text
    .replace(/[Oo]/gu, '0')
    .replace(/[lLI|\]]/gu, '1')
    .replace(/[Ss$]/gu, '5')
    .replace(/#/gu, '7');
}

/** A word of so many letters is known by the others where two are wrong. */
const LONG = 8;

/** "KITTIWAKE mills" as "Kittiwake Mills". */
export function titled(text: string): string {
  return text
    .toLocaleLowerCase('en')
    .replace(
      /(^|[\s&-])(\p{L})/gu,
      (_, before: string, letter: string) => before + letter.toLocaleUpperCase('en'),
    );
}

/**
 * The one of some words that this is, the closest: one wrong letter allowed from so many letters on, two in
 * long words; null where none.
 */
export function nearest<T extends string>(word: string, among: Iterable<T>, from: number): T | null {
  let near: T | null = null;
  let least = Infinity;
  for (const one of among) {
    if (one === word) return one;
    const most = one.length < from ? 0 : one.length < LONG ? 1 : 2;
    if (Math.abs(one.length - word.length) > most) continue;
    const off = distance(one, word);
    if (off <= most && off < least) [near, least] = [one, off];
  }
  return near;
}
