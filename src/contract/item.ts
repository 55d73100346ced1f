import { z } from 'zod';

import { PriceNew, Rank } from './catalogue';
import { Choices } from './choices';
import { Instant, LongText, MarketId, Minor, RecordId, ShortText } from './common';
import { Reading } from './picture';

/** How much an item was used, best first. The order is the meaning. */
export const USES = ['unused', 'tried', 'light', 'regular', 'hard'] as const;
/** How bad one flaw is, mildest first. The order is the meaning. */
export const SEVERITIES = ['slight', 'clear', 'serious', 'broken'] as const;

/** Where a measurement's figure comes from: laid out with a tape, taken from a picture, read on a label. */
export const MEASURED_BY = ['tape', 'picture', 'label'] as const;

/** What trying it out showed. */
export const TESTED = ['works', 'partly', 'broken', 'untested'] as const;

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

/** What it is called, and whom and what it came with. */
const Identity = z.object({
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
  /** In which batch it was scanned. */
  batchId: RecordId.nullable().default(null),
});

/** What it is, and what its kind is asked. */
const WhatItIs = z.object({
  /** Empty until the person has said what it is. */
  kind: z.string().max(60).default(''),
  /** Item specifics by id (`brand`, `colour`, ...); an absent key is an unanswered question. */
  facts: z.record(z.string().max(60), ShortText).default({}),
});

/** How it is kept: what a grade follows from, and what buyers read of it. */
const Condition = z.object({
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
  conditionNote: LongText.default(''),
});

/** Its measurements, and what its present kind does not ask for. */
const Measured = z.object({
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
});

/** What buyers read of it, and what was read of it. */
const Words = z.object({
  /** Read by a machine, waiting for a person to confirm or drop. */
  readings: z.array(Reading).max(200).default([]),
  /** What a person said is not so, as `field=value`: it is not proposed again. */
  dropped: z.array(z.string().max(500)).max(200).default([]),
  /** Where what a person confirmed was read, by field: it holds for as long as the value is the same. */
  readFrom: z
    .record(
      z.string().max(80),
      z.object({
        value: z.string().max(400),
        words: z.string().max(400),
        pictureId: RecordId.nullable(),
        box: Reading.shape.box,
      }),
    )
    .default({}),
  title: ShortText.default(''),
  description: LongText.default(''),
  /** Hashes of title and description as the facts last wrote them: where they fit, nobody touched them. */
  written: z
    .object({ title: z.string().max(16), description: z.string().max(16) })
    .default({ title: '', description: '' }),
});

/** What it cost, what it is to bring, and how its price moves. */
const Priced = z.object({
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
  /** By which the person's books or accountant know how it is taxed. Private. */
  taxCode: ShortText.default(''),
  /** More of the same can be had: a smaller multiple of the cost is enough. */
  restockable: z.boolean().default(false),
  /** Offers taken and refused by themselves; null: every one is asked about. */
  offers: z
    .object({ acceptFrom: Minor.nonnegative().nullable(), refuseUnder: Minor.nonnegative().nullable() })
    .nullable()
    .default(null),
  /** How its price comes down by itself, counted from `from`. */
  markdown: z.object({ steps: MarkdownSteps, from: Instant }).nullable().default(null),
});

/** To whom it is or was promised, and where it went if it left. */
const Promised = z.object({
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
            /** When the buyer was told of it, and when they were reminded. */
            toldAt: Instant.nullable().default(null),
            remindedAt: Instant.nullable().default(null),
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
});

/** Where it is. Private: nothing of it is ever sent. */
const Stored = z.object({
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
  /** The marketplace whose depot it is meant for, before it is sent; null: posted by the seller. Private. */
  meantFor: MarketId.nullable().default(null),
  /** Groups of one's own it was put into by hand. Private. */
  groupIds: z.array(RecordId).max(200).default([]),
});

/** As one of several, or as a catalogue knows it. */
const InCatalogue = z.object({
  /** Sold in variations; null: one of a kind. */
  choices: Choices.nullable().default(null),
  /** How items like it sold, on the days somebody asked; the oldest first. */
  ranks: z.array(Rank).max(40).default([]),
  priceNew: PriceNew.nullable().default(null),
  /** When the product look-up answered for its barcode, and whether it had a card; null: not asked. */
  lookedUp: z
    .object({
      at: Instant,
      found: z.boolean(),
      /** What the card's picture is asked for by. It is not ours: it is looked at, and never sent. */
      picture: z.string().max(80).nullable().default(null),
      /** The card's own words for what it is, and by whom. */
      sort: z.string().max(120).default(''),
      maker: z.string().max(200).default(''),
    })
    .nullable()
    .default(null),
});

/** Its pictures. */
const Shown = z.object({
  /** In the order buyers see them; the first is the cover. */
  pictureIds: z.array(RecordId).max(200).default([]),
  /** Shots of the kind's list that this item does without. */
  skippedShots: z.array(z.string().max(80)).max(60).default([]),
});

/** Who made it, and when. */
const Stamps = z.object({
  author: z.string().max(120),
  createdAt: Instant,
  updatedAt: Instant,
});

/** An item owned: one record, entered once, reshaped for each marketplace. */
export const Item = z.object({
  ...Identity.shape,
  ...WhatItIs.shape,
  ...Condition.shape,
  ...Measured.shape,
  ...Words.shape,
  ...Priced.shape,
  ...Promised.shape,
  ...Stored.shape,
  ...InCatalogue.shape,
  ...Shown.shape,
  ...Stamps.shape,
});
export type Item = z.infer<typeof Item>;
