import { z } from 'zod';

/** What Brackenmoor answers. */
const BrackenmoorOrder = z.object({
  order: z.string().max(60),
  listing: z.string().max(60),
  reference: z.string().max(160),
  paidCents: z.number().int().nonnegative(),
  postageCents: z.number().int().nonnegative(),
  feesCents: z.number().int().nonnegative(),
  soldAt: z.number().int().nonnegative(),
  /** Of a listing with choices: the seller's code of the piece. */
  piece: z.string().max(90).optional(),
});
export const BrackenmoorListing = z.object({
  listing: z.string().max(60),
  reference: z.string().max(160),
  state: z.enum(['live', 'ended', 'sold']),
  page: z.string().max(300),
  order: BrackenmoorOrder.nullable(),
});
export const BrackenmoorListings = z.object({ listings: z.array(BrackenmoorListing).max(1_000) });
export const BrackenmoorPicture = z.object({ picture: z.string().max(60) });
export const BrackenmoorClip = z.object({ clip: z.string().max(60) });
export const BrackenmoorProblems = z.object({
  problems: z
    .array(z.object({ code: z.string().max(20), field: z.string().max(80), message: z.string().max(500) }))
    .max(100),
});
export const BrackenmoorHappening = BrackenmoorOrder.extend({ kind: z.literal('sold') });
export const BrackenmoorFeed = z.object({
  happenings: z.array(BrackenmoorHappening).max(1_000),
  cursor: z.string().max(40),
});

export const BrackenmoorPast = z.object({
  past: z
    .array(
      z.object({
        number: z.string().max(80),
        headline: z.string().max(400),
        maker: z.string().max(120),
        category: z.string().max(80),
        condition: z.string().max(40),
        outcome: z.enum(['sold', 'unsold']),
        cents: z.number().int().nonnegative(),
        listedAt: z.number().int().nonnegative(),
        endedAt: z.number().int().nonnegative(),
      }),
    )
    .max(1_000),
});
export const BrackenmoorSought = z.object({
  words: z
    .array(z.object({ word: z.string().min(1).max(60), times: z.number().int().nonnegative() }))
    .max(500),
});

/** What others offer there. */
export const BrackenmoorOffered = z.object({
  offered: z
    .array(
      z.object({
        number: z.string().min(1).max(120),
        seller: z.string().max(120),
        page: z.string().max(500),
        headline: z.string().max(1_000),
        text: z.string().max(20_000),
        askingCents: z.number().int().nonnegative(),
        category: z.string().max(80),
        condition: z.string().max(40),
        attributes: z.record(z.string().max(60), z.string().max(1_000)),
        pictures: z.array(z.string().min(1).max(500)).max(60),
      }),
    )
    .max(100),
});

/** What is offered there, as it was put up. */
export const BrackenmoorStall = z.object({
  stall: z
    .array(
      BrackenmoorListing.extend({
        headline: z.string().max(1_000),
        text: z.string().max(20_000),
        askingCents: z.number().int().nonnegative(),
        postageCents: z.number().int().nonnegative(),
        category: z.string().max(80),
        condition: z.string().max(40),
        attributes: z.record(z.string().max(60), z.string().max(1_000)),
        pictures: z.array(z.string().max(120)).max(60),
        listedAt: z.number().int().nonnegative(),
      }),
    )
    .max(1_000),
  next: z.number().int().positive().nullable(),
});
