import { z } from 'zod';

import { MarketId, RecordId } from './common';

/** How a field of theirs is filled. */
export const FieldRule = z.discriminatedUnion('from', [
  z.object({ from: z.literal('fact'), fact: z.string().min(1).max(60) }),
  z.object({ from: z.literal('fixed'), value: z.string().min(1).max(400) }),
  /** Never by itself: the person is asked for every item. */
  z.object({ from: z.literal('ask') }),
]);
export type FieldRule = z.infer<typeof FieldRule>;

/** How one kind of ours, with all below it, translates to one marketplace. */
export const Mapping = z.object({
  /** `mappingId(market, kind)` */
  id: RecordId,
  market: MarketId,
  /** Empty: every kind. */
  kind: z.string().max(60),
  /** Its category there; null: not decided here. */
  category: z.string().max(80).nullable().default(null),
  /** Rules for their fields, by their ids. */
  fields: z.record(z.string().max(60), FieldRule).default({}),
  /** Our words for a field's value -> theirs, by field; ours in lower case. */
  values: z.record(z.string().max(60), z.record(z.string().max(400), z.string().max(400))).default({}),
});
export type Mapping = z.infer<typeof Mapping>;

export function mappingId(market: string, kind: string): string {
  return `${market}_${kind || 'all'}`;
}
