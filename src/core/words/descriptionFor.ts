import type { Pattern, Item } from '@/contract/records';

import { fillPattern, TONES, USUAL_TONE, type Filled, type WordPattern } from './pattern';
import type { KindTree } from '../kinds/tree';
import type { Units } from '../measure/units';

/** The tones and the person's own patterns, by id. */
export function allPatterns(own: Readonly<Record<string, Pattern>>): WordPattern[] {
  return [...TONES, ...Object.values(own).sort((a, b) => a.name.localeCompare(b.name, 'en'))];
}

/**
 * The pattern for an item: the person's own for its kind or the nearest one above it; else the tone chosen
 * for all.
 *
 * @param tone id of a tone or pattern
 */
export function patternFor(
  item: Pick<Item, 'kind'>,
  own: Readonly<Record<string, Pattern>>,
  tone: string,
  kinds: KindTree,
): WordPattern {
  const path = [...(kinds.get(item.kind)?.path ?? [])].reverse();
  for (const kind of path) {
    const found = Object.values(own).find((p) => p.kinds.includes(kind));
    if (found) return found;
  }
  return own[tone] ?? TONES.find((t) => t.id === tone) ?? USUAL_TONE;
}

/** An item's description by a pattern, with the closing words of the business. */
export function describe(
  item: Item,
  pattern: WordPattern,
  kinds: KindTree,
  units: Units,
  closing: string,
): Filled {
  return fillPattern(pattern.text, item, kinds, units, closing);
}
