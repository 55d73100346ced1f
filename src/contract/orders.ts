import { z } from 'zod';

import { Instant, MarketId, Minor, RecordId } from './common';
import { Address } from './fulfilment';

/** Why an item comes back or is not wanted after all. */
export const RETURN_REASONS = [
  'notAsDescribed',
  'damaged',
  'wrongItem',
  'doesNotFit',
  'changedMind',
  'other',
] as const;

/** What was done about one sale: who gets it, how far it is. The sale itself is the courier's. */
export const Order = z.object({
  /** `orderId(item, order)`. */
  id: RecordId,
  itemId: RecordId,
  market: MarketId,
  order: z.string().min(1).max(120),
  address: Address.nullable().default(null),
  /** Taken from its spot, with its code scanned or typed. */
  fetchedAt: Instant.nullable().default(null),
  packedAt: Instant.nullable().default(null),
  /** As weighed when packed, grams. */
  weightG: z.number().int().positive().max(1_000_000).nullable().default(null),
  label: z
    .object({
      carrier: z.string().max(60),
      tracking: z.string().max(40),
      cost: Minor.nonnegative(),
      at: Instant,
    })
    .nullable()
    .default(null),
  postedAt: Instant.nullable().default(null),
  /** When the marketplace was told that it was posted. */
  toldAt: Instant.nullable().default(null),
  arrivedAt: Instant.nullable().default(null),
  /** Nothing more is to be done. */
  closedAt: Instant.nullable().default(null),
  cancelled: z
    .object({ at: Instant, why: z.string().max(500) })
    .nullable()
    .default(null),
  /** Sent back: asked for, here again, money given back. */
  back: z
    .object({
      reason: z.enum(RETURN_REASONS),
      words: z.string().max(500).default(''),
      openedAt: Instant,
      hereAt: Instant.nullable().default(null),
      given: Minor.nonnegative().nullable().default(null),
      /** Fees the marketplace gave back. */
      feesBack: Minor.nonnegative().default(0),
      /** Put up again, or decided otherwise. */
      doneAt: Instant.nullable().default(null),
    })
    .nullable()
    .default(null),
});
export type Order = z.infer<typeof Order>;

/** The id of what is kept of one order. */
export function orderId(itemId: string, order: string): string {
  return `${itemId}_${order.replace(/[^A-Za-z0-9_-]/gu, '')}`.slice(0, 64);
}

/** One line of a marketplace's statement. Money to the seller is positive. */
export const STATEMENT_SORTS = ['sale', 'postage', 'fee', 'back', 'feeBack', 'payout'] as const;
export const StatementLine = z.object({
  sort: z.enum(STATEMENT_SORTS),
  order: z.string().max(120),
  amount: Minor,
  day: z.string().regex(/^\d{4}-\d\d-\d\d$/u),
});
export type StatementLine = z.infer<typeof StatementLine>;

/** All lines that were read of a marketplace's statements. */
export const Statement = z.object({
  /** The marketplace's id. */
  id: RecordId,
  readAt: Instant,
  lines: z.array(StatementLine).max(100_000),
  /** Orders that are off and the person has seen that. */
  seen: z.array(z.string().max(120)).max(100_000).default([]),
});
export type Statement = z.infer<typeof Statement>;

/** Paid to a consignor. */
export const ConsignorPayment = z.object({
  id: RecordId,
  ownerId: RecordId,
  amount: Minor.positive(),
  at: Instant,
  note: z.string().max(200).default(''),
});
export type ConsignorPayment = z.infer<typeof ConsignorPayment>;

/** An answer that is given again and again, with tokens for facts. */
export const SavedAnswer = z.object({
  id: RecordId,
  name: z.string().min(1).max(80),
  text: z.string().min(1).max(2_000),
});
export type SavedAnswer = z.infer<typeof SavedAnswer>;
