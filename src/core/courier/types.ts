import type { Command, Edited, HoldView, ListingDraft, PastSale, Reason, Sale } from '@/contract/courier';

export type { Edited };

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
  /** What it is reported by: our own reference `thing.market.generation`, or the one of a listing that was adopted. */
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
  /** What it may sell changed while something else was under way: it is changed once more. */
  again?: boolean;
  /** It was taken down for a promise that came to nothing: it goes up again once it is gone. */
  backUp?: boolean;
  /** The seller said it was sold here, so it ends as sold, not as withdrawn. */
  dealHere: boolean;
  /** What of it somebody changed there. */
  edited?: Edited | null;
  /** When it was there first; null: not yet. */
  listedAt: number | null;
  since: number;
  /** When what is shown was changed last, as far as it was: an older look at it says nothing. */
  changedAt?: number;
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
  /** Of a thing in choices: every piece sold, with the listing it was sold from. */
  pieceSales: (Sale & { ref: string })[];
  /** Sales that came to nothing, with the listing a piece was sold from. */
  pastSales?: (PastSale & { ref?: string })[];
  /** To whom it is promised is for the page to know; the courier knows where, and what was taken down for it. */
  hold?: HoldView | null;
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
  /** Calls that failed one after the other, of any sort. */
  failedCalls: number;
  /** While calls fail one after the other: none before this moment, then one to see whether it is back. */
  restUntil: number;
  /**
   * Nobody looked yet what of ours stands there. A courier that begins with nothing may have lost what it knew, so it
   * looks before it lists.
   */
  unseen?: boolean;
  /** When what it shows was last compared, and how much of it nobody here knows. */
  comparedAt: number | null;
  unknown: number;
}

export type Link = 'connected' | 'paused' | 'off';

export interface CourierState {
  things: Map<string, CourierThing>;
  markets: Map<string, CourierMarket>;
  /** References that are not made by us -> the thing whose listing goes by them. */
  adopted: Map<string, string>;
  /** Things with a job outstanding, so that a tick does not look at the others. */
  busy: Set<string>;
}

/** How a marketplace is worked with. */
export interface MarketPolicy {
  /** How often its feed is read, milliseconds. */
  pollEvery: number;
  /** A person does all of it by hand. */
  byHand?: boolean;
  /** It can be asked what of ours it shows, so that is done before anything new goes there. */
  looksFirst?: boolean;
  /** It shows buyers that a thing is promised. */
  showsHolds?: boolean;
}
export type Policy = Readonly<Record<string, MarketPolicy>>;

/** Something a marketplace reports of one listing. */
export type News =
  | { kind: 'sale'; ref: string; remoteId: string; order: string; amount: number; postage: number; fees: number | null; at: number; /** Of a thing in choices. */ piece?: string }
  | { kind: 'approved'; ref: string; remoteId: string; url: string }
  | { kind: 'turnedDown'; ref: string; remoteId: string; reasons: Reason[] }
  | { kind: 'ended'; ref: string; remoteId: string; why: string }; // prettier-ignore

/** A listing under a reference of ours that the courier has no memory of. */
export interface Found {
  ref: string;
  remoteId: string;
  url: string;
  state: 'live' | 'inReview';
  draft: ListingDraft;
  listedAt: number | null;
}

/** A listing of ours that should not be there beside the one that is known. */
export interface Extra {
  ref: string;
  remoteId: string;
}

/** All that can happen. Those marked "not kept" never reach the ledger; replay does without them. */
export type CourierEvent =
  | { type: 'command'; command: Command; /** Who gave it. */ by?: string }
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
  /** What a marketplace shows was compared with what should be there: what is to be put right. */
  | { type: 'strays'; market: string; gone: string[]; lingering: { ref: string; remoteId: string; url: string }[]; edited: { ref: string; as: Edited | null }[]; found?: Found[]; extra?: Extra[] }
  /** What of ours stands there was looked at for the first time. */
  | { type: 'looked'; market: string }
  /** Not kept: it was compared. */
  | { type: 'compared'; market: string; unknown: number }
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
