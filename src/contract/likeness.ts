import { z } from 'zod';

import { Currency, Instant, MarketId, Minor } from './common';

/**
 * Something that was sold before and looks like a picture. From outside: nothing of it counts before a person
 * says so.
 */
export const Find = z.object({
  /** The likeness desk's own number of it, unique there. */
  id: z.string().min(1).max(80),
  /** Where it was sold. */
  market: MarketId,
  title: z.string().max(400),
  maker: z.string().max(120).default(''),
  /** What it is, in the desk's own words, the broadest first. */
  sort: z.array(z.string().max(120)).max(8).default([]),
  colour: z.string().max(60).default(''),
  /** Our grade's wear that its condition stands for, 0 (never used) to 5 (broken). */
  wear: z.number().int().min(0).max(5),
  price: z.object({ amount: Minor.nonnegative(), currency: Currency }),
  listedAt: Instant,
  soldAt: Instant,
  /** What its picture is asked for by; null: there is none. */
  picture: z.string().max(80).nullable().default(null),
  /** How much it looks like the picture, 0 to 100. */
  score: z.number().min(0).max(100),
});
export type Find = z.infer<typeof Find>;

/** What one picture was answered with, the most alike first; empty: nothing looks like it. */
export const LikenessAnswer = z.object({ finds: z.array(Find).max(60) });
export type LikenessAnswer = z.infer<typeof LikenessAnswer>;

/** The largest picture that is sent to be looked for, bytes: a small one tells as much. */
export const LIKENESS_BYTES = 100_000;
