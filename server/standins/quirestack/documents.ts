import type { Line } from './validate';

/** A copy on the racks. */
export interface Offer {
  ref: string;
  line: Line;
  /** A copy's own picture, where the seller sent one. */
  pictures: string[];
  status: 'offered' | 'sold' | 'removed';
  /** The last one. */
  order: { order: string; cents: number; withheld: number; at: number } | null;
  /** How many went; absent: one where it is sold. */
  sold?: number;
}

/** How many copies went so far. */
export function soldOf(o: Offer): number {
  return o.sold ?? (o.status === 'sold' ? 1 : 0);
}

/** How many copies are left of an offer. */
export function copiesLeft(o: Offer): number {
  return Math.max(0, Number(o.line.copies || 1) - soldOf(o));
}

/** An item at the depot. */
export interface Kept {
  depotNo: string;
  code: string;
  barcode: string;
  /** When it was posted to its buyer. */
  postedAt?: number;
  /** When it was sent back to the seller. */
  returnedAt?: number;
}

export const POSTAGE = 280;

/** Path of a copy's page. */
export function seenAt(base: string, ref: string): string {
  return `${base}/copy/${encodeURIComponent(ref)}`;
}
