import type { Minor } from '../money/money';

/** Inland parcel prices by packed weight; a starting table until the carrier's own rates are read. */
const BANDS: readonly { upToG: number; price: Minor }[] = [
  { upToG: 250, price: 290 },
  { upToG: 1_000, price: 420 },
  { upToG: 2_000, price: 580 },
  { upToG: 5_000, price: 890 },
  { upToG: 10_000, price: 1_250 },
  { upToG: 31_500, price: 1_900 },
];

/** What packing costs the seller, a parcel: box, paper, tape. Common practice, from memory. */
export const PACKAGING: Minor = 60;

/**
 * Inland postage for a packed weight, in minor units.
 *
 * @param grams > 0
 * @returns null above 31.5 kg: too heavy for a parcel
 */
export function postageFor(grams: number): Minor | null {
  return BANDS.find((band) => grams <= band.upToG)?.price ?? null;
}
