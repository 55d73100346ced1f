import { TESTED, type Thing } from '@/contract/records';

import { formatLength, type Units } from '../measure/units';
import { flawWords, gradeOfThing, wordsForUse } from './grade';

export const TESTED_WORDS: Record<(typeof TESTED)[number], string> = {
  works: 'tried out and works',
  partly: 'works in part',
  broken: 'does not work',
  untested: 'not tried out',
};

/**
 * The condition in plain words, from the record and nothing else: grade, use, every flaw, what is with it and
 * what is not, whether it was tried out and cleaned, the home it comes from, and the person's own note.
 *
 * @returns lines; none while nobody has said how much it was used
 */
export function conditionText(thing: Thing, units: Units): string[] {
  const grade = gradeOfThing(thing);
  if (!grade || !thing.use) return [];
  const lines = [`Condition: ${grade.name.toLocaleLowerCase('en')}, ${wordsForUse(thing.use)}.`];
  for (const flaw of thing.flaws)
    lines.push(`- ${flawWords(flaw)}${flaw.sizeMm ? ` (${formatLength(flaw.sizeMm, units)})` : ''}`);
  if (thing.flaws.length === 0) lines.push('- no flaws found');
  if (thing.included.trim() !== '') lines.push(`- with it: ${thing.included.trim()}`);
  if (thing.missing.trim() !== '') lines.push(`- missing: ${thing.missing.trim()}`);
  if (thing.tested) lines.push(`- ${TESTED_WORDS[thing.tested]}`);
  const cleaned = cleanedWords(thing);
  if (cleaned) lines.push(`- ${cleaned}`);
  const home = homeWords(thing);
  if (home) lines.push(`- ${home}`);
  if (thing.conditionNote.trim() !== '') lines.push(thing.conditionNote.trim());
  return lines;
}

/** Empty where nobody has said. */
export function cleanedWords({ cleaned }: Pick<Thing, 'cleaned'>): string {
  return cleaned === null ? '' : cleaned ? 'cleaned' : 'as it was found, not cleaned';
}

/** "from a smoke-free home with pets"; empty where nobody has said. */
export function homeWords({ smoke, pets }: Pick<Thing, 'smoke' | 'pets'>): string {
  if (smoke === null && pets === null) return '';
  const without = [smoke === false ? 'smoke' : '', pets === false ? 'pets' : ''].filter(Boolean);
  const having = [smoke ? 'smoke' : '', pets ? 'pets' : ''].filter(Boolean);
  return `from a home ${[
    without.length > 0 ? `without ${without.join(' or ')}` : '',
    having.length > 0 ? `with ${having.join(' and ')}` : '',
  ]
    .filter(Boolean)
    .join(' but ')}`;
}
