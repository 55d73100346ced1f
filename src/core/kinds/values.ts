import { listed } from '@/core/language/listed';

import type { FactSpec } from './spec';
import { canonicalBarcode } from '../identity/gtin';

export type Judged = { ok: true; value: string } | { ok: false; why: string };

/** Several answers to one question are kept in lines of their own. */
const BETWEEN = '\n';
/** The longest answer, in UTF-16 code units as stored. */
const LONGEST = 400;

/**
 * What was typed as the answer to a question: as it is to be stored, or why it can't be. Text is kept
 * exactly, but for spaces around it; numbers take either decimal sign and are stored with a point.
 */
export function factValue(spec: FactSpec, typed: string): Judged {
  if (spec.several) {
    const parts = [...new Set(answersOf(typed))].map((part) => oneValue(spec, part));
    const bad = parts.find((p) => !p.ok);
    if (bad) return bad;
    const value = parts.map((p) => (p.ok ? p.value : '')).join(BETWEEN);
    return value.length > LONGEST ? tooLong(value) : { ok: true, value };
  }
  return oneValue(spec, typed);
}

export type FactsWith = { ok: true; facts: Record<string, string> } | { ok: false; why: string };

/** Facts with the answer to one question, as typed; an empty one takes it away. */
export function factsWith(facts: Readonly<Record<string, string>>, spec: FactSpec, typed: string): FactsWith {
  const judged = factValue(spec, typed);
  if (!judged.ok) return judged;
  const { [spec.id]: _, ...others } = facts;
  return { ok: true, facts: judged.value === '' ? others : { ...facts, [spec.id]: judged.value } };
}

/** The answers in a stored value; one, but for questions that take several. */
export function answersOf(value: string): string[] {
  return value
    .split(BETWEEN)
    .map((part) => part.trim())
    .filter((part) => part !== '');
}

/** A stored value as it is read: several answers with commas between. */
export function readable(value: string): string {
  return answersOf(value).join(', ');
}

/** The value with one more answer, or without it when it is there. */
export function toggled(value: string, answer: string): string {
  const all = answersOf(value);
  return (all.includes(answer) ? all.filter((a) => a !== answer) : [...all, answer]).join(BETWEEN);
}

function oneValue(spec: FactSpec, typed: string): Judged {
  const value = typed.trim();
  if (value === '') return { ok: true, value };
  if (value.length > LONGEST) return tooLong(value);
  if (/\p{Cc}/u.test(value))
    return { ok: false, why: 'It holds characters that can’t be seen: type it instead of pasting.' };
  if (spec.closed && spec.choices && !spec.choices.includes(value)) {
    const same = spec.choices.find((c) => c.toLocaleLowerCase('en') === value.toLocaleLowerCase('en'));
    return same ? { ok: true, value: same } : { ok: false, why: `Only ${listed(spec.choices, 'or')}.` };
  }
  switch (spec.type) {
    case 'number':
      return /^\d{1,9}(?:[.,]\d{1,4})?$/u.test(value)
        ? { ok: true, value: value.replace(',', '.') }
        : { ok: false, why: 'A number, like 12 or 12,5.' };
    case 'year':
      return /^[12]\d{3}$/u.test(value)
        ? { ok: true, value }
        : { ok: false, why: 'A year in four figures, like 1968.' };
    case 'yesNo': {
      const word = value.toLocaleLowerCase('en');
      if (word === 'yes' || word === 'no') return { ok: true, value: word === 'yes' ? 'Yes' : 'No' };
      return { ok: false, why: 'Yes or no.' };
    }
    default:
      return { ok: true, value: spec.id === 'barcode' ? canonicalBarcode(value) : value };
  }
}

function tooLong(value: string): Judged {
  return { ok: false, why: `It is ${value.length} characters long; ${LONGEST} fit.` };
}
