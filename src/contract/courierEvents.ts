import { z } from 'zod';

import { Instant, MarketId, Minor, RecordId } from './common';
import { Command, Edited, HoldView, ListingDraft, PastSale, Reason, Sale } from './courier';
import { isFields } from './fields';
import { renamed, renamedEach, type Raw } from './renamed';
import { CallTrouble, OwnReason, Trouble } from './troubles';

/**
 * What can happen to the courier, as it comes from marketplaces and as it stands in the ledger. What is
 * longer or larger than the page takes is cut here, where it enters, so that no view of it is ever refused: a
 * word too long must not cost a sale.
 */

const text = (most: number) => z.string().transform((said) => said.slice(0, most));
const MOST_REASONS = 60;

/** A whole number from 0 on, whatever was told; what is no number is 0. */
const whole = z.unknown().transform((told): number => {
  const n = Math.round(Number(told));
  return Number.isFinite(n)
    ? Math.min(Math.max(0, n), Number.MAX_SAFE_INTEGER)
    : n > 0
      ? Number.MAX_SAFE_INTEGER
      : 0;
});
const Reference = z.string().max(200);
/** A link too long for any browser is none. */
const Link = z.string().transform((url) => (url.length > 500 ? '' : url));
const Reasons = z
  .array(z.object({ field: text(80), message: text(500), code: OwnReason.optional() }))
  .transform((all): Reason[] => all.slice(0, MOST_REASONS));

const ACTIONS = ['publish', 'revise', 'withdraw'] as const;
const LINKS = ['connected', 'paused', 'off'] as const;

const SaleNews = z
  .object({
    type: z.literal('sale'),
    ref: Reference,
    remoteId: text(200),
    order: text(100),
    amount: whole,
    postage: whole,
    fees: z.union([z.null(), whole]),
    /** When it was sold, by the marketplace's clock. */
    at: whole,
    /** Of an item with variations. */
    piece: text(90).optional(),
  })
  .transform((sale) => ({ ...sale, order: orderName(sale) }));

/**
 * A sale without a number is one all the same; and the names of the seller's own deals are nobody else's to
 * give.
 */
function orderName({ order, ref, at }: { order: string; ref: string; at: number }): string {
  const told = order.trim();
  if (told === '') return `unnumbered ${ref.slice(0, 80)} ${at}`;
  return told.startsWith('deal-') ? `order ${told}` : told;
}

/** Something a marketplace reports of one listing. */
export const News = z.union([
  SaleNews,
  z.object({ type: z.literal('approved'), ref: Reference, remoteId: text(200), url: Link }),
  z.object({ type: z.literal('turnedDown'), ref: Reference, remoteId: text(200), reasons: Reasons }),
  z.object({
    type: z.literal('ended'),
    ref: Reference,
    remoteId: text(200),
    /** In the marketplace's words; empty where it gives none, or a code says it. */
    why: text(500),
    code: OwnReason.optional(),
  }),
]);
export type News = z.infer<typeof News>;

/** A listing under a reference of ours that the courier has no memory of. */
export const Found = z.object({
  ref: Reference,
  remoteId: text(200),
  url: Link,
  state: z.enum(['live', 'inReview']),
  draft: ListingDraft,
  listedAt: z.union([z.null(), whole]),
});
export type Found = z.infer<typeof Found>;

/** A listing of ours that should not be there beside the one that is known. */
export const Duplicate = z.object({ ref: Reference, remoteId: text(200) });
export type Duplicate = z.infer<typeof Duplicate>;

const about = { market: MarketId, ref: Reference };
const EditedThere = z.object({
  title: z.union([z.null(), text(400)]),
  price: z.union([z.null(), whole]),
}) satisfies z.ZodType<Edited>;

