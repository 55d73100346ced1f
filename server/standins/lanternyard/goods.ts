import type { Good } from './validate';

/** Something in the shop. */
export interface Shelved {
  ref: string;
  good: Good;
  left: number;
  /** How many went; absent: as many as are no longer left. */
  sold?: number;
  /** Of one in variants: how many of each went, by their codes. */
  gone?: Record<string, number>;
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

/** How many are left of a variant. */
export function leftOf(s: Shelved, code: string): number {
  const stock = s.good.variants?.pieces.find((p) => p.code === code)?.stock ?? 0;
  return Math.max(0, stock - (s.gone?.[code] ?? 0));
}

/** How many are left of a good as it is put now, all its variants together. */
export function leftNow(good: Good, gone: Record<string, number>, sold: number): number {
  if (!good.variants) return Math.max(0, good.stock - sold);
  return good.variants.pieces.reduce((sum, p) => sum + Math.max(0, p.stock - (gone[p.code] ?? 0)), 0);
}

/** The same after one was sold. */
export function soldOne(s: Shelved, piece: string | undefined): Shelved {
  const gone = piece === undefined ? s.gone : { ...s.gone, [piece]: (s.gone?.[piece] ?? 0) + 1 };
  return { ...s, left: s.left - 1, sold: soldOf(s) + 1, ...(gone ? { gone } : {}) };
}

/** Path of its page. */
export function seenAt(base: string, ref: string): string {
  return `${base}/g/${encodeURIComponent(ref)}`;
}
