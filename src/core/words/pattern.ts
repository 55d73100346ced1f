import Mustache from 'mustache';

import { NONE, type Coded, type None } from '@/contract/coded';
import type { Item } from '@/contract/records';

import { valuesByName } from './byName';
import { cleanedWords, homeWords, TESTED_WORDS } from '../condition/conditionText';
import {
  betterBecause,
  flawWords,
  gradeNames,
  gradeOfItem,
  wordsBesideGrade,
  wordsForUse,
} from '../condition/grade';
import { publicFacts } from '../kinds/publicFacts';
import type { KindTree } from '../kinds/tree';
import { answersOf, readable } from '../kinds/values';
import { aroundFromFlat, formatLength, type Units } from '../measure/units';

/**
 * Reusable wording: `{{brand}}` stands for a fact, `{{#flaws}}…{{/flaws}}` for what is said of each, and a
 * section without anything to say vanishes.
 */
export interface WordPattern {
  id: string;
  name: string;
  text: string;
}

const MEASURED = `{{#measured}}
Measured flat:
{{#measurements}}
- {{name}} {{value}}{{#around}} ({{around}} around){{/around}}
{{/measurements}}
{{/measured}}`;
/** What is said of its condition beside the grade. */
export const CONDITION_LINES = `{{#flaws}}
- {{.}}
{{/flaws}}
{{#better}}
- better than its use says: {{better}}
{{/better}}
{{#flawless}}
- no flaws found
{{/flawless}}
{{#included}}
- with it: {{included}}
{{/included}}
{{#missing}}
- missing: {{missing}}
{{/missing}}
{{#tested}}
- {{tested}}
{{/tested}}
{{#cleaned}}
- {{cleaned}}
{{/cleaned}}
{{#household}}
- {{household}}
{{/household}}
{{#note}}
{{note}}
{{/note}}`;
const CONDITION = `{{#grade}}
Condition: {{grade}}{{#used}}, {{used}}{{/used}}.
{{/grade}}
${CONDITION_LINES}`;

/** The tone for whoever chose none. */
export const USUAL_TONE: WordPattern = {
  id: 'plain',
  name: 'Plain',
  text: `{{what}}{{#how}}: {{how}}{{/how}}.
{{#size}}
Label size {{size}}.
{{/size}}

${CONDITION}

${MEASURED}

{{#closing}}
{{closing}}
{{/closing}}`,
};

/** Three tones to start from. Each says facts of the record and nothing more. */
export const TONES: readonly WordPattern[] = [
  USUAL_TONE,
  {
    id: 'story',
    name: 'Told',
    text: `This is {{#brand}}a {{brand}} {{/brand}}{{^brand}}a {{/brand}}{{kindWords}}{{#model}}, {{model}}{{/model}}{{#colour}}, in {{colour}}{{/colour}}{{#material}}, made of {{material}}{{/material}}.{{#decade}} It was made in the {{decade}}.{{/decade}}{{#size}} The label says size {{size}}.{{/size}}

{{#grade}}
{{#looked}}We looked it over with care. {{/looked}}It is {{grade}}{{#used}}: {{used}}{{/used}}.{{#better}} Better than that says: {{better}}.{{/better}}
{{/grade}}
{{#flawed}}
What to know before you buy:
{{#flaws}}
- {{.}}
{{/flaws}}
{{/flawed}}
{{#flawless}}
We found no flaws.
{{/flawless}}
{{#included}}
It comes with {{included}}.
{{/included}}
{{#missing}}
What is missing: {{missing}}.
{{/missing}}
{{#tested}}
It was {{tested}}.
{{/tested}}
{{#cleaned}}
It is {{cleaned}}.
{{/cleaned}}
{{#household}}
It comes {{household}}.
{{/household}}
{{#note}}
{{note}}
{{/note}}

${MEASURED}

{{#closing}}
{{closing}}
{{/closing}}`,
  },
  {
    id: 'brief',
    name: 'Brief',
    text: `{{#facts}}
- {{label}}: {{value}}
{{/facts}}
{{#grade}}
- condition: {{grade}}
{{/grade}}
{{#better}}
- better than its use says: {{better}}
{{/better}}
{{#flaws}}
- {{.}}
{{/flaws}}
{{#included}}
- with it: {{included}}
{{/included}}
{{#missing}}
- missing: {{missing}}
{{/missing}}
{{#measurements}}
- {{name}}: {{value}}
{{/measurements}}
{{#closing}}

{{closing}}
{{/closing}}`,
  },
];

/** What a pattern may speak of, by name; of some there are several. */
export interface PatternView extends Record<string, unknown> {
  facts: readonly { label: string; value: string }[];
  measurements: readonly { name: string; value: string; around: string }[];
}

/**
 * Everything a pattern may speak of: public facts, and what follows from them, also under the names their
 * askers gave them; ours come first.
 */
