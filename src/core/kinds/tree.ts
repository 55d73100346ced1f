import { COMMON_FACTS } from './facts';
import { HOUSE } from './rows/house';
import { PASTIMES } from './rows/pastimes';
import { WEAR } from './rows/wear';
import type { FactSpec, Kind, KindRow, MeasureSpec } from './spec';

/** A question the person asks of a branch of their own accord. */
export interface OwnFact {
  /** The kind it is asked of, with all kinds below; empty: of every item. */
  kind: string;
  spec: FactSpec;
}

/** The deepest that kinds may lie below each other. */
const DEEPEST = 8;

/**
 * All kinds of items, each with what it has from its parents: questions are added up (a kind may
 * replace one of its parents' or leave it out), all else is taken from the nearest that says it.
 */
export class KindTree {
  private readonly byId = new Map<string, Kind>();
  private readonly below = new Map<string | null, Kind[]>();
  private readonly everywhere: readonly FactSpec[];

  /**
   * @param ownKinds kinds the person added; one without a parent that exists, or below itself, becomes a root
   * @param ownFacts questions the person added, or asks in place of ours
   */
  constructor(
    rows: readonly KindRow[],
    ownKinds: readonly KindRow[] = [],
    private readonly ownFacts: readonly OwnFact[] = [],
  ) {
    this.everywhere = merged(
      COMMON_FACTS,
      ownFacts.filter((o) => o.kind === '').map((o) => o.spec),
    );
    const own = new Set(ownKinds.map((k) => k.id));
    const all = new Map([...ownKinds, ...rows].map((row) => [row.id, row]));
    for (const row of [...rows, ...ownKinds.filter((k) => !rows.some((r) => r.id === k.id))])
      this.add(this.resolved(row, all, own, 0));
  }

  private add(kind: Kind): void {
    if (this.byId.has(kind.id)) return;
    this.byId.set(kind.id, kind);
    const siblings = this.below.get(kind.parent) ?? [];
    siblings.push(kind);
    this.below.set(kind.parent, siblings);
  }

  private resolved(row: KindRow, all: Map<string, KindRow>, own: Set<string>, depth: number): Kind {
    const known = this.byId.get(row.id);
    if (known) return known;
    const parentRow = row.parent === null ? undefined : all.get(row.parent);
    const parent =
      parentRow && depth < DEEPEST && !loops(row.id, all)
        ? this.resolved(parentRow, all, own, depth + 1)
        : null;
    const asked = this.ownFacts.filter((o) => o.kind === row.id).map((o) => o.spec);
    return {
      id: row.id,
      name: row.name,
      parent: parent?.id ?? null,
      path: [...(parent?.path ?? []), row.id],
      titleWords: row.titleWords ?? row.name.toLocaleLowerCase('en'),
      alsoCalled: row.alsoCalled ?? [],
      modelIsName: row.modelIsName ?? parent?.modelIsName ?? false,
      facts: merged(
        (parent?.facts ?? []).filter((f) => !row.without?.includes(f.id)),
        row.facts ?? [],
        asked,
      ),
      measures: row.measures ?? parent?.measures ?? [],
      flaws: row.flaws ?? parent?.flaws ?? [],
      places: row.places ?? parent?.places ?? [],
      details: row.details ?? parent?.details ?? [],
      stance: row.stance === undefined ? (parent?.stance ?? null) : row.stance,
      outlines: row.outlines ?? parent?.outlines ?? [],
      useWord: row.useWord ?? parent?.useWord ?? 'used',
      parcelG: row.parcelG ?? parent?.parcelG ?? 1_000,
      own: own.has(row.id),
    };
  }

  get(id: string): Kind | undefined {
    return this.byId.get(id);
  }

  /** Every kind, parents before their children. */
  get all(): readonly Kind[] {
    return [...this.byId.values()];
  }

  /** The kinds right below one; `null` for the roots. */
  children(id: string | null): readonly Kind[] {
    return this.below.get(id) ?? [];
  }

  /** Kinds that have none below them: what an item usually is. */
  get leaves(): readonly Kind[] {
    return this.all.filter((k) => this.children(k.id).length === 0);
  }

  /** "Clothes › Jumper" */
  pathWords(id: string): string {
    return (this.get(id)?.path ?? []).map((p) => this.get(p)?.name ?? p).join(' › ');
  }

  /** The questions of a kind; none while the kind is not known. */
  facts(id: string): readonly FactSpec[] {
    return this.get(id)?.facts ?? [];
  }

  /** Questions of any item, asked for only once they are known. */
  get common(): readonly FactSpec[] {
    return this.everywhere;
  }

  /** The question behind a fact of an item of this kind. */
  fact(kind: string, fact: string): FactSpec | undefined {
    return this.facts(kind).find((f) => f.id === fact) ?? this.everywhere.find((f) => f.id === fact);
  }

  measures(id: string): readonly MeasureSpec[] {
    return this.get(id)?.measures ?? [];
  }

  /** What kinds are measured by, each set once, the one that most kinds share first. */
  get measureSets(): readonly (readonly MeasureSpec[])[] {
    const sets = new Map<string, { measures: readonly MeasureSpec[]; kinds: number }>();
    for (const { measures } of this.leaves) {
      const key = measures.map((m) => m.id).join();
      sets.set(key, { measures, kinds: (sets.get(key)?.kinds ?? 0) + 1 });
    }
    return [...sets.values()].sort((a, b) => b.kinds - a.kinds).map(({ measures }) => measures);
  }

  /** What a fact is called for this kind of item. */
  factName(kind: string, fact: string): string {
    return this.fact(kind, fact)?.label ?? this.anyFact(fact)?.label ?? fact;
  }

  /** Is this fact the seller's own, never to be sent? A fact nobody asks any more keeps its privacy. */
  isPrivate(kind: string, fact: string): boolean {
    const spec = this.fact(kind, fact);
    if (spec) return spec.private ?? false;
    return this.ownFacts.some((o) => o.spec.id === fact && o.spec.private);
  }

  private anyFact(fact: string): FactSpec | undefined {
    for (const kind of this.byId.values()) {
      const found = kind.facts.find((f) => f.id === fact);
      if (found) return found;
    }
    return undefined;
  }
}

/** Later questions take the place of earlier ones with the same id, where those stand. */
function merged(...lists: (readonly FactSpec[])[]): readonly FactSpec[] {
  const all = new Map<string, FactSpec>();
  for (const spec of lists.flat()) all.set(spec.id, spec);
  return [...all.values()];
}

function loops(id: string, all: Map<string, KindRow>): boolean {
  const seen = new Set<string>();
  for (let at: string | null = id; at !== null; at = all.get(at)?.parent ?? null) {
    if (seen.has(at)) return true;
    seen.add(at);
  }
  return false;
}

/** The kinds the app comes with. Data, not code: a kind is added by adding a row. */
export const ROWS: readonly KindRow[] = [...WEAR, ...HOUSE, ...PASTIMES];

export const BUILT_IN = new KindTree(ROWS);