/** All that can happen. Those marked "not kept" never reach the ledger; replay does without them. */
export const CourierEvent = z.discriminatedUnion('type', [
  z.object({ type: z.literal('command'), command: Command, /** Who gave it. */ by: text(120).optional() }),
  z.object({
    type: z.literal('published'),
    ...about,
    remoteId: text(200),
    url: Link,
    state: z.enum(['live', 'inReview']),
  }),
  z.object({ type: z.literal('revised'), ...about }),
  /** A publish call is about to be made. Kept before it is. */
  z.object({ type: z.literal('publishDispatched'), ...about }),
  z.object({ type: z.literal('withdrawn'), ...about }),
  /** The marketplace knows no such listing. */
  z.object({ type: z.literal('absent'), ...about }),
  z.object({ type: z.literal('refused'), ...about, action: z.enum(ACTIONS), reasons: Reasons }),
  z.object({
    type: z.literal('failed'),
    ...about,
    action: z.enum(ACTIONS),
    trouble: z.union([CallTrouble, text(500)]),
    unclear: z.boolean(),
    retryAfter: z.union([z.null(), whole]),
    /** A fault of our own, not the marketplace's: it is not tried for ever. */
    fault: z.boolean().optional(),
  }),
  z.object({ type: z.literal('news'), market: MarketId, news: z.array(News), cursor: z.string().nullable() }),
  /** What a marketplace shows was compared with what should be there: what is to be put right. */
  z.object({
    type: z.literal('strays'),
    market: MarketId,
    gone: z.array(Reference),
    stale: z.array(Duplicate.extend({ url: Link })),
    edited: z.array(z.object({ ref: Reference, as: EditedThere.nullable() })),
    found: z.array(Found).optional(),
    duplicates: z.array(Duplicate).optional(),
  }),
  /** What of ours stands there was looked at for the first time. */
  z.object({ type: z.literal('firstSyncDone'), market: MarketId }),
  /** Not kept: it was compared. */
  z.object({ type: z.literal('compared'), market: MarketId, unknown: whole }),
  /** Not kept: a feed read without news. */
  z.object({ type: z.literal('quiet'), market: MarketId, cursor: z.string().nullable() }),
  /** Not kept. */
  z.object({
    type: z.literal('pollFailed'),
    market: MarketId,
    trouble: z.union([CallTrouble, text(500)]),
    retryAfter: z.union([z.null(), whole]),
    locked: z.boolean().optional(),
  }),
  /** The person connects, pauses or disconnects a marketplace. */
  z.object({ type: z.literal('connection'), market: MarketId, link: z.enum(LINKS) }),
  /** The process began: whatever was out may or may not have been done. */
  z.object({
    type: z.literal('started'),
    markets: z.array(MarketId),
    /**
     * Lines are missing (an earlier copy was taken, or some could not be read): marketplaces are looked at
     * before anything goes out.
     */
    incomplete: z.boolean().optional(),
  }),
  /** Not kept: time passed. While nothing can be kept, nothing new is let out. */
  z.object({ type: z.literal('tick'), publish: z.boolean().optional() }),
]);
export type CourierEvent = z.infer<typeof CourierEvent>;

/** One step from a version of the ledger's lines to the next, for one raw event. */
export type LineMigration = (raw: Raw) => Raw;

/** What was sold was a thing, and what happened was called in words of the house. */
function thingsAreItems(raw: Raw): Raw {
  switch (raw.type) {
    case 'command':
      return isFields(raw.command) ? { ...raw, command: renamed(raw.command, { thing: 'item' }) } : raw;
    case 'letOut':
      return { ...raw, type: 'publishDispatched' };
    case 'looked':
      return { ...raw, type: 'firstSyncDone' };
    case 'strays':
      return renamed(raw, { lingering: 'stale', extra: 'duplicates' });
    case 'news':
      return { ...raw, news: renamedEach(raw.news, { kind: 'type' }) };
    default:
      return raw;
  }
}

/** `LINE_MIGRATIONS[n]` takes lines of version n + 1 to version n + 2. Only ever append. */
const LINE_MIGRATIONS: readonly LineMigration[] = [thingsAreItems];
export const LINE_VERSION = LINE_MIGRATIONS.length + 1;

export type ReadLine = { ok: true; event: CourierEvent } | { ok: false; why: string };

/**
 * Brings a line of the ledger up to date and validates it.
 *
 * @param version of the lines when it was written
 * @returns the event, or why it has to be set aside; never throws
 */
export function readEvent(
  raw: unknown,
  version: number,
  migrations: readonly LineMigration[] = LINE_MIGRATIONS,
): ReadLine {
  try {
    if (!isFields(raw)) return { ok: false, why: 'not an event' };
    if (version > migrations.length + 1) return { ok: false, why: 'written by a newer version' };
    const current = migrations.slice(version - 1).reduce((now, migrate) => migrate(now), raw);
    const parsed = CourierEvent.safeParse(current);
    if (parsed.success) return { ok: true, event: parsed.data };
    const issue = parsed.error.issues[0];
    return { ok: false, why: `${issue?.path.join('.') || 'event'}: ${issue?.message ?? 'not valid'}` };
  } catch (error) {
    return { ok: false, why: error instanceof Error ? error.message : 'could not be read' };
  }
}

// ---- the courier's whole state, as a snapshot holds it ----------------------------------------------

const Moment = z.number().nonnegative();

export const Job = z.object({
  action: z.enum(ACTIONS),
  tries: z.number().int().nonnegative(),
  /** Not before this moment. */
  due: Moment,
  /** An effect is out and has not been answered. */
  running: z.boolean(),
  /** It may have been carried out although no answer came. */
  unclear: z.boolean(),
  trouble: Trouble.nullable(),
  /** How often a fault of our own kept it from being done, one after the other. */
  faults: z.number().int().nonnegative().optional(),
});
/** What the courier still has to do about one listing. At most one at a time. */
export type Job = z.infer<typeof Job>;

