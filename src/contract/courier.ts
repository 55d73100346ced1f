import { z } from 'zod';

import { Currency, Instant, MarketId, Minor, RecordId, Sha256 } from './common';
import { RuleSheet } from './ruleSheet';

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
  trouble: z.string().max(500).nullable(),
  sheetVersion: z.number().int().positive().nullable(),
});
export type MarketView = z.infer<typeof MarketView>;

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
