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
const QuirestackOrder = z.object({
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
        /** Our own offer. */
        yours: z.boolean().default(false),
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

/** A line of the stock report. */
export const QuirestackStock = z.object({
  ref: z.string().min(1).max(120),
  barcode: z.string().max(20),
  name: z.string().max(400),
  rack: z.string().max(80),
  condition: z.string().max(40),
  note: z.string().max(4_000),
  cents: z.string().regex(/^\d{1,8}$/u),
  keptAt: z.string().max(40),
  seen: z.string().max(300),
  pictures: z.string().max(1_000),
});
/** The report itself: lines of comma-separated values. */
export const QuirestackStockReport = z.object({ report: z.string().max(4_000_000) });
export const QuirestackParcel = z.object({ parcel: z.string().max(40) });
/** A parcel on its way to the depot, or counted there. */
export const QuirestackParcels = z.object({
  parcels: z
    .array(
      z.object({
        parcel: z.string().max(40),
        at: z.number().int().nonnegative(),
        countedAt: z.number().int().nonnegative().nullable(),
        contents: z
          .array(
            z.object({
              code: z.string().max(60),
              barcode: z.string().max(20),
              /** The depot's own number for it once it was counted in; null: not there. */
              depotNo: z.string().max(40).nullable(),
            }),
          )
          .max(500),
      }),
    )
    .max(2_000),
});
/** The depot's own report: lines of comma-separated values, and the day they were made. */
export const QuirestackDepotReport = z.object({
  day: z.string().regex(/^\d{4}-\d\d-\d\d$/u),
  report: z.string().max(4_000_000),
});
export const QuirestackKept = z.object({
  depotNo: z.string().min(1).max(40),
  code: z.string().max(60),
  barcode: z.string().max(20),
  state: z.enum(['kept', 'posted', 'returned']),
});
/** How many of the items asked for are on their way back. */
export const QuirestackReturned = z.object({ returned: z.number().int().nonnegative() });
