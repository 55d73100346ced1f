import type { RuleSheet } from '@/contract/ruleSheet';
import { BUILT_IN } from '@/core/kinds/tree';
import { ratesOf } from '@/core/listing/setup';
import { categoryFor } from '@/core/mapping/categories';
import { PACKAGING } from '@/core/postage/rates';
import { parentsOf, takeHomeOf } from '@/core/price/takeHome';

import {
  AUCTIONS_WITHOUT_BIDS,
  DAY,
  DAYS_TO_SELL,
  HOUR,
  MARKDOWNS,
  MARKED_DOWN,
  MONTHS,
  OFFERS,
  ORIGINS,
  RETURNS,
  SEED,
  STATEMENT_ERRORS,
  type Origin,
} from './rules';
import { Random } from '../../sim/random';
import type { Dye } from '../draw/dyes';
import { versionOf, type Good, type Version } from '../goods/good';
import { GOODS } from '../goods/goods';

/** One sale of the past, as it truly was: what tests of the ledger hold their sums against. Minor units. */
export interface PastSale {
  /** Its place in the year, from 0 on, the earliest first. */
  no: number;
  origin: Origin;
  good: Good;
  version: Version;
  dye: Dye;
  size: string | null;
  listedAt: number;
  soldAt: number;
  market: string;
  /** All places it was listed at. */
  markets: string[];
  order: string;
  /** Asked first, and when it sold. */
  asked: { first: number; last: number };
  /** How much of the first price came off, basis points, and after how many days; null: nothing. */
  markdown: { offBp: number; day: number } | null;
  wasOffer: boolean;
  /** An auction of so many days ran out before; null: none. */
  auctionDays: number | null;
  amount: number;
  /** Paid by the buyer. */
  postage: number;
  /** As told at the sale, and as the statement has it. */
  fees: { told: number; charged: number };
  /** Paid for the parcel's label, and for packing it; null: handed over. */
  sent: { label: number; packaging: number; weightG: number } | null;
  /** Paid for the item; null: a consignor's. */
  cost: number | null;
  /** Came back; all of the money was given back, and the fees. */
  back: { at: number; reason: (typeof RETURNS)[number]['reason']; given: number; feesBack: number } | null;
  /** What was left after all that. */
  takeHome: number;
}

/** Marketplaces where a buyer fetches it, or where all is done by hand. */
const IN_PERSON = 'nearstile';
export const BY_HAND = 'handbill';

/**
 * The year before a day, sale by sale, the earliest first: from the same day the same sales.
 *
 * @param today midnight (UTC) before which all of it happened, milliseconds since 1970
 */
export function yearBefore(today: number, sheets: readonly RuleSheet[]): PastSale[] {
  const random = new Random(SEED);
  const drawn = ORIGINS.flatMap((origin) =>
    Array.from({ length: origin.sold }, () => drawSale(origin, today, random)),
  ).sort((a, b) => a.soldAt - b.soldAt);
  const offers = spread(drawn.length, OFFERS.count, 11);
  const auctions = new Set(
    drawn
      .flatMap((s, i) => (s.market !== 'nearstile' && s.markets.includes('oldhollow') ? [i] : []))
      .filter((_, i) => i % 9 === 4)
      .slice(0, AUCTIONS_WITHOUT_BIDS),
  );
  const costs = costsOf(drawn, random);
  const backs = backsOf(drawn, today);
  const wrong = new Map<number, number>();
  for (const [market, cents] of Object.entries(STATEMENT_ERRORS)) {
    const of = drawn.flatMap((s, i) => (s.market === market && !backs.has(i) ? [i] : []));
    wrong.set(of[Math.floor(of.length * 0.8)] ?? -1, cents);
  }
  return drawn.map((sale, no): PastSale => {
    const wasOffer = offers.has(no);
    const amount = wasOffer
      ? Math.round((sale.asked.last * random.between(...OFFERS.share)) / 10_000) * 100
      : sale.asked.last;
    const money = moneyOf({ ...sale, amount }, sheets, random);
    const auctionDays = auctions.has(no) ? 7 : null;
    // The auction came before, so it was up as long earlier.
    const listedAt = sale.listedAt - (auctionDays ?? 0) * DAY;
    const back = backs.get(no);
    const charged = money.told + (wrong.get(no) ?? 0);
    const given = back ? amount + money.postage : 0;
    const feesBack = back ? charged : 0;
    return {
      ...sale,
      no,
      listedAt,
      order: orderName(sale.market, no),
      wasOffer,
      auctionDays,
      amount,
      postage: money.postage,
      fees: { told: money.told, charged },
      sent: money.sent,
      cost: costs[no] ?? null,
      back: back ? { ...back, given, feesBack } : null,
      takeHome:
        amount +
        money.postage -
        charged +
        feesBack -
        (money.sent ? money.sent.label + money.sent.packaging : 0) -
        given,
    };
  });
}

/** The last of it was sold so many days before today: by then its parcel has arrived. */
const LATEST = 3;

type Drawn = Pick<
  PastSale,
  | 'origin'
  | 'good'
  | 'version'
  | 'dye'
  | 'size'
  | 'listedAt'
  | 'soldAt'
  | 'market'
  | 'markets'
  | 'asked'
  | 'markdown'
>;

