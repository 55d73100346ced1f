import type { Edited, ListingDraft } from '@/contract/courier';
import type {
  ClosingEntry,
  CourierEvent,
  CourierListing,
  CourierMarket,
  CourierItem,
  Duplicate,
  Found,
  Job,
  News,
} from '@/contract/courierEvents';
import type { CommandRefusal } from '@/contract/troubles';

export type {
  ClosingEntry,
  CourierEvent,
  CourierListing,
  CourierMarket,
  CourierItem,
  Edited,
  Duplicate,
  Found,
  Job,
  News,
};

export type Action = Job['action'];

/** All that the courier knows. A step changes it in place. */
export interface CourierState {
  items: Map<string, CourierItem>;
  markets: Map<string, CourierMarket>;
  /** References that are not made by us -> the item whose listing goes by them. */
  adopted: Map<string, string>;
  /** Items with a job outstanding, so that a tick does not look at the others. */
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
  /** It shows buyers that an item is promised. */
  showsHolds?: boolean;
}
export type Policy = Readonly<Record<string, MarketPolicy>>;

/** A call that is to be made. */
export type Effect =
  | { type: 'publish'; market: string; item: string; ref: string; draft: ListingDraft; unclear: boolean }
  | {
      type: 'revise';
      market: string;
      item: string;
      ref: string;
      remoteId: string | null;
      draft: ListingDraft;
    }
  | {
      type: 'withdraw';
      market: string;
      item: string;
      ref: string;
      remoteId: string | null;
      outcome: 'withdrawn' | 'sold';
    }
  | { type: 'poll'; market: string; cursor: string | null };

/** One step in the making: what it knows, changes and asks for. */
export interface StepContext {
  readonly state: CourierState;
  /** Milliseconds since 1970. */
  readonly now: number;
  readonly policy: Policy;
  readonly effects: Effect[];
  /** Items whose view changed. */
  readonly changed: Set<string>;
}

/** What came of a step. */
export interface StepResult {
  state: CourierState;
  effects: Effect[];
  /** Items whose view changed. */
  changed: Set<string>;
  /** Why a command was not taken; null when it was, and for other events. */
  refusal: CommandRefusal | null;
}
