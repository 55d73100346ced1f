import { z } from 'zod';

import { CarrierRates } from './carrier';
import { PriceNew, Rank } from './catalogue';
import { Choices } from './choices';
import { Currency, Instant, MarketId, Minor, RecordId } from './common';
import { Comp } from './comps';
import { AuctionTerms } from './courier';
import { Group, OwnForm } from './groups';
import { Mapping } from './mapping';
import { ConsignorPayment, Order, SavedAnswer, Statement } from './orders';
import { Picture, Reading } from './picture';
import { Terms } from './terms';

export { Picture } from './picture';
export type { Exam, Reading } from './picture';

/** How much an item was used, best first. The order is the meaning. */
export const USES = ['unused', 'tried', 'light', 'regular', 'hard'] as const;
/** How bad one flaw is, mildest first. The order is the meaning. */
export const SEVERITIES = ['slight', 'clear', 'serious', 'broken'] as const;

/** Where a measurement's figure comes from: laid out with a tape, taken from a picture, read on a label. */
export const MEASURED_BY = ['tape', 'picture', 'label'] as const;

/** What trying it out showed. */
export const TESTED = ['works', 'partly', 'broken', 'untested'] as const;

const Text = z.string().max(10_000);
const ShortText = z.string().max(400);

/** One thing wrong with an item. */
export const Flaw = z.object({
  id: RecordId,
  /** What: "moth hole", "chip", "darned". */
  type: ShortText,
  /** Where on the item: "left elbow". */
  place: ShortText,
  severity: z.enum(SEVERITIES),
  /** Greatest extent in millimetres, when measured. */
  sizeMm: z.number().positive().max(10_000).nullable().default(null),
  pictureId: RecordId.nullable().default(null),
  /** Where in that picture, in shares of it as it is shown. */
  pin: z
    .object({ x: z.number().min(0).max(1), y: z.number().min(0).max(1) })
    .nullable()
    .default(null),
});
export type Flaw = z.infer<typeof Flaw>;

const ParcelSide = z.number().int().positive().max(10_000).nullable();

/** When a price comes down, and by how much off the first one then; basis points. */
export const MarkdownSteps = z
  .array(
    z.object({
      day: z.number().int().min(1).max(3_650),
      offBp: z.number().int().min(1).max(9_500),
    }),
  )
  .max(20);
export type MarkdownSteps = z.infer<typeof MarkdownSteps>;

