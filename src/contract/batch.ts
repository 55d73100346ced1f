import { z } from 'zod';

import { Instant, LongText, MarketId, Minor, RecordId, ShortText } from './common';
import { USES } from './item';

/** How the price of what is scanned is made. */
export const BatchPrice = z.discriminatedUnion('by', [
  z.object({ by: z.literal('none') }),
  /** One amount for all; minor units. */
  z.object({ by: z.literal('fixed'), amount: Minor.nonnegative() }),
  /** A share of what it cost new, basis points. */
  z.object({ by: z.literal('ofNew'), shareBp: z.number().int().min(1).max(20_000) }),
  /** So many times the cost. */
  z.object({ by: z.literal('timesCost'), times: z.number().min(1).max(100) }),
]);
export type BatchPrice = z.infer<typeof BatchPrice>;

/** The most items that one scan begins. */
export const MOST_AT_ONCE = 50;

/** What all items of a batch begin with, from one scan to the next. */
export const BatchDefaults = z.object({
  /** Empty: as the product look-up says, or the person later. */
  kind: z.string().max(60).default(''),
  ownerId: RecordId.nullable().default(null),
  spot: z.string().max(60).default(''),
  /** Each is asked for its spot before the next one is scanned. */
  askSpot: z.boolean().default(false),
  use: z.enum(USES).nullable().default(null),
  /** Said of the condition of each. Public. */
  phrase: LongText.default(''),
  price: BatchPrice.default({ by: 'none' }),
  /** Of one; minor units. */
  cost: Minor.nonnegative().nullable().default(null),
  /** How many items one scan begins. */
  quantity: z.number().int().min(1).max(MOST_AT_ONCE).default(1),
  /** The fixed letters of their codes; empty: those of all items. */
  letters: z
    .string()
    .regex(/^[A-Z0-9]{0,8}$/u)
    .default(''),
  /** The marketplace whose depot stores and posts them; null: posted by oneself. */
  depot: MarketId.nullable().default(null),
  taxCode: ShortText.default(''),
  /** Each barcode is looked up as it is scanned. */
  lookUp: z.boolean().default(true),
  /** Where they are to be listed, and by which terms there. */
  markets: z.array(MarketId).max(20).default([]),
  termsIds: z.record(MarketId, RecordId).default({}),
});
export type BatchDefaults = z.infer<typeof BatchDefaults>;

/** Items that are entered one after the other in one sitting. */
export const Batch = z.object({
  id: RecordId,
  /** The day it was begun, unless the person says otherwise. */
  name: z.string().min(1).max(80),
  startedAt: Instant,
  defaults: BatchDefaults,
});
export type Batch = z.infer<typeof Batch>;
