import { z } from 'zod';

import { Instant, MarketId, Minor, RecordId } from './common';
import { Trouble } from './troubles';

/** What a buyer offers, and what became of it. */
export const BuyerOffer = z.object({
  id: z.string().min(1).max(60),
  amount: Minor.nonnegative(),
  at: Instant,
  /** `over`: replaced by a newer one, or the item is gone. */
  state: z.enum(['open', 'accepted', 'refused', 'countered', 'paid', 'over']),
  /** What was asked for instead. */
  counter: Minor.nonnegative().nullable(),
});
export type BuyerOffer = z.infer<typeof BuyerOffer>;

/** A conversation with one buyer about one listing, as the marketplace holds it. */
export const Talk = z.object({
  market: MarketId,
  id: z.string().min(1).max(120),
  ref: z.string().min(1).max(120),
  what: z.string().max(400),
  who: z.string().max(120),
  lines: z
    .array(z.object({ by: z.enum(['buyer', 'seller']), words: z.string().max(4_000), at: Instant }))
    .max(500),
  offers: z.array(BuyerOffer).max(200),
  changedAt: Instant,
  /** Offers can be answered there, and then paid there. */
  takesOffers: z.boolean(),
});
export type Talk = z.infer<typeof Talk>;

/** What the server answers: each with the item it is about, as far as the courier knows. */
export const TalksAnswer = z.object({
  talks: z.array(Talk.extend({ item: RecordId.nullable() })).max(5_000),
  missing: z.array(z.object({ market: MarketId, why: Trouble })).max(20),
});
export type TalksAnswer = z.infer<typeof TalksAnswer>;

export const ReplyWish = z.object({ words: z.string().min(1).max(2_000) });
export const OfferWish = z.object({
  answer: z.enum(['accept', 'refuse', 'counter']),
  amount: Minor.nonnegative().nullable(),
});
export type OfferWish = z.infer<typeof OfferWish>;

/** Where parcels go, as carriers and marketplaces part the world. */
export const ZONES = ['inland', 'near', 'far'] as const;
export const Address = z.object({
  name: z.string().max(120),
  lines: z.array(z.string().max(120)).max(6),
  zone: z.enum(ZONES),
});
export type Address = z.infer<typeof Address>;

/** A bought item as the marketplace holds it. */
export const OrderAtMarket = z.object({
  order: z.string().min(1).max(120),
  state: z.enum(['paid', 'posted', 'cancelled', 'givenBack']),
  buyer: Address,
  amount: Minor.nonnegative(),
  postage: Minor.nonnegative(),
  fees: Minor.nonnegative(),
  back: Minor.nonnegative(),
  feesBack: Minor.nonnegative(),
});
export type OrderAtMarket = z.infer<typeof OrderAtMarket>;

export const OrderWish = z.discriminatedUnion('type', [
  z.object({ type: z.literal('posted'), carrier: z.string().max(60), tracking: z.string().max(40) }),
  z.object({ type: z.literal('cancel'), why: z.string().max(500) }),
  z.object({ type: z.literal('giveBack'), why: z.string().max(500), amount: Minor.nonnegative() }),
]);
export type OrderWish = z.infer<typeof OrderWish>;

/** A statement file as the marketplace wrote it. */
export const StatementAnswer = z.object({ statement: z.string().max(2_000_000) });

/** What the carrier is to make a label for. */
export const LabelWish = z.object({
  /** The same key again gives the same label. */
  key: z.string().regex(/^[\w.:-]{8,120}$/u),
  weightG: z.number().int().positive().max(1_000_000),
  sidesMm: z
    .tuple([z.number().int().positive(), z.number().int().positive(), z.number().int().positive()])
    .nullable(),
  to: Address,
  from: z.string().max(120),
});
export type LabelWish = z.infer<typeof LabelWish>;

export const ParcelLabel = z.object({
  carrier: z.string().max(60),
  tracking: z.string().min(1).max(40),
  cost: Minor.nonnegative(),
  /** The label to print, a PDF in base64. */
  pdf: z.string().max(400_000),
});
export type ParcelLabel = z.infer<typeof ParcelLabel>;

export const ParcelTracking = z.object({
  tracking: z.string().max(40),
  state: z.enum(['announced', 'onItsWay', 'delivered']),
  at: Instant.nullable(),
});
export type ParcelTracking = z.infer<typeof ParcelTracking>;
