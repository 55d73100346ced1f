import type { Dot, ReplicaId, Seen } from '@/contract/sync';

/** Whether a change is among those. */
export function holds(seen: Seen, { by, n }: Dot): boolean {
  return (seen[by] ?? 0) >= n;
}

/** Whether all of the second is among the first. */
export function covers(all: Seen, some: Seen): boolean {
  return Object.entries(some).every(([by, n]) => (all[by] ?? 0) >= n);
}

/** Both together. */
export function joined(a: Seen, b: Seen): Seen {
  const both: Record<ReplicaId, number> = { ...a };
  for (const [by, n] of Object.entries(b)) both[by] = Math.max(both[by] ?? 0, n);
  return both;
}

/** What all of them have seen; nothing where there are none. */
export function common(all: readonly Seen[]): Seen {
  const [first, ...rest] = all;
  if (!first) return {};
  const least: Record<ReplicaId, number> = {};
  for (const by of Object.keys(first)) {
    const n = Math.min(...[first, ...rest].map((one) => one[by] ?? 0));
    if (n > 0) least[by] = n;
  }
  return least;
}

/** The same, as of right after a change. */
export function seenBy({ by, n, seen }: Dot & { seen: Seen }): Seen {
  return { ...seen, [by]: n };
}

/** Every replica comes to the same order. */
export function byDot(a: Dot, b: Dot): number {
  return a.by === b.by ? a.n - b.n : a.by < b.by ? -1 : 1;
}
