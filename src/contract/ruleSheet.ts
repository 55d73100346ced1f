import { z } from 'zod';

import { Currency, Instant, MarketId, Minor } from './common';
import { isFields } from './fields';
import { renamedEach } from './renamed';
import { TermName } from './terms';

/** Between several values of one field or question, as they are stored and sent. */
export const BETWEEN_VALUES = ' | ';

/** A field a marketplace asks for in a category. */
export const SheetSpecific = z.object({
  id: z.string().min(1).max(60),
  label: z.string().min(1).max(120),
  need: z.enum(['required', 'recommended', 'optional']),
  /** Allowed values; absent where free text is taken. */
  choices: z.array(z.string().max(120)).max(500).optional(),
  /** Beside its list it takes a value of the seller's own. */
  own: z.boolean().optional(),
  /** So many values at once, {@link BETWEEN_VALUES} between them; absent: one. */
  most: z.number().int().min(2).max(20).optional(),
  /** Of one value. */
  maxLength: z.number().int().positive().optional(),
});
export type SheetSpecific = z.infer<typeof SheetSpecific>;

export const SheetCategory = z.object({
  id: z.string().min(1).max(80),
  name: z.string().min(1).max(160),
  parent: z.string().max(80).nullable(),
  /** Only leaves take listings. */
  leaf: z.boolean(),
  specifics: z.array(SheetSpecific).max(60),
});
export type SheetCategory = z.infer<typeof SheetCategory>;

export const FeeRule = z.discriminatedUnion('type', [
  /** A share of the price, or of price and postage together, with an optional cap, for some categories. */
  z.object({
    type: z.literal('share'),
    label: z.string().max(120),
    /** Basis points: 1150 is 11.5 %. */
    bp: z.number().int().min(0).max(10_000),
    of: z.enum(['price', 'total']),
    cap: Minor.nonnegative().optional(),
    /** Never less than this. */
    least: Minor.nonnegative().optional(),
    /** Category ids the rule is for; their descendants too. Absent: all. */
    categories: z.array(z.string()).optional(),
  }),
  /** An amount for every order, for some categories. */
  z.object({
    type: z.literal('fixed'),
    label: z.string().max(120),
    amount: Minor.nonnegative(),
    categories: z.array(z.string()).optional(),
  }),
  /** A share in tiers: each part of the price at its own rate, the last without end. */
  z.object({
    type: z.literal('tiers'),
    label: z.string().max(120),
    of: z.enum(['price', 'total']),
    tiers: z
      .array(z.object({ upTo: Minor.positive().nullable(), bp: z.number().int().min(0).max(10_000) }))
      .min(1)
      .max(12),
  }),
  /**
   * An amount for being listed, again for every so many days; the first so many listings of a month are free.
   */
  z.object({
    type: z.literal('listing'),
    label: z.string().max(120),
    amount: Minor.nonnegative(),
    days: z.number().int().positive(),
    freeAMonth: z.number().int().min(0).default(0),
  }),
  /** Paid for only where the seller wants it: a share of the price that buys a better place. */
  z.object({
    type: z.literal('promotion'),
    label: z.string().max(120),
    minBp: z.number().int().min(0).max(10_000),
    maxBp: z.number().int().min(0).max(10_000),
    of: z.enum(['price', 'total']),
  }),
  /** Paid for only where the seller wants it: once, or by the day. */
  z.object({
    type: z.literal('extra'),
    id: z.string().min(1).max(60),
    label: z.string().max(120),
    amount: Minor.nonnegative(),
    by: z.enum(['listing', 'day']),
    /** What it asks for: words, another category; nothing where it is only bought. */
    asks: z.enum(['words', 'category']).optional(),
  }),
  /** An amount for every order that the marketplace's depot posts. */
  z.object({ type: z.literal('depot'), label: z.string().max(120), amount: Minor.nonnegative() }),
  /** A flat amount up to and including a price, a share of the whole price above it. */
  z.object({
    type: z.literal('step'),
    label: z.string().max(120),
    upTo: Minor.nonnegative(),
    flat: Minor.nonnegative(),
    bpAbove: z.number().int().min(0).max(10_000),
  }),
]);
export type FeeRule = z.infer<typeof FeeRule>;

