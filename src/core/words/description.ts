import type { Thing } from '@/contract/records';

import { conditionText } from '../condition/conditionText';
import { publicWords } from '../kinds/publicFacts';
import type { KindTree } from '../kinds/tree';
import { formatLength, type Units } from '../measure/units';

/**
 * A description in short lines, from what the record holds and nothing else: what it is, condition
 * with every flaw, measurements. Private facts (cost, spot, haul) are never in it.
 */
export function descriptionFromFacts(thing: Thing, kinds: KindTree, units: Units): string {
  const kind = kinds.get(thing.kind);
  const lines: string[] = [];
  const f = publicWords(thing, kinds);
  const what = [f.brand, f.model, kind?.titleWords].filter(Boolean).join(' ');
  const how = [f.colour, f.material].filter(Boolean).join(', ');
  if (what) lines.push(how ? `${what}: ${how}.` : `${what}.`);
  if (f.size) lines.push(`Label size ${f.size}.`);
  const condition = conditionText(thing, units);
  if (condition.length > 0) lines.push('', ...condition);
  const measures = kinds.measures(thing.kind).filter((m) => thing.measurements[m.id] !== undefined);
  if (measures.length > 0) {
    lines.push('', 'Measured flat:');
    for (const m of measures)
      lines.push(`- ${m.name.toLowerCase()} ${formatLength(thing.measurements[m.id] ?? 0, units)}`);
  }
  return lines.join('\n').trim();
}
