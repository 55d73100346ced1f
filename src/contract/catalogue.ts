import { z } from 'zod';

import { Currency, Instant, Minor } from './common';

/**
 * What the product look-up knows of a barcode. From outside: nothing of it counts before a person says so.
 */
export const CatalogueRecord = z.object({
  barcode: z.string().regex(/^\d{7,13}[\dX]$/u),
  title: z.string().max(400),
  maker: z.string().max(200).default(''),
  /** What it is, in the product look-up's own words, the broadest first. */
  sort: z.array(z.string().max(120)).max(8).default([]),
  /** More that it knows, by its own labels. */
  details: z.record(z.string().max(60), z.string().max(400)).default({}),
  rank: z
    .object({
      /** 1 sells best. */
      place: z.number().int().positive().max(100_000_000),
      among: z.string().max(120),
      of: z.number().int().positive().max(100_000_000),
    })
    .nullable()
    .default(null),
  /** What its picture is asked for by; null: there is none. */
  picture: z.string().max(80).nullable().default(null),
  /** What it cost new. */
  listPrice: z.object({ amount: Minor.nonnegative(), currency: Currency }).nullable().default(null),
});
export type CatalogueRecord = z.infer<typeof CatalogueRecord>;

/** The courier's answer to one barcode. */
export const LookUpAnswer = z.discriminatedUnion('found', [
  z.object({ found: z.literal(true), record: CatalogueRecord }),
  z.object({ found: z.literal(false) }),
]);
export type LookUpAnswer = z.infer<typeof LookUpAnswer>;

/** How well an item like this sold on a day, to be compared with a later one. */
export const Rank = z.object({
  at: Instant,
  place: z.number().int().positive(),
  among: z.string().max(120),
  of: z.number().int().positive(),
});
export type Rank = z.infer<typeof Rank>;

/** What an item cost new, as the product look-up said. */
export const PriceNew = z.object({ amount: Minor.nonnegative(), currency: Currency, at: Instant });
export type PriceNew = z.infer<typeof PriceNew>;
