import { z } from 'zod';

import { Minor } from './common';

/** What a carrier asks, by zone and chargeable weight. */
export const CarrierRates = z.object({
  /** From which day on, in the carrier's words; empty: our own table. */
  valid: z.string().max(40).default(''),
  zones: z
    .array(
      z.object({
        id: z.string().min(1).max(40),
        name: z.string().min(1).max(80),
        /** By weight, the lightest first; grams and minor units. */
        bands: z.array(z.object({ upToG: z.number().int().positive(), price: Minor.nonnegative() })).max(60),
      }),
    )
    .max(20),
  /** Cubic centimetres that count as a kilogram; null: only the scales count. */
  divisor: z.number().positive().nullable(),
  /** Longest side, and length with girth (length + 2 × (width + height)), millimetres. */
  maxLongest: z.number().positive(),
  maxGirth: z.number().positive(),
});
export type CarrierRates = z.infer<typeof CarrierRates>;
