import { keysOf } from '@/contract/fields';

import { KIN } from './kin';
import { NameIndex, namedItems, type Named } from './nounPhrase';
import type { Kind } from './spec';
import { stemsOf } from './stem';
import type { KindTree } from './tree';

/** Where words about an item come from; the stronger, the earlier. */
export interface KindWords {
  /** What a catalogue says it is. */
  record?: string;
  title?: string;
  /** Words read from its label. */
  label?: string;
}

export interface KindSuggestion {
  kind: string;
  /** 0 to 1; only for ranking. */
  score: number;
  /** The words it was seen by, and where they stand. */
  because: { shown: string; source: keyof KindWords };
}

const WEIGHTS = { record: 1, title: 0.9, label: 0.7 } as const;

/** Say of an item that it is one to read or to hear, whatever else its title names. */
const MEDIA = new Set(
  [
    'hardback',
    'paperback',
    'hardcover',
    'lp',
    'dvd',
    'vhs',
    'cd',
    'cassette',
    'blu ray',
    'first edition',
  ].map((m) => stemsOf(m).join(' ')),
);

/**
 * The kinds that words about an item point to, the one they are about first, each with its reason. What a
 * title only mentions ("book about lamps", "camera strap") is not suggested.
 */
export function suggestKinds(words: KindWords, kinds: KindTree, most = 4): KindSuggestion[] {
  const best = new Map<string, KindSuggestion>();
  for (const source of keysOf(WEIGHTS)) {
    const said = words[source] ?? '';
    if (said.trim() === '') continue;
    let score: number = WEIGHTS[source];
    for (const { kind, shown } of kindsNamed(said, kinds)) {
      if (!best.has(kind.id)) best.set(kind.id, { kind: kind.id, score, because: { shown, source } });
      score *= 0.7;
    }
  }
  return [...best.values()].sort((a, b) => b.score - a.score).slice(0, most);
}

/** The kinds that some words name, the one they are about first. */
function kindsNamed(said: string, kinds: KindTree): { kind: Kind; shown: string }[] {
  const named = namedItems(said, indexOf(kinds));
  const medium = named.findIndex((n) => MEDIA.has(stemsOf(n.shown).join(' ')));
  const first = named[medium];
  // Nothing of ours: what else its title mentions is not what it is.
  if (named[0]?.value === '') return [];
  const ordered = first ? [first, ...named.filter((n) => n !== first)] : named;
  return ordered.flatMap((n) => {
    const kind = kinds.get(playedWith(n, kinds));
    return kind ? [{ kind, shown: n.shown.toLocaleLowerCase('en') }] : [];
  });
}

/** A toy sewing machine is a toy, and a doll’s dress belongs to a doll. */
function playedWith({ value, before }: Named<string>, kinds: KindTree): string {
  if (kinds.get(value)?.path[0] === 'games') return value;
  if (before.includes('toy')) return kinds.get('games') ? 'games' : value;
  if (before.includes('doll')) return kinds.get('doll') ? 'doll' : value;
  return before.at(-1) === 'model' && kinds.get('modelToy') ? 'modelToy' : value;
}

const indices = new WeakMap<KindTree, NameIndex<string>>();

/**
 * Every name a kind goes by: own kinds before ours, a kind's name before its other names, and those before
 * its kin.
 */
function indexOf(kinds: KindTree): NameIndex<string> {
  let index = indices.get(kinds);
  if (index) return index;
  index = new NameIndex<string>();
  const all = claimingNames(kinds);
  for (const kind of all) for (const name of ownNames(kind)) index.add(name, kind.id);
  for (const kind of all) for (const name of kind.alsoCalled) index.add(name, kind.id);
  for (const kind of ['', ...all.map((k) => k.id)]) for (const name of kinOf(kind)) index.add(name, kind);
  indices.set(kinds, index);
  return index;
}

/**
 * Kinds in the order in which they may claim a name: the person's own first, and what is usually meant before
 * what holds it ("book" is a book, and not books and paper).
 */
export function claimingNames(kinds: KindTree): Kind[] {
  return [...kinds.all].sort((a, b) => Number(b.own) - Number(a.own) || b.path.length - a.path.length);
}

/** A kind's own name, and the parts of one that joins several: "vase" and "glass" of "Vase or glass". */
export function ownNames(kind: Pick<Kind, 'name' | 'titleWords'>): string[] {
  return [kind.titleWords, kind.name, ...kind.name.split(/,\s*|\s+or\s+|\s+and\s+/u)];
}

/** Narrower items and other names of a kind; see {@link KIN}. */
export function kinOf(kind: string): string[] {
  const kin = Object.hasOwn(KIN, kind) ? KIN[kind] : undefined;
  return kin?.trim().split(/,\s+/u) ?? [];
}

/**
 * Kinds for what a person typed to find one: those a name of which begins so, then those that go by such a
 * word, then what the words are about.
 */
export function findKinds(typed: string, kinds: KindTree, most = 12): Kind[] {
  const wanted = typed.trim().toLocaleLowerCase('en');
  if (wanted === '') return [];
  const begins = (names: readonly string[]) =>
    names.some((name) => ` ${name.toLocaleLowerCase('en')}`.includes(` ${wanted}`));
  const found = [
    ...kinds.all.filter((k) => begins([k.name, k.titleWords, ...k.alsoCalled])),
    ...suggestKinds({ title: typed }, kinds).flatMap((s) => kinds.get(s.kind) ?? []),
    ...kinds.all.filter((k) => begins(kinOf(k.id))),
  ];
  return [...new Set(found)].slice(0, most);
}