export function patternView(item: Item, kinds: KindTree, units: Units, closing: string): PatternView {
  const kind = kinds.get(item.kind);
  const facts = publicFacts(item, kinds);
  const words = Object.fromEntries(Object.entries(facts).map(([id, v]) => [id, small(id, readable(v))]));
  const grade = gradeOfItem(item);
  const flaws = item.flaws.map(
    (flaw) => `${flawWords(flaw)}${flaw.sizeMm ? ` (${formatLength(flaw.sizeMm, units)})` : ''}`,
  );
  const measurements = kinds.measures(item.kind).flatMap((m) => {
    const mm = item.measurements[m.id];
    return mm === undefined
      ? []
      : [
          {
            name: m.name.toLocaleLowerCase('en'),
            value: formatLength(mm, units),
            around: m.doubled ? formatLength(aroundFromFlat(mm), units) : '',
          },
        ];
  });
  return {
    ...valuesByName(item, kinds, units),
    ...words,
    title: item.title,
    kind: kind?.name ?? '',
    kindWords: kind?.titleWords ?? 'item',
    what:
      [words.brand, words.model, kind?.modelIsName ? '' : kind?.titleWords].filter(Boolean).join(' ') ||
      (kind?.name ?? 'Item'),
    how: [words.colour, words.material].filter(Boolean).join(', '),
    facts: publicLines(facts, (id) => kinds.factName(item.kind, id)),
    grade: grade ? (gradeNames(item.kind, kinds)[grade.wear] ?? '').toLocaleLowerCase('en') : '',
    better: betterBecause(item),
    use: item.use ? wordsForUse(item.use) : '',
    used: wordsBesideGrade(item, grade),
    flaws,
    flawed: flaws.length > 0,
    // Nobody who has not looked has found none.
    flawless: item.looked && flaws.length === 0,
    looked: item.looked || flaws.length > 0,
    measurements,
    measured: measurements.length > 0,
    included: item.included.trim(),
    missing: item.missing.trim(),
    tested: item.tested ? TESTED_WORDS[item.tested] : '',
    cleaned: cleanedWords(item),
    household: homeWords(item),
    note: item.conditionNote.trim(),
    closing: closing.trim(),
  };
}

/**
 * Facts as buyers read them: what a size is counted in stands with the size, and a question to the seller is
 * no label.
 */
function publicLines(facts: Readonly<Record<string, string>>, nameOf: (id: string) => string) {
  const counted = facts.size && facts.sizeSystem ? `${facts.sizeSystem} ` : '';
  return Object.entries(facts)
    .filter(([id]) => id !== 'sizeSystem')
    .map(([id, v]) => ({
      label: id === 'department' ? 'for' : nameOf(id).toLocaleLowerCase('en'),
      value: `${id === 'size' ? counted : ''}${answersOf(v).join(', ')}`,
    }));
}

/** Colours and stuffs are written small in a sentence; names are not. */
function small(id: string, value: string): string {
  return ['colour', 'material', 'pattern', 'metal'].includes(id) ? value.toLocaleLowerCase('en') : value;
}

/** Why a pattern can't be read; `name` is that of a token. */
export interface PatternTroubleParams {
  neverClosed: { name: string };
  neverOpened: { name: string };
  braces: None;
  unreadable: None;
}
export type PatternTrouble = Coded<PatternTroubleParams>;

export type Filled = { ok: true; text: string } | { ok: false; why: PatternTrouble };

/** Longest text a pattern may make. */
const LONGEST = 10_000;

/**
 * A pattern with an item's facts in it, as plain text. What stands in a fact is never read as a pattern
 * again.
 *
 * @returns why the pattern can't be read, where it can't
 */
export function fillPattern(
  pattern: string,
  item: Item,
  kinds: KindTree,
  units: Units,
  closing = '',
): Filled {
  return filledFrom(pattern, patternView(item, kinds, units, closing));
}

/** The same from what it may speak of, for whoever fills several of one item. */
export function filledFrom(pattern: string, view: PatternView): Filled {
  try {
    const text = Mustache.render(pattern, view, {}, { escape: String });
    return { ok: true, text: tidy(text).slice(0, LONGEST) };
  } catch (error) {
    return { ok: false, why: patternTrouble(error) };
  }
}

/** Told from the words of the library, which gives its errors no codes. */
function patternTrouble(error: unknown): PatternTrouble {
  const said = error instanceof Error ? error.message : '';
  const [, which, name = ''] = /^(Unclosed|Unopened) section "([^"]+)"/u.exec(said) ?? [];
  if (which) return { code: which === 'Unclosed' ? 'neverClosed' : 'neverOpened', params: { name } };
  return { code: said.startsWith('Unclosed tag') ? 'braces' : 'unreadable', params: NONE };
}

/** The words of a pattern that are its own, whatever item it is for. */
export function patternWords(pattern: string): string {
  return pattern.replace(/\{\{[^}]*\}\}/gu, ' ');
}

/** Sections that vanished leave empty lines behind: at most one between two paragraphs. */
function tidy(text: string): string {
  return text
    .split('\n')
    .map((line) => line.replace(/[^\S\n]+/gu, ' ').trimEnd())
    .join('\n')
    .replace(/\n{3,}/gu, '\n\n')
    .trim();
}
