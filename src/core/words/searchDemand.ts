import type { SearchedWord } from '@/contract/comps';

import { wholeWord } from '../language/wholeWord';

/** A public text, and what it is called. */
export interface NamedText {
  name: string;
  text: string;
}

export interface WordDemand {
  word: string;
  /** How often it was searched lately, by marketplace. */
  counts: Readonly<Record<string, number>>;
  /** The most of them. */
  most: number;
  /** Where it stands now, by the texts' names. */
  usedIn: readonly string[];
}

/** All words that buyers search, the most searched first, with where each is used. */
export function rankSearchDemand(
  markets: Readonly<Record<string, readonly SearchedWord[]>>,
  texts: readonly NamedText[],
): WordDemand[] {
  const counts = new Map<string, Record<string, number>>();
  for (const [market, words] of Object.entries(markets))
    for (const { word, count } of words) counts.set(word, { ...counts.get(word), [market]: count });
  return [...counts]
    .map(([word, by]): WordDemand => {
      const found = wholeWord(word, 'iu');
      return {
        word,
        counts: by,
        most: Math.max(...Object.values(by)),
        usedIn: texts.filter(({ text }) => found.test(text)).map(({ name }) => name),
      };
    })
    .sort((a, b) => b.most - a.most || a.word.localeCompare(b.word, 'en'));
}
