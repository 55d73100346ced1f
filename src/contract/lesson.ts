import { z } from 'zod';

import { Instant, RecordId } from './common';

const Common = {
  id: RecordId,
  at: Instant,
  /** How often a person said so. */ times: z.number().int().min(1),
};

/** What a person's corrections taught this attic about its labels and boards. */
export const Lesson = z.discriminatedUnion('type', [
  /** Words that stand for something else than they say: a brand that is read wrongly, a colour's own name. */
  z.object({
    ...Common,
    type: z.literal('spelling'),
    field: z.string().max(80),
    /** As it is read, in small letters. */
    read: z.string().min(1).max(120),
    said: z.string().min(1).max(400),
  }),
  /** What a line of a certain shape is on the labels of one maker. */
  z.object({
    ...Common,
    type: z.literal('layout'),
    /** In small letters. */
    brand: z.string().min(1).max(120),
    shape: z.string().min(1).max(40),
    field: z.string().max(80),
  }),
  /** What a measurement is called on the person's own board. */
  z.object({
    ...Common,
    type: z.literal('name'),
    /** Letters only, small. */
    name: z.string().min(1).max(60),
    measure: z.string().max(60),
  }),
]);
export type Lesson = z.infer<typeof Lesson>;

/** A lesson as it is drawn from one correction. */
type Unnumbered<L> = L extends Lesson ? Omit<L, 'id' | 'at' | 'times'> : never;
export type NewLesson = Unnumbered<Lesson>;

export const MOST_LESSONS = 300;
