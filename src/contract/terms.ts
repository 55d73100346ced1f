import { z } from 'zod';

import { MarketId, Minor, RecordId } from './common';

const Payment = z.enum(['marketplace', 'transfer', 'cash']);

/** What of terms a marketplace may want to be told; postage at home is part of the listing itself. */
export const TermName = z.enum([
  'further',
  'abroad',
  'handlingDays',
  'returnDays',
  'returnsPaidBy',
  'payment',
  'taxBp',
  'collect',
]);
export type TermName = z.infer<typeof TermName>;

/** A reusable bundle of postage, payment, returns and handling time for one marketplace. */
export const Terms = z.object({
  id: RecordId,
  market: MarketId,
  name: z.string().min(1).max(80),
  /** The one for everything that no other is for. */
  isDefault: z.boolean().default(false),
  /** What they are for: kinds with all below them, hauls, owners. */
  kinds: z.array(z.string().max(60)).max(60).default([]),
  haulIds: z.array(RecordId).max(200).default([]),
  ownerIds: z.array(RecordId).max(200).default([]),
  /** What a buyer at home pays for postage: as the carrier asks, one amount for all, nothing. */
  home: z.enum(['carrier', 'flat', 'free']).default('carrier'),
  /** The one amount; minor units. */
  flat: Minor.nonnegative().default(0),
  /** Added for each further piece in the same parcel. */
  further: Minor.nonnegative().default(0),
  /** How far it is sent. */
  abroad: z.enum(['none', 'near', 'far']).default('none'),
  /** Days until it is posted. */
  handlingDays: z.number().int().min(0).max(60).default(2),
  /** Days in which it may be sent back; 0: not at all. */
  returnDays: z.number().int().min(0).max(365).default(14),
  returnsPaidBy: z.enum(['buyer', 'seller']).default('buyer'),
  /** How it is paid, where the marketplace leaves that to the two. */
  payment: z.array(Payment).max(3).default(['marketplace']),
  /** Tax in the price, basis points; 0: none. */
  taxBp: z.number().int().min(0).max(5_000).default(0),
  /** May be fetched in person. */
  collect: z.boolean().default(false),
});
export type Terms = z.infer<typeof Terms>;

/** What of it a marketplace is told: that which it takes. */
export const SentTerms = z
  .object({
    handlingDays: z.number().int().min(0).max(60),
    returnDays: z.number().int().min(0).max(365),
    returnsPaidBy: z.enum(['buyer', 'seller']),
    /** Postage beyond home, by zone; minor units. */
    abroad: z.array(z.object({ zone: z.string().max(40), price: Minor.nonnegative() })).max(20),
    further: Minor.nonnegative(),
    payment: z.array(Payment).max(3),
    taxBp: z.number().int().min(0).max(5_000),
    collect: z.boolean(),
  })
  .partial();
export type SentTerms = z.infer<typeof SentTerms>;
