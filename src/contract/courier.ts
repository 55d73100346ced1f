import { z } from 'zod';

import { Currency, Instant, MarketId, Minor, RecordId, Sha256 } from './common';
import { RuleSheet } from './ruleSheet';
import { SentTerms } from './terms';

/** How something is auctioned; minor units. */
export const AuctionTerms = z.object({
  opening: Minor.nonnegative(),
  /** Ends it at once; null for none. */
  outright: Minor.nonnegative().nullable(),
  days: z.number().int().min(1).max(60),
  /** How often it is put up again when nobody bids. */
  again: z.number().int().min(0).max(20),
  /** Its fixed price once that is over; null: it is taken down. */
  becomes: Minor.nonnegative().nullable(),
});
export type AuctionTerms = z.infer<typeof AuctionTerms>;

/** A listing as it is to be sent: effective values only, nothing private. */
export const ListingDraft = z.object({
  title: z.string().max(400),
  description: z.string().max(10_000),
  price: Minor.nonnegative(),
  currency: Currency,
  /** What the buyer pays for postage; 0 where the thing is collected. */
  postage: Minor.nonnegative(),
  category: z.string().max(80),
  condition: z.string().max(40),
  specifics: z.record(z.string().max(60), z.string().max(400)),
  answers: z.record(z.string().max(60), z.string().max(400)),
  /** In order; the bytes are in the courier's picture shelf before the command is. */
  pictures: z.array(Sha256).max(60),
  /** Where the marketplace takes one; on the shelf too. */
  clip: z.object({ hash: Sha256, seconds: z.number().positive() }).nullable().default(null),
  /** Words that lead buyers to it, where the marketplace takes them apart from the text. */
  tags: z.array(z.string().max(120)).max(60).default([]),
  /** Sold to whoever bids most; null: at the price. */
  auction: AuctionTerms.nullable().default(null),
  /** What search engines show of it, in the seller's own shop. */
  search: z
    .object({
      title: z.string().max(400),
      description: z.string().max(2_000),
      keywords: z.array(z.string().max(120)).max(60),
    })
    .nullable()
    .default(null),
  /** Postage beyond home, returns, handling; null: as the marketplace has it. */
  terms: SentTerms.nullable().default(null),
  /** Paid for: promotion in basis points, and extras by id with what they ask for (words, a category, days). */
  paid: z
    .object({
      promotionBp: z.number().int().min(0).max(10_000),
      extras: z.record(z.string().max(60), z.string().max(400)),
    })
    .default({ promotionBp: 0, extras: {} }),
});
export type ListingDraft = z.infer<typeof ListingDraft>;

/** What the page may ask of the courier. The id makes repeating a command harmless. */
export const Command = z.discriminatedUnion('type', [
  z.object({
    type: z.literal('send'),
    id: RecordId,
    thing: RecordId,
    market: MarketId,
    draft: ListingDraft,
    /** Not let out before this moment; null: at once. */
    notBefore: Instant.nullable().optional(),
  }),
  z.object({ type: z.literal('withdraw'), id: RecordId, thing: RecordId, market: MarketId }),
  /** The seller says that it was sold there, for this much. */
  z.object({
    type: z.literal('sold'),
    id: RecordId,
    thing: RecordId,
    market: MarketId,
    amount: Minor.nonnegative(),
  }),
  /** Where a marketplace is worked by hand: it is up, and there; or it was taken down. */
  z.object({
    type: z.literal('handUp'),
    id: RecordId,
    thing: RecordId,
    market: MarketId,
    url: z
      .string()
      .max(500)
      .regex(/^(?:https?:\/\/|\/)\S+$/u),
  }),
  z.object({ type: z.literal('handDown'), id: RecordId, thing: RecordId, market: MarketId }),
  /** The person has dealt with a second sale of the same thing. */
  z.object({ type: z.literal('settle'), id: RecordId, thing: RecordId, order: z.string().min(1).max(120) }),
]);
export type Command = z.infer<typeof Command>;

export const CommandAnswer = z.object({ accepted: z.boolean(), why: z.string().optional() });
export type CommandAnswer = z.infer<typeof CommandAnswer>;

export const LISTING_STATES = ['onItsWay', 'inReview', 'live', 'refused', 'ended', 'sold'] as const;

export const Reason = z.object({ field: z.string().max(80), message: z.string().max(500) });
export type Reason = z.infer<typeof Reason>;

export const Sale = z.object({
  market: MarketId,
  order: z.string().min(1).max(120),
  /** What the buyer pays for the thing itself. */
  amount: Minor.nonnegative(),
  postage: Minor.nonnegative(),
  /** Fees with tax as the marketplace charged them; null where it does not say. */
  fees: Minor.nonnegative().nullable(),
  /** When it was sold, by the marketplace's clock. */
  at: Instant,
  /** When the courier learned of it. */
  knownAt: Instant,
});
export type Sale = z.infer<typeof Sale>;

