import { z } from 'zod';

/** What Quirestack answers. */
export const QuirestackTicket = z.object({ ticket: z.string().max(40) });
export const QuirestackRefusal = z.object({ message: z.string().max(500) });
export const QuirestackLine = z.object({
  row: z.number().int().positive(),
  ref: z.string().max(160),
  outcome: z.enum(['accepted', 'rejected', 'removed', 'sold', 'unknown']),
  code: z.string().max(20),
  words: z.string().max(500),
});
export const QuirestackReport = z.object({ done: z.boolean(), report: z.array(QuirestackLine).max(5_000) });
export const QuirestackOrder = z.object({
  order: z.string().max(60),
  cents: z.number().int().nonnegative(),
  withheld: z.number().int().nonnegative(),
  at: z.number().int().nonnegative(),
});
export const QuirestackOffer = z.object({
  ref: z.string().max(160),
  status: z.enum(['offered', 'sold', 'removed']),
  seen: z.string().max(300),
  order: QuirestackOrder.nullable(),
});
export const QuirestackLog = z.object({
  log: z
    .array(
      z.discriminatedUnion('kind', [
        QuirestackLine.extend({ kind: z.literal('report'), seen: z.string().max(300) }),
        QuirestackOrder.extend({
          kind: z.literal('sold'),
          ref: z.string().max(160),
          postCents: z.number().int().nonnegative(),
        }),
      ]),
    )
    .max(1_000),
  upTo: z.string().max(40),
});
export const QuirestackCopies = z.object({
  copies: z
    .array(
      z.object({
        seller: z.string().max(120),
        cents: z.number().int().nonnegative(),
        postCents: z.number().int().nonnegative(),
        condition: z.string().max(20),
        rating: z.number().min(0).max(100),
        leavesIn: z.number().int().nonnegative(),
      }),
    )
    .max(500),
});
export const QuirestackPast = z.object({
  copies: z
    .array(
      z.object({
        no: z.string().max(80),
        name: z.string().max(400),
        house: z.string().max(120),
        rack: z.string().max(80),
        condition: z.string().max(20),
        sold: z.boolean(),
        cents: z.number().int().nonnegative(),
        from: z.number().int(),
        to: z.number().int(),
      }),
    )
    .max(1_000),
});
export const QuirestackSought = z.object({
  words: z.array(z.tuple([z.string().min(1).max(60), z.number().int().nonnegative()])).max(500),
});
