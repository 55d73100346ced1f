import type { Good } from './validate';

/** Something in the shop. */
export interface Shelved {
  ref: string;
  good: Good;
  left: number;
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

/** Path of its page. */
export function seenAt(base: string, ref: string): string {
  return `${base}/g/${encodeURIComponent(ref)}`;
}
