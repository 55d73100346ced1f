import { z } from 'zod';

import { Instant, MarketId, Minor } from './common';
import { Trouble } from './troubles';

/** How an auction of ours stands at a marketplace just now. */
export const AuctionStanding = z.object({
  market: MarketId,
  /** What the marketplace knows the listing by. */
  remoteId: z.string().min(1).max(200),
  bids: z.number().int().min(0),
  /** The highest bid; null: nobody has bid. */
  highest: Minor.nullable(),
  /** When this round ends. */
  endsAt: Instant,
  /** Which round this is, from 1; and how many there are to be at most. */
  round: z.number().int().positive(),
  rounds: z.number().int().positive(),
  /** Its fixed price where nobody bids in the last round; null: it is taken down. */
  becomes: Minor.nullable(),
});
export type AuctionStanding = z.infer<typeof AuctionStanding>;

export const AuctionsAnswer = z.object({
  auctions: z.array(AuctionStanding).max(5_000),
  /** Marketplaces that could not be asked, and why. */
  missing: z.array(z.object({ market: MarketId, why: Trouble })).max(60),
});
export type AuctionsAnswer = z.infer<typeof AuctionsAnswer>;
