import { z } from 'zod';

import { Instant, Minor } from './common';

/** A seller as a marketplace names them. */
const Seller = z.string().max(120);

/**
 * How the price of a copy follows those of others of the same record. What buyers compare is price and
 * postage together; the item's floor and the guards hold for every price it gives.
 */
export const FollowRule = z.object({
  /** Beside the cheapest of those that count: as much, `by` less, or `by` more. */
  way: z.enum(['match', 'undercut', 'above']),
  by: Minor.nonnegative(),
  /** Which copies count: as good as ours or better, of just our condition, or all. */
  condition: z.enum(['asGood', 'same', 'any']).default('asGood'),
  /** Sellers of whom fewer per cent of buyers were content do not count; 0: all count. */
  minRating: z.number().min(0).max(100).default(0),
  /** Sellers who do not count. */
  leaveOut: z.array(Seller).max(100),
  /** How often it is looked, hours. */
  everyHours: z.number().int().min(1).max(168).default(6),
  /** Where no copy counts: it stays as it is, goes back to the price it had, or up to the ceiling. */
  none: z.enum(['stay', 'shared', 'ceiling']).default('stay'),
  /** Bounds beside the floor and the guards; null: those alone. */
  floor: Minor.nonnegative().nullable().default(null),
  ceiling: Minor.nonnegative().nullable().default(null),
});
export type FollowRule = z.infer<typeof FollowRule>;

/** As it was kept before conditions could be told apart: whether copies as good as ours counted alone. */
const Before = z.object({ likeForLike: z.boolean() });

/** The rule that prices begin with. */
export const UsualFollowRule = z.preprocess((kept) => {
  const before = Before.safeParse(kept);
  return before.success && before.data.likeForLike === false && typeof kept === 'object'
    ? { condition: 'any', ...kept }
    : kept;
}, FollowRule);

/** What a price rests on. `held`: the rule's wish lay beyond this bound. */
export const FollowReason = z.discriminatedUnion('code', [
  z.object({
    code: z.literal('beside'),
    params: z.object({
      seller: Seller,
      /** What that copy costs a buyer, postage included. */
      total: Minor,
      way: z.enum(['match', 'undercut', 'above']),
      by: Minor,
      held: z.enum(['floor', 'ceiling']).nullable(),
    }),
  }),
  z.object({
    code: z.literal('noneCounts'),
    params: z.object({ none: z.enum(['stay', 'shared', 'ceiling']) }),
  }),
  /** Whoever is left changes in answer to us: going on would be a race. */
  z.object({ code: z.literal('onlyFollowers'), params: z.object({ sellers: z.array(Seller).max(50) }) }),
]);
export type FollowReason = z.infer<typeof FollowReason>;

/** Where following has led so far. */
export const Followed = z.object({
  price: Minor.nonnegative(),
  reason: FollowReason,
  /** When others' copies were looked at last. */
  checkedAt: Instant,
  /** Of those that counted then: what the cheapest cost, and how many there were. */
  cheapest: Minor.nullable(),
  counted: z.number().int().min(0),
  /** What each seller's copy cost, postage included, when our price changed last. */
  seen: z.record(Seller, Minor).default({}),
  /** Which way our price went then: 1 up, -1 down, 0 it began. */
  moved: z.number().int().min(-1).max(1).default(0),
  /** How often a seller has answered our changes, and when they moved last. */
  answers: z.record(Seller, z.object({ times: z.number().int().min(0), at: Instant })).default({}),
  /** Changes, the newest first. */
  history: z.array(z.object({ at: Instant, price: Minor, reason: FollowReason })).max(30),
});
export type Followed = z.infer<typeof Followed>;
