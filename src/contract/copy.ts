import { z } from 'zod';

import { Instant } from './common';

/** What a kept copy calls itself. */
export const COPY_FORMAT = 'yonder-attic-copy';

/** The first words of a kept copy: `attic.json` in its archive. */
export const CopyHead = z.object({
  format: z.literal(COPY_FORMAT),
  /** Schema version its records were written under. */
  schema: z.number().int().positive(),
  /** When it was made, and by whom. */
  at: Instant,
  author: z.string().max(120),
  /** How many records and pieces of bytes it holds: one that was cut short is found out. */
  records: z.number().int().nonnegative(),
  bytes: z.number().int().nonnegative(),
});
export type CopyHead = z.infer<typeof CopyHead>;
