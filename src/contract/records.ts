import { z } from 'zod';

import { Currency, Instant, MarketId, Minor, RecordId } from './common';
import { Picture, Reading } from './picture';

export { Picture } from './picture';
export type { Exam, Reading } from './picture';

/** How much a thing was used, best first. The order is the meaning. */
export const USES = ['unused', 'tried', 'light', 'regular', 'hard'] as const;
/** How bad one flaw is, mildest first. The order is the meaning. */
export const SEVERITIES = ['slight', 'clear', 'serious', 'broken'] as const;

const Text = z.string().max(10_000);
const ShortText = z.string().max(400);

/** One thing wrong with an item. */
export const Flaw = z.object({
  id: RecordId,
  /** What: "moth hole", "chip", "darned". */
  kind: ShortText,
  /** Where on the thing: "left elbow". */
  place: ShortText,
  severity: z.enum(SEVERITIES),
  /** Greatest extent in millimetres, when measured. */
  sizeMm: z.number().positive().max(10_000).nullable().default(null),
  pictureId: RecordId.nullable().default(null),
});
export type Flaw = z.infer<typeof Flaw>;

/** A thing owned: one record, entered once, reshaped for each marketplace. */
export const Thing = z.object({
  id: RecordId,
  /** SKU: given at once, unique for ever. */
  code: z.string().min(1).max(60),
  haulId: RecordId.nullable().default(null),
  /** Empty until the person has said what it is. */
  kind: z.string().max(60).default(''),
  /** Item specifics by id (`brand`, `colour`, ...); an absent key is an unanswered question. */
  facts: z.record(z.string().max(60), ShortText).default({}),
  use: z.enum(USES).nullable().default(null),
  flaws: z.array(Flaw).max(60).default([]),
  /** Millimetres by measurement id. */
  measurements: z.record(z.string().max(60), z.number().positive().max(20_000)).default({}),
  /** How far those taken from a picture may be off, in millimetres; absent for a tape's. */
  uncertainty: z.record(z.string().max(60), z.number().positive().max(5_000)).default({}),
  /** Read by a machine, waiting for a person to confirm or drop. */
  readings: z.array(Reading).max(200).default([]),
  title: ShortText.default(''),
  description: Text.default(''),
  /** Minor units. */
  cost: Minor.nonnegative().nullable().default(null),
  price: Minor.nonnegative().nullable().default(null),
  /** Packed weight in grams. */
  weightG: z.number().int().positive().max(1_000_000).nullable().default(null),
  /** Where it is stored. Private: never sent. */
  spot: z.string().max(60).default(''),
  /** When it was fetched from its spot and packed after a sale. */
  packedAt: Instant.nullable().default(null),
  /** In the order buyers see them; the first is the cover. */
  pictureIds: z.array(RecordId).max(200).default([]),
  /** Shots of the kind's list that this thing does without. */
  skippedShots: z.array(z.string().max(80)).max(60).default([]),
  author: z.string().max(120),
  createdAt: Instant,
  updatedAt: Instant,
});
export type Thing = z.infer<typeof Thing>;

/** Things bought together. */
export const Haul = z.object({
  id: RecordId,
  name: z.string().min(1).max(200),
  source: ShortText.default(''),
  /** Calendar day, `2026-11-08`. */
  date: z.string().regex(/^\d{4}-\d\d-\d\d$/),
  cost: Minor.nonnegative().nullable().default(null),
  note: Text.default(''),
  createdAt: Instant,
});
export type Haul = z.infer<typeof Haul>;

/** What the person wants of one thing on one marketplace; only what differs from the thing is held. */
export const Plan = z.object({
  /** `planId(thing, market)`. */
  id: RecordId,
  thingId: RecordId,
  market: MarketId,
  wanted: z.boolean(),
  title: ShortText.nullable().default(null),
  description: Text.nullable().default(null),
  price: Minor.nonnegative().nullable().default(null),
  category: z.string().max(80).nullable().default(null),
  /** The marketplace's own fields, by its ids, where they differ from what the facts give. */
  specifics: z.record(z.string().max(60), ShortText).default({}),
  /** Answers to the marketplace's extra questions. */
  answers: z.record(z.string().max(60), ShortText).default({}),
  /** What was sent last of pictures and clips, in order: each one's id and what it looked like. */
  sentMedia: z.array(z.string().max(120)).max(200).default([]),
});
export type Plan = z.infer<typeof Plan>;

/** One record an attic. */
export const Settings = z.object({
  id: z.literal('settings'),
  currency: Currency.default('EUR'),
  units: z.enum(['metric', 'imperial']).default('metric'),
  /** Who is working on this device. */
  author: z.string().max(120).default('Me'),
  /** Running number of the next code. */
  nextNumber: z.number().int().positive().default(1),
  /** Running number of the next record of any sort: it fixes the record's page. */
  nextRecord: z.number().int().positive().default(1),
  /** Answers to marketplaces' extra questions, remembered: market -> question -> answer. */
  remembered: z.record(z.string(), z.record(z.string(), ShortText)).default({}),
  /** The haul that intake is working on. */
  haulId: RecordId.nullable().default(null),
});
export type Settings = z.infer<typeof Settings>;

/** The id of the plan for one thing on one marketplace. */
export function planId(thingId: string, market: string): string {
  return `${thingId}_${market}`;
}

export const COLLECTIONS = { things: Thing, pictures: Picture, hauls: Haul, plans: Plan } as const;
export type CollectionName = keyof typeof COLLECTIONS;
export interface RecordOf {
  things: Thing;
  pictures: Picture;
  hauls: Haul;
  plans: Plan;
}
