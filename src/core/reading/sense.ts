import type { ReadLine } from '@/contract/picture';

import { FLAW_WORDS } from './board';
import { FIBRE_NAMES } from './fibres';
import { LEAST_CONFIDENCE } from './lines';

/** Words that stand on labels and boards, besides those of brands, places and measurements. */
export const READ_WORDS: readonly string[] = [
  ...(
    'made in size style art article ref model shell lining outer body sole upper trim fill filling padding ' +
    'machine hand wash only dry clean cold warm hot cool iron bleach tumble not do gentle cycle line flat ' +
    'separately dark colours colors with like inside out keep away from fire pure new virgin exclusive of ' +
    'professional low medium high heat steam water the and for without weight colour color flaw flaws'
  ).split(' '),
  ...FIBRE_NAMES,
  ...FLAW_WORDS,
];

/** Letters of words that exist, of three letters at least: shorter ones come about upside down, too. */
export function knownLetters(lines: readonly ReadLine[], known: (word: string) => boolean): number {
  return lines
    .flatMap(({ text }) => text.toLocaleLowerCase('en').match(/\p{L}{3,}/gu) ?? [])
    .reduce((sum, word) => sum + (known(word) ? word.length : 0), 0);
}

/**
 * How much of what was read makes sense: letters of words that exist, and a little for figures with their
 * signs. Upside down there is next to nothing of it, however sure the reader is.
 *
 * @param known whether a word in small letters is one: {@link READ_WORDS} and what the person has besides
 */
export function senseOf(lines: readonly ReadLine[], known: (word: string) => boolean): number {
  let sense = 0;
  for (const { text, confidence } of lines) {
    if (confidence < LEAST_CONFIDENCE) continue;
    for (const word of text.toLocaleLowerCase('en').match(/\p{L}{2,}/gu) ?? [])
      if (known(word)) sense += word.length;
    if (/\d\s?%/u.test(text)) sense += 3;
    // Nothing but lengths, as on a board without words; a five is like an S.
    if (/^(?=.*\d)[\dS]{2,3}(?:[.,][\dS])?(?:\s*[/x,\s]\s*[\dS]{2,3}(?:[.,][\dS])?)+$/iu.test(text))
      sense += confidence / 30;
    if (confidence > 75) sense += Math.min(3, text.length / 6);
  }
  return sense;
}
