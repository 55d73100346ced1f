import type { Coded, Wording } from '@/contract/coded';
import type { KindTree } from '@/core/kinds/tree';
import { plural } from '@/core/language/plural';
import type { LeftOutParams, LeftOutWhy } from '@/core/words/importWords';
import type { PatternTrouble, PatternTroubleParams } from '@/core/words/pattern';
import type { PatternProblemParams } from '@/core/words/patternProblems';
import type { WordSource } from '@/core/words/sources';
import type { TokenGroup } from '@/core/words/tokens';

import { privateThing } from './check';
import { fieldName } from './kinds';
import { worded } from './worded';

const LEFT_OUT: Wording<LeftOutParams> = {
  privateThing: ({ what, text }) => `${privateThing(what)}: “${text}”`,
  otherShop: () => 'another shop’s own words',
};

const PATTERN: Wording<PatternTroubleParams> = {
  neverClosed: ({ name }) => `“${name}” is opened with {{#${name}}} and never closed.`,
  neverOpened: ({ name }) => `“${name}” is closed with {{/${name}}} but was not opened.`,
  braces: () => 'A {{ has no }} after it.',
  unreadable: () => 'The pattern can’t be read.',
};

const PROBLEM: Wording<PatternProblemParams> = {
  ...PATTERN,
  unknown: ({ name, meant }) =>
    `Nothing is called “${name}”.${meant === null ? ' It stays empty.' : ` Was “${meant}” meant?`}`,
};

/** What is wrong at a place of a pattern. */
export const patternProblemWords = (why: Coded<PatternProblemParams>): string => worded(PROBLEM, why);

export const TOKEN_GROUP_NAMES: Readonly<Record<TokenGroup, string>> = {
  item: 'The item',
  facts: 'Specifics',
  measurements: 'Measurements',
  condition: 'Condition',
  buyer: 'Whoever asks',
};

export const leftOutWhy = (why: LeftOutWhy): string => worded(LEFT_OUT, why);
export const patternTroubleWords = (trouble: PatternTrouble): string => worded(PATTERN, trouble);

/** What was found in words brought in. */
export function factsFound(count: number): string {
  const [found, they] = plural(count, ['One fact was', 'it waits'], [`${count} facts were`, 'they wait']);
  return `${found} found in it; ${they} at the top of the sheet for your word.`;
}

/** What words of a public text rest on, for a person. */
export function sourceName(source: WordSource, kind: string, kinds: KindTree): string {
  switch (source.of) {
    case 'fact':
    case 'measure':
      return fieldName(`${source.of}:${source.id}`, kind, kinds);
    case 'flaw':
      return 'A flaw';
    case 'kind':
      return 'What kind it is';
    case 'condition':
      return 'Its condition';
    case 'pattern':
      return 'The tone’s own words';
    case 'closing':
      return 'Your closing words';
    case 'typed':
      return 'Typed: nothing recorded says it';
  }
}
