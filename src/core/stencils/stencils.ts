import type { AuctionTerms } from '@/contract/courier';
import { keysOf } from '@/contract/fields';
import { Plan, planId, type Item } from '@/contract/records';
import { STENCIL_PARTS, type AuctionShares, type Stencil, type StencilPart } from '@/contract/stencil';

import type { KindTree } from '../kinds/tree';
import { shareOf, type Minor } from '../money/money';
import { minuteOf, nextTime, weekday } from '../planning/times';

/** A listing's plan with its stencil laid under it. */
export interface Laid {
  /** As if the person had said all of it at this listing; undefined where neither says anything. */
  plan: Plan | undefined;
  stencil: Stencil | null;
  /** The parts that come from the stencil. */
  by: ReadonlySet<StencilPart>;
}

type OfKind = Pick<Item, 'kind'>;

/**
 * The stencil that lies under a listing: the one chosen for it; else the one for its kind or the nearest kind
 * above; null where there is none, or it was taken off.
 */
export function stencilFor(
  item: OfKind,
  market: string,
  plan: Pick<Plan, 'stencil'> | undefined,
  all: readonly Stencil[],
  kinds: KindTree,
): Stencil | null {
  const here = all.filter((s) => s.market === market);
  const chosen = plan?.stencil;
  // One that was removed since counts as none chosen.
  const own = chosen && here.find((s) => s.id === chosen.id);
  if (own) return own;
  if (chosen?.id === null) return null;
  for (const kind of [...(kinds.get(item.kind)?.path ?? [])].reverse()) {
    const byKind = here.find((s) => s.kinds.includes(kind));
    if (byKind) return byKind;
  }
  return null;
}

/** Whether a listing says a part itself, whatever lies under it. */
export function isOwnPart(plan: Plan | undefined, part: StencilPart): boolean {
  if (!plan) return false;
  if (plan.ownParts.includes(part)) return true;
  switch (part) {
    case 'format':
      return plan.auction !== null;
    case 'terms':
      return plan.termsId !== null;
    case 'promotion':
      return plan.promotionBp > 0;
    case 'extras':
      return Object.keys(plan.extras).length > 0;
    case 'pictures':
      return plan.pictureIds !== null;
    case 'words':
      return plan.description !== null;
    case 'start':
      return plan.startAt !== null;
    case 'follow':
      return plan.follow !== null;
    case 'offers':
      return false;
  }
}

/** Which part of a listing each of a plan's values belongs to. */
const PART_OF: Partial<Record<keyof Plan, StencilPart>> = {
  auction: 'format',
  termsId: 'terms',
  promotionBp: 'promotion',
  extras: 'extras',
  pictureIds: 'pictures',
  description: 'words',
  startAt: 'start',
  follow: 'follow',
};

/**
 * Parts that are a listing's own once a person sets these values at it: also one that is set to nothing stays
 * so, whatever lies under it.
 */
export function ownPartsWith(plan: Plan | undefined, part: Partial<Plan>): StencilPart[] {
  const set = keysOf(part).flatMap((key) => PART_OF[key] ?? []);
  return [...new Set([...(plan?.ownParts ?? []), ...set])];
}

/** Whether a stencil says anything of a part. */
export function says(stencil: Stencil, part: StencilPart): boolean {
  switch (part) {
    case 'format':
      return stencil.format !== null;
    case 'terms':
      return stencil.termsId !== null;
    case 'promotion':
      return stencil.promotionBp > 0;
    case 'extras':
      return Object.keys(stencil.extras).length > 0;
    case 'pictures':
      return stencil.pictures.length > 0;
    case 'words':
      return stencil.patternId !== null;
    case 'start':
      return stencil.start !== null;
    case 'follow':
      return stencil.follow !== null;
    case 'offers':
      return stencil.offers !== null;
  }
}

/** What a stencil is laid under. */
export interface Under {
  item: Item;
  market: string;
  plan: Plan | undefined;
  stencils: readonly Stencil[];
  kinds: KindTree;
  /** When it would be sent, milliseconds since 1970. */
  now: number;
  /** The description by a tone or pattern; null where it can't be written. */
  describedBy: (patternId: string) => string | null;
}

/** Lays a listing's stencil under what it says itself. The order of pictures is told by {@link inOrder}. */
export function laidUnder({ item, market, plan, stencils, kinds, now, describedBy }: Under): Laid {
  const stencil = stencils.length === 0 ? null : stencilFor(item, market, plan, stencils, kinds);
  if (!stencil) return { plan, stencil, by: NOTHING };
  const by = new Set(STENCIL_PARTS.filter((part) => says(stencil, part) && !isOwnPart(plan, part)));
  if (by.size === 0) return { plan, stencil, by };
  const laid: Plan = { ...(plan ?? emptyPlan(item.id, market)) };
  const price = laid.price ?? item.price;
  if (by.has('format') && stencil.format)
    laid.auction = price === null ? null : auctionFor(stencil.format, price);
  if (by.has('terms')) laid.termsId = stencil.termsId;
  if (by.has('promotion')) laid.promotionBp = stencil.promotionBp;
  if (by.has('extras')) laid.extras = stencil.extras;
  if (by.has('words') && stencil.patternId !== null) laid.description = describedBy(stencil.patternId);
  if (by.has('follow')) laid.follow = stencil.follow;
  if (by.has('start') && stencil.start) laid.startAt = nextTime(stencil.start, now);
  return { plan: laid, stencil, by };
}

