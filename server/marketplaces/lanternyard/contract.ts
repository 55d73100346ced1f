import { z } from 'zod';

/** What Lanternyard, which hosts the seller's own shop, answers. */
export const LanternyardGood = z.object({
  ref: z.string().max(160),
  left: z.number().int().nonnegative(),
  removed: z.boolean(),
  seen: z.string().max(300),
});
export const LanternyardPhoto = z.object({ photo: z.string().max(60) });
export const LanternyardHitches = z.object({ hitches: z.record(z.string().max(40), z.string().max(500)) });
export const LanternyardOrders = z.object({
  orders: z
    .array(
      z.object({
        kind: z.literal('sold'),
        number: z.string().max(60),
        ref: z.string().max(160),
        /** Of a good in variants: our code of the piece. */
        piece: z.string().max(90).optional(),
        cents: z.number().int().nonnegative(),
        postCents: z.number().int().nonnegative(),
        cardCents: z.number().int().nonnegative(),
        at: z.number().int().nonnegative(),
      }),
    )
    .max(1_000),
  upTo: z.string().max(40),
});
export const LanternyardPast = z.object({
  goods: z
    .array(
      z.object({
        no: z.string().max(80),
        title: z.string().max(400),
        maker: z.string().max(120),
        section: z.string().max(80),
        condition: z.string().max(40),
        sold: z.boolean(),
        cents: z.number().int().nonnegative(),
        from: z.number().int(),
        to: z.number().int(),
      }),
    )
    .max(1_000),
});
export const LanternyardSought = z.object({
  words: z.array(z.tuple([z.string().min(1).max(60), z.number().int().nonnegative()])).max(500),
});

/** What is in the shop, as it was put. */
export const LanternyardGoods = z.object({
  goods: z
    .array(
      LanternyardGood.extend({
        good: z.object({
          title: z.string().max(1_000),
          text: z.string().max(20_000),
          cents: z.number().int().nonnegative(),
          postCents: z.number().int().nonnegative(),
          section: z.string().max(80),
          condition: z.string().max(40),
          origin: z.string().max(400),
          photos: z.array(z.string().max(120)).max(60),
        }),
        at: z.number().int().nonnegative(),
      }),
    )
    .max(1_000),
  next: z.number().int().positive().nullable(),
});
export const LanternyardRefusal = z.object({ message: z.string().max(500) });
export const LanternyardCoupons = z.object({
  coupons: z
    .array(z.object({ code: z.string().max(20), percentOff: z.number().int().min(1).max(90) }))
    .max(1_000),
});
