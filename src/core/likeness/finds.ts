import type { Comp } from '@/contract/comps';
import type { Find } from '@/contract/likeness';

import type { Told } from '../catalogue/record';
import { suggestKinds } from '../kinds/suggest';
import type { KindTree } from '../kinds/tree';
import { factValue } from '../kinds/values';

/** The questions that who made something answers, by what it is. */
const MAKERS = ['author', 'artist', 'brand'] as const;

/** A kind that finds speak for. */
export interface FoundKind {
  kind: string;
  /** Of all that speaks for any kind, 0 to 1. */
  share: number;
  /** The find that looks most like the picture among those of this kind. */
  best: Find;
}

/**
 * The kind a find is of, by its own words: what it says it is before what its title is about.
 *
 * @returns null where neither names a kind of the tree
 */
export function kindOfFind(find: Pick<Find, 'sort' | 'title'>, kinds: KindTree): string | null {
  for (const words of [...find.sort].reverse()) {
    const named = suggestKinds({ record: words }, kinds, 1)[0]?.kind;
    if (named) return named;
  }
  return suggestKinds({ title: find.title }, kinds, 1)[0]?.kind ?? null;
}

/**
 * The kinds that what looks like a picture speaks for, the likeliest first. A kind counts by its best find:
 * that many of one sort were sold does not make a picture look more like it.
 */
export function kindsFound(finds: readonly Find[], kinds: KindTree, most = 5): FoundKind[] {
  const best = new Map<string, Find>();
  for (const find of finds) {
    const kind = kindOfFind(find, kinds);
    if (kind !== null && find.score > (best.get(kind)?.score ?? -1)) best.set(kind, find);
  }
  const found = [...best].sort(([, a], [, b]) => b.score - a.score).slice(0, most);
  // What is hardly alike speaks hardly at all.
  const weight = ({ score }: Find) => (score / 100) ** 3;
  const all = found.reduce((sum, [, find]) => sum + weight(find), 0);
  return found.map(([kind, find]) => ({ kind, best: find, share: all === 0 ? 0 : weight(find) / all }));
}

/** Finds that look and are called alike: one thing that sold again and again. */
export interface FoundOften {
  /** The one most like the picture. */
  first: Find;
  times: number;
  /** What was paid, minor units of the first one's currency. */
  low: number;
  high: number;
  /** When the last of them sold. */
  last: number;
  /** Where, each once. */
  markets: string[];
}

/** Finds, those of one look, title and currency together, in their order. */
export function foundOften(finds: readonly Find[]): FoundOften[] {
  const groups = new Map<string, Find[]>();
  for (const find of finds) {
    const key = JSON.stringify([find.title, find.picture, find.price.currency]);
    groups.set(key, [...(groups.get(key) ?? []), find]);
  }
  return [...groups.values()].flatMap((group) => {
    const [first] = group;
    if (!first) return [];
    const paid = group.map(({ price }) => price.amount);
    return {
      first,
      times: group.length,
      low: Math.min(...paid),
      high: Math.max(...paid),
      last: Math.max(...group.map(({ soldAt }) => soldAt)),
      markets: [...new Set(group.map(({ market }) => market))],
    };
  });
}

/**
 * What a find says of an item, for a person to confirm: its kind, its words, who made it. Colour, size and
 * condition are the other one's own.
 *
 * @param kind the item's kind as it is known; empty: the find's own words say it
 */
export function toldByFind(find: Find, kind: string, kinds: KindTree): Told[] {
  const told: Told[] = [];
  const named = kindOfFind(find, kinds);
  if (kind === '' && named !== null)
    told.push({ field: 'kind', value: named, words: find.sort.at(-1) ?? find.title });
  const title = find.title.trim();
  if (title !== '') told.push({ field: 'title', value: title, words: find.title });
  const facts = kinds.facts(kind === '' ? (named ?? '') : kind);
  const spec = MAKERS.flatMap((id) => facts.find((f) => f.id === id) ?? [])[0];
  const made = spec && find.maker.trim() !== '' ? factValue(spec, find.maker) : null;
  if (spec && made?.ok && made.value !== '')
    told.push({ field: `fact:${spec.id}`, value: made.value, words: find.maker });
  return told;
}

/**
 * Finds as comparables: what was paid for what looks alike. Those in another currency say nothing here.
 *
 * @param currency the attic's (ISO 4217)
 */
export function lookAlikes(finds: readonly Find[], currency: string): Comp[] {
  return finds
    .filter(({ price }) => price.currency === currency)
    .map(({ id, market, title, maker, wear, price, listedAt, soldAt, score }) => ({
      // Not to be taken for one of the marketplace's own numbers.
      id: `alike:${id}`.slice(0, 80),
      market,
      title,
      brand: maker,
      category: '',
      wear,
      sold: true,
      price: price.amount,
      listedAt,
      endedAt: soldAt,
      alike: score,
    }));
}