export const CourierListing = z.object({
  market: MarketId,
  /**
   * What it is reported by: our own reference `item.market.generation`, or the one of a listing that was
   * adopted.
   */
  ref: z.string(),
  generation: z.number().int().nonnegative(),
  want: z.enum(['live', 'gone']),
  state: z.enum(['onItsWay', 'inReview', 'live', 'refused', 'ended', 'sold']),
  draft: ListingDraft,
  /** A revision on its way, until it is answered. */
  nextDraft: ListingDraft.nullable(),
  remoteId: z.string().nullable(),
  url: z.string().nullable(),
  reasons: z.array(Reason),
  job: Job.nullable(),
  /** When a publish call was last let out; withdrawing waits for late ones. 0: never. */
  lastPublishAt: Moment,
  /** A change that went unanswered may still arrive until then, and undo what was said after it. */
  lateUntil: Moment.optional(),
  /** What it may sell changed while something else was under way: it is changed once more. */
  revisionPending: z.boolean().optional(),
  /** It was taken down for a promise that came to nothing: it goes up again once it is gone. */
  relistAfterHold: z.boolean().optional(),
  /**
   * It was taken down because nothing of it was left to show (the rest is held back): it goes up again when
   * there is.
   */
  emptied: z.boolean().optional(),
  /** The seller said it was sold here, so it ends as sold, not as withdrawn. */
  dealHere: z.boolean(),
  /** What of it somebody changed there. */
  edited: Edited.nullable().optional(),
  /** When it was there first; null: not yet. */
  listedAt: Instant.nullable(),
  /** For how much it was there first, minor units; absent: not yet, or it was there before we were. */
  firstPrice: whole.optional(),
  since: Moment,
  /** When what is shown was changed last, as far as it was: an older look at it says nothing. */
  changedAt: Moment.optional(),
});
export type CourierListing = z.infer<typeof CourierListing>;

export const ClosingEntry = z.object({
  market: MarketId,
  outcome: z.enum(['soldHere', 'goneAlready', 'withdrawn', 'withdrawing', 'soldToo']),
  at: Instant.nullable(),
});
export type ClosingEntry = z.infer<typeof ClosingEntry>;

const Closing = z.object({
  startedAt: Instant,
  doneAt: Instant.nullable(),
  entries: z.array(ClosingEntry),
});
type Closing = z.infer<typeof Closing>;

export const CourierItem = z.object({
  id: RecordId,
  listings: z.record(MarketId, CourierListing),
  /** The sale that counts: the earliest by the marketplaces' clocks. */
  sale: Sale.nullable(),
  /** Every further sale of the same item, until a person has dealt with it and after. */
  laterSales: z.array(Sale.extend({ settled: z.boolean() })),
  /** Of an item with variations: every piece sold, with the listing it was sold from. */
  pieceSales: z.array(Sale.extend({ ref: z.string() })),
  /** Sales that came to nothing, with the listing a piece was sold from. */
  pastSales: z.array(PastSale.extend({ ref: z.string().optional() })).optional(),
  /**
   * To whom it is promised is for the page to know; the courier knows where, and what was taken down for it.
   */
  hold: HoldView.nullable().optional(),
  closing: Closing.nullable(),
});
export type CourierItem = z.infer<typeof CourierItem>;

export const CourierMarket = z.object({
  /** Where the event feed was read up to; null: from the beginning. */
  cursor: z.string().nullable(),
  pollDue: Moment,
  polling: z.boolean(),
  failures: z.number().int().nonnegative(),
  /** No calls before this moment (asked for by the marketplace). */
  pausedUntil: Moment,
  trouble: Trouble.nullable(),
  /**
   * `paused`: nothing new goes there and nothing is changed, but what is sold is still withdrawn. `off`: no
   * calls at all.
   */
  link: z.enum(LINKS),
  /** It does not take our token (any more). */
  locked: z.boolean(),
  /** Calls that failed one after the other, of any sort. */
  failedCalls: z.number().int().nonnegative(),
  /** While calls fail one after the other: none before this moment, then one to see whether it is back. */
  circuitOpenUntil: Moment,
  /**
   * Nobody looked yet what of ours stands there. A courier that begins with nothing may have lost what it
   * knew, so it looks before it lists.
   */
  needsFirstSync: z.boolean().optional(),
  /** When what it shows was last compared, and how much of it nobody here knows. */
  comparedAt: Instant.nullable(),
  unknown: Minor.nonnegative(),
});
export type CourierMarket = z.infer<typeof CourierMarket>;

/** The courier's whole state as plain data, so that opening need not read every line of the ledger again. */
export const Snapshot = z.object({
  /**
   * Another number: made by a courier that decided otherwise, so the ledger is read from the start instead.
   */
  version: z.number().int(),
  items: z.array(CourierItem),
  markets: z.array(z.tuple([MarketId, CourierMarket])),
  adopted: z.array(z.tuple([z.string(), RecordId])),
});
export type Snapshot = z.infer<typeof Snapshot>;
