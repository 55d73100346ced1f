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
