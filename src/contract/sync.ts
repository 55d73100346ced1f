import { z } from 'zod';

import { Instant } from './common';

/**
 * One attic on several devices: what a person does becomes a change, and every device comes to the same
 * records from the same changes, in whatever order they reach it.
 */

/** One store of one attic: what one device holds, from its pairing until it is wiped or sent away. */
export const ReplicaId = z.string().regex(/^[a-z0-9]{6,24}$/);
export type ReplicaId = z.infer<typeof ReplicaId>;

/** How many changes of each replica somebody holds: the first so many, none left out. */
export const Seen = z.record(ReplicaId, z.number().int().nonnegative());
export type Seen = z.infer<typeof Seen>;

/** A register: the smallest part of a record that is changed as one; see `core/sync/registers.ts`. */
export const Path = z
  .string()
  .min(1)
  .max(600)
  .refine((path) => !(path in {}), 'a name that every object has');
export type Path = z.infer<typeof Path>;

const Author = {
  /** By its author's clock, which may be wrong. */
  at: Instant,
  /** Whose change it was. */
  who: z.string().max(120),
};

/**
 * A value that somebody gave a register, not replaced by anybody who had seen it. One whose giver is
 * forgotten, because all devices hold it, is nobody's: `by` empty, `n` 0.
 */
export const Candidate = z.object({
  by: ReplicaId.or(z.literal('')),
  n: z.number().int().nonnegative(),
  ...Author,
  /** Left out: there is nothing. */
  value: z.unknown().optional(),
  /** Of a record that was taken away: along with what. */
  along: z.string().max(120).optional(),
  /** Brought by a device that was away for too long: what it found stands until somebody was asked. */
  late: z.boolean().optional(),
});
export type Candidate = z.infer<typeof Candidate>;

export const Write = z.object({
  path: Path,
  /** Left out: what was there is gone. */
  value: z.unknown().optional(),
  /** What stood there before it, for whoever has to ask. */
  was: z.unknown().optional(),
  /** What stays beside it, though its author had seen that: it brings what it did before it had. */
  beside: z.array(Candidate).max(60).optional(),
});
export type Write = z.infer<typeof Write>;

/** What a change does to one record. */
export const RecordWrites = z.object({
  collection: z.string().min(1).max(40),
  id: z.string().min(1).max(64),
  writes: z.array(Write).max(6_000),
  /**
   * The record that it belongs to, or itself, as collection and id with a space between: what is taken away
   * together comes back together.
   */
  along: z.string().min(3).max(120),
});
export type RecordWrites = z.infer<typeof RecordWrites>;

/** What a person did at one replica, as it goes to all others. */
export const Change = z.object({
  /** The nth change of that replica, counted from 1. */
  by: ReplicaId,
  n: z.number().int().positive(),
  /** What its author had seen when making it; of its own all before it. */
  seen: Seen,
  ...Author,
  /** What was done, as a person would say it. */
  label: z.string().max(400),
  records: z.array(RecordWrites).max(400),
  /** Who takes part from now on, and who no more: told by changes, so that all agree on it. */
  joins: z.array(ReplicaId).max(60).optional(),
  leaves: z.array(ReplicaId).max(60).optional(),
});
export type Change = z.infer<typeof Change>;

/** Which change. */
export type Dot = Pick<Change, 'by' | 'n'>;
