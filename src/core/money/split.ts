import type { Minor } from './money';

/**
 * Splits one cost over things by weight so that the parts add up exactly (largest remainder; ties
 * go to the earlier thing).
 *
 * @param total minor units, >= 0
 * @param weights one per thing, each >= 0; all zero means evenly
 * @returns minor units per thing; empty only for no things
 * @throws RangeError for a negative or non-finite weight, or a negative total
 */
export function splitCost(total: Minor, weights: readonly number[]): Minor[] {
  if (total < 0 || !Number.isSafeInteger(total)) throw new RangeError('total must be whole minor units >= 0');
  if (weights.some((w) => !(w >= 0) || !Number.isFinite(w))) throw new RangeError('weights must be >= 0');
  if (weights.length === 0) return [];
  const sum = weights.reduce((a, b) => a + b, 0);
  const shares = weights.map((w) => (sum === 0 ? total / weights.length : (total * w) / sum));
  const parts = shares.map(Math.floor);
  let left = total - parts.reduce((a, b) => a + b, 0);
  const byRemainder = shares
    .map((share, i) => ({ i, rest: share - Math.floor(share) }))
    .sort((a, b) => b.rest - a.rest || a.i - b.i);
  for (let k = 0; left > 0; k = (k + 1) % byRemainder.length, left -= 1) {
    const at = byRemainder[k];
    if (at) parts[at.i] = (parts[at.i] ?? 0) + 1;
  }
  return parts;
}
