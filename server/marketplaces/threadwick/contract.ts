import { z } from 'zod';

/** What Threadwick answers. */
const ThreadwickSale = z.object({
  sale: z.string().max(60),
  amount: z.number().int().nonnegative(),
  part: z.number().int().nonnegative(),
  when: z.iso.datetime(),
});
export const ThreadwickPiece = z.object({
  no: z.string().max(40),
  ref: z.string().max(160),
  status: z.enum(['hanging', 'taken down', 'sold']),
  seen: z.string().max(300),
  sale: ThreadwickSale.nullable(),
});
export const ThreadwickPieces = z.array(ThreadwickPiece).max(1_000);
export const ThreadwickObjections = z.object({
  objections: z.array(z.tuple([z.string().max(40), z.string().max(500)])).max(100),
});
export const ThreadwickJournal = z.object({
  lines: z
    .array(
      ThreadwickSale.extend({
        line: z.literal('sold'),
        no: z.string().max(40),
        ref: z.string().max(160),
        post: z.number().int().nonnegative(),
      }),
    )
    .max(1_000),
  next: z.string().max(40),
});

export const ThreadwickGone = z
  .array(
    z.object({
      no: z.string().max(80),
      name: z.string().max(400),
      label: z.string().max(120),
      shelf: z.string().max(80),
      worn: z.string().max(40),
      gone: z.boolean(),
      price: z.string().regex(/^\d{1,7}\.\d\d$/u),
      hung: z.iso.datetime(),
      down: z.iso.datetime(),
    }),
  )
  .max(1_000);
export const ThreadwickAsked = z.record(z.string().min(1).max(60), z.number().int().nonnegative());

/** What hangs there, as it was put up. */
export const ThreadwickMine = z.object({
  pieces: z
    .array(
      ThreadwickPiece.extend({
        piece: z.object({
          name: z.string().max(1_000),
          story: z.string().max(20_000),
          price: z.string().regex(/^\d{1,7}\.\d\d$/u),
          shelf: z.string().max(80),
          worn: z.string().max(40),
          department: z.string().max(400),
          size: z.string().max(400),
          colour: z.string().max(400),
          label: z.string().max(400),
          cloth: z.string().max(400),
          origin: z.string().max(400),
        }),
        photos: z.array(z.string().max(120)).max(60),
      }),
    )
    .max(1_000),
  next: z.number().int().positive().nullable(),
});
