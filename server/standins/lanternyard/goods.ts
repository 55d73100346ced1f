import type { Good } from './validate';

/** Something in the shop. */
export interface Shelved {
  ref: string;
  good: Good;
  left: number;
  /** How many went; absent: as many as are no longer left. */
  sold?: number;
  removed: boolean;
  at: number;
}

export interface Coupon {
  code: string;
  percentOff: number;
}

export function isOffered(s: Shelved): boolean {
  return !s.removed && s.left > 0;
}

/** How many went so far. */
export function soldOf(s: Shelved): number {
  return s.sold ?? s.good.stock - s.left;
}

/** Path of its page. */
export function seenAt(base: string, ref: string): string {
  return `${base}/g/${encodeURIComponent(ref)}`;
}
