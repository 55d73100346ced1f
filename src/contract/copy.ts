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

/**
 * Where the bytes of a copy are that keeps them beside it, in a folder: `beside.json` in its archive. Several
 * copies name the same file.
 */
export const CopyBeside = z.array(
  z.object({
    /** As they are called in a copy that holds them itself: `picture/p1/full.jpg`. */
    name: z.string().max(200),
    /** Under the folder's own folder of bytes: `3f/3fa9….jpg`. */
    file: z.string().regex(/^[0-9a-f]{2}\/[0-9a-f]{40}\.[a-z0-9]{2,4}$/u),
    size: z.number().int().nonnegative(),
  }),
);
export type CopyBeside = z.infer<typeof CopyBeside>;

/** Why a copy could not be made in a folder; `notWhole`: what was written is not what can be read. */
export const FolderTrouble = z.enum(['notAllowed', 'gone', 'full', 'notWhole', 'other']);
export type FolderTrouble = z.infer<typeof FolderTrouble>;
