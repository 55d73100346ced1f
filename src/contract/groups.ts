import { z } from 'zod';

import { MarketId, Minor, RecordId } from './common';

export const SHOWN = ['all', 'unlisted', 'listed', 'refused', 'sold', 'left'] as const;
/** What an item may still lack. */
export const GAPS = [
  'kind',
  'answers',
  'condition',
  'measurements',
  'title',
  'price',
  'pictures',
  'spot',
  'readings',
] as const;

/** How its listings stand beside what is known here: changed since they were sent, or made elsewhere. */
export const SENT = ['changed', 'broughtIn'] as const;

const Day = z
  .string()
  .regex(/^\d{4}-\d\d-\d\d$/)
  .nullable()
  .default(null);
const Days = z.number().int().min(0).max(36_500).nullable().default(null);

/** Which of the items owned: all that is said has to be so. */
export const StockFilter = z.object({
  words: z.string().max(400).default(''),
  show: z.enum(SHOWN).default('all'),
  /** Of this kind or one below; empty: any. */
  kind: z.string().max(60).default(''),
  haulId: RecordId.nullable().default(null),
  /** Of that line of the haul. */
  lineId: RecordId.nullable().default(null),
  /** A consignor's; `own`: the business's own; null: anybody's. */
  ownerId: RecordId.nullable().default(null),
  /** How the spot begins. */
  spot: z.string().max(60).default(''),
  /** Minor units, both ends in. */
  priceFrom: Minor.nonnegative().nullable().default(null),
  priceTo: Minor.nonnegative().nullable().default(null),
  lacks: z.enum(GAPS).nullable().default(null),
  /** Came in on that calendar day or later. */
  addedFrom: Day,
  /** Its haul was bought on those days, both ends in. */
  boughtFrom: Day,
  boughtTo: Day,
  /** Days since it came in, both ends in: counted anew each day. */
  ageFrom: Days,
  ageTo: Days,
  /** Who entered it. */
  author: z.string().max(120).nullable().default(null),
  /** Listed on each of these marketplaces, and on none of those. */
  listedOn: z.array(MarketId).max(60).default([]),
  notListedOn: z.array(MarketId).max(60).default([]),
  sent: z.enum(SENT).nullable().default(null),
  /** In this group or one below. */
  groupId: RecordId.nullable().default(null),
});
export type StockFilter = z.infer<typeof StockFilter>;

/** A group of one's own: for the seller's order alone, never public. */
export const Group = z.object({
  id: RecordId,
  name: z.string().min(1).max(80),
  parent: RecordId.nullable().default(null),
  /** Fills it by itself, beside what is put in by hand. */
  filter: StockFilter.nullable().default(null),
});
export type Group = z.infer<typeof Group>;

/** Which questions of a kind show on the sheet, and in what order; for the kind and all below. */
export const OwnForm = z.object({
  id: RecordId,
  kind: z.string().min(1).max(60),
  /** Ids of facts; those not named come after, in their usual order. */
  order: z.array(z.string().max(60)).max(200),
  hidden: z.array(z.string().max(60)).max(200),
});
export type OwnForm = z.infer<typeof OwnForm>;
