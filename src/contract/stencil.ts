import { z } from 'zod';

import { MarketId, RecordId, ShortText } from './common';
import { FollowRule } from './following';

/** What of a listing a stencil can say. */
export const STENCIL_PARTS = [
  'format',
  'terms',
  'offers',
  'promotion',
  'extras',
  'pictures',
  'words',
  'start',
  'follow',
] as const;
export const StencilPart = z.enum(STENCIL_PARTS);
export type StencilPart = z.infer<typeof StencilPart>;

/** A share of an item's price, basis points. */
const Share = z.number().int().min(1).max(100_000);

/** An auction's terms for items of any price: its amounts are shares of the price. */
export const AuctionShares = z.object({
  openingBp: Share,
  /** Ends it at once; null for none. */
  outrightBp: Share.nullable(),
  days: z.number().int().min(1).max(60),
  /** How often it is put up again when nobody bids. */
  again: z.number().int().min(0).max(20),
  /** Its fixed price once that is over; null: it is taken down. */
  becomesBp: Share.nullable(),
});
export type AuctionShares = z.infer<typeof AuctionShares>;

/** A time of the day by the clock of the place, on one day of the week or any. */
export const WeekTime = z.object({
  /** 1 is Monday, 7 Sunday (ISO 8601); null: the next day on which it is still to come. */
  day: z.number().int().min(1).max(7).nullable(),
  /** Minutes since midnight. */
  minute: z.number().int().min(0).max(1_439),
});
export type WeekTime = z.infer<typeof WeekTime>;

/**
 * What a person usually says of a listing on one marketplace, kept under a name. It lies under a listing's
 * own values: whatever the listing says itself stays. Null and empty: it says nothing of that.
 */
export const Stencil = z.object({
  id: RecordId,
  market: MarketId,
  name: z.string().min(1).max(80),
  /** Kinds, with all below them, that it lies under by itself; empty: only where it is chosen. */
  kinds: z.array(z.string().max(60)).max(60).default([]),
  format: AuctionShares.nullable().default(null),
  termsId: RecordId.nullable().default(null),
  /** Offers are taken from this share of the price on, and refused under that one. */
  offers: z
    .object({ acceptFromBp: Share.nullable(), refuseUnderBp: Share.nullable() })
    .nullable()
    .default(null),
  /** Basis points; 0: none. */
  promotionBp: z.number().int().min(0).max(10_000).default(0),
  /** Paid extras by id, with what they ask for. */
  extras: z.record(z.string().max(60), ShortText).default({}),
  /** What pictures show (`front`, `label`), in the order they go; all others follow in their own. */
  pictures: z.array(z.string().max(80)).max(60).default([]),
  /** The tone or pattern its description is written by. */
  patternId: z.string().max(64).nullable().default(null),
  start: WeekTime.nullable().default(null),
  /** Prices follow other sellers' copies by this rule; null: they do not. */
  follow: FollowRule.nullable().default(null),
});
export type Stencil = z.infer<typeof Stencil>;
