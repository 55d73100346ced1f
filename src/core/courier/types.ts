import type { Command, ListingDraft, Reason, Sale } from '@/contract/courier';

export type ListingState = 'onItsWay' | 'inReview' | 'live' | 'refused' | 'ended' | 'sold';
export type Action = 'publish' | 'revise' | 'withdraw';

/** What the courier still has to do about one listing. At most one at a time. */
export interface Job {
  action: Action;
  tries: number;
  /** Not before this moment. */
  due: number;
  /** An effect is out and has not been answered. */
  running: boolean;
  /** It may have been carried out although no answer came. */
  unclear: boolean;
  trouble: string | null;
}

export interface CourierListing {
  market: string;
  /** Our own reference, sent along and reported back: `thing.market.generation`. */
  ref: string;
  generation: number;
  want: 'live' | 'gone';
  state: ListingState;
  draft: ListingDraft;
  /** A revision on its way, until it is answered. */
  nextDraft: ListingDraft | null;
  remoteId: string | null;
  url: string | null;
  reasons: Reason[];
  job: Job | null;
  /** When a publish call was last let out; withdrawing waits for late ones. 0: never. */
  lastPublishAt: number;
  /** The seller said it was sold here, so it ends as sold, not as withdrawn. */
  dealHere: boolean;
  /** When it was there first; null: not yet. */
  listedAt: number | null;
  since: number;
}

export interface ClosingEntry {
  market: string;
  outcome: 'soldHere' | 'goneAlready' | 'withdrawn' | 'withdrawing' | 'soldToo';
  at: number | null;
}

export interface Closing {
  startedAt: number;
  doneAt: number | null;
  entries: ClosingEntry[];
}

export interface CourierThing {
  id: string;
  listings: Record<string, CourierListing>;
  /** The sale that counts: the earliest by the marketplaces' clocks. */
  sale: Sale | null;
  /** Every further sale of the same thing, until a person has dealt with it and after. */
  laterSales: (Sale & { settled: boolean })[];
  closing: Closing | null;
}

export interface CourierMarket {
  /** Where the event feed was read up to; null: from the beginning. */
  cursor: string | null;
  pollDue: number;
  polling: boolean;
  failures: number;
  /** No calls before this moment (asked for by the marketplace). */
  pausedUntil: number;
  trouble: string | null;
  /** `paused`: nothing new goes there and nothing is changed, but what is sold is still withdrawn. `off`: no calls at all. */
  link: Link;
  /** It does not take our token (any more). */
  locked: boolean;
}

export type Link = 'connected' | 'paused' | 'off';

export interface CourierState {
  things: Map<string, CourierThing>;
  markets: Map<string, CourierMarket>;
  /** Things with a job outstanding, so that a tick does not look at the others. */
  busy: Set<string>;
}

/** How a marketplace is worked with: how often its feed is read, in milliseconds; whether a person does all of it by hand. */
export type Policy = Readonly<Record<string, { pollEvery: number; byHand?: boolean }>>;

/** Something a marketplace reports of one listing. */
export type News =
  | { kind: 'sale'; ref: string; remoteId: string; order: string; amount: number; postage: number; fees: number | null; at: number }
  | { kind: 'approved'; ref: string; remoteId: string; url: string }
  | { kind: 'turnedDown'; ref: string; remoteId: string; reasons: Reason[] }
  | { kind: 'ended'; ref: string; remoteId: string; why: string }; // prettier-ignore

/** All that can happen. Those marked "not kept" never reach the ledger; replay does without them. */
export type CourierEvent =
  | { type: 'command'; command: Command }
  | { type: 'published'; market: string; ref: string; remoteId: string; url: string; state: 'live' | 'inReview' }
  | { type: 'revised'; market: string; ref: string }
  /** A publish call is about to be made. Kept before it is. */
  | { type: 'letOut'; market: string; ref: string }
  | { type: 'withdrawn'; market: string; ref: string }
  /** The marketplace knows no such listing. */
  | { type: 'absent'; market: string; ref: string }
  | { type: 'refused'; market: string; ref: string; action: Action; reasons: Reason[] }
  | { type: 'failed'; market: string; ref: string; action: Action; trouble: string; unclear: boolean; retryAfter: number | null }
  | { type: 'news'; market: string; news: News[]; cursor: string | null }
  /** Not kept: a feed read without news. */
  | { type: 'quiet'; market: string; cursor: string | null }
  /** Not kept. */
  | { type: 'pollFailed'; market: string; trouble: string; retryAfter: number | null; locked?: boolean }
  /** The person connects, pauses or disconnects a marketplace. */
  | { type: 'connection'; market: string; link: Link }
  /** The process began: whatever was out may or may not have been done. */
  | { type: 'started'; markets: string[] }
  /** Not kept: time passed. */
  | { type: 'tick' }; // prettier-ignore

export type Effect =
  | { kind: 'publish'; market: string; thing: string; ref: string; draft: ListingDraft; unclear: boolean }
  | { kind: 'revise'; market: string; thing: string; ref: string; remoteId: string | null; draft: ListingDraft }
  | { kind: 'withdraw'; market: string; thing: string; ref: string; remoteId: string | null; outcome: 'withdrawn' | 'sold' }
  | { kind: 'poll'; market: string; cursor: string | null }; // prettier-ignore

export interface Step {
  state: CourierState;
  effects: Effect[];
  /** Things whose view changed. */
  changed: Set<string>;
  /** Why a command was not taken; null when it was, and for other events. */
  refusal: string | null;
}
