import { NONE, type Coded, type None, type Refusal } from '@/contract/coded';

import type { FactSpec } from './spec';
import { canonicalBarcode } from '../identity/gtin';

/** Why an answer to a question can't be stored; lengths in UTF-16 code units. */
export interface AnswerTroubleParams {
  unseenCharacters: None;
  notAmong: { choices: readonly string[] };
  notNumber: None;
  notYear: None;
  notYesOrNo: None;
  tooLong: { length: number; most: number };
}
export type AnswerTrouble = Coded<AnswerTroubleParams>;
export type Judged = { ok: true; value: string } | Refusal<AnswerTrouble>;

const no = (why: AnswerTrouble): Judged => ({ ok: false, why });

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

export type FactsWith = { ok: true; facts: Record<string, string> } | Refusal<AnswerTrouble>;

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
  if (/\p{Cc}/u.test(value)) return no({ code: 'unseenCharacters', params: NONE });
  if (spec.closed && spec.choices && !spec.choices.includes(value)) {
    const same = spec.choices.find((c) => c.toLocaleLowerCase('en') === value.toLocaleLowerCase('en'));
    return same ? { ok: true, value: same } : no({ code: 'notAmong', params: { choices: spec.choices } });
  }
  switch (spec.type) {
    case 'number':
      return /^\d{1,9}(?:[.,]\d{1,4})?$/u.test(value)
        ? { ok: true, value: value.replace(',', '.') }
        : no({ code: 'notNumber', params: NONE });
    case 'year':
      return /^[12]\d{3}$/u.test(value) ? { ok: true, value } : no({ code: 'notYear', params: NONE });
    case 'yesNo': {
      const word = value.toLocaleLowerCase('en');
      if (word === 'yes' || word === 'no') return { ok: true, value: word === 'yes' ? 'Yes' : 'No' };
      return no({ code: 'notYesOrNo', params: NONE });
    }
    default:
      return { ok: true, value: spec.id === 'barcode' ? canonicalBarcode(value) : value };
  }
}

function tooLong(value: string): Judged {
  return no({ code: 'tooLong', params: { length: value.length, most: LONGEST } });
}
