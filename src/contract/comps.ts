import { z } from 'zod';

import { Instant, MarketId, Minor } from './common';
import { Trouble } from './troubles';

/** One comparable: something like it that was offered on a marketplace, and whether it sold. */
export const Comp = z.object({
  /** The marketplace's own number of it, unique there. */
  id: z.string().min(1).max(80),
  market: MarketId,
  title: z.string().max(400),
  brand: z.string().max(120),
  /** The marketplace's category id. */
  category: z.string().max(80),
  /** Our grade's wear the marketplace's condition word stands for, 0 (never used) to 5 (broken). */
  wear: z.number().int().min(0).max(5),
  sold: z.boolean(),
  /** What was paid, or asked in vain; minor units, without postage. */
  price: Minor.nonnegative(),
  listedAt: Instant,
  /** When it sold, or was last seen unsold. */
  endedAt: Instant,
  /** It was found by its look: how much it looks like the picture, 0 to 100. Absent: found by words. */
  alike: z.number().min(0).max(100).optional(),
});
export type Comp = z.infer<typeof Comp>;

export const CompsAnswer = z.object({
  comps: z.array(Comp).max(5_000),
  /** Marketplaces that could not be asked, and why. */
  missing: z.array(z.object({ market: MarketId, why: Trouble })).max(20),
});
export type CompsAnswer = z.infer<typeof CompsAnswer>;

/** How often a word was searched for lately, in one category. */
export const SearchedWord = z.object({
  word: z.string().min(1).max(60),
  count: z.number().int().nonnegative(),
});
export type SearchedWord = z.infer<typeof SearchedWord>;
export const SearchDemandAnswer = z.object({
  markets: z.array(z.object({ market: MarketId, words: z.array(SearchedWord).max(500) })).max(20),
  missing: z.array(z.object({ market: MarketId, why: Trouble })).max(20),
});
export type SearchDemandAnswer = z.infer<typeof SearchDemandAnswer>;

/** Another seller's copy of the same catalogue record, as it is offered now. */
export const CompetingOffer = z.object({
  seller: z.string().max(120),
  price: Minor.nonnegative(),
  /** What a buyer pays on top. */
  postage: Minor.nonnegative(),
  wear: z.number().int().min(0).max(5),
  /** Per cent of buyers who were content. */
  rating: z.number().min(0).max(100),
  /** Days until it is posted. */
  leavesIn: z.number().int().nonnegative(),
  /** It is the person's own. */
  own: z.boolean().default(false),
});
export type CompetingOffer = z.infer<typeof CompetingOffer>;
export const CompetingAnswer = z.object({
  /** Null: the marketplace has no such record. */
  offers: z.array(CompetingOffer).max(500).nullable(),
});
export type CompetingAnswer = z.infer<typeof CompetingAnswer>;
