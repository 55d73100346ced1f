import type { Item } from '@/contract/records';

import type { KindTree } from './tree';
import { factValue } from './values';

type Kinded = Pick<Item, 'kind' | 'facts' | 'measurements' | 'uncertainty' | 'parked'>;

/**
 * What changes when an item turns out to be of another kind: facts and measurements that the new kind
 * asks for stay, or come back from where they were set aside; the others are set aside. Nothing is lost.
 */
export function withKind(item: Kinded, kind: string, kinds: KindTree): Kinded {
  const facts: Record<string, string> = {};
  const parkedFacts: Record<string, string> = {};
  // What is in the record now wins over what was set aside earlier under the same name.
  for (const [id, value] of Object.entries({ ...item.parked.facts, ...item.facts })) {
    const spec = kinds.fact(kind, id);
    (spec && factValue(spec, value).ok ? facts : parkedFacts)[id] = value;
  }
  for (const spec of kinds.facts(kind))
    if (spec.usual !== undefined && facts[spec.id] === undefined && parkedFacts[spec.id] === undefined)
      facts[spec.id] = spec.usual;
  const measurements: Record<string, number> = {};
  const parkedMeasurements: Record<string, number> = {};
  const asked = new Set(kinds.measures(kind).map((m) => m.id));
  for (const [id, value] of Object.entries({ ...item.parked.measurements, ...item.measurements }))
    (asked.has(id) ? measurements : parkedMeasurements)[id] = value;
  return {
    kind,
    facts,
    measurements,
    uncertainty: item.uncertainty,
    parked: { facts: parkedFacts, measurements: parkedMeasurements },
  };
}
