import { z } from 'zod';

import { Instant } from './common';

/** A word for buyers that takes something off, in the seller's own shop. */
export const Coupon = z.object({
  code: z.string().regex(/^[A-Z0-9]{3,20}$/u),
  percentOff: z.number().int().min(1).max(90),
});
export type Coupon = z.infer<typeof Coupon>;
export const CouponsAnswer = z.object({ coupons: z.array(Coupon).max(1_000) });
export type CouponsAnswer = z.infer<typeof CouponsAnswer>;

/** What goes to a marketplace's depot in one parcel: each item by its code and barcode. */
export const DepotContents = z
  .array(z.object({ code: z.string().min(1).max(60), barcode: z.string().min(8).max(14) }))
  .min(1)
  .max(200);

/** A parcel to a marketplace's depot, and what of it was counted there. */
export const DepotParcel = z.object({
  parcel: z.string().min(1).max(40),
  at: Instant,
  /** When it was counted; null: still on its way. */
  countedAt: Instant.nullable(),
  contents: z
    .array(
      z.object({
        code: z.string().max(60),
        barcode: z.string().max(20),
        /** The depot's own number for it; null: not counted, or not in the parcel. */
        depotNo: z.string().max(40).nullable(),
      }),
    )
    .max(500),
});
export type DepotParcel = z.infer<typeof DepotParcel>;
/** What is to come back from a depot, by the depot's own numbers. */
export const DepotBack = z.object({ nos: z.array(z.string().min(1).max(40)).min(1).max(200) });
export type DepotBack = z.infer<typeof DepotBack>;
/** What a depot says it holds, by its daily report; `back`: on its way to the seller, or there. */
export const DepotStock = z.object({
  day: z.string().max(10),
  lines: z
    .array(
      z.object({
        no: z.string().max(40),
        code: z.string().max(60),
        state: z.enum(['kept', 'posted', 'back']),
      }),
    )
    .max(20_000),
});
export type DepotStock = z.infer<typeof DepotStock>;
export const ParcelsAnswer = z.object({ parcels: z.array(DepotParcel).max(2_000), stock: DepotStock });
export type ParcelsAnswer = z.infer<typeof ParcelsAnswer>;
export const ParcelAnnounced = z.object({ parcel: z.string().min(1).max(40) });
export type ParcelAnnounced = z.infer<typeof ParcelAnnounced>;
