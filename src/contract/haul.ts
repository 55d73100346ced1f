import { z } from 'zod';

import { Instant, LongText, Minor, RecordId, ShortText } from './common';

/** Evenly by the piece, by packed weight, by expected price. */
export const SPLITS = ['evenly', 'weight', 'price'] as const;

/** Items bought together. */
export const Haul = z.object({
  id: RecordId,
  name: z.string().min(1).max(200),
  source: ShortText.default(''),
  /** Calendar day, `2026-11-08`. */
  date: z.string().regex(/^\d{4}-\d\d-\d\d$/),
  cost: Minor.nonnegative().nullable().default(null),
  note: LongText.default(''),
  /** What was bought, in the buyer's words, with how many of each, and the price of one where it is known. */
  lines: z
    .array(
      z.object({
        id: RecordId,
        what: ShortText,
        count: z.number().int().positive().max(10_000),
        each: Minor.nonnegative().nullable().default(null),
      }),
    )
    .max(500)
    .default([]),
  /** How its cost is spread over its items. */
  splitBy: z.enum(SPLITS).default('evenly'),
  /** What its items begin with. */
  defaults: z
    .object({ kind: z.string().max(60), spot: z.string().max(60), ownerId: RecordId.nullable() })
    .default({ kind: '', spot: '', ownerId: null }),
  /** All of it is done with: it is offered no more. Null: it is being worked. */
  putAwayAt: Instant.nullable().default(null),
  createdAt: Instant,
});
export type Haul = z.infer<typeof Haul>;

/** A place where items are stored. */
export const Spot = z.object({
  id: RecordId,
  /** As it stands on the shelf and on items' records: "A3-12". */
  name: z.string().min(1).max(60),
  /** How many items fit; null: nobody counted. */
  capacity: z.number().int().positive().max(100_000).nullable().default(null),
  note: ShortText.default(''),
});
export type Spot = z.infer<typeof Spot>;

/** What happens with a consignor's item when its time is over. */
export const ENDS = ['back', 'given', 'bought'] as const;

/** Somebody whose items are sold for them, and what was agreed. */
export const Owner = z.object({
  id: RecordId,
  name: z.string().min(1).max(200),
  note: LongText.default(''),
  /** Their share by price: the first tier whose limit is above the price; the last has none. Basis points. */
  tiers: z
    .array(z.object({ under: Minor.positive().nullable(), shareBp: z.number().int().min(0).max(10_000) }))
    .min(1)
    .max(12),
  /** Of what is left after the marketplace's fees, or of the price. */
  of: z.enum(['afterFees', 'beforeFees']).default('afterFees'),
  /** Not sold below this; minor units. */
  least: Minor.nonnegative().nullable().default(null),
  /** How long it is tried. */
  days: z.number().int().positive().max(3_650).default(90),
  atEnd: z.enum(ENDS).default('back'),
});
export type Owner = z.infer<typeof Owner>;
