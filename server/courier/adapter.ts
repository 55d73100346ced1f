import type { Coupon, DepotParcel, DepotStock } from '@/contract/atMarket';
import type { AuctionStanding } from '@/contract/auctions';
import { NONE } from '@/contract/coded';
import type { Comp, CompetingOffer, SearchedWord } from '@/contract/comps';
import type { ListingDraft, Reason } from '@/contract/courier';
import type { OfferWish, OrderAtMarket, OrderWish, Talk } from '@/contract/fulfilment';
import type { OwnListing } from '@/contract/ownListing';
import type { PublicListing, PublicSearch } from '@/contract/publicListing';
import type { RuleSheet } from '@/contract/ruleSheet';
import type { CallTrouble, PlainTrouble } from '@/contract/troubles';
import type { News } from '@/core/courier/types';

/** Gives the bytes of a picture (JPEG) by its SHA-256. */
export type Pictures = (hash: string) => Promise<Uint8Array<ArrayBuffer>>;

export interface PublishCall {
  /** Our reference; the same for every repetition of the same listing, never used for another. */
  ref: string;
  draft: ListingDraft;
  /** An earlier call for this reference may have been carried out without an answer. */
  unclear: boolean;
}

export interface Published {
  remoteId: string;
  /** The public page, as a path on this server or a full address. */
  url: string;
  state: 'live' | 'inReview';
}

/** The listing is over already: what the marketplace reports of it instead of an answer. */
export interface AlreadyOver {
  news: News[];
}

/**
 * The seam to one marketplace: all the courier ever asks of it. Every method may throw
 * {@link CallFailed} (try again later) or {@link Refused} (don't, and here is why); nothing else.
 * Every method must be safe to repeat with the same reference.
 *
 * @example
 *   const there = await adapter.publish({ ref, draft, unclear: false }, pictures);
 *   if (!('news' in there)) await adapter.withdraw(ref, there.remoteId, 'withdrawn');
 */
export interface Adapter {
  readonly id: string;
  readonly name: string;
  readonly letters: string;
  /**
   * Where its pages for buyers are, as a path on this server or a full address ending in `/`. Links elsewhere
   * are not opened.
   */
  readonly home: string;
  readonly capabilities: {
    /** It reports by itself, so the feed is only a safety net. */
    webhooks: boolean;
    /** New listings wait for a review. */
    review: boolean;
    /** Milliseconds between two looks at the feed. */
    pollEvery: number;
    /** There is no way to call it: a person does all of it, and says so. */
    byHand?: boolean;
    /** Buyers there are shown that an item is promised (`draft.held`). */
    showsHolds?: boolean;
  };
  ruleSheet(): Promise<RuleSheet>;
  publish(call: PublishCall, pictures: Pictures): Promise<Published | AlreadyOver>;
  revise(
    ref: string,
    remoteId: string | null,
    draft: ListingDraft,
    pictures: Pictures,
  ): Promise<'revised' | AlreadyOver>;
  withdraw(
    ref: string,
    remoteId: string | null,
    outcome: 'withdrawn' | 'sold',
  ): Promise<'withdrawn' | 'absent' | AlreadyOver>;
  /** What the marketplace holds under our reference; null: nothing. */
  lookUp(ref: string): Promise<(Published & { over: boolean }) | null>;
  eventsSince(cursor: string | null): Promise<{ news: News[]; cursor: string }>;
  /**
   * All listings of the seller that are up or in review, whoever put them up; absent where nobody can be
   * asked.
   */
  listOwnListings?(): Promise<OwnListing[]>;
  /** A picture of a listing, by its name there. Its bytes are not to be trusted. */
  picture?(name: string): Promise<Uint8Array<ArrayBuffer>>;
  /**
   * What was offered in a category before, sold or not, with any of these words. Conditions come as our wear.
   */
  history(category: string, words: string): Promise<Comp[]>;
  /** What buyers search for in a category, the most searched first. */
  searchDemand(category: string): Promise<SearchedWord[]>;
  /**
   * Other sellers' copies of a catalogue record, where items are listed against such; null: no such record.
   */
  competing?(barcode: string): Promise<CompetingOffer[] | null>;
  /** What other sellers offer, where anybody may read it: the likeliest first. */
  publicListings?(search: PublicSearch): Promise<PublicListing[]>;
  /** How the seller's auctions stand, where items are auctioned. */
  auctions?(): Promise<AuctionStanding[]>;
  /** Where the marketplace stores items and posts them itself. */
  depot?: Depot;
  /** Where the seller gives buyers words that take something off. */
  coupons?: Coupons;
  /** What buyers ask and offer there. */
  talks?: MarketTalks;
  /** Bought items there, where the marketplace handles the money. */
  orders?: MarketOrders;
  /** Reads a message the marketplace sent by itself; null: not genuine. */
  readHook?(header: (name: string) => string | undefined, body: string, now: number): News[] | null;
}

/** Conversations with buyers. */
export interface MarketTalks {
  all(): Promise<Talk[]>;
  /** The same words right after themselves are one answer. */
  reply(talk: string, words: string): Promise<void>;
  answerOffer(talk: string, offer: string, wish: OfferWish): Promise<void>;
}

/** What happens to an order after the sale. */
export interface MarketOrders {
  /** null: there is no such order. */
  order(no: string): Promise<OrderAtMarket | null>;
  change(no: string, wish: OrderWish): Promise<OrderAtMarket>;
  /** The statement as a file, in the signs and columns the rule sheet tells. */
  statement(): Promise<string>;
}

/** A marketplace's depot. */
export interface Depot {
  /** Says what a parcel holds before it is sent. @returns the parcel's number, to be written on it */
  announce(contents: readonly { code: string; barcode: string }[]): Promise<string>;
  /** All parcels, with what arrived of each. */
  parcels(): Promise<DepotParcel[]>;
  /** Its report of the day. */
  stock(): Promise<DepotStock>;
  /**
   * Has items sent back to the seller, by the depot's numbers. What is offered from there has to be taken
   * down before.
   */
  sendBack(nos: readonly string[]): Promise<void>;
}

export interface Coupons {
  all(): Promise<Coupon[]>;
  put(coupon: Coupon): Promise<void>;
  end(code: string): Promise<void>;
}

/** The call brought no answer that settles it. */
export class CallFailed extends Error {
  constructor(
    readonly trouble: CallTrouble,
    /** It may have been carried out all the same. */
    readonly unclear: boolean,
    /** Milliseconds the marketplace asked us to wait. */
    readonly retryAfter: number | null = null,
    /** Our token is no longer good. */
    readonly locked = false,
  ) {
    super(trouble.code);
  }
}

/** A failure whose code says it all. */
export function failed(code: PlainTrouble, unclear: boolean, retryAfter: number | null = null): CallFailed {
  return new CallFailed({ code, params: NONE }, unclear, retryAfter);
}

/** The marketplace says no, and why, with our names for the fields. */
export class Refused extends Error {
  constructor(readonly reasons: Reason[]) {
    super(reasons.map((r) => r.code ?? r.message).join(' '));
  }
}
