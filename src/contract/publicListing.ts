import { z } from 'zod';

import { MarketId, Minor } from './common';

/** What somebody else offers, as anybody may read it there: words and pictures are theirs. */
export const PublicListing = z.object({
  market: MarketId,
  /** By which the marketplace finds it. */
  number: z.string().min(1).max(120),
  seller: z.string().max(120),
  url: z.string().max(500),
  title: z.string().max(1_000),
  /** Words as they stand there, markup and all: not to be trusted. */
  text: z.string().max(40_000),
  price: Minor.nonnegative(),
  category: z.string().max(80),
  condition: z.string().max(40),
  /** The marketplace's own fields by its ids. */
  specifics: z.record(z.string().max(60), z.string().max(1_000)),
  /** Addresses of its pictures. */
  pictures: z.array(z.string().min(1).max(2_000)).max(60),
});
export type PublicListing = z.infer<typeof PublicListing>;

/** What is looked for: words, in a category; or one by its number. */
export const PublicSearch = z.object({
  words: z.string().max(200).default(''),
  category: z.string().max(80).default(''),
  number: z.string().max(120).default(''),
});
export type PublicSearch = z.infer<typeof PublicSearch>;

export const PublicAnswer = z.object({ listings: z.array(PublicListing).max(100) });
export type PublicAnswer = z.infer<typeof PublicAnswer>;
