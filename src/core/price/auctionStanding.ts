import type { AuctionStanding } from '@/contract/auctions';
import { NONE, type Coded, type None } from '@/contract/coded';

import type { Minor } from '../money/money';

/** What happens when an auction's round ends as it stands. */
export interface AuctionNextParams {
  /** It is sold to whoever bid most. */
  sells: { for: Minor };
  /** Nobody bids: it is put up again. */
  again: { round: number; rounds: number };
  /** Nobody bids in the last round: it stays at a fixed price. */
  becomes: { price: Minor };
  comesDown: None;
}
export type AuctionNext = Coded<AuctionNextParams>;

export function auctionNext({ bids, highest, round, rounds, becomes }: AuctionStanding): AuctionNext {
  if (bids > 0) return { code: 'sells', params: { for: highest ?? 0 } };
  if (round < rounds) return { code: 'again', params: { round: round + 1, rounds } };
  return becomes === null
    ? { code: 'comesDown', params: NONE }
    : { code: 'becomes', params: { price: becomes } };
}

/** Whether an auction ends before this moment and nobody has bid. @param tonight milliseconds since 1970 */
export function endsUnbid({ bids, endsAt }: AuctionStanding, now: number, tonight: number): boolean {
  return bids === 0 && endsAt > now && endsAt <= tonight;
}
