import { z } from 'zod';

import { Instant, MarketId, Minor, RecordId } from './common';

/** A listing of the seller's own as a marketplace shows it now, whoever put it up. */
export const OwnListing = z.object({
  market: MarketId,
  /** The reference the marketplace knows it by: ours, or whatever it was put up with. */
  ref: z.string().min(1).max(120),
  remoteId: z.string().min(1).max(120),
  url: z.string().max(500),
  state: z.enum(['live', 'inReview']),
  title: z.string().max(1_000),
  /** Words as they stand there, markup and all: not to be trusted. */
  text: z.string().max(40_000),
  price: Minor.nonnegative(),
  postage: Minor.nonnegative(),
  category: z.string().max(80),
  condition: z.string().max(40),
  /** The marketplace's own fields by its ids; what is empty is left out. */
  specifics: z.record(z.string().max(60), z.string().max(1_000)),
  /** Names of its pictures there, in order. */
  pictures: z.array(z.string().min(1).max(120)).max(60),
  listedAt: Instant.nullable(),
});
export type OwnListing = z.infer<typeof OwnListing>;

/** What the server answers: each listing with the item it belongs to, as far as the courier knows. */
export const OwnAnswer = z.object({
  listings: z.array(OwnListing.extend({ item: RecordId.nullable() })).max(20_000),
});
export type OwnAnswer = z.infer<typeof OwnAnswer>;

/** After comparing: how many listings were not as they should be. */
export const CompareAnswer = z.object({ strays: z.number().int().min(0) });
export type CompareAnswer = z.infer<typeof CompareAnswer>;
