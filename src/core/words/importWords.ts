import { NONE, type Coded, type None } from '@/contract/coded';

import { textFromHtml } from './html';
import { findPrivate, type PrivateKind } from './privacy';
import { sameWord } from './sameWord';
import type { KindTree } from '../kinds/tree';
import type { Units } from '../measure/units';
import { suggestionsFrom } from '../reading/labelText';
import type { Suggestion } from '../reading/lines';

/** Lines another shop puts under everything. Common practice, from memory. */
const BOILERPLATE: readonly RegExp[] = [
  /\b(?:feedback|five stars?|star rating)\b/iu,
  /\b(?:visit|see|check out|browse) (?:my|our) (?:other|shop|store|items|listings)\b/iu,
  /\bwelcome to (?:my|our)\b/iu,
  /\b(?:combined|free|fast|flat rate) (?:postage|shipping|delivery)\b/iu,
  /\b(?:payment|returns?|refunds?|dispatch(?:ed)?) (?:policy|terms|within|accepted)\b/iu,
  /\bpowered by\b|\btemplate by\b|\ball rights reserved\b|©/iu,
  /\bthank(?:s| you) for (?:looking|visiting|shopping)\b/iu,
  /\b(?:add|save) (?:me|us|this) to (?:your )?favou?rites?\b/iu,
];

/** Why a line is left out. */
export interface LeftOutParams {
  privateThing: { what: PrivateKind; text: string };
  otherShop: None;
}
export type LeftOutWhy = Coded<LeftOutParams>;

export interface ImportedWords {
  /** Clean, in short lines. */
  text: string;
  /** Lines that were left out, and why. */
  leftOut: { line: string; why: LeftOutWhy }[];
  /** What the words say of the item; nothing of it counts before a person confirms it. */
  facts: Suggestion[];
}

/** What a person may paste at most; the rest is not read. */
export const MOST_IMPORTED = 200_000;

/**
 * Words brought in from elsewhere, plain or as a page's markup: cleaned, without the other shop's
 * boilerplate, and read for facts.
 */
export function importWords(pasted: string, kinds: KindTree, kind: string, units: Units): ImportedWords {
  const some = pasted.slice(0, MOST_IMPORTED);
  const plain = /<[a-z!/][^>]*>/iu.test(some) ? textFromHtml(some) : some.replace(/\r\n?/gu, '\n').trim();
  const leftOut: ImportedWords['leftOut'] = [];
  const kept: string[] = [];
  for (const line of plain.split('\n')) {
    const found = findPrivate(line, '')[0];
    const why: LeftOutWhy | null = found
      ? { code: 'privateThing', params: { what: found.what, text: found.words } }
      : BOILERPLATE.some((words) => words.test(line))
        ? { code: 'otherShop', params: NONE }
        : null;
    if (why) leftOut.push({ line, why });
    else kept.push(line);
  }
  const text = kept
    .join('\n')
    .replace(/\n{3,}/gu, '\n\n')
    .trim();
  return { text, leftOut, facts: factsIn(kept, kinds, kind, units) };
}

function factsIn(lines: readonly string[], kinds: KindTree, kind: string, units: Units): Suggestion[] {
  const box: Suggestion['box'] = [0, 0, 1, 1];
  const told = lines.flatMap((line): Suggestion[] => {
    const [, label = '', value = ''] = /^(?:- )?([^:]{2,40}):\s*(\S.{0,200})$/u.exec(line) ?? [];
    const spec = kinds.facts(kind).find((f) => !f.private && sameWord(f.label, label));
    return spec ? [{ field: `fact:${spec.id}`, value: value.trim(), words: line, box, confidence: 90 }] : [];
  });
  const read = suggestionsFrom(
    lines.map((text) => ({ text: text.replace(/^- /u, ''), confidence: 80, box })),
    { measures: kinds.measures(kind), units },
  ).filter(
    ({ field, doubt }) =>
      // A description's first line is seldom a maker's name; flaws and weights stand in whole sentences.
      /^(?:fact|measure):/u.test(field) &&
      field !== 'fact:brand' &&
      doubt === undefined &&
      !told.some((t) => t.field === field),
  );
  return [...told, ...read];
}
