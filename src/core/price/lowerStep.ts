import { exponentOf, type Minor } from '../money/money';

/** How much of a price is left when nobody asked: common practice, a tenth less. */
const LEFT = 0.9;

/**
 * A lower price for what nobody asked about: a tenth less, in whole units of the currency, easier to
 * pay in cash.
 *
 * @param floor minor units; null: there is none
 * @returns null where it would go under the floor, or to nothing
 */
export function lowerStep(price: Minor, floor: Minor | null, currency: string): Minor | null {
  const unit = 10 ** exponentOf(currency);
  const lower = Math.floor((price * LEFT) / unit) * unit;
  return lower <= 0 || lower >= price || lower < (floor ?? 0) ? null : lower;
}
