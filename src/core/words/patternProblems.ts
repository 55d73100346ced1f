import { distance } from 'fastest-levenshtein';

import { NONE } from '@/contract/coded';
import type { Coded } from '@/contract/coded';

import type { PatternTroubleParams } from './pattern';

/** What may be wrong at a place of a pattern. */
export interface PatternProblemParams extends Omit<PatternTroubleParams, 'unreadable'> {
  /** Nothing goes by that name; `meant`: what may have been meant. */
  unknown: { name: string; meant: string | null };
}

/** Something wrong in a pattern, at its place. */
export interface PatternProblem {
  /** Where it begins and how long it is, in characters. */
  at: number;
  length: number;
  /** Its line, from 1. */
  line: number;
  why: Coded<PatternProblemParams>;
  /** What stands there once it is put right; null: that can't be told. */
  better: string | null;
}

const TAG = /\{\{\{?\s*([#^/&!]?)\s*([^{}]*?)\s*\}?\}\}/gu;
/** What only stands inside of a section about several. */
const INSIDE = ['name', 'value', 'label', 'around', '.'];

/**
 * All that is wrong in a pattern, in the order it stands there: names nothing goes by, sections that are not
 * closed or were not opened, braces without an end.
 *
 * @param known the names of all that may stand in it
 */
export function patternProblems(pattern: string, known: ReadonlySet<string>): PatternProblem[] {
  const found: PatternProblem[] = [];
  const add = (at: number, length: number, why: PatternProblem['why'], better: string | null = null) =>
    found.push({ at, length, line: pattern.slice(0, at).split('\n').length, why, better });
  const open: { name: string; at: number; length: number }[] = [];
  let rest = pattern;
  for (const tag of pattern.matchAll(TAG)) {
    const [whole, sign = '', name = ''] = tag;
    const { index: at } = tag;
    // What is left is read for braces: what is well formed ends it, as a line does.
    rest = rest.slice(0, at) + '\n'.repeat(whole.length) + rest.slice(at + whole.length);
    if (sign === '!') continue;
    if (sign === '#' || sign === '^') open.push({ name, at, length: whole.length });
    if (sign === '/') {
      const last = open.findLastIndex((o) => o.name === name);
      if (last < 0) add(at, whole.length, { code: 'neverOpened', params: { name } }, '');
      else
        for (const inner of open.splice(last).slice(1))
          add(inner.at, inner.length, { code: 'neverClosed', params: { name: inner.name } });
    } else if (!known.has(name) && !INSIDE.includes(name)) {
      const meant = nearest(name, known);
      const better = meant === null ? null : whole.replace(name, () => meant);
      add(at, whole.length, { code: 'unknown', params: { name, meant } }, better);
    }
  }
  for (const one of open) add(one.at, one.length, { code: 'neverClosed', params: { name: one.name } });
  for (const braces of rest.matchAll(/\{\{[^\n]{0,40}/gu))
    add(braces.index, braces[0].length, { code: 'braces', params: NONE }, closed(braces[0], known));
  return found.sort((a, b) => a.at - b.at);
}

/** The name that was most likely meant, with a slip or two. */
function nearest(name: string, known: ReadonlySet<string>): string | null {
  const small = name.toLocaleLowerCase('en');
  const allowed = small.length > 4 ? 2 : 1;
  const [best] = [...known]
    .map((other) => ({ other, off: distance(small, other.toLocaleLowerCase('en')) }))
    .filter(({ off }) => off <= allowed)
    .sort((a, b) => a.off - b.off || a.other.localeCompare(b.other, 'en'));
  if (best) return best.other;
  // Only begun, or with a word too many.
  const begun = small.length > 2 ? [...known].filter((other) => other.startsWith(small)) : [];
  return begun.sort((a, b) => a.length - b.length)[0] ?? null;
}

/** A tag without its end, ended behind a name that is known. */
function closed(open: string, known: ReadonlySet<string>): string | null {
  const [, before = '', rest = ''] = /^(\{\{\s*[#^/&]?\s*)(.*)$/u.exec(open) ?? [];
  const name = [...known].filter((other) => rest.startsWith(other)).sort((a, b) => b.length - a.length)[0];
  return name === undefined ? null : `${before}${name}}}${rest.slice(name.length).replace(/^\s*\}/u, '')}`;
}
