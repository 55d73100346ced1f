import { NONE, type Coded, type None } from '@/contract/coded';

import type { Outline } from './spec';
import { suggestKinds, type KindSuggestion, type KindWords } from './suggest';
import type { KindTree } from './tree';

/** What is known of an item that may tell of which kind it is. */
export interface KindEvidence {
  words: KindWords;
  /** What was read or is known of it: `fact:size`, `measure:chest`. */
  fields: readonly string[];
  /** What its outline looks like, the most telling first. */
  outlines: readonly Outline[];
  /** Kinds lately worked on, the newest first. */
  lately: readonly string[];
}

/** Why a kind is offered. */
export interface KindReasonParams {
  /** Words that name it, and where they stand. */
  named: KindSuggestion['because'];
  /** It is asked what was read. */
  asks: { kind: string; field: string };
  /** Its outline. */
  looks: { outline: Outline };
  lately: None;
}
export type KindReason = Coded<KindReasonParams>;

export interface RankedKind {
  kind: string;
  /** For ranking alone. */
  score: number;
  because: KindReason;
}

/**
 * How much each sort of evidence weighs at its most: titles and records say it outright, a picture's words
 * may be about anything, the others only narrow it.
 */
const WEIGHTS = { named: 4, onLabel: 2.2, asks: 1.2, looks: 1, lately: 0.4 };

/**
 * The kinds an item may be of, the likeliest first, each with its best reason: what words name it, what was
 * read that it is asked for, what its outline looks like, what was worked on lately. Only kinds for which
 * anything speaks.
 */
export function rankKinds(evidence: KindEvidence, kinds: KindTree, most: number): RankedKind[] {
  const found = new Map<string, { score: number; best: number; because: KindReason }>();
  const add = (kind: string, score: number, because: KindReason) => {
    const before = found.get(kind);
    const isBest = !before || score > before.best;
    found.set(kind, {
      score: (before?.score ?? 0) + score,
      best: isBest ? score : before.best,
      because: isBest ? because : before.because,
    });
  };
  for (const { kind, score, because } of suggestKinds(evidence.words, kinds))
    add(kind, (because.source === 'label' ? WEIGHTS.onLabel : WEIGHTS.named) * score, {
      code: 'named',
      params: because,
    });
  addAsked(evidence.fields, kinds, add);
  evidence.outlines.forEach((outline, i) => {
    for (const kind of kinds.leaves)
      if (kind.outlines.includes(outline))
        add(kind.id, WEIGHTS.looks / (1 + i), { code: 'looks', params: { outline } });
  });
  const times = new Map<string, number>();
  for (const kind of evidence.lately) times.set(kind, (times.get(kind) ?? 0) + 1);
  for (const [kind, count] of times)
    if (kinds.get(kind))
      add(kind, WEIGHTS.lately * (0.5 + count / (2 * evidence.lately.length)), {
        code: 'lately',
        params: NONE,
      });
  return [...found]
    .map(([kind, { score, because }]) => ({ kind, score, because }))
    .sort((a, b) => b.score - a.score)
    .slice(0, most);
}

/** What few kinds are asked speaks for these; what a kind is never asked speaks against it. */
function addAsked(
  fields: readonly string[],
  kinds: KindTree,
  add: (kind: string, score: number, because: KindReason) => void,
): void {
  const { leaves } = kinds;
  const asks = (id: string, field: string) =>
    field.startsWith('measure:')
      ? kinds.measures(id).some((m) => `measure:${m.id}` === field)
      : kinds.facts(id).some((f) => `fact:${f.id}` === field);
  const told = fields
    .map((field) => ({ field, of: leaves.filter((kind) => asks(kind.id, field)) }))
    // What every second kind is asked tells nothing.
    .filter(({ of }) => of.length > 0 && of.length < leaves.length / 2)
    .map((one) => ({ ...one, weight: Math.log2(leaves.length / one.of.length) }))
    .sort((a, b) => b.weight - a.weight);
  const all = told.reduce((sum, { weight }) => sum + weight, 0);
  for (const kind of leaves) {
    const mine = told.filter(({ of }) => of.includes(kind));
    const best = mine[0];
    const share = mine.reduce((sum, { weight }) => sum + weight, 0) / all;
    if (best && share > 0.5)
      add(kind.id, WEIGHTS.asks * (2 * share - 1), {
        code: 'asks',
        params: { kind: kind.id, field: best.field },
      });
  }
}
