import type { Thing } from '@/contract/records';

import { publicWords } from '../kinds/publicFacts';
import type { KindTree } from '../kinds/tree';
import { countAs, type Counting } from './count';

/**
 * A title in the trade's order: brand, who it is for, what it is, material, model, colour, size.
 * When it does not fit, the parts that matter least go first; no word stands twice.
 *
 * @returns as much as fits in `max`; empty when the record holds nothing to say
 */
export function titleFromFacts(
  thing: Pick<Thing, 'facts' | 'kind'>,
  kinds: KindTree,
  max: number,
  counting: Counting = 'characters',
): string {
  const kind = kinds.get(thing.kind);
  const f = publicWords(thing, kinds);
  const what = f.model && kind?.modelIsName ? f.model : (kind?.titleWords ?? '');
  const parts = [
    { text: f.brand, weight: 9 },
    { text: f.department && f.department !== 'Unisex' ? f.department : '', weight: 7 },
    { text: what, weight: 10 },
    { text: kind?.modelIsName ? '' : f.model, weight: 8 },
    { text: f.author, weight: 6 },
    { text: f.material, weight: 4 },
    { text: f.colour, weight: 5 },
    { text: f.size ? `size ${f.size}` : '', weight: 6 },
    { text: f.decade, weight: 3 },
  ].filter((p): p is { text: string; weight: number } => !!p.text && p.text.trim() !== '');
  let kept = parts;
  for (;;) {
    const title = withoutRepeats(kept.map((p) => p.text.trim()).join(' '));
    if (kept.length === 0 || countAs(title, counting) <= max) return title;
    const least = kept.reduce((a, b) => (b.weight < a.weight ? b : a));
    kept = kept.filter((p) => p !== least);
  }
}

function withoutRepeats(text: string): string {
  const seen = new Set<string>();
  return text
    .split(/\s+/u)
    .filter((word) => {
      const key = word.toLocaleLowerCase('en');
      if (seen.has(key)) return false;
      seen.add(key);
      return true;
    })
    .join(' ');
}