const NOTHING: ReadonlySet<StencilPart> = new Set();

/**
 * A plan as it stands now, with what its stencil said for it when it was last laid: what a change that builds
 * on a value builds on.
 */
export function stillUnder(now: Plan, { plan: laid, by }: Pick<Laid, 'plan' | 'by'>): Plan {
  if (!laid) return now;
  const from = keysOf(PART_OF).filter((key) => {
    const part = PART_OF[key];
    return part !== undefined && by.has(part) && !isOwnPart(now, part);
  });
  return { ...now, ...Object.fromEntries(from.map((key) => [key, laid[key]])) };
}

/** A plan in which nothing is said yet. */
export function emptyPlan(itemId: string, market: string): Plan {
  return Plan.parse({ id: planId(itemId, market), itemId, market, wanted: false });
}

/** An auction's terms for an item of this price. */
export function auctionFor(shares: AuctionShares, price: Minor): AuctionTerms {
  const { openingBp, outrightBp, days, again, becomesBp } = shares;
  const of = (bp: number | null) => (bp === null ? null : shareOf(price, bp));
  return {
    opening: shareOf(price, openingBp),
    outright: of(outrightBp),
    days,
    again,
    becomes: of(becomesBp),
  };
}

/**
 * The same terms as shares of the price, for items of any price.
 *
 * @returns null where the price is 0: nothing is a share of that
 */
export function sharesOf(auction: AuctionTerms, price: Minor): AuctionShares | null {
  if (price <= 0) return null;
  const of = (amount: Minor) => bpOf(amount, price);
  const { opening, outright, days, again, becomes } = auction;
  return {
    openingBp: of(opening),
    outrightBp: outright === null ? null : of(outright),
    days,
    again,
    becomesBp: becomes === null ? null : of(becomes),
  };
}

/** An amount as a share of a price above 0, as far as a stencil can hold it; basis points. */
function bpOf(amount: Minor, price: Minor): number {
  return Math.min(100_000, Math.max(1, Math.round((amount * 10_000) / price)));
}

/** Offers are taken from here, and refused under there; what the item says itself comes first. */
export function offersFor(
  item: Pick<Item, 'offers'>,
  stencil: Stencil | null,
  price: Minor,
): { acceptFrom: Minor | null; refuseUnder: Minor | null } | null {
  if (item.offers || !stencil?.offers) return item.offers;
  const { acceptFromBp, refuseUnderBp } = stencil.offers;
  return {
    acceptFrom: acceptFromBp === null ? null : shareOf(price, acceptFromBp),
    refuseUnder: refuseUnderBp === null ? null : shareOf(price, refuseUnderBp),
  };
}

/** Pictures in a stencil's order: what it names first, in its order; all others follow in their own. */
export function inOrder<T extends { shows: string; made: unknown }>(
  pictures: readonly T[],
  order: readonly string[],
): T[] {
  const place = ({ shows, made }: T) => {
    const at = order.indexOf(made === null ? (shows.split(':')[0] ?? '') : 'measured');
    return at < 0 ? order.length : at;
  };
  // Sorting keeps those of the same place in their order.
  return [...pictures].sort((a, b) => place(a) - place(b));
}

/**
 * What a listing says itself, as a stencil for the next of its kind.
 *
 * @param shown what its own pictures show, in their order; empty where they go in the item's order
 */
export function stencilOf(item: Item, plan: Plan, shown: readonly string[]): Omit<Stencil, 'id' | 'name'> {
  const price = plan.price ?? item.price ?? 0;
  const bp = (amount: Minor | null) => (amount === null ? null : bpOf(amount, price));
  const offers = item.offers && price > 0 ? item.offers : null;
  return {
    market: plan.market,
    kinds: item.kind === '' ? [] : [item.kind],
    format: plan.auction && sharesOf(plan.auction, price),
    termsId: plan.termsId,
    offers: offers && { acceptFromBp: bp(offers.acceptFrom), refuseUnderBp: bp(offers.refuseUnder) },
    promotionBp: plan.promotionBp,
    extras: plan.extras,
    pictures: plan.pictureIds === null ? [] : [...new Set(shown.map((s) => s.split(':')[0] ?? ''))],
    patternId: null,
    start: plan.startAt === null ? null : { day: weekday(plan.startAt), minute: minuteOf(plan.startAt) },
    follow: plan.follow,
  };
}

/** The plan without what its stencil now says for it; its own pictures and its own day stay. */
export function onStencil(plan: Plan, id: string): Plan {
  return {
    ...plan,
    stencil: { id },
    ownParts: [],
    auction: null,
    termsId: null,
    promotionBp: 0,
    extras: {},
    follow: null,
  };
}
