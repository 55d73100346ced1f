import type { Picture } from '@/contract/picture';

import { fingerprintDistance, haveOtherColours } from '../pixels/fingerprint';

/**
 * Distances of fingerprints below which two pictures are taken for the same. Tuned on the tuning seeds of
 * `truth/judged.ts`: of 216 pictures of the same eight are further apart than 0.84, of 144 others none is
 * nearer.
 */
export const TWINS = {
  /** Two pictures of one item that are to show the same. */
  ofItem: 0.84,
  /** Front and back of a plain thing look much alike; and so do things of one make. */
  otherwise: 0.5,
} as const;

/** What is to be known of a picture for finding another that shows the same. */
export interface Seen {
  itemId: string;
  shows: string;
  print: string;
}

/** @returns null of one that nothing can be held against: not looked at, or a drawing of figures */
export function seenOf({ itemId, shows, exam, made }: Picture): Seen | null {
  return exam && !made ? { itemId, shows, print: exam.print } : null;
}

/**
 * Finds pictures that show the same among all there are. How far apart two are is worked out once: laying one
 * on the other takes milliseconds.
 */
export class TwinFinder {
  private readonly all = new Map<string, Seen>();
  /** Of pictures near in colour, by the smaller id and the larger. */
  private readonly distances = new Map<string, Map<string, number>>();

  get size(): number {
    return this.all.size;
  }

  /** @param seen null forgets it */
  know(id: string, seen: Seen | null): void {
    if (this.all.get(id)?.print !== seen?.print) {
      this.distances.delete(id);
      for (const row of this.distances.values()) row.delete(id);
    }
    if (seen) this.all.set(id, seen);
    else this.all.delete(id);
  }

  /**
   * Another picture that shows the same: of the item itself the first, then of any other.
   *
   * @param own the item's pictures in their order
   */
  twinOf(id: string, own: readonly string[]): string | null {
    const seen = this.all.get(id);
    if (!seen) return null;
    const ofItem = own.find((other) => {
      const limit = this.all.get(other)?.shows === seen.shows ? TWINS.ofItem : TWINS.otherwise;
      return other !== id && this.distance(id, other) < limit;
    });
    if (ofItem !== undefined) return ofItem;
    for (const [other, { itemId }] of this.all)
      if (itemId !== seen.itemId && this.distance(id, other) < TWINS.otherwise) return other;
    return null;
  }

  private distance(one: string, other: string): number {
    const [a, b] = [this.all.get(one)?.print, this.all.get(other)?.print];
    if (a === undefined || b === undefined || haveOtherColours(a, b)) return Infinity;
    const [low, high] = one < other ? [one, other] : [other, one];
    const row = this.distances.get(low) ?? new Map<string, number>();
    this.distances.set(low, row);
    const known = row.get(high) ?? fingerprintDistance(a, b);
    row.set(high, known);
    return known;
  }
}
