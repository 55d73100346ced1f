import type { Item } from '@/contract/records';

import { patternWords } from './pattern';
import { cleanedWords, homeWords, TESTED_WORDS } from '../condition/conditionText';
import { betterBecause, flawWords, gradeNames, gradeOfItem, wordsForUse } from '../condition/grade';
import { publicWords } from '../kinds/publicFacts';
import type { KindTree } from '../kinds/tree';
import { aroundFromFlat, formatLength, type Units } from '../measure/units';

/** What a word of a public text rests on. */
export type WordSource =
  | { of: 'fact'; id: string }
  | { of: 'measure'; id: string }
  | { of: 'flaw'; id: string }
  | { of: 'kind' }
  | { of: 'condition' }
  /** The tone or pattern it is written in, which says nothing of the item. */
  | { of: 'pattern' }
  | { of: 'closing' }
  /** Nothing recorded: somebody typed it. */
  | { of: 'typed' };

export interface SourcedWords {
  words: string;
  source: WordSource;
}

/** By what the words of an item are written. */
export interface WrittenBy {
  kinds: KindTree;
  units: Units;
  /** The text of the pattern. */
  pattern: string;
  closing: string;
}

const WORD = /[\p{L}\p{N}]+/gu;
const wordsOf = (text: string): string[] => text.toLocaleLowerCase('en').match(WORD) ?? [];

/**
 * What every word of a text rests on, words in a row of a line with the same source together. A word that
 * several sources have is given to the one whose words around it fit, else to the first: facts before
 * measurements, the record before the pattern.
 */
export function sourcesOf(text: string, item: Item, by: WrittenBy): SourcedWords[] {
  const said = phrasesOf(item, by);
  const tokens = [...text.matchAll(WORD)];
  const words = tokens.map(([word]) => word.toLocaleLowerCase('en'));
  const found: SourcedWords[] = [];
  let at = 0;
  while (at < tokens.length) {
    const { length, source } = longest(words, at, said);
    const [first, last] = [tokens[at], tokens[at + length - 1]];
    const part = text.slice(first?.index ?? 0, (last?.index ?? 0) + (last?.[0].length ?? 0));
    const before = found.at(-1);
    const gap = between(text, first, tokens[at - 1]);
    if (before && isSame(before.source, source) && !gap.includes('\n')) before.words += gap + part;
    else found.push({ words: part, source });
    at += length;
  }
  return found;
}

/** What stands between two words. */
function between(text: string, next: RegExpExecArray | undefined, last: RegExpExecArray | undefined): string {
  return text.slice((last?.index ?? 0) + (last?.[0].length ?? 0), next?.index ?? 0);
}

interface Phrase {
  words: readonly string[];
  source: WordSource;
}

/** The longest run of words from here on that one source has; of equally long ones the first. */
function longest(
  words: readonly string[],
  at: number,
  said: readonly Phrase[],
): { length: number; source: WordSource } {
  let best: { length: number; source: WordSource } = { length: 0, source: { of: 'typed' } };
  for (const phrase of said)
    for (let start = phrase.words.indexOf(words[at] ?? ''); start >= 0;) {
      let length = 1;
      while (at + length < words.length && phrase.words[start + length] === words[at + length]) length += 1;
      if (length > best.length) best = { length, source: phrase.source };
      start = phrase.words.indexOf(words[at] ?? '', start + 1);
    }
  return best.length === 0 ? { length: 1, source: { of: 'typed' } } : best;
}

function phrasesOf(item: Item, { kinds, units, pattern, closing }: WrittenBy): Phrase[] {
  const kind = kinds.get(item.kind);
  const phrase = (source: WordSource, ...texts: (string | undefined)[]): Phrase[] =>
    texts.flatMap((text) => (text ? { source, words: wordsOf(text) } : []));
  const grade = gradeOfItem(item);
  return [
    ...Object.entries(publicWords(item, kinds)).flatMap(([id, value]) => phrase({ of: 'fact', id }, value)),
    ...phrase({ of: 'kind' }, kind?.titleWords, kind?.name),
    ...kinds.measures(item.kind).flatMap(({ id, name }) => {
      const mm = item.measurements[id];
      return mm === undefined
        ? []
        : phrase(
            { of: 'measure', id },
            `${name} ${formatLength(mm, units)} ${formatLength(aroundFromFlat(mm), units)}`,
          );
    }),
    ...item.flaws.flatMap((flaw) =>
      phrase(
        { of: 'flaw', id: flaw.id },
        flawWords(flaw),
        flaw.sizeMm ? formatLength(flaw.sizeMm, units) : '',
      ),
    ),
    ...phrase(
      { of: 'condition' },
      grade ? gradeNames(item.kind, kinds)[grade.wear] : '',
      item.use ? wordsForUse(item.use) : '',
      betterBecause(item),
      item.included,
      item.missing,
      item.tested ? TESTED_WORDS[item.tested] : '',
      cleanedWords(item),
      homeWords(item),
      item.conditionNote,
    ),
    // What names a fact is the wording's, as all else that every item of its kind would say.
    ...Object.keys(item.facts).flatMap((id) => phrase({ of: 'pattern' }, kinds.factName(item.kind, id))),
    ...phrase({ of: 'pattern' }, patternWords(pattern), 'size', 'for'),
    ...phrase({ of: 'closing' }, closing),
  ];
}

function isSame(a: WordSource, b: WordSource): boolean {
  return JSON.stringify(a) === JSON.stringify(b);
}