export const CourierListingView = z.object({
  market: MarketId,
  state: z.enum(LISTING_STATES),
  want: z.enum(['live', 'gone']),
  /** What the courier is doing about it now. */
  doing: z.enum(['publish', 'revise', 'withdraw']).nullable(),
  tries: z.number().int().min(0),
  nextTryAt: Instant.nullable(),
  trouble: z.string().max(500).nullable(),
  url: z.string().max(500).nullable(),
  title: z.string().max(400),
  price: Minor,
  category: z.string(),
  postage: Minor,
  reasons: z.array(Reason).max(60),
  since: Instant,
  /** When it was there first; null: not yet. */
  listedAt: Instant.nullable(),
  /** Fingerprint of the draft that is (or will be) shown, to see what changed since. */
  draftPrint: z.string().max(80),
});
export type CourierListingView = z.infer<typeof CourierListingView>;

/** From a sale to "gone everywhere": the proof. */
export const ClosingView = z.object({
  startedAt: Instant,
  doneAt: Instant.nullable(),
  entries: z.array(
    z.object({
      market: MarketId,
      outcome: z.enum(['soldHere', 'goneAlready', 'withdrawn', 'withdrawing', 'soldToo']),
      at: Instant.nullable(),
      tries: z.number().int().min(0),
      trouble: z.string().max(500).nullable(),
    }),
  ),
});
export type ClosingView = z.infer<typeof ClosingView>;

/** Everything the courier knows of one thing: its one author is the courier. */
export const CourierThingView = z.object({
  id: RecordId,
  listings: z.array(CourierListingView),
  sale: Sale.nullable(),
  /** Sales after the first, each until the person has dealt with it. */
  laterSales: z.array(Sale.extend({ settled: z.boolean() })),
  closing: ClosingView.nullable(),
});
export type CourierThingView = z.infer<typeof CourierThingView>;

export const MarketView = z.object({
  id: MarketId,
  name: z.string().max(60),
  letters: z.string().length(2),
  /** `away`: the last calls failed; the courier keeps trying. */
  health: z.enum(['well', 'away']),
  /** `paused`: only withdrawals go there; `off`: nothing does. */
  link: z.enum(['connected', 'paused', 'off']),
  /** It does not take our token (any more): the person has to let us in anew. */
  locked: z.boolean(),
  /** A person does everything there; the courier only keeps track. */
  byHand: z.boolean(),
  /** Where the person is shown a code that lets us in; null where none is needed. */
  accessPage: z.string().max(500).nullable(),
  trouble: z.string().max(500).nullable(),
  sheetVersion: z.number().int().positive().nullable(),
});
export type MarketView = z.infer<typeof MarketView>;

/** What the person wants of a connection. */
export const ConnectionWish = z.discriminatedUnion('do', [
  z.object({ do: z.literal('connect'), code: z.string().min(1).max(200) }),
  z.object({ do: z.enum(['pause', 'resume', 'disconnect', 'test']) }),
]);
export type ConnectionWish = z.infer<typeof ConnectionWish>;
export const ConnectionTested = z.object({ milliseconds: z.number().nonnegative().nullable() });
export type ConnectionTested = z.infer<typeof ConnectionTested>;

/** Answers of the courier's HTTP interface. */
export const SessionAnswer = z.object({
  token: z.string().min(16).max(200),
  /** Name of the browser store that belongs to this server's data. */
  attic: RecordId,
  demo: z.boolean(),
  currency: Currency,
});
export type SessionAnswer = z.infer<typeof SessionAnswer>;
export const SheetsAnswer = z.object({
  sheets: z.array(RuleSheet),
  missing: z.array(z.object({ market: MarketId, name: z.string(), why: z.string() })),
});
export type SheetsAnswer = z.infer<typeof SheetsAnswer>;
/** What was sent last of a thing, by marketplace. */
export const DraftsAnswer = z.object({ drafts: z.record(z.string().max(32), ListingDraft) });
export type DraftsAnswer = z.infer<typeof DraftsAnswer>;
export const ErrorAnswer = z.object({ error: z.string().max(1_000) });

export const LedgerLine = z.object({
  seq: z.number().int().positive(),
  at: Instant,
  type: z.string().max(40),
  thing: z.string().max(64).nullable(),
  market: z.string().max(32).nullable(),
  words: z.string().max(2_000),
});
export type LedgerLine = z.infer<typeof LedgerLine>;
export const LedgerAnswer = z.object({ lines: z.array(LedgerLine), more: z.boolean() });
export type LedgerAnswer = z.infer<typeof LedgerAnswer>;
