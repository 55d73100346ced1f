import { quantile as d3Quantile } from 'd3-array';

import { NONE, type Coded, type None } from '@/contract/coded';
import type { Comp } from '@/contract/comps';

import { wholePhrase, wholeWord } from '../language/wholeWord';
import type { Minor } from '../money/money';

/** Sold in the last 90 days: common practice. */
const WINDOW_DAYS = 90;
const DAY = 86_400_000;

/** What counts as like for like. */
export interface LikeForLike {
  /** Empty: any. */
  brand: string;
  /** Our grade's wear; null: any. Others within `wearWithin` count. */
  wear: number | null;
  wearWithin: number;
  /** A title with one of these words is something else. */
  leftOut: readonly string[];
  days: number;
}

export const USUAL_LIKENESS: LikeForLike = {
  brand: '',
  wear: null,
  wearWithin: 1,
  leftOut: [],
  days: WINDOW_DAYS,
};

export interface JudgedComp {
  comp: Comp;
  counts: boolean;
  /** Why it does not count, or that a person said so; null where it simply counts. */
  why: CompReason | null;
}

/** Why a record counts or does not. */
export interface CompReasonParams {
  older: { days: number };
  otherBrand: { brand: string };
  otherCondition: None;
  leftOut: { word: string };
  keptByHand: None;
  droppedByHand: None;
  farFromOthers: None;
}
export type CompReason = Coded<CompReasonParams>;

/** What a person said of single records, by `market:id`; it outlives every new asking. */
export type ByHand = Readonly<Record<string, 'keep' | 'drop'>>;

export function compKey(comp: Pick<Comp, 'market' | 'id'>): string {
  return `${comp.market}:${comp.id}`;
}

/**
 * Which records count. A person's word stands above every rule; then the window, brand, condition, words left
 * out, and last Tukey's fences (1.5 times the distance between the quartiles) over what was paid for those
 * that are left. What did not sell is never thrown out by its price: that it asked too much is what it tells.
 *
 * @param now milliseconds since 1970
 */
export function judgeComps(
  comps: readonly Comp[],
  like: LikeForLike,
  byHand: ByHand,
  now: number,
): JudgedComp[] {
  const seen = new Set<string>();
  const leftOut = like.leftOut
    .filter((word) => word.trim() !== '')
    .map((word) => ({ word, found: wholeWord(word.trim(), 'iu') }));
  const against = (comp: Comp): CompReason | null => {
    if (now - comp.endedAt > like.days * DAY) return { code: 'older', params: { days: like.days } };
    // Some places have no field for it: then it may stand in the title.
    if (like.brand !== '' && !isOfBrand(comp.brand || comp.title, like.brand))
      return { code: 'otherBrand', params: { brand: comp.brand } };
    if (like.wear !== null && Math.abs(comp.wear - like.wear) > like.wearWithin)
      return { code: 'otherCondition', params: NONE };
    const left = leftOut.find(({ found }) => found.test(comp.title));
    return left ? { code: 'leftOut', params: { word: left.word } } : null;
  };
  const judged = comps
    .filter((comp) => !seen.has(compKey(comp)) && seen.add(compKey(comp)))
    .map((comp): JudgedComp => {
      const said = byHand[compKey(comp)];
      if (said)
        return {
          comp,
          counts: said === 'keep',
          why: { code: said === 'keep' ? 'keptByHand' : 'droppedByHand', params: NONE },
        };
      const why = against(comp);
      return { comp, counts: why === null, why };
    });
  const fences = priceFences(judged.filter((j) => j.counts && j.comp.sold).map((j) => j.comp.price));
  if (!fences) return judged;
  return judged.map((j) =>
    j.counts && j.why === null && j.comp.sold && (j.comp.price < fences.low || j.comp.price > fences.high)
      ? { ...j, counts: false, why: { code: 'farFromOthers', params: NONE } }
      : j,
  );
}

/**
 * A price within a quarter of the middle one is a neighbour, however alike all others are. Common practice.
 */
const NEIGHBOUR = 0.25;

/**
 * Tukey's fences, but never closer than a quarter of the median: many equal prices would fence out all
 * others.
 */
export function priceFences(prices: readonly number[]): { low: number; high: number } | null {
  const fences = tukey(prices);
  if (!fences) return null;
  const typical = quantile(prices, 0.5);
  return {
    low: Math.min(fences.low, typical * (1 - NEIGHBOUR)),
    high: Math.max(fences.high, typical * (1 + NEIGHBOUR)),
  };
}