/** An item owned: one record, entered once, reshaped for each marketplace. */
export const Item = z.object({
  id: RecordId,
  /** SKU: given at once, unique for ever. */
  code: z.string().min(1).max(60),
  /** The running number in its code, its own for ever; null for items from before codes had patterns. */
  number: z.number().int().positive().nullable().default(null),
  haulId: RecordId.nullable().default(null),
  /** Which line of the haul it is one of. */
  lineId: RecordId.nullable().default(null),
  /** Whose it is; null: the business's own. */
  ownerId: RecordId.nullable().default(null),
  /** Empty until the person has said what it is. */
  kind: z.string().max(60).default(''),
  /** Item specifics by id (`brand`, `colour`, ...); an absent key is an unanswered question. */
  facts: z.record(z.string().max(60), ShortText).default({}),
  use: z.enum(USES).nullable().default(null),
  flaws: z.array(Flaw).max(60).default([]),
  /** The person looked it over for flaws. */
  looked: z.boolean().default(false),
  /** What comes with it, and what should but does not. */
  included: ShortText.default(''),
  missing: ShortText.default(''),
  tested: z.enum(TESTED).nullable().default(null),
  cleaned: z.boolean().nullable().default(null),
  /** From a home with smoke, with pets; null where nobody has said. */
  smoke: z.boolean().nullable().default(null),
  pets: z.boolean().nullable().default(null),
  /** A grade given by hand: worse than use and flaws say, or better, with the reason. */
  gradeByHand: z
    .object({ wear: z.number().int().min(0).max(5), why: ShortText })
    .nullable()
    .default(null),
  /** More about its condition, in the person's own words. Public. */
  conditionNote: Text.default(''),
  /** Facts and measurements that its present kind does not ask for: kept, and back when a kind does. */
  parked: z
    .object({
      facts: z.record(z.string().max(60), ShortText),
      measurements: z.record(z.string().max(60), z.number().positive().max(20_000)),
    })
    .default({ facts: {}, measurements: {} }),
  /** Millimetres by measurement id. */
  measurements: z.record(z.string().max(60), z.number().positive().max(20_000)).default({}),
  /** How far those taken from a picture may be off, in millimetres; absent for a tape's. */
  uncertainty: z.record(z.string().max(60), z.number().positive().max(5_000)).default({}),
  /** Where each figure comes from; absent where nobody said. */
  measuredBy: z.record(z.string().max(60), z.enum(MEASURED_BY)).default({}),
  /** Read by a machine, waiting for a person to confirm or drop. */
  readings: z.array(Reading).max(200).default([]),
  title: ShortText.default(''),
  description: Text.default(''),
  /** Minor units. */
  cost: Minor.nonnegative().nullable().default(null),
  price: Minor.nonnegative().nullable().default(null),
  /** Packed weight in grams. */
  weightG: z.number().int().positive().max(1_000_000).nullable().default(null),
  /** The packed parcel's size, as far as somebody measured it. */
  parcel: z
    .object({ lengthMm: ParcelSide, widthMm: ParcelSide, heightMm: ParcelSide })
    .nullable()
    .default(null),
  /** Whether buyers pay postage apart, or the price carries it. */
  postageBy: z.enum(['apart', 'builtIn']).default('apart'),
  /** More of the same can be had: a smaller multiple of the cost is enough. */
  restockable: z.boolean().default(false),
  /** Offers taken and refused by themselves; null: every one is asked about. */
  offers: z
    .object({ acceptFrom: Minor.nonnegative().nullable(), refuseUnder: Minor.nonnegative().nullable() })
    .nullable()
    .default(null),
  /** How its price comes down by itself, counted from `from`. */
  markdown: z.object({ steps: MarkdownSteps, from: Instant }).nullable().default(null),
  /** When it was promised to somebody; `to` null: it still is. Its price stands still meanwhile. */
  holds: z
    .array(
      z.object({
        from: Instant,
        to: Instant.nullable(),
        who: z.string().max(120),
        /** On which marketplace it was promised; null: nobody said, only its price is held. */
        market: MarketId.nullable().default(null),
        /** Where the two meet to hand it over; null: nothing is arranged. */
        meet: z
          .object({
            place: z.string().max(120),
            at: Instant,
            pay: z.enum(['cash', 'transfer']),
            amount: Minor.nonnegative(),
            /** The money is here; only then it is handed over. */
            receivedAt: Instant.nullable().default(null),
            handedAt: Instant.nullable().default(null),
            /** Nobody came. */
            missedAt: Instant.nullable().default(null),
          })
          .nullable()
          .default(null),
      }),
    )
    .max(100)
    .default([]),
  /** Not ours to sell any more: where it went. Null: it is here, or sold. */
  left: z
    .object({ how: z.enum(['back', 'given', 'bought', 'thrown']), at: Instant })
    .nullable()
    .default(null),
  /** Days a consignor gave on top of what was agreed. */
  moreDays: z.number().int().min(0).max(3_650).default(0),
  /** From when patience is counted anew; null: from when it was up first. */
  patientFrom: Instant.nullable().default(null),
  /** Where it is stored. Private: never sent. */
  spot: z.string().max(60).default(''),
  /**
   * Sent to a marketplace's depot, there, called back, or missing from what arrived; null: with the seller.
   * Private.
   */
  depot: z
    .object({
      market: MarketId,
      parcel: z.string().max(40),
      state: z.enum(['sent', 'there', 'missing', 'back']),
      /** The depot's own number for it, once it was counted in. */
      no: z.string().max(40).nullable(),
      since: Instant,
    })
    .nullable()
    .default(null),
  /** Groups of one's own it was put into by hand. Private. */
  groupIds: z.array(RecordId).max(200).default([]),
  /** Sold in choices; null: one of a kind. */
  choices: Choices.nullable().default(null),
  /** How items like it sold, on the days somebody asked; the oldest first. */
  ranks: z.array(Rank).max(40).default([]),
  priceNew: PriceNew.nullable().default(null),
  /** In the order buyers see them; the first is the cover. */
  pictureIds: z.array(RecordId).max(200).default([]),
  /** Shots of the kind's list that this item does without. */
  skippedShots: z.array(z.string().max(80)).max(60).default([]),
  author: z.string().max(120),
  createdAt: Instant,
  updatedAt: Instant,
});
export type Item = z.infer<typeof Item>;

/** Evenly by the piece, by packed weight, by expected price. */
export const SPLITS = ['evenly', 'weight', 'price'] as const;

