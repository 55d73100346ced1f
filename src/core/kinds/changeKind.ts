import type { Thing } from '@/contract/records';

import type { KindTree } from './tree';
import { factValue } from './values';

type Kinded = Pick<Thing, 'kind' | 'facts' | 'measurements' | 'uncertainty' | 'aside'>;

/**
 * What changes when a thing turns out to be of another kind: facts and measurements that the new kind
 * asks for stay, or come back from where they were set aside; the others are set aside. Nothing is lost.
 */
export function withKind(thing: Kinded, kind: string, kinds: KindTree): Kinded {
  const facts: Record<string, string> = {};
  const asideFacts: Record<string, string> = {};
  // What is in the record now wins over what was set aside earlier under the same name.
  for (const [id, value] of Object.entries({ ...thing.aside.facts, ...thing.facts })) {
    const spec = kinds.fact(kind, id);
    (spec && factValue(spec, value).ok ? facts : asideFacts)[id] = value;
  }
  for (const spec of kinds.facts(kind))
    if (spec.usual !== undefined && facts[spec.id] === undefined && asideFacts[spec.id] === undefined)
      facts[spec.id] = spec.usual;
  const measurements: Record<string, number> = {};
  const asideMeasurements: Record<string, number> = {};
  const asked = new Set(kinds.measures(kind).map((m) => m.id));
  for (const [id, value] of Object.entries({ ...thing.aside.measurements, ...thing.measurements }))
    (asked.has(id) ? measurements : asideMeasurements)[id] = value;
  return {
    kind,
    facts,
    measurements,
    uncertainty: thing.uncertainty,
    aside: { facts: asideFacts, measurements: asideMeasurements },
  };
}
