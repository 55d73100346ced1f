import { z } from 'zod';

import { Currency, Instant, MarketId, Minor, RecordId, Sha256 } from './common';
import { SentTerms } from './terms';
import { CommandRefusal, OwnReason, Trouble, WriteTrouble } from './troubles';

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

/**
 * Several to choose from: each piece by its code, with how many there ever were of it. Without options: one
 * piece, of which there are several just alike.
 */
export const DraftChoices = z.object({
  options: z.array(z.string().max(60)).max(3),
  pieces: z
    .array(
      z.object({
        code: z.string().min(1).max(90),
        values: z.array(z.string().max(60)).max(3),
        price: Minor.nonnegative(),
        stock: z.number().int().min(0).max(100_000),
        /** Which of the listing's pictures show it, counted from 0; absent: all do. */
        pictures: z.array(z.number().int().min(0).max(60)).max(60).optional(),
      }),
    )
    .min(1)
    .max(400),
  /** Of each piece so many are never shown; absent: none. */
  heldBack: z.number().int().min(0).max(100_000).optional(),
  /** At most so many of each are shown at once; absent: all. */
  cap: z.number().int().min(1).max(100_000).optional(),
  /** The marketplace does not count: it shows one, which is gone once it is sold there. */
  oneAtATime: z.boolean().optional(),
});
export type DraftChoices = z.infer<typeof DraftChoices>;

/** A listing as it is to be sent: effective values only, nothing private. */
export const ListingDraft = z.object({
  title: z.string().max(400),
  description: z.string().max(10_000),
  price: Minor.nonnegative(),
  currency: Currency,
  /** What the buyer pays for postage; 0 where the item is collected. */
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
  /**
   * Paid for: promotion in basis points, and extras by id with what they ask for (words, a category, days).
   */
  paid: z
    .object({
      promotionBp: z.number().int().min(0).max(10_000),
      extras: z.record(z.string().max(60), z.string().max(400)),
    })
    .default({ promotionBp: 0, extras: {} }),
  /** Its number at the marketplace's own depot, which posts it; absent: it is with the seller. */
  depotNo: z.string().max(40).optional(),
  /** Sold in variations, or several just alike; absent: one of a kind. */
  choices: DraftChoices.optional(),
  /** What a marketplace was found to show, as far as it tells: never sent as it is. */
  found: z.boolean().optional(),
  /** Promised to somebody there, for marketplaces that show that. Put in by the courier. */
  held: z.boolean().optional(),
});
export type ListingDraft = z.infer<typeof ListingDraft>;

/** What the page may ask of the courier. The id makes repeating a command harmless. */
export const Command = z.discriminatedUnion('type', [
  z.object({
    type: z.literal('send'),
    id: RecordId,
    item: RecordId,
    market: MarketId,
    draft: ListingDraft,
    /** Not let out before this moment; null: at once. */
    notBefore: Instant.nullable().optional(),
  }),
  z.object({ type: z.literal('withdraw'), id: RecordId, item: RecordId, market: MarketId }),
  /** Another time for what waits for its own; null: at once. */
  z.object({
    type: z.literal('retime'),
    id: RecordId,
    item: RecordId,
    market: MarketId,
    notBefore: Instant.nullable(),
  }),
  /** A listing that somebody put up there is this item: from now on the courier looks after it. */
  z.object({
    type: z.literal('adopt'),
    id: RecordId,
    item: RecordId,
    market: MarketId,
    /** What the marketplace knows it by. */
    ref: z.string().min(1).max(120),
    remoteId: z.string().min(1).max(120),
    url: z.string().max(500),
    state: z.enum(['live', 'inReview']),
    listedAt: Instant.nullable(),
    /** What is shown there now, as far as it was told. */
    draft: ListingDraft,
  }),
  /** The seller says that it was sold there, for this much. */
  z.object({
    type: z.literal('sold'),
    id: RecordId,
    item: RecordId,
    market: MarketId,
    amount: Minor.nonnegative(),
    /**
     * The marketplace's own number of it, where it has one: told by the marketplace later, it is the same
     * sale.
     */
    order: z
      .string()
      .min(1)
      .max(100)
      .regex(/^(?!deal-)/u)
      .optional(),
  }),
  /** Where a marketplace is worked by hand: it is up, and there; or it was taken down. */
  z.object({
    type: z.literal('handUp'),
    id: RecordId,
    item: RecordId,
    market: MarketId,
    url: z
      .string()
      .max(500)
      .regex(/^(?:https?:\/\/|\/)\S+$/u),
  }),
  z.object({ type: z.literal('handDown'), id: RecordId, item: RecordId, market: MarketId }),
  /** Promised to somebody there: elsewhere it is taken down until that is over, or left up. */
  z.object({
    type: z.literal('hold'),
    id: RecordId,
    item: RecordId,
    market: MarketId,
    elsewhere: z.enum(['withdraw', 'leave']),
  }),
  /** The promise came to nothing: what was taken down for it goes up again. */
  z.object({ type: z.literal('release'), id: RecordId, item: RecordId }),
  /** A sale came to nothing: it was cancelled, or the item came back. It may be sold again. */
  z.object({
    type: z.literal('undo'),
    id: RecordId,
    item: RecordId,
    order: z.string().min(1).max(120),
    why: z.enum(['cancelled', 'returned']),
  }),
  /** The person has dealt with a second sale of the same item. */
  z.object({ type: z.literal('settle'), id: RecordId, item: RecordId, order: z.string().min(1).max(120) }),
]);
export type Command = z.infer<typeof Command>;