/** Items bought together. */
export const Haul = z.object({
  id: RecordId,
  name: z.string().min(1).max(200),
  source: ShortText.default(''),
  /** Calendar day, `2026-11-08`. */
  date: z.string().regex(/^\d{4}-\d\d-\d\d$/),
  cost: Minor.nonnegative().nullable().default(null),
  note: Text.default(''),
  /** What was bought, in the buyer's words, with how many of each. */
  lines: z
    .array(z.object({ id: RecordId, what: ShortText, count: z.number().int().positive().max(10_000) }))
    .max(500)
    .default([]),
  /** How its cost is spread over its items. */
  splitBy: z.enum(SPLITS).default('evenly'),
  /** What its items begin with. */
  defaults: z
    .object({ kind: z.string().max(60), spot: z.string().max(60), ownerId: RecordId.nullable() })
    .default({ kind: '', spot: '', ownerId: null }),
  /** All of it is done with: it is offered no more. Null: it is being worked. */
  putAwayAt: Instant.nullable().default(null),
  createdAt: Instant,
});
export type Haul = z.infer<typeof Haul>;

/** A place where items are stored. */
export const Spot = z.object({
  id: RecordId,
  /** As it stands on the shelf and on items' records: "A3-12". */
  name: z.string().min(1).max(60),
  /** How many items fit; null: nobody counted. */
  capacity: z.number().int().positive().max(100_000).nullable().default(null),
  note: ShortText.default(''),
});
export type Spot = z.infer<typeof Spot>;

/** What happens with a consignor's item when its time is over. */
export const ENDS = ['back', 'given', 'bought'] as const;

/** Somebody whose items are sold for them, and what was agreed. */
export const Owner = z.object({
  id: RecordId,
  name: z.string().min(1).max(200),
  note: Text.default(''),
  /** Their share by price: the first tier whose limit is above the price; the last has none. Basis points. */
  tiers: z
    .array(z.object({ under: Minor.positive().nullable(), shareBp: z.number().int().min(0).max(10_000) }))
    .min(1)
    .max(12),
  /** Of what is left after the marketplace's fees, or of the price. */
  of: z.enum(['afterFees', 'beforeFees']).default('afterFees'),
  /** Not sold below this; minor units. */
  least: Minor.nonnegative().nullable().default(null),
  /** How long it is tried. */
  days: z.number().int().positive().max(3_650).default(90),
  atEnd: z.enum(ENDS).default('back'),
});
export type Owner = z.infer<typeof Owner>;

/** What happened to one item: who, when, what. Only ever added to. */
export const Diary = z.object({
  /** The item's id. */
  id: RecordId,
  lines: z.array(z.object({ at: Instant, who: z.string().max(120), what: z.string().max(200) })).max(1_000),
});
export type Diary = z.infer<typeof Diary>;

/** A kind of item that the person added to the tree. */
export const OwnKind = z.object({
  id: RecordId,
  /** Another kind's id; null: a root. */
  parent: z.string().max(60).nullable(),
  name: z.string().min(1).max(60),
});
export type OwnKind = z.infer<typeof OwnKind>;

/** A question that the person asks of a kind and all below it, or in place of one of ours. */
export const OwnSpecific = z.object({
  id: RecordId,
  /** Empty: asked of every item. */
  kind: z.string().max(60),
  /** The fact's id; that of one of ours takes its place. */
  fact: z.string().min(1).max(60),
  label: z.string().min(1).max(60),
  type: z.enum(['text', 'number', 'year', 'yesNo']).default('text'),
  unit: z.string().max(12).default(''),
  choices: z.array(z.string().min(1).max(80)).max(200).default([]),
  /** Nothing but the choices is taken. */
  closed: z.boolean().default(false),
  need: z.enum(['required', 'wanted', 'optional']).default('optional'),
  several: z.boolean().default(false),
  /** Never sent, never in public words. */
  private: z.boolean().default(false),
  usual: ShortText.default(''),
});
export type OwnSpecific = z.infer<typeof OwnSpecific>;