function drawSale(origin: Origin, today: number, random: Random): Drawn {
  const good = random.one(GOODS.filter((g) => origin.kinds.includes(g.kind)));
  const dye = random.one(good.dyes);
  const size = good.sizes ? random.one(good.sizes) : null;
  const [least = 1, most = 60] = DAYS_TO_SELL[good.by] ?? [];
  const days = random.between(least, most);
  // Not before it was there: the earliest day is the haul's, and as long as it took.
  const from = Math.min(365, origin.boughtBefore - 4 - days);
  const soldAt = dayOfSale(today, Math.max(LATEST + 1, from), random);
  const [low, high] = good.price;
  const first = random.between(low, high) * 100;
  const markdown =
    days > 8 && random.between(1, 100) <= MARKED_DOWN
      ? { offBp: random.one(MARKDOWNS), day: Math.max(2, Math.floor(days * 0.6)) }
      : null;
  const last = markdown ? first - Math.round((first * markdown.offBp) / 10_000) : first;
  return {
    origin,
    good,
    dye,
    size,
    version: versionOf(good, random.between(0, 9), dye, size),
    listedAt: soldAt - days * DAY + random.between(-3, 3) * HOUR,
    soldAt,
    markets: Object.keys(good.markets),
    market: weighted(good.markets, random),
    asked: { first, last },
    markdown,
  };
}

/** A day at most so many before today, the busier months more often; by day rather than by night. */
function dayOfSale(today: number, most: number, random: Random): number {
  for (;;) {
    const at = today - random.between(LATEST, most) * DAY;
    const busy = MONTHS[new Date(at).getUTCMonth()] ?? 1;
    if (random.next() * 1.9 > busy) continue;
    return at + random.between(8, 21) * HOUR + random.between(0, 59) * 60_000;
  }
}

function weighted(weights: Readonly<Record<string, number>>, random: Random): string {
  const all = Object.entries(weights).flatMap(([key, weight]) => Array.from({ length: weight }, () => key));
  return random.one(all);
}

/** So many of a row, as far apart as they go. */
function spread(of: number, count: number, from: number): Set<number> {
  return new Set(Array.from({ length: count }, (_, i) => from + Math.floor((i * (of - from)) / count)));
}

/** A haul's price is that of its items, to the cent; what was bought alone cost a part of its price. */
function costsOf(sales: readonly Drawn[], random: Random): (number | null)[] {
  const left = new Map(ORIGINS.map((o) => [o.key, { cost: o.haul?.cost ?? 0, items: o.sold }]));
  return sales.map(({ origin, asked, good }) => {
    if (origin.owner) return null;
    const rest = left.get(origin.key);
    if (!origin.haul || !rest) {
      const share = good.by === 'Bas Wren' ? random.between(14, 26) : random.between(28, 46);
      return Math.round((asked.first * share) / 100);
    }
    const cost = Math.floor(rest.cost / rest.items);
    left.set(origin.key, { cost: rest.cost - cost, items: rest.items - 1 });
    return cost;
  });
}

function backsOf(sales: readonly Drawn[], today: number) {
  const backs = new Map<number, { at: number; reason: (typeof RETURNS)[number]['reason'] }>();
  for (const { origin, reason } of RETURNS) {
    const of = sales.flatMap((s, i) =>
      s.origin.key === origin &&
      ![IN_PERSON, BY_HAND].includes(s.market) &&
      s.soldAt < today - 20 * DAY &&
      !backs.has(i)
        ? [i]
        : [],
    );
    const no = of[Math.floor(of.length / 2)];
    if (no === undefined) continue;
    // Within the list.
    backs.set(no, { at: sales[no]!.soldAt + 9 * DAY, reason });
  }
  return backs;
}

function moneyOf(sale: Drawn & { amount: number }, sheets: readonly RuleSheet[], random: Random) {
  const sheet = sheets.find((s) => s.marketplace === sale.market);
  if (!sheet) throw new Error(`no such marketplace: ${sale.market}`);
  const { amount, market, good } = sale;
  const label = labelCost(good.weightG);
  const postage = market === IN_PERSON || market === BY_HAND ? 0 : (sheet.postageCharged ?? label);
  const { feeTotal } = takeHomeOf(
    {
      price: amount,
      postageCharged: postage,
      postageCost: 0,
      packaging: 0,
      category: categoryOf(good, sheet),
      daysListed: Math.max(1, Math.round((sale.soldAt - sale.listedAt) / DAY)),
    },
    sheet.fees,
    parentsOf(sheet),
  );
  // A parcel is now and then heavier than it was thought to be.
  const weightG = good.weightG + (random.chance(0.2) ? random.between(120, 480) : random.between(0, 60));
  const sent = market === IN_PERSON ? null : { label: labelCost(weightG), packaging: PACKAGING, weightG };
  return { told: market === BY_HAND ? 0 : feeTotal, postage, sent };
}

function labelCost(weightG: number): number {
  const bands = ratesOf({ rates: null }).zones.find((z) => z.id === 'inland')?.bands ?? [];
  return bands.find((b) => weightG <= b.upToG)?.price ?? bands.at(-1)?.price ?? 0;
}

/** Where it stands there. What is listed against records has no kinds of its own to tell by. */
export function categoryOf(good: Good, sheet: RuleSheet): string {
  if (sheet.records) return RECORD_RACKS[good.kind] ?? 'table';
  const leaf = categoryFor(good.kind, BUILT_IN, sheet, []);
  return leaf?.id ?? sheet.categories.find((c) => c.leaf)?.id ?? '';
}

const RECORD_RACKS: Readonly<Record<string, string>> = { book: 'pages', record: 'sound' };

const LETTERS: Readonly<Record<string, string>> = {
  brackenmoor: 'BM',
  threadwick: 'TW',
  nearstile: 'NS',
  oldhollow: 'OH',
  quirestack: 'QS',
  lanternyard: 'LY',
};

function orderName(market: string, no: number): string {
  return market === BY_HAND ? `deal-past-${no}-sold` : `${LETTERS[market]}-P${1_000 + no}`;
}
