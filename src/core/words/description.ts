import type { Thing } from '@/contract/records';

import { flawWords, gradeOf, wordsForUse } from '../condition/grade';
import { kindById, measuresOf } from '../kinds/kinds';
import { formatLength, type Units } from '../measure/units';

/**
 * A description in short lines, from what the record holds and nothing else: what it is, condition
 * with every flaw, measurements. Private facts (cost, spot, haul) are never in it.
 */
export function descriptionFromFacts(thing: Thing, units: Units): string {
  const kind = kindById(thing.kind);
  const lines: string[] = [];
  const f = thing.facts;
  const what = [f.brand, f.model, kind?.titleWords].filter(Boolean).join(' ');
  const how = [f.colour, f.material].filter(Boolean).join(', ');
  if (what) lines.push(how ? `${what}: ${how}.` : `${what}.`);
  if (f.size) lines.push(`Label size ${f.size}.`);
  const grade = gradeOf(thing.use, thing.flaws);
  if (grade && thing.use) {
    lines.push('', `Condition: ${grade.name.toLowerCase()}, ${wordsForUse(thing.use)}.`);
    for (const flaw of thing.flaws)
      lines.push(`- ${flawWords(flaw)}${flaw.sizeMm ? ` (${formatLength(flaw.sizeMm, units)})` : ''}`);
    if (thing.flaws.length === 0) lines.push('- no flaws found');
  }
  const measures = measuresOf(thing.kind).filter((m) => thing.measurements[m.id] !== undefined);
  if (measures.length > 0) {
    lines.push('', 'Measured flat:');
    for (const m of measures)
      lines.push(`- ${m.name.toLowerCase()} ${formatLength(thing.measurements[m.id] ?? 0, units)}`);
  }
  return lines.join('\n').trim();
}
