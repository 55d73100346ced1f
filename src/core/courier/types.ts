import type { Edited, ListingDraft } from '@/contract/courier';
import type {
  ClosingEntry,
  CourierEvent,
  CourierListing,
  CourierMarket,
  CourierThing,
  Extra,
  Found,
  Job,
  News,
} from '@/contract/courierEvents';

export type { ClosingEntry, CourierEvent, CourierListing, CourierMarket, CourierThing, Edited, Extra, Found, Job, News }; // prettier-ignore

export type Action = Job['action'];
export type Link = CourierMarket['link'];

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