/** A command as it is given: beside it, for whoever reads the ledger, who gives it. */
export const GivenCommand = Command.and(
  z.object({ by: z.string().min(1).max(120).optional().catch(undefined) }),
).transform(({ by, ...command }): { by: string | undefined; command: Command } => ({ by, command }));

export const CommandAnswer = z.object({
  accepted: z.boolean(),
  refusal: CommandRefusal.optional(),
  /** In the words of a courier of an earlier version. */
  why: z.string().optional(),
});
export type CommandAnswer = z.infer<typeof CommandAnswer>;

const LISTING_STATES = ['onItsWay', 'inReview', 'live', 'refused', 'ended', 'sold'] as const;

/** Why not, field by field: in the marketplace's words, or by a code of ours, without words. */
export const Reason = z.object({
  field: z.string().max(80),
  message: z.string().max(500),
  code: OwnReason.optional(),
});
export type Reason = z.infer<typeof Reason>;

export const Sale = z.object({
  market: MarketId,
  order: z.string().min(1).max(120),
  /** What the buyer pays for the item itself. */
  amount: Minor.nonnegative(),
  postage: Minor.nonnegative(),
  /** Fees with tax as the marketplace charged them; null where it does not say. */
  fees: Minor.nonnegative().nullable(),
  /** When it was sold, by the marketplace's clock. */
  at: Instant,
  /** When the courier learned of it. */
  knownAt: Instant,
  /** Of an item with variations: the code of the piece. */
  piece: z.string().max(90).optional(),
});
export type Sale = z.infer<typeof Sale>;

/** A promise: where it was made, and where the item was taken down for it. */
export const HoldView = z.object({
  market: MarketId,
  at: Instant,
  elsewhere: z.enum(['withdraw', 'leave']),
  down: z.array(MarketId).max(60),
});
export type HoldView = z.infer<typeof HoldView>;

/** A sale that came to nothing, and when that was said. */
export const PastSale = Sale.extend({ why: z.enum(['cancelled', 'returned']), undoneAt: Instant });
export type PastSale = z.infer<typeof PastSale>;

/** What of a listing was changed at the marketplace itself; null: as it was sent. */
export const Edited = z.object({ title: z.string().max(400).nullable(), price: Minor.nullable() });
export type Edited = z.infer<typeof Edited>;

export const CourierListingView = z.object({
  market: MarketId,
  state: z.enum(LISTING_STATES),
  want: z.enum(['live', 'gone']),
  /** What the courier is doing about it now. */
  doing: z.enum(['publish', 'revise', 'withdraw']).nullable(),
  tries: z.number().int().min(0),
  nextTryAt: Instant.nullable(),
  trouble: Trouble.nullable(),
  url: z.string().max(500).nullable(),
  /** What the marketplace knows it by; null: not yet, or nobody told. */
  remoteId: z.string().max(200).nullable().default(null),
  title: z.string().max(400),
  price: Minor,
  category: z.string(),
  postage: Minor,
  reasons: z.array(Reason).max(60),
  since: Instant,
  /** When it was there first; null: not yet. */
  listedAt: Instant.nullable(),
  /** For how much it was there first, minor units; null: not yet, or nobody told. */
  firstPrice: Minor.nullable().default(null),
  /** Fingerprint of the draft that is (or will be) shown, to see what changed since. */
  draftHash: z.string().max(80),
  /** Somebody changed it there; null: it is shown as it was sent. */
  edited: Edited.nullable().default(null),
  /** It is promised to somebody there. */
  held: z.boolean().default(false),
  /** A fault of our own came up again and again: it is not tried any more until it is sent again. */
  stopped: z.boolean().default(false),
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
      trouble: Trouble.nullable(),
    }),
  ),
});
export type ClosingView = z.infer<typeof ClosingView>;