/** What the person wants of one item on one marketplace; only what differs from the item is held. */
export const Plan = z.object({
  /** `planId(item, market)`. */
  id: RecordId,
  itemId: RecordId,
  market: MarketId,
  wanted: z.boolean(),
  title: ShortText.nullable().default(null),
  description: Text.nullable().default(null),
  price: Minor.nonnegative().nullable().default(null),
  category: z.string().max(80).nullable().default(null),
  /** The marketplace's own fields, by its ids, where they differ from what the facts give. */
  specifics: z.record(z.string().max(60), ShortText).default({}),
  /** Answers to the marketplace's extra questions. */
  answers: z.record(z.string().max(60), ShortText).default({}),
  /** Sold to whoever bids most; null: at the price. */
  auction: AuctionTerms.nullable().default(null),
  /** Its own tags; null: those from the facts. */
  tags: z.array(z.string().max(60)).max(60).nullable().default(null),
  /** Its own pictures in its own order; null: the item's. */
  pictureIds: z.array(RecordId).max(200).nullable().default(null),
  /** Terms chosen for it alone; null: those for its owner, haul or kind. */
  termsId: RecordId.nullable().default(null),
  /** Not sent before; null: at once. */
  startAt: Instant.nullable().default(null),
  /** Paid promotion, basis points; 0: none. */
  promotionBp: z.number().int().min(0).max(10_000).default(0),
  /** Paid extras by id, with what they ask for: words, a category, a number of days. */
  extras: z.record(z.string().max(60), ShortText).default({}),
  /** What was sent last of pictures and clips, in order: each one's id and what it looked like. */
  sentMedia: z.array(z.string().max(120)).max(200).default([]),
  /** What the marketplace knows a listing by that was brought in; null: it went out from here. */
  adopted: z.string().max(200).nullable().default(null),
  /**
   * Fingerprint of what would have been sent when it was brought in; null: it was sent from here since, or
   * first.
   */
  adoptedHash: z.string().max(40).nullable().default(null),
});
export type Plan = z.infer<typeof Plan>;

/** What a code can be put together from. The running number has to be among them; the spot comes last. */
export const CODE_PARTS = ['letters', 'haul', 'kind', 'describing', 'number', 'cost', 'spot'] as const;
export const CodePattern = z.object({
  parts: z
    .array(z.enum(CODE_PARTS))
    .min(1)
    .max(CODE_PARTS.length)
    .refine(
      (parts) => parts.includes('number') && new Set(parts).size === parts.length,
      'a number, nothing twice',
    )
    .refine((parts) => !parts.includes('spot') || parts.at(-1) === 'spot', 'the spot last'),
  /** The fixed letters. */
  letters: z.string().regex(/^[A-Z0-9]{1,8}$/u),
  between: z.enum(['-', '.', '_']),
  /** Ten different letters that stand for 1 to 9 and 0 in the cost; empty: no cost code. */
  costWord: z
    .string()
    .regex(/^(?:[A-Z]{10})?$/u)
    .refine((word) => new Set(word).size === word.length, 'each letter once'),
});
export type CodePattern = z.infer<typeof CodePattern>;
const USUAL_PATTERN: CodePattern = {
  parts: ['letters', 'number'],
  letters: 'YA',
  between: '-',
  costWord: '',
};

const SHOP_TITLE = '{{title}}';
const SHOP_DESCRIPTION =
  '{{what}}{{#how}}, {{how}}{{/how}}.{{#grade}} Condition: {{grade}}.{{/grade}}{{#measurements}} {{name}} {{value}}.{{/measurements}}';

