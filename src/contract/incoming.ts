import { z } from 'zod';

import { Instant, RecordId } from './common';
import { isFields } from './fields';
import { LONGEST_ADDRESS, ORIGINS } from './picture';
import { renamed } from './renamed';

const Fields = z.object({
  /** The picture's id once it is one, so that it can never be taken twice. */
  id: RecordId,
  itemId: RecordId,
  /** The item exists only once a picture of it was taken. */
  begins: z.boolean(),
  name: z.string().max(400),
  type: z.string().max(200),
  origin: z.enum(ORIGINS),
  /** Where it was fetched from. */
  address: z.string().max(LONGEST_ADDRESS).nullable().default(null),
  /** What it shows, of the shot list; empty where that is not known. */
  shows: z.string().max(80),
  showsBy: z.enum(['person', 'list']).default('person'),
  /** Whether it is looked at by itself once it is a picture. */
  look: z.boolean().default(true),
  /** It waits for a person to say of which item it is. */
  sorting: z.boolean().default(false),
  /** When its file was written: often when it was taken; null where that is not known. */
  fileAt: Instant.nullable().default(null),
  /** When it was chosen, and its place among those chosen at once. */
  at: Instant,
  order: z.number().int().nonnegative(),
  /** The page that works on it. */
  page: z.string().max(60),
  /** How often a page was gone before it was done: what closes the page each time is given up. */
  tries: z.number().int().nonnegative().default(0),
});
/** A picture or clip file as it was chosen, kept until it is worked up and stored with its record. */
export type Incoming = z.infer<typeof Fields>;
export const Incoming = z.preprocess(
  // Kept files have no version of their own; what is sold was a thing once.
  (raw) => (isFields(raw) ? renamed(raw, { thingId: 'itemId' }) : raw),
  Fields,
);
