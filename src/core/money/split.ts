import type { Minor } from './money';

/**
 * Splits one cost over items by weight so that the parts add up exactly (largest remainder; ties
 * go to the earlier item).
 *
 * @param total minor units, >= 0
 * @param weights one per item, each >= 0; all zero means evenly
 * @returns minor units per item; empty only for no items
 * @throws RangeError for a negative or non-finite weight, or a negative total
 */
export function splitCost(total: Minor, weights: readonly number[]): Minor[] {
  if (total < 0 || !Number.isSafeInteger(total)) throw new RangeError('total must be whole minor units >= 0');
  if (weights.some((w) => !(w >= 0) || !Number.isFinite(w))) throw new RangeError('weights must be >= 0');
  if (weights.length === 0) return [];
  const sum = weights.reduce((a, b) => a + b, 0);
  const { parts, rests } = weights.every(Number.isSafeInteger)
    ? exactly(total, sum === 0 ? weights.map(() => 1) : weights)
    : nearly(total, weights, sum);
  let left = total - parts.reduce((a, b) => a + b, 0);
  // What is left goes where most was cut off; a tie goes to the earlier item, by this rule and not by how a
  // machine rounds.
  const byRemainder = rests
    .map((rest, i) => ({ i, rest }))
    .sort((a, b) => (a.rest === b.rest ? a.i - b.i : a.rest < b.rest ? 1 : -1));
  for (let k = 0; left > 0; k = (k + 1) % byRemainder.length, left -= 1) {
    const at = byRemainder[k];
    if (at) parts[at.i] = (parts[at.i] ?? 0) + 1;
  }
  return parts;
}

/** In whole numbers of any size: equal weights get equal shares, and equal remainders. */
function exactly(total: Minor, weights: readonly number[]): { parts: number[]; rests: bigint[] } {
  const sum = weights.reduce((all, w) => all + BigInt(w), 0n);
  const products = weights.map((w) => BigInt(total) * BigInt(w));
  return { parts: products.map((p) => Number(p / sum)), rests: products.map((p) => p % sum) };
}

function nearly(total: Minor, weights: readonly number[], sum: number): { parts: number[]; rests: bigint[] } {
  const shares = weights.map((w) => (total * w) / sum);
  const parts = shares.map(Math.floor);
  // To a millionth: nearer than that, weights that are no whole numbers are alike.
  return { parts, rests: shares.map((s, i) => BigInt(Math.round((s - (parts[i] ?? 0)) * 1e6))) };
}