/** One record an attic. */
export const Settings = z.object({
  id: z.literal('settings'),
  currency: Currency.default('EUR'),
  units: z.enum(['metric', 'imperial']).default('metric'),
  /** Who is working on this device. */
  author: z.string().max(120).default('Me'),
  /** Running number of the next code. */
  nextNumber: z.number().int().positive().default(1),
  /** Running number of the next record of any sort: it fixes the record's page. */
  nextRecord: z.number().int().positive().default(1),
  /** Answers to marketplaces' extra questions, remembered: market -> question -> answer. */
  remembered: z.record(z.string(), z.record(z.string(), ShortText)).default({}),
  /** The haul that intake is working on. */
  haulId: RecordId.nullable().default(null),
  /** Of which of its lines new items are; null: not said. */
  lineId: RecordId.nullable().default(null),
  /** How codes are put together. */
  codePattern: CodePattern.default(USUAL_PATTERN),
  /** Phrases about condition that are used again and again. */
  phrases: z.array(ShortText).max(200).default([]),
  /** Barcodes are looked up by themselves. */
  lookUp: z.boolean().default(true),
  /** How prices like to end, hundredths; empty: as they come. */
  priceEndings: z.array(z.number().int().min(0).max(99)).max(10).default([0]),
  /** No price outside these leaves the attic: slips of the finger. Minor units. */
  guards: z
    .object({ min: Minor.nonnegative(), max: Minor.nonnegative() })
    .default({ min: 100, max: 1_000_000 }),
  /** A price is at least so many times the cost. */
  multiples: z
    .object({ oneOff: z.number().min(1).max(100), again: z.number().min(1).max(100) })
    .default({ oneOff: 3, again: 2 }),
  /** The last words of every description. Public. */
  closingWords: z.string().max(1_000).default(''),
  /** The pattern or tone for kinds that no pattern of the person's own is for. */
  tone: z.string().max(120).default('plain'),
  /** Markdown plans kept for kinds, by the kind's id. */
  markdowns: z.record(z.string().max(60), MarkdownSteps).default({}),
  /** What the carrier asked when it was asked last; null: never. */
  rates: CarrierRates.nullable().default(null),
  /** How copies of catalogue records are priced beside others'. */
  priceRule: z
    .object({
      way: z.enum(['match', 'undercut', 'above']),
      by: Minor.nonnegative(),
      leaveOut: z.array(z.string().max(120)).max(100),
      /** Compared only with copies as good or better. */
      likeForLike: z.boolean(),
    })
    .default({ way: 'match', by: 10, leaveOut: [], likeForLike: true }),
  /** The seller's own shop, and what search engines show of items there: patterns. */
  shop: z
    .object({
      name: z.string().max(80),
      /** Where it stands, `https://…`; empty: nowhere yet. */
      address: z.string().max(300).default(''),
      title: z.string().max(400),
      description: z.string().max(2_000),
    })
    .default({ name: '', address: '', title: SHOP_TITLE, description: SHOP_DESCRIPTION }),
  /** Public places to meet buyers at. */
  meetingPlaces: z.array(z.string().min(1).max(120)).max(40).default([]),
  /** Answers given again and again. */
  savedAnswers: z.array(SavedAnswer).max(100).default([]),
  /** What happens elsewhere once an offer is taken or a meeting arranged. */
  whenPromised: z.enum(['withdraw', 'leave']).default('withdraw'),
  /** Offers within an item's limits are answered by themselves while a page is open. */
  answerOffers: z.boolean().default(true),
  /** Days an item is tried before a person is asked what to do with it. */
  patienceDays: z.number().int().min(1).max(3_650).default(120),
  /** Who sends parcels, one line: on labels and slips. */
  sender: z.string().max(120).default(''),
  /** When a copy of everything was saved last. */
  copiedAt: Instant.nullable().default(null),
  /** The version of each marketplace's rules that the person has seen the effects of. */
  rulesSeen: z.record(z.string().max(32), z.number().int().nonnegative()).default({}),
});
export type Settings = z.infer<typeof Settings>;

/** The id of the plan for one item on one marketplace. */
export function planId(itemId: string, market: string): string {
  return `${itemId}_${market}`;
}

/** A description pattern of the person's own. */
export const Pattern = z.object({
  id: RecordId,
  name: z.string().min(1).max(80),
  text: z.string().max(6_000),
  /** The kinds it is for, with all below them; empty: only where it is chosen. */
  kinds: z.array(z.string().max(60)).max(200).default([]),
});
export type Pattern = z.infer<typeof Pattern>;

/**
 * What was found out about an item's price and words, with the day; a person's own word on single records
 * stays.
 */
export const Research = z.object({
  /** The item's id, or that of a question asked in the field. */
  id: RecordId,
  at: Instant,
  /** What was asked for. */
  words: z.string().max(200),
  brand: z.string().max(120).default(''),
  comps: z.array(Comp).max(600),
  missing: z
    .array(z.object({ market: MarketId, why: z.string().max(300) }))
    .max(20)
    .default([]),
  leftOut: z.array(z.string().max(60)).max(40).default([]),
  /** By marketplace and number. */
  byHand: z.record(z.string().max(200), z.enum(['keep', 'drop'])).default({}),
});
export type Research = z.infer<typeof Research>;

export const COLLECTIONS = {
  items: Item,
  pictures: Picture,
  hauls: Haul,
  plans: Plan,
  kinds: OwnKind,
  specifics: OwnSpecific,
  spots: Spot,
  owners: Owner,
  diary: Diary,
  groups: Group,
  forms: OwnForm,
  patterns: Pattern,
  research: Research,
  mappings: Mapping,
  terms: Terms,
  orders: Order,
  statements: Statement,
  payments: ConsignorPayment,
} as const;
export type CollectionName = keyof typeof COLLECTIONS;
export interface RecordOf {
  items: Item;
  pictures: Picture;
  hauls: Haul;
  plans: Plan;
  kinds: OwnKind;
  specifics: OwnSpecific;
  spots: Spot;
  owners: Owner;
  diary: Diary;
  groups: Group;
  forms: OwnForm;
  patterns: Pattern;
  research: Research;
  mappings: Mapping;
  terms: Terms;
  orders: Order;
  statements: Statement;
  payments: ConsignorPayment;
}
