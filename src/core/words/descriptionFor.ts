import type { Pattern, Thing } from '@/contract/records';

import type { KindTree } from '../kinds/tree';
import type { Units } from '../measure/units';
import { fillPattern, TONES, type Filled, type WordPattern } from './pattern';

/** The tones and the person's own patterns, by id. */
export function allPatterns(own: Readonly<Record<string, Pattern>>): WordPattern[] {
  return [...TONES, ...Object.values(own).sort((a, b) => a.name.localeCompare(b.name, 'en'))];
}

/**
 * The pattern for a thing: the person's own for its kind or the nearest one above it; else the tone chosen for all.
 *
 * @param tone id of a tone or pattern
 */
export function patternFor(
  thing: Pick<Thing, 'kind'>,
  own: Readonly<Record<string, Pattern>>,
  tone: string,
  kinds: KindTree,
): WordPattern {
  const path = [...(kinds.get(thing.kind)?.path ?? [])].reverse();
  for (const kind of path) {
    const found = Object.values(own).find((p) => p.kinds.includes(kind));
    if (found) return found;
  }
  return own[tone] ?? TONES.find((t) => t.id === tone) ?? TONES[0]!;
}

/** A thing's description by a pattern, with the closing words of the business. */
export function describe(
  thing: Thing,
  pattern: WordPattern,
  kinds: KindTree,
  units: Units,
  closing: string,
): Filled {
  return fillPattern(pattern.text, thing, kinds, units, closing);
}
