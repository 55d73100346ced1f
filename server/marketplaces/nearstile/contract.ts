import { z } from 'zod';

/** What Nearstile answers. */
export const NearstileAd = z.object({
  id: z.string().max(160),
  status: z.enum(['waiting', 'up', 'turned down', 'closed']),
  closedAs: z.enum(['sold', 'withdrawn']).nullable(),
  why: z.string().max(500).nullable(),
  link: z.string().max(300),
});
export const NearstileFaults = z.object({ faults: z.array(z.string().max(300)).max(100) });
export const NearstileNews = z.object({
  news: z.array(NearstileAd).max(1_000),
  upTo: z.number().int().nonnegative(),
});

export const NearstileOld = z.object({
  ads: z
    .array(
      z.object({
        id: z.string().max(80),
        heading: z.string().max(400),
        board: z.string().max(80),
        state: z.string().max(40),
        dealt: z.boolean(),
        euros: z.number().nonnegative().max(1_000_000),
        up: z.number().int().nonnegative(),
        down: z.number().int().nonnegative(),
      }),
    )
    .max(1_000),
});
export const NearstileSearches = z.object({
  searches: z.array(z.tuple([z.string().min(1).max(60), z.number().int().nonnegative()])).max(500),
});

/** Ads that are up or wait for review, as they were put. */
export const NearstileMine = z.object({
  ads: z
    .array(
      z.object({
        id: z.string().min(1).max(120),
        status: z.enum(['waiting', 'up']),
        link: z.string().max(300),
        heading: z.string().max(1_000),
        body: z.string().max(20_000),
        euros: z.number().nonnegative().max(1_000_000),
        board: z.string().max(80),
        state: z.string().max(40),
        photos: z.array(z.string().max(120)).max(60),
        putAt: z.number().int().nonnegative(),
      }),
    )
    .max(1_000),
  next: z.number().int().positive().nullable(),
});
