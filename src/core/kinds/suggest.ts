import type { Kind } from './spec';
import type { KindTree } from './tree';

/** Where words about a thing come from; the stronger, the earlier. */
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
  /** "“gansey” in the title" */
  because: string;
}

const WEIGHTS = { record: 1.2, title: 1, label: 0.8 } as const;
const PLACES = { record: 'in the catalogue record', title: 'in the title', label: 'on the label' } as const;
type Source = keyof typeof WEIGHTS;

/**
 * The kinds that words about a thing point to, likeliest first, each with its reason. A name of two words
 * counts more than one of one; of several names the one that stands last counts a little more, because
 * English puts what it is at the end ("jumper dress").
 */
export function suggestKinds(words: KindWords, kinds: KindTree, most = 4): KindSuggestion[] {
  const best = new Map<string, KindSuggestion>();
  for (const source of Object.keys(WEIGHTS) as Source[]) {
    const said = tokens(words[source] ?? '');
    if (said.length === 0) continue;
    for (const kind of kinds.all)
      for (const { name, strength } of namesOf(kind)) {
        const at = lastIndexOf(said, name);
        if (at < 0) continue;
        const score =
          (WEIGHTS[source] *
            strength *
            (0.5 + 0.15 * name.length + 0.1 * ((at + name.length) / said.length))) /
          1.5;
        const shown = said.slice(at, at + name.length).join(' ');
        const before = best.get(kind.id);
        if (!before || before.score < score)
          best.set(kind.id, {
            kind: kind.id,
            score: Math.min(1, score),
            because: `“${shown}” ${PLACES[source]}`,
          });
      }
  }
  return [...best.values()].sort((a, b) => b.score - a.score || (a.kind < b.kind ? -1 : 1)).slice(0, most);
}

/** A kind's names in words without endings; a branch's own name is a weaker pointer than a leaf's. */
function namesOf(kind: Kind): { name: string[]; strength: number }[] {
  const leaf = kind.path.length > 1 || kind.own;
  return [
    { words: kind.titleWords, strength: 1 },
    { words: kind.name, strength: 1 },
    ...kind.alsoCalled.map((words) => ({ words, strength: 0.97 })),
  ]
    .map(({ words, strength }) => ({ name: tokens(words), strength: leaf ? strength : strength * 0.6 }))
    .filter(({ name }) => name.length > 0);
}

function tokens(text: string): string[] {
  return (
    text
      .slice(0, 2_000)
      .toLocaleLowerCase('en')
      .match(/[\p{L}\p{N}-]+/gu) ?? []
  ).map(stem);
}

/** Enough of English plurals for names of things. */
function stem(word: string): string {
  if (word.length > 4 && word.endsWith('ies')) return `${word.slice(0, -3)}y`;
  if (word.length > 4 && /(?:ss|sh|ch|x)es$/u.test(word)) return word.slice(0, -2);
  if (word.length > 3 && word.endsWith('s') && !word.endsWith('ss')) return word.slice(0, -1);
  return word;
}

function lastIndexOf(said: readonly string[], name: readonly string[]): number {
  for (let at = said.length - name.length; at >= 0; at -= 1)
    if (name.every((word, i) => said[at + i] === word)) return at;
  return -1;
}
