import { z } from 'zod';

import { CarrierRates } from './carrier';
import { Currency, Instant, Minor, RecordId, ShortText } from './common';
import { UsualFollowRule } from './following';
import { MarkdownSteps } from './item';
import { Lesson, MOST_LESSONS } from './lesson';
import { SavedAnswer } from './orders';
import { PageTemplate } from './pageTemplate';

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
  '{{what}}{{#how}}, {{how}}{{/how}}.{{#grade}} Condition: {{grade}}.{{/grade}}{{#measurements}} ' +
  '{{name}} {{value}}.{{/measurements}}';

/** Who works here, in what, and the running numbers. */
const Workplace = z.object({
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
});

/** What new items begin with, and how they are called. */
/** What another of the same may take along. */
export const LIKE_PARTS = [
  'facts',
  'measurements',
  'title',
  'description',
  'condition',
  'price',
  'cost',
  'parcel',
  'haul',
  'owner',
  'wanted',
  'pictures',
] as const;
export type LikePart = (typeof LIKE_PARTS)[number];
/** What it takes along as long as nobody chose. */
export const USUAL_LIKE = [
  'facts',
  'measurements',
  'title',
  'price',
  'cost',
  'parcel',
  'haul',
  'owner',
] as const satisfies readonly LikePart[];

const Intake = z.object({
  /** The haul that intake is working on. */
  haulId: RecordId.nullable().default(null),
  /** Of which of its lines new items are; null: not said. */
  lineId: RecordId.nullable().default(null),
  /** How codes are put together. */
  codePattern: CodePattern.default(USUAL_PATTERN),
  /** Phrases about condition that are used again and again. */
  phrases: z.array(ShortText).max(200).default([]),
  /** The batch at hand; null: the next scan begins one. */
  batchId: RecordId.nullable().default(null),
  /** A sound tells how a scan went. */
  sounds: z.boolean().default(true),
  /** No item is left at intake without its spot. */
  spotAsked: z.boolean().default(false),
  /** Barcodes are looked up by themselves. */
  lookUp: z.boolean().default(true),
  /** What another of the same takes along; never pictures, which are asked for each time. */
  likeParts: z
    .array(z.enum(LIKE_PARTS).exclude(['pictures']))
    .max(20)
    .default([...USUAL_LIKE]),
  /** A small picture of each new item is looked for by itself; false: only when asked. */
  findAlike: z.boolean().default(false),
});

/** How prices are made, and the limits they keep to. */
const Pricing = z.object({
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
});

/** Words that go out, and by which pattern. */
const PublicWords = z.object({
  /** The last words of every description. Public. */
  closingWords: z.string().max(1_000).default(''),
  /** The pattern or tone for kinds that no pattern of the person's own is for. */
  tone: z.string().max(120).default('plain'),
  /** Categories chosen last, by marketplace, the last first. */
  lastCategories: z.record(z.string().max(32), z.array(z.string().max(80)).max(12)).default({}),
  /** What pages of listings are put together from, where markup is taken. */
  pageParts: PageTemplate,
  /** How the sections of an item's sheet begin; null: open on a wide screen, as needed on a phone. */
  sheetStarts: z.enum(['open', 'asNeeded']).nullable().default(null),
});

/** How prices come down, and what the carrier and others ask. */
const Selling = z.object({
  /** Markdown plans kept for kinds, by the kind's id. */
  markdowns: z.record(z.string().max(60), MarkdownSteps).default({}),
  /** What the carrier asked when it was asked last; null: never. */
  rates: CarrierRates.nullable().default(null),
  /** How copies of catalogue records are priced beside others'. */
  priceRule: UsualFollowRule.prefault({ way: 'match', by: 10, leaveOut: [] }),
});

/** The seller's own shop. */
const Shop = z.object({
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
});

/** How buyers are dealt with. */
const Dealing = z.object({
  /** Public places to meet buyers at. */
  meetingPlaces: z.array(z.string().min(1).max(120)).max(40).default([]),
  /** Answers given again and again. */
  savedAnswers: z.array(SavedAnswer).max(100).default([]),
  /** How long before a meeting it is told of, minutes. */
  remindMinutes: z.number().int().min(5).max(1_440).default(120),
  /** What happens elsewhere once an offer is taken or a meeting arranged. */
  whenPromised: z.enum(['withdraw', 'leave']).default('withdraw'),
  /** Offers within an item's limits are answered by themselves while a page is open. */
  answerOffers: z.boolean().default(true),
  /** Days an item is tried before a person is asked what to do with it. */
  patienceDays: z.number().int().min(1).max(3_650).default(120),
  /** Who sends parcels, one line: on labels and slips. */
  sender: z.string().max(120).default(''),
});

/** What corrections of what was read taught. */
const Taught = z.object({
  /** The newest first. */
  lessons: z.array(Lesson).max(MOST_LESSONS).default([]),
});

/** What the person was shown or has done, and when. */
const Seen = z.object({
  /** When a copy of everything was saved last. */
  copiedAt: Instant.nullable().default(null),
  /** When the questions of the first start were answered or left; null: not yet. */
  begunAt: Instant.nullable().default(null),
  /** When a demo world was brought into it: what is older can be had again. */
  givenAt: Instant.nullable().default(null),
  /** The version of each marketplace's rules that the person has seen the effects of. */
  rulesSeen: z.record(z.string().max(32), z.number().int().nonnegative()).default({}),
});

/** How the books are kept. */
const Books = z.object({
  /** When the person's tax year begins: month and day, up to the 28th. */
  taxYear: z
    .string()
    .regex(/^(?:0[1-9]|1[0-2])-(?:0[1-9]|1\d|2[0-8])$/u)
    .default('01-01'),
});

/** How tables are saved, and what was said of those that came in. */
const Tables = z.object({
  tables: z
    .object({
      format: z.enum(['csv', 'xlsx', 'jsonl']).default('csv'),
      separator: z.enum([',', ';', '\t']).default(','),
      decimal: z.enum(['.', ',']).default('.'),
      /** Begins with the mark that tells old spreadsheets that it is UTF-8. */
      mark: z.boolean().default(true),
      /** Ids of columns in the person's own order, by the table's name; absent: the usual ones. */
      columns: z.record(z.string().max(20), z.array(z.string().max(90)).max(2_000)).default({}),
      /** What the columns of files with the same headings were taken for, the newest first. */
      matches: z
        .array(
          z.object({
            print: z.string().max(2_000),
            fields: z.array(z.string().max(90).nullable()).max(2_000),
          }),
        )
        .max(30)
        .default([]),
    })
    .default({ format: 'csv', separator: ',', decimal: '.', mark: true, columns: {}, matches: [] }),
});

/** One record an attic. */
export const Settings = z.object({
  ...Workplace.shape,
  ...Intake.shape,
  ...Pricing.shape,
  ...PublicWords.shape,
  ...Selling.shape,
  ...Shop.shape,
  ...Dealing.shape,
  ...Books.shape,
  ...Tables.shape,
  ...Taught.shape,
  ...Seen.shape,
});
export type Settings = z.infer<typeof Settings>;