/** Fewer than this and a fence says nothing. */
const ENOUGH_FOR_FENCES = 5;

/** Tukey's inner fences. @see Tukey, Exploratory Data Analysis (1977); NIST/SEMATECH e-Handbook 7.1.6 */
export function tukey(values: readonly number[]): { low: number; high: number } | null {
  if (values.length < ENOUGH_FOR_FENCES) return null;
  const q1 = quantile(values, 0.25);
  const q3 = quantile(values, 0.75);
  return { low: q1 - 1.5 * (q3 - q1), high: q3 + 1.5 * (q3 - q1) };
}

/**
 * A quantile by linear interpolation between order statistics, at rank 1 + p(n - 1) (Hyndman & Fan's
 * definition 7).
 *
 * @param values at least one
 * @param p 0 to 1
 */
export function quantile(values: readonly number[], p: number): number {
  return d3Quantile(values, p) ?? NaN;
}

export type Sureness = 'none' | 'thin' | 'fair' | 'good';

export interface CompsSummary {
  sold: number;
  unsold: number;
  /** Lower quartile, median and upper quartile of what was paid; minor units. Null while nothing sold. */
  low: Minor | null;
  typical: Minor | null;
  high: Minor | null;
  /** Share of those offered that sold, 0 to 1; null while there is none. */
  sellThrough: number | null;
  /** Median days from listing to sale. */
  daysToSell: number | null;
  sure: Sureness;
  /** From the lower to the upper quartile, as a share of the median. */
  spread: number;
}

/** What the records that count say together. */
export function summarise(judged: readonly JudgedComp[]): CompsSummary {
  const counting = judged.filter((j) => j.counts).map((j) => j.comp);
  const sold = counting.filter((c) => c.sold);
  const prices = sold.map((c) => c.price);
  const figure = (p: number) => (prices.length === 0 ? null : Math.round(quantile(prices, p)));
  const low = figure(0.25);
  const typical = figure(0.5);
  const high = figure(0.75);
  const spread = low !== null && high !== null && typical ? (high - low) / typical : 0;
  const sure = surenessOf(sold.length, spread);
  const days = sold.map((c) => (c.endedAt - c.listedAt) / DAY);
  return {
    sold: sold.length,
    unsold: counting.length - sold.length,
    low,
    typical,
    high,
    sellThrough: counting.length === 0 ? null : sold.length / counting.length,
    daysToSell: days.length === 0 ? null : Math.round(quantile(days, 0.5)),
    sure,
    spread,
  };
}

// How many, and how close together: limits of our own, common practice for "a handful" and "plenty".
/** So many sales at least, and a spread of no more than this: else it is only a hint. */
export const ENOUGH_SOLD = 5;
export const FAR_APART = 0.8;
function surenessOf(sold: number, spread: number): Sureness {
  if (sold === 0) return 'none';
  if (sold < ENOUGH_SOLD || spread > FAR_APART) return 'thin';
  return sold < 12 || spread > 0.35 ? 'fair' : 'good';
}

/** Sold prices counted into equal bins from the lowest to the highest, for drawing. */
export function histogram(
  values: readonly number[],
  bins: number,
): { from: number; to: number; count: number }[] {
  if (values.length === 0) return [];
  const least = Math.min(...values);
  const width = Math.max(1, (Math.max(...values) - least) / bins);
  const counts = Array.from({ length: bins }, (_, i) => ({
    from: least + i * width,
    to: least + (i + 1) * width,
    count: 0,
  }));
  for (const value of values) {
    const bin = counts[Math.min(bins - 1, Math.floor((value - least) / width))];
    if (bin) bin.count += 1;
  }
  return counts;
}

/**
 * Whether words name a brand: as words of their own, whatever apostrophes, accents and capitals they are
 * written with. "Ostler’s", "Ostler's" and "Ostlers" are one; "Ark" is not in "Starkey".
 */
function isOfBrand(words: string, brand: string): boolean {
  return ['', ' '].some((apostrophe) => wholePhrase(fold(brand, apostrophe)).test(fold(words, apostrophe)));
}

function fold(text: string, apostrophe: string): string {
  return text
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .replace(/['’‘ʼ`´]/gu, apostrophe)
    .replace(/[-‐-―]/gu, ' ')
    .trim()
    .toLocaleLowerCase('en');
}
