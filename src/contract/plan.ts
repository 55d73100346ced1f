import { z } from 'zod';

import { MOST_STOCK } from './choices';
import { Instant, LongText, MarketId, Minor, RecordId, ShortText } from './common';
import { AuctionTerms } from './courier';
import { Followed, FollowRule } from './following';
import { StencilPart } from './stencil';

/** What the person wants of one item on one marketplace; only what differs from the item is held. */
export const Plan = z.object({
  /** `planId(item, market)`. */
  id: RecordId,
  itemId: RecordId,
  market: MarketId,
  wanted: z.boolean(),
  title: ShortText.nullable().default(null),
  description: LongText.nullable().default(null),
  price: Minor.nonnegative().nullable().default(null),
  category: z.string().max(80).nullable().default(null),
  /** The marketplace's own fields, by its ids, where they differ from what the facts give. */
  specifics: z.record(z.string().max(60), ShortText).default({}),
  /** Answers to the marketplace's extra questions. */
  answers: z.record(z.string().max(60), ShortText).default({}),
  /** Sold to whoever bids most; null: at the price. */
  auction: AuctionTerms.nullable().default(null),
  /** Its own tags; null: those from the facts. */
  tags: z.array(z.string().max(60)).max(60).nullable().default(null),
  /** Its own pictures in its own order; null: the item's. */
  pictureIds: z.array(RecordId).max(200).nullable().default(null),
  /** Of several: what pieces cost there, by code, and how many of each are shown; null: as shared. */
  pieces: z
    .object({
      prices: z.record(z.string().max(90), Minor.nonnegative()).default({}),
      heldBack: z.number().int().min(0).max(1_000).nullable().default(null),
      cap: z.number().int().min(1).max(MOST_STOCK).nullable().default(null),
    })
    .nullable()
    .default(null),
  /** Terms chosen for it alone; null: those for its owner, haul or kind. */
  termsId: RecordId.nullable().default(null),
  /** Its price follows other sellers' copies by this rule; null: it does not. */
  follow: FollowRule.nullable().default(null),
  /** Where following has led so far; null: nobody has looked yet. */
  followed: Followed.nullable().default(null),
  /** Not sent before; null: at once. */
  startAt: Instant.nullable().default(null),
  /** Paid promotion, basis points; 0: none. */
  promotionBp: z.number().int().min(0).max(10_000).default(0),
  /** Paid extras by id, with what they ask for: words, a category, a number of days. */
  extras: z.record(z.string().max(60), ShortText).default({}),
  /** What lies under it: a stencil, none (`id` null), or (null) the one for its kind. */
  stencil: z.object({ id: RecordId.nullable() }).nullable().default(null),
  /** Parts it says itself, even where it says nothing: no stencil's word counts for them. */
  ownParts: z.array(StencilPart).max(20).default([]),
  /** From when days without an enquiry are counted anew; null: from when it was up. */
  unaskedFrom: Instant.nullable().default(null),
  /** Cautions that the person looked at and lets be, by what they are known by, and since when. */
  waived: z
    .array(z.object({ key: z.string().max(200), at: Instant }))
    .max(200)
    .default([]),
  /** What was sent last of pictures and clips, in order: each one's id and what it looked like. */
  sentMedia: z.array(z.string().max(120)).max(200).default([]),
  /** What the marketplace knows a listing by that was brought in; null: it went out from here. */
  adopted: z.string().max(200).nullable().default(null),
  /**
   * Fingerprint of what would have been sent when it was brought in; null: it was sent from here since, or
   * first.
   */
  adoptedHash: z.string().max(40).nullable().default(null),
});
export type Plan = z.infer<typeof Plan>;

/** The id of the plan for one item on one marketplace. */
export function planId(itemId: string, market: string): string {
  return `${itemId}_${market}`;
}
