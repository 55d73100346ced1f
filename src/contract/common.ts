import { z } from 'zod';

/** Integer minor units of the workspace's currency (cents for EUR). */
export const Minor = z.number().int().safe();
export type Minor = z.infer<typeof Minor>;

/** Milliseconds since 1970-01-01T00:00Z. */
export const Instant = z.number().int().nonnegative();
export type Instant = z.infer<typeof Instant>;

/**
 * Records are kept by their ids: one that every object answers to (`constructor`) would be found where it is
 * not.
 */
function isOwnName(name: string): boolean {
  return !(name in {});
}

/** Short name of a marketplace, used in addresses and keys: `brackenmoor`. */
export const MarketId = z
  .string()
  .regex(/^[a-z][a-z0-9-]{1,31}$/)
  .refine(isOwnName);
export type MarketId = z.infer<typeof MarketId>;

/** Id of a record. Letters, digits, `-` and `_` only, so that it is safe in addresses and keys. */
export const RecordId = z
  .string()
  .regex(/^[A-Za-z0-9_-]{1,64}$/)
  .refine(isOwnName, 'a name that every object has');
export type RecordId = z.infer<typeof RecordId>;

/** SHA-256 of a file's bytes in lower-case hex. */
export const Sha256 = z.string().regex(/^[0-9a-f]{64}$/);

/** ISO 4217 alphabetic code. */
export const Currency = z.string().regex(/^[A-Z]{3}$/);

/** Words of the person's own: a line, and a text. */
export const ShortText = z.string().max(400);
export const LongText = z.string().max(10_000);
