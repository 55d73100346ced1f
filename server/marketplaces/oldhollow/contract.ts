import { z } from 'zod';

/** What Oldhollow answers. */
const OldhollowSale = z.object({
  number: z.string().max(60),
  cents: z.number().int().nonnegative(),
  kept: z.number().int().nonnegative(),
  at: z.number().int().nonnegative(),
});
export const OldhollowPiece = z.object({
  ref: z.string().max(160),
  status: z.enum(['shown', 'sold', 'taken away', 'lapsed']),
  seen: z.string().max(300),
  bids: z.number().int().nonnegative(),
  sale: OldhollowSale.nullable(),
});
export const OldhollowImage = z.object({ image: z.string().max(60) });
export const OldhollowComplaints = z.object({
  complaints: z.array(z.object({ about: z.string().max(60), words: z.string().max(500) })).max(200),
});
export const OldhollowRefusal = z.object({ message: z.string().max(500) });
export const OldhollowTiding = z.object({
  kind: z.enum(['sold', 'lapsed']),
  ref: z.string().max(160),
  post: z.number().int().nonnegative(),
  sale: OldhollowSale.nullable(),
});
export const OldhollowTidings = z.object({
  tidings: z.array(OldhollowTiding).max(500),
  upTo: z.string().max(40),
});
export const OldhollowPast = z.object({
  pieces: z
    .array(
      z.object({
        number: z.string().max(80),
        name: z.string().max(400),
        maker: z.string().max(120),
        room: z.string().max(80),
        state: z.string().max(40),
        sold: z.boolean(),
        cents: z.number().int().nonnegative(),
        from: z.number().int(),
        to: z.number().int(),
      }),
    )
    .max(1_000),
});
export const OldhollowSought = z.object({
  sought: z
    .array(z.object({ word: z.string().min(1).max(60), often: z.number().int().nonnegative() }))
    .max(500),
});

/** Auctions of ours that run just now. */
export const OldhollowAuctions = z.object({
  auctions: z
    .array(
      z.object({
        ref: z.string().max(160),
        bids: z.number().int().nonnegative(),
        bestCents: z.number().int().nonnegative().nullable(),
        until: z.number().int().nonnegative(),
        round: z.number().int().positive(),
        again: z.number().int().nonnegative(),
        becomesCents: z.number().int().nonnegative().nullable(),
      }),
    )
    .max(5_000),
});

/** What stands there, as it was put. */
export const OldhollowShelf = z.object({
  shelf: z
    .array(
      OldhollowPiece.extend({
        piece: z.object({
          name: z.string().max(1_000),
          account: z.string().max(20_000),
          room: z.string().max(80),
          state: z.string().max(40),
          cents: z.number().int().nonnegative(),
          postCents: z.number().int().nonnegative(),
          decade: z.string().max(400),
          maker: z.string().max(400),
          madeOf: z.string().max(400),
          origin: z.string().max(400),
          images: z.array(z.string().max(120)).max(60),
          auction: z.object({ openCents: z.number().int().nonnegative() }).nullable(),
        }),
        since: z.number().int().nonnegative(),
      }),
    )
    .max(1_000),
  next: z.number().int().positive().nullable(),
});
