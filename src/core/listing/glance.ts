import { NONE, type Coded, type None } from '@/contract/coded';
import type { CourierListingView } from '@/contract/courier';
import type { FollowReason } from '@/contract/following';
import type { Item } from '@/contract/records';

import type { Examined } from './examine';
import type { Finding } from './findings';
import { isUp } from './signState';
import { leftOf } from '../choices/choices';
import type { Minor } from '../money/money';

/** Why a price is what it is on one marketplace. */
export interface PriceWhyParams {
  noPrice: None;
  shared: None;
  /** Its own there, in place of the shared one. */
  own: { shared: Minor | null };
  cameDown: { from: Minor };
  followed: { reason: FollowReason };
  /** Following is on, and nobody has looked yet. */
  followsSoon: None;
  opens: { outright: Minor | null };
  pieces: { from: Minor; to: Minor };
}
export type PriceWhy = Coded<PriceWhyParams>;

/** One listing at a glance: what a person wants to know of it before anything else. */
export interface Glance {
  /** What is asked there, or would be; minor units. */
  price: Minor | null;
  why: PriceWhy;
  /** What buyers see there now, where that is another price; null: the same, or nothing is up. */
  shown: Minor | null;
  /** How many are left of it; null: one of a kind. */
  left: number | null;
  blockers: readonly Finding[];
  /** What the marketplace knows it by. */
  number: string | null;
  fees: Minor | null;
  takeHome: Minor | null;
  /** It is up, or on its way there. */
  isUp: boolean;
}

export function glanceOf(
  item: Item,
  examined: Examined,
  listing: CourierListingView | undefined,
  sales: readonly { piece?: string | undefined }[],
): Glance {
  const { effective, findings, takeHome } = examined;
  const isShown = listing?.state === 'live' && listing.want === 'live';
  return {
    price: effective.price,
    why: priceWhy(item, examined),
    shown: isShown && effective.auction === null && listing.price !== effective.price ? listing.price : null,
    left: item.choices ? leftOf(item.choices, sales) : null,
    blockers: findings.filter((f) => f.level === 'blocker'),
    number: listing?.remoteId ?? null,
    fees: takeHome?.feeTotal ?? null,
    takeHome: takeHome?.takeHome ?? null,
    isUp: isUp(listing),
  };
}

/** Why the price of an item there is what it is. */
export function priceWhy(item: Item, { laid, effective }: Pick<Examined, 'laid' | 'effective'>): PriceWhy {
  const { plan } = laid;
  const { price, auction, choices } = effective;
  if (auction) return { code: 'opens', params: { outright: auction.outright } };
  if (price === null) return { code: 'noPrice', params: NONE };
  const prices = choices && choices.options.length > 0 ? choices.pieces.map((p) => p.price) : [];
  const range = { from: Math.min(...prices), to: Math.max(...prices) };
  if (prices.length > 0 && range.from < range.to) return { code: 'pieces', params: range };
  if (plan?.follow)
    return plan.followed
      ? { code: 'followed', params: { reason: plan.followed.reason } }
      : { code: 'followsSoon', params: NONE };
  const before = plan?.price ?? item.price;
  if (before !== null && price < before) return { code: 'cameDown', params: { from: before } };
  return plan?.price == null
    ? { code: 'shared', params: NONE }
    : { code: 'own', params: { shared: item.price } };
}