/** Everything the courier knows of one item: its one author is the courier. */
export const CourierItemView = z.object({
  id: RecordId,
  listings: z.array(CourierListingView),
  sale: Sale.nullable(),
  /** Sales after the first, each until the person has dealt with it. */
  laterSales: z.array(Sale.extend({ settled: z.boolean() })),
  /** Of an item with variations: every piece sold, the first ones first. */
  pieceSales: z.array(Sale).default([]),
  /** Sales that were cancelled, or whose item came back. */
  pastSales: z.array(PastSale).default([]),
  hold: HoldView.nullable().default(null),
  closing: ClosingView.nullable(),
});
export type CourierItemView = z.infer<typeof CourierItemView>;

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
  /** Where its own pages are; links to anywhere else are not opened. null: nobody knows. */
  home: z.string().max(500).nullable().default(null),
  /** Where the person is shown a code that lets us in; null where none is needed. */
  accessPage: z.string().max(500).nullable(),
  trouble: Trouble.nullable(),
  sheetVersion: z.number().int().positive().nullable(),
  /** What others offer there can be looked through. */
  browsable: z.boolean().default(false),
  /** Since when it has told nothing, where it is away or does not let us in; null: it answers. */
  silentSince: Instant.nullable().default(null),
  /** When what it shows was last compared with what should be there; null: not yet. */
  comparedAt: Instant.nullable().default(null),
  /** Listings it shows that nobody here knows of. */
  unknown: z.number().int().min(0).default(0),
  /** Calls to it fail one after the other, so only one at a time goes out to see whether it is back. */
  resting: z.boolean().default(false),
});
export type MarketView = z.infer<typeof MarketView>;

/** Whether the courier can do its work, and what it does not know. */
export const CourierHealth = z.object({
  /** Why nothing can be written down, as part of a sentence; null: all is well. */
  cannotWrite: WriteTrouble.nullable(),
  since: Instant.nullable(),
  /** Lines of the ledger that could not be read: left where they are, and what they told is not known. */
  unreadLines: z.number().int().min(0),
});
export type CourierHealth = z.infer<typeof CourierHealth>;

/** What the person wants of a connection. */
export const ConnectionWish = z.discriminatedUnion('type', [
  z.object({ type: z.literal('connect'), code: z.string().min(1).max(200) }),
  z.object({ type: z.enum(['pause', 'resume', 'disconnect', 'test']) }),
]);
export type ConnectionWish = z.infer<typeof ConnectionWish>;
export const ConnectionTested = z.object({ milliseconds: z.number().nonnegative().nullable() });
export type ConnectionTested = z.infer<typeof ConnectionTested>;

/** Answers of the courier's HTTP interface. */
export const SessionAnswer = z.object({
  token: z.string().min(16).max(200),
  /** Name of the browser store that belongs to this server's data. */
  attic: RecordId,
  /** Whether there is a demo world to begin with. */
  demo: z.boolean(),
  currency: Currency,
  /**
   * When an earlier copy of a ledger was made that stands beside this one, which is new; null: it is not new,
   * or there is none.
   */
  earlierLedger: Instant.nullable().default(null),
});
export type SessionAnswer = z.infer<typeof SessionAnswer>;
/** The attic that a courier whose ledger is new is to work for. */
export const AtticWish = z.object({ attic: RecordId });
/** Sheets are parsed one by one: one that does not fit must not cost the others. */
export const SheetsAnswer = z.object({
  sheets: z.array(z.unknown()),
  missing: z.array(z.object({ market: MarketId, name: z.string(), why: Trouble })),
});
export type SheetsAnswer = z.infer<typeof SheetsAnswer>;
/** What nobody expected in a page, for the server's log. */
export const FaultTold = z.object({
  doing: z.string().max(200),
  message: z.string().max(1_000),
  stack: z.string().max(4_000),
});
/** What was sent last of an item, by marketplace. */
export const DraftsAnswer = z.object({ drafts: z.record(z.string().max(32), ListingDraft) });
export type DraftsAnswer = z.infer<typeof DraftsAnswer>;
export const ErrorAnswer = z.object({ error: z.string().max(1_000) });

export const LedgerLine = z.object({
  seq: z.number().int().positive(),
  at: Instant,
  type: z.string().max(40),
  item: z.string().max(64).nullable(),
  market: z.string().max(32).nullable(),
  words: z.string().max(2_000),
});
export type LedgerLine = z.infer<typeof LedgerLine>;
export const LedgerAnswer = z.object({ lines: z.array(LedgerLine), more: z.boolean() });
export type LedgerAnswer = z.infer<typeof LedgerAnswer>;
