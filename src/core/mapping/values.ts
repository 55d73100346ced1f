import type { Mapping } from '@/contract/mapping';
import type { SheetCategory, SheetSpecific } from '@/contract/ruleSheet';

import { joinedValues, mostValues } from './fieldValues';
import { plainerColour } from '../colour/choice';
import type { KindTree } from '../kinds/tree';
import { answersOf } from '../kinds/values';

/** Their names for fields that we know under another. */
const SAME_FIELD: Readonly<Record<string, string>> = { origin: 'country' };

/** The fact that a marketplace's field asks for. */
export function factOf(field: string): string {
  return SAME_FIELD[field] ?? field;
}

/**
 * A value of ours in the marketplace's words: as it is where text is free; where there is a list, the same
 * word in any case, a plainer shade, the nearest colour, the decade a year lies in.
 *
 * @returns null when nothing on the list means the same: then the person has to choose
 */
export function translate(value: string, choices: readonly string[] | undefined): string | null {
  const bare = value.trim();
  if (bare === '') return null;
  if (!choices) return bare;
  const key = bare.toLocaleLowerCase('en');
  const find = (word: string) => choices.find((c) => c.toLocaleLowerCase('en') === word);
  const exact = find(key);
  if (exact) return exact;
  const plainer = plainerColour(bare, choices);
  if (plainer) return plainer;
  const decade = /^(\d{3})\ds?$/u.exec(key);
  if (!decade) return null;
  const start = Number(`${decade[1]}0`);
  const before = choices
    .map((choice) => ({ choice, year: Number(/^Before (\d{4})$/u.exec(choice)?.[1] ?? NaN) }))
    .find(({ year }) => start < year);
  return find(`${start}s`) ?? before?.choice ?? null;
}

/** What the person decided about a marketplace's fields, for a kind or the nearest above it. */
export function mappingsFor(
  market: string,
  kindId: string,
  kinds: KindTree,
  all: readonly Mapping[],
): Mapping[] {
  const path = ['', ...(kinds.get(kindId)?.path ?? [])].reverse();
  return path.flatMap((kind) => all.filter((m) => m.market === market && m.kind === kind));
}

/** The fact of ours that a field of theirs is filled from. */
function factFor(
  field: SheetSpecific,
  rules: readonly Mapping[],
  facts: Readonly<Record<string, string>>,
): string {
  const named = rules.map((m) => m.fields[field.id]).find((f) => f?.from === 'fact');
  if (named?.from === 'fact') return facts[named.fact] ?? '';
  const own = facts[field.id] ?? facts[SAME_FIELD[field.id] ?? ''] ?? '';
  if (own === '' && field.id === 'decade') return facts.year ?? '';
  return own;
}

/**
 * The marketplace's fields for a category, filled from the item's facts; what can't be said is left out. A
 * person's rules come first: a fixed value, another fact, a translation chosen before, or "ask me each time".
 *
 * @param rules from {@link mappingsFor}: the nearest kind's first
 */
export function specificsFromFacts(
  category: SheetCategory,
  facts: Readonly<Record<string, string>>,
  rules: readonly Mapping[] = [],
): Record<string, string> {
  const filled: Record<string, string> = {};
  for (const field of category.specifics) {
    const rule = rules.map((m) => m.fields[field.id]).find(Boolean);
    if (rule?.from === 'ask') continue;
    if (rule?.from === 'fixed') {
      filled[field.id] = rule.value;
      continue;
    }
    const answers = answersOf(factFor(field, rules, facts));
    const learned = (answer: string) =>
      rules
        .map((m) => m.values[field.id]?.[answer.trim().toLocaleLowerCase('en')])
        .find((v) => v !== undefined);
    const value = filledWith(field, answers, (answer) => learned(answer) ?? translate(answer, field.choices));
    if (value !== null) filled[field.id] = value;
  }
  return filled;
}

/** @param theirs an answer in the marketplace's words; null where it has none for it */
function filledWith(
  field: SheetSpecific,
  answers: readonly string[],
  theirs: (answer: string) => string | null,
): string | null {
  const most = mostValues(field);
  if (most > 1) {
    // Free text may name several at once: "wool and silk".
    const each = answers.flatMap((a) => (field.choices && theirs(a) !== null ? [a] : a.split(SEVERAL_NAMED)));
    const taken = each.flatMap((a) => theirs(a) ?? (field.own ? [a.trim()] : []));
    return joinedValues([...new Set(taken)].slice(0, most)) || null;
  }
  // A list takes one answer; free text takes them all.
  if (!field.choices) return answers.map((a) => theirs(a) ?? a).join(', ') || null;
  const listed = answers.map(theirs).find((v) => v !== null);
  return listed ?? (field.own ? (answers[0] ?? null) : null);
}

const SEVERAL_NAMED = /\s*(?:[,;/+]|\band\b)\s*/u;
