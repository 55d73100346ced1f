import { z } from 'zod';

import { Minor, RecordId } from './common';

/** The most there may be of one piece. */
export const MOST_STOCK = 100_000;

/**
 * An item of which there are several. In variations: "Piece" with "mug", "plate" and "bowl", some of each; or
 * just alike ("three of these"): then there are no options and one piece, which is any of them.
 */
const AnyChoices = z.object({
  options: z
    .array(
      z.object({
        name: z.string().min(1).max(60),
        values: z.array(z.string().min(1).max(60)).min(1).max(40),
      }),
    )
    .max(3),
  /** One a combination of values, in the options' order. */
  pieces: z
    .array(
      z.object({
        values: z.array(z.string().min(1).max(60)).max(3),
        /** How many there ever were, with those that are sold. */
        stock: z.number().int().min(0).max(MOST_STOCK),
        /** Minor units; null: the item's own price. */
        price: Minor.nonnegative().nullable().default(null),
        code: z.string().min(1).max(90),
        /** Of the item's pictures; empty: the item's first ones show it as well as any. */
        pictureIds: z.array(RecordId).max(24).default([]),
      }),
    )
    .max(400),
  /** Of each piece so many are never shown, against sales in the same moment. */
  heldBack: z.number().int().min(0).max(1_000).default(0),
  /** At most so many of each are shown at once; null: all. */
  cap: z.number().int().min(1).max(MOST_STOCK).nullable().default(null),
  /** Combinations of values that there are none of: they come back only when a person says so. */
  away: z
    .array(z.array(z.string().max(60)).max(3))
    .max(400)
    .default([]),
  /** Number of the next piece's code, so that none is given twice. */
  nextPiece: z.number().int().positive().default(1),
});
export const Choices = AnyChoices.refine((c) => c.options.length > 0 || c.pieces.length === 1);
export type Choices = z.infer<typeof Choices>;
export type Piece = Choices['pieces'][number];
