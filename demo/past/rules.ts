import { BAS, ODILE } from '../goods/good';

/** The plain rules that a year of sales is made by. What comes of them is for the ledger to show. */

export const DAY = 86_400_000;
export const HOUR = 3_600_000;
export const SEED = 20_261;

/** How busy a month is, January first: a slow February, a good November. */
export const MONTHS = [0.9, 0.35, 0.85, 0.9, 1, 0.9, 0.7, 0.75, 1.05, 1.25, 1.9, 1.5] as const;

/** Where what was sold had come from. Days before today; minor units. */
export interface Origin {
  key: string;
  /** How many of it were sold in the year. */
  sold: number;
  /** When its items were taken in at the earliest. */
  boughtBefore: number;
  /** Its goods, by kind. */
  kinds: readonly string[];
  /** A haul's name, source and price. */
  haul?: { name: string; source: string; cost: number; what: string };
  /** A consignor's name and the days that were agreed. */
  owner?: { name: string; days: number };
}

const WEARABLE = ['jumper', 'cardigan', 'shirt', 'coat', 'dress', 'skirt', 'jeans', 'hat', 'shoes', 'bag'];
const HOUSEHOLD = [
  'vase',
  'teapot',
  'plate',
  'pan',
  'candlestick',
  'lamp',
  'clock',
  'pictureFrame',
  'mirror',
  'quilt',
  'chair',
];

export const ORIGINS: readonly Origin[] = [
  {
    key: 'regatta',
    sold: 62,
    boughtBefore: 480,
    kinds: [...WEARABLE, 'yarn', 'postcard', 'boardGame'],
    haul: { name: 'Regatta week fair', source: 'Fairground', cost: 38_500, what: 'bags of clothes' },
  },
  {
    key: 'lantern',
    sold: 74,
    boughtBefore: 455,
    kinds: [...HOUSEHOLD, 'saw', 'chisel', 'sign', 'suitcase'],
    haul: {
      name: 'Clearance at Lantern Hill',
      source: 'House clearance',
      cost: 62_000,
      what: 'pieces of a household',
    },
  },
  {
    key: 'chandler',
    sold: 44,
    boughtBefore: 240,
    kinds: ['saw', 'chisel', 'sign', 'lamp', 'radio', 'typewriter', 'modelToy', 'record', 'book'],
    haul: { name: 'The chandler’s stockroom', source: 'Shop closing', cost: 27_500, what: 'crates of stock' },
  },
  {
    key: 'singles',
    sold: 42,
    boughtBefore: 480,
    kinds: [...WEARABLE, 'book', 'sheetMusic', 'record', 'watch', 'brooch', 'radio', 'typewriter', 'clock'],
  },
  {
    key: 'harkness',
    sold: 20,
    boughtBefore: 400,
    kinds: ['dress', 'cardigan', 'coat', 'bag', 'brooch', 'watch'],
    owner: { name: 'The Harkness sisters', days: 120 },
  },
  {
    key: 'lugg',
    sold: 8,
    boughtBefore: 330,
    kinds: ['radio', 'clock', 'watch', 'typewriter'],
    owner: { name: 'Mr Lugg', days: 120 },
  },
];

/** Days from its being listed to its sale: his goods take longer. */
export const DAYS_TO_SELL: Readonly<Record<string, readonly [number, number]>> = {
  [ODILE]: [3, 38],
  [BAS]: [18, 92],
};

/** Of how many sales the price had come down before; per cent. */
export const MARKED_DOWN = 28;
/** By how much, basis points. */
export const MARKDOWNS = [1_000, 1_500, 2_500] as const;
/** Offers that were taken, and the share of the price they were; per cent. */
export const OFFERS = { count: 12, share: [86, 94] } as const;
/** Auctions in which nobody bid, before it was sold at a price. */
export const AUCTIONS_WITHOUT_BIDS = 6;
/** What came back: by where it came from, and why. */
export const RETURNS = [
  { origin: 'lugg', reason: 'notAsDescribed' },
  { origin: 'lugg', reason: 'damaged' },
  { origin: 'lugg', reason: 'notAsDescribed' },
  { origin: 'regatta', reason: 'doesNotFit' },
  { origin: 'regatta', reason: 'changedMind' },
  { origin: 'lantern', reason: 'damaged' },
  { origin: 'singles', reason: 'wrongItem' },
] as const;
/** Fees that a statement has too much, cents: nobody was told of them. */
export const STATEMENT_ERRORS = { brackenmoor: 150, oldhollow: 240 } as const;
