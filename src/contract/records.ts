import { z } from 'zod';

import { Batch } from './batch';
import { Instant, MarketId, RecordId } from './common';
import { Comp } from './comps';
import { Group, OwnForm } from './groups';
import { Haul, Owner, Spot } from './haul';
import { Item } from './item';
import { Mapping } from './mapping';
import { ConsignorPayment, Order, Statement } from './orders';
import { OwnKind, OwnSpecific } from './ownKinds';
import { Picture } from './picture';
import { Plan } from './plan';
import { Stencil } from './stencil';
import { Terms } from './terms';

export * from './batch';
export * from './haul';
export * from './item';
export * from './ownKinds';
export { Picture } from './picture';
export type { Exam, Reading } from './picture';
export * from './plan';
export * from './settings';

/** What happened to one item: who, when, what. Only ever added to. */
export const Diary = z.object({
  /** The item's id. */
  id: RecordId,
  lines: z.array(z.object({ at: Instant, who: z.string().max(120), what: z.string().max(200) })).max(1_000),
});
export type Diary = z.infer<typeof Diary>;

/** A description pattern of the person's own. */
export const Pattern = z.object({
  id: RecordId,
  name: z.string().min(1).max(80),
  text: z.string().max(6_000),
  /** The kinds it is for, with all below them; empty: only where it is chosen. */
  kinds: z.array(z.string().max(60)).max(200).default([]),
});
export type Pattern = z.infer<typeof Pattern>;

/**
 * What was found out about an item's price and words, with the day; a person's own word on single records
 * stays.
 */
export const Research = z.object({
  /** The item's id, or that of a question asked in the field. */
  id: RecordId,
  at: Instant,
  /** What was asked for. */
  words: z.string().max(200),
  brand: z.string().max(120).default(''),
  comps: z.array(Comp).max(600),
  missing: z
    .array(z.object({ market: MarketId, why: z.string().max(300) }))
    .max(20)
    .default([]),
  leftOut: z.array(z.string().max(60)).max(40).default([]),
  /** By marketplace and number. */
  byHand: z.record(z.string().max(200), z.enum(['keep', 'drop'])).default({}),
});
export type Research = z.infer<typeof Research>;

export const COLLECTIONS = {
  items: Item,
  pictures: Picture,
  hauls: Haul,
  plans: Plan,
  kinds: OwnKind,
  specifics: OwnSpecific,
  spots: Spot,
  owners: Owner,
  diary: Diary,
  groups: Group,
  forms: OwnForm,
  patterns: Pattern,
  research: Research,
  mappings: Mapping,
  terms: Terms,
  stencils: Stencil,
  orders: Order,
  statements: Statement,
  payments: ConsignorPayment,
  batches: Batch,
} as const;
export type CollectionName = keyof typeof COLLECTIONS;
export interface RecordOf {
  items: Item;
  pictures: Picture;
  hauls: Haul;
  plans: Plan;
  kinds: OwnKind;
  specifics: OwnSpecific;
  spots: Spot;
  owners: Owner;
  diary: Diary;
  groups: Group;
  forms: OwnForm;
  patterns: Pattern;
  research: Research;
  mappings: Mapping;
  terms: Terms;
  stencils: Stencil;
  orders: Order;
  statements: Statement;
  payments: ConsignorPayment;
  batches: Batch;
}