export const FeeSchedule = z.object({
  rules: z.array(FeeRule).max(40),
  /** Tax on the fees themselves, basis points. */
  taxBp: z.number().int().min(0).max(10_000),
});
export type FeeSchedule = z.infer<typeof FeeSchedule>;

const Counting = z.enum(['characters', 'codeUnits']);
type Counting = z.infer<typeof Counting>;

/** The signs, columns and words of a marketplace's statement, a table of lines by order. */
export const StatementFormat = z.object({
  separator: z.enum([',', ';']),
  decimal: z.enum(['.', ',']),
  columns: z.object({
    order: z.string().max(40),
    sort: z.string().max(40),
    amount: z.string().max(40),
    day: z.string().max(40),
  }),
  sorts: z.object({
    sale: z.string().max(60),
    postage: z.string().max(60),
    fee: z.string().max(60),
    /** Given back to a buyer. */
    back: z.string().max(60),
    feeBack: z.string().max(60),
    payout: z.string().max(60),
  }),
});
export type StatementFormat = z.infer<typeof StatementFormat>;

const Rules = z.object({
  marketplace: MarketId,
  name: z.string().min(1).max(60),
  /** Two letters under its window. */
  letters: z.string().length(2),
  version: z.number().int().positive(),
  currency: Currency,
  title: z.object({ max: z.number().int().positive(), counts: Counting }),
  description: z.object({
    min: z.number().int().min(0),
    max: z.number().int().positive(),
    counts: Counting,
    /** Tags it takes, without attributes; absent: plain text. What counts is the text with its markup. */
    markup: z
      .array(z.string().regex(/^[a-z][a-z0-9]{0,9}$/u))
      .max(20)
      .optional(),
    /** Words in the text that begin with `~` and lead buyers to a topic; absent: there are none. */
    topics: z.object({ max: z.number().int().positive(), longest: z.number().int().positive() }).optional(),
  }),
  /**
   * Words beside the text that lead buyers to it; absent: there are none. `hidden`: they are for the place's
   * own search alone, no buyer reads them.
   */
  tags: z
    .object({
      max: z.number().int().positive(),
      longest: z.number().int().positive(),
      hidden: z.boolean().optional(),
    })
    .optional(),
  photos: z.object({
    min: z.number().int().min(0),
    max: z.number().int().positive(),
    /** Pixels on the longer side. */
    minLongSide: z.number().int().positive(),
    maxLongSide: z.number().int().positive(),
    maxBytes: z.number().int().positive(),
    shape: z.enum(['any', 'square']),
    /** How many a buyer sees before swiping or pressing. */
    shownAtOnce: z.number().int().positive(),
  }),
  /** A short film beside the pictures; absent where none is taken. */
  clip: z.object({ maxSeconds: z.number().positive(), maxBytes: z.number().int().positive() }).optional(),
  price: z.object({ min: Minor, max: Minor }),
  categories: z.array(SheetCategory).max(5_000),
  /** Best first. `wear` is the worst wear the word still covers, 0 (never used) to 5 (broken). */
  conditions: z
    .array(
      z.object({
        code: z.string().max(40),
        label: z.string().max(80),
        wear: z.number().int().min(0).max(5),
        /** The categories it is known in; absent: in all. */
        categories: z.array(z.string().max(80)).max(500).optional(),
      }),
    )
    .min(1)
    .max(20),
  fees: FeeSchedule,
  /** Words that lead to refusal, with the reason in the marketplace's words. */
  forbiddenWords: z.array(z.object({ word: z.string().min(1).max(60), why: z.string().max(200) })).max(500),
  /** Questions beyond categories' fields, asked of every listing. */
  questions: z
    .array(
      z.object({
        id: z.string().max(60),
        label: z.string().max(160),
        help: z.string().max(400).optional(),
        /** `several`: as many of the choices as fit, joined by " | "; `yesNo`: answered "yes" or "no". */
        type: z.enum(['choice', 'text', 'several', 'yesNo', 'number']),
        choices: z.array(z.string().max(120)).optional(),
        /** What it means beyond that marketplace: where buyers are met. */
        about: z.enum(['meetingPlace']).optional(),
        required: z.boolean(),
      }),
    )
    .max(40),
  /** `post`: sent by parcel, the buyer pays postage. `collect`: met in person, no order, no money. */
  handover: z.enum(['post', 'collect']),
  /** The most that a buyer may be asked for postage, at home or abroad; absent: no limit. */
  postageMost: Minor.positive().optional(),
  /** Where the marketplace itself sets what buyers pay for postage, whatever it costs. */
  postageCharged: Minor.nonnegative().optional(),
  /**
   * Several to choose from in one listing: options, pieces, characters of a name or value, of each at
   * most.
   */
  choices: z
    .object({
      options: z.number().int().positive(),
      pieces: z.number().int().positive(),
      longest: z.number().int().positive(),
      stock: z.number().int().positive(),
    })
    .optional(),
  /** It counts several just alike in one listing, at most so many; absent: it shows one. */
  quantity: z.object({ most: z.number().int().positive() }).optional(),
  /** It can store items and post them itself; buyers then pay no postage. */
  depot: z.boolean().optional(),
  /** Where it may be sold to whoever bids most; absent: at a price only. Minor units. */
  auction: z
    .object({
      minDays: z.number().int().positive(),
      maxDays: z.number().int().positive().max(60),
      again: z.number().int().min(0).max(20),
      open: z.object({ min: Minor, max: Minor }),
    })
    .optional(),
  /**
   * Where items are listed against records found by barcode: those there are, and which are closed to this
   * seller.
   */
  records: z
    .array(
      z.object({
        barcode: z.string().max(20),
        rack: z.string().max(80),
        closed: z.boolean(),
      }),
    )
    .max(50_000)
    .optional(),
  /**
   * What it says about sellers' terms; absent: it has its own for all. Limits that are absent: there are
   * none.
   */
  terms: z
    .object({
      maxHandlingDays: z.number().int().min(0).max(60).optional(),
      returnDays: z.array(z.number().int().min(0).max(365)).max(20).optional(),
      /** What of them it wants to be told and shows to buyers. */
      takes: z.array(TermName).max(20),
    })
    .optional(),
  /** It does not take the same title at the same price twice. */
  refusesTwins: z.boolean().optional(),
  /** How it writes statements of what it paid out; absent: it handles no money. */
  statement: StatementFormat.optional(),
  /** Nobody can call it: a person fills in its form. */
  byHand: z.boolean().optional(),
  /** It wants to be told what search engines are to show. */
  search: z
    .object({ title: z.number().int().positive(), description: z.number().int().positive() })
    .optional(),
  /** New listings a calendar month; absent: no limit. */
  monthlyAllowance: z.number().int().positive().optional(),
});

/**
 * What a marketplace publishes of its own rules. Fees in basis points and minor units, sides in pixels.
 *
 * @example
 *   const sheet = RuleSheet.parse(await answer.json());
 *   checkListing(item, effectiveListing(item, plan, sheet, kinds, setup), sheet, pictures, kinds);
 */
export const RuleSheet = Rules.extend({
  /** Rules that hold from a moment on; what is listed then and breaks them is refused at its next change. */
  announced: z.object({ from: Instant, rules: Rules }).optional(),
});
export type RuleSheet = z.infer<typeof RuleSheet>;

/** Rules as they were kept, by this code or an earlier one; null: there are none that can be read. */
export function readSheet(raw: unknown): RuleSheet | null {
  // Rules of fees were told apart by `kind` once.
  const today =
    isFields(raw) && isFields(raw.fees)
      ? { ...raw, fees: { ...raw.fees, rules: renamedEach(raw.fees.rules, { kind: 'type' }) } }
      : raw;
  const read = RuleSheet.safeParse(today);
  return read.success ? read.data : null;
}
