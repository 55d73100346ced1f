import type { AuctionStanding } from '@/contract/auctions';
import type { CourierListingView, CourierItemView, Sale } from '@/contract/courier';
import type { Plan, Item } from '@/contract/records';
import type { Trouble } from '@/contract/troubles';

import type { Ending } from '../consign/endings';
import { openHold } from '../holds/holds';
import type { Finding } from '../listing/findings';
import { changeRefused, notTaken } from '../listing/signState';
import type { OrderRow } from '../orders/orders';
import { endsUnbid } from '../price/auctionStanding';
import { waits, waitsSince, type TalksOfItem } from '../talks/talks';

/** Something that needs a person, worst first. */
export type TodayLine =
  | { sort: 'soldTwice'; itemId: string; sale: Sale; second: Sale }
  | {
      sort: 'notGoneYet';
      itemId: string;
      sale: Sale;
      markets: { market: string; tries: number; trouble: Trouble | null; nextTryAt: number | null }[];
    }
  | { sort: 'putUp'; itemId: string; market: string }
  | { sort: 'refused'; itemId: string; listing: CourierListingView }
  /** It is there, but a change was not taken: buyers see it as it was before. */
  | { sort: 'changeRefused'; itemId: string; listing: CourierListingView }
  /** It ended there, or somebody changed it there, and nobody here asked for that. */
  | { sort: 'endedThere'; itemId: string; listing: CourierListingView }
  | { sort: 'editedThere'; itemId: string; listing: CourierListingView }
  | {
      sort: 'toFetch';
      itemId: string;
      sale: Sale;
      /**
       * Milliseconds from the sale to the last withdrawal, as the closing record counts; null: pieces are
       * left, so nothing is closed.
       */
      closedIn: number | null;
    }
  /** An item that is promised was sold elsewhere: the one it was promised to has to be told. */
  | { sort: 'promisedSold'; itemId: string; who: string; sale: Sale }
  /** Buyers wait for an answer. */
  | { sort: 'asked'; itemId: string; talks: TalksOfItem }
  /** Today, or past and nobody said how it went. */
  | { sort: 'meeting'; itemId: string; hold: Item['holds'][number]; late: boolean }
  /** Promised for days, and nothing arranged. */
  | { sort: 'heldLong'; itemId: string; hold: Item['holds'][number] }
  /** Packed, with labels to buy or parcels to hand in. */
  | { sort: 'parcels'; itemId: string; toLabel: number; toPost: number; late: number }
  /** It came back: to be graded again, and money to be given back. */
  | { sort: 'cameBack'; itemId: string; row: OrderRow }
  /** Statements that say otherwise than was told at the sale. */
  | { sort: 'moneyOff'; itemId: string; market: string; orders: number; off: number }
  /**
   * Up for days where buyers write before they buy, and nobody wrote; `since`: from when it is counted; `of`:
   * of how many that is so, of which only the first few are lines.
   */
  | { sort: 'unasked'; itemId: string; listing: CourierListingView; since: number; of: number }
  /** It ends tonight, and nobody has bid. */
  | { sort: 'unbid'; itemId: string; auction: AuctionStanding }
  | { sort: 'ending'; itemId: string; ending: Ending }
  | { sort: 'nearlyReady'; itemId: string; market: string; finding: Finding };

const ORDER: readonly TodayLine['sort'][] = [
  'soldTwice',
  'notGoneYet',
  'promisedSold',
  'changeRefused',
  'refused',
  'endedThere',
  'editedThere',
  'meeting',
  'asked',
  'toFetch',
  'parcels',
  'cameBack',
  'heldLong',
  'moneyOff',
  'unbid',
  'unasked',
  'putUp',
  'nearlyReady',
  'ending',
];

/** How long a promise may stand with nothing arranged before it is asked about, milliseconds. */
export const LONG_HOLD = 3 * 86_400_000;

/** So long nobody wrote before something else is tried, milliseconds. */
const UNASKED = 5 * 86_400_000;
/** So many of them are asked about at once: the next ones come as these are worked off. */
const UNASKED_AT_ONCE = 3;

/** A meeting so near is shown though it is after midnight, milliseconds. */
export const SOON = 6 * 3_600_000;

/** Red on the home screen: a promise to a buyer is at risk. */
export function isAlarm(line: TodayLine): boolean {
  return line.sort === 'soldTwice' || line.sort === 'notGoneYet' || line.sort === 'promisedSold';
}

export interface TodayInput {
  items: Readonly<Record<string, Item>>;
  plans: readonly Plan[];
  courier: Readonly<Record<string, CourierItemView>>;
  /** Marketplaces that a person works by hand. */
  byHand?: ReadonlySet<string>;
  /** All orders, as far as the desk has worked them. */
  orders: readonly OrderRow[];
  talks?: readonly TalksOfItem[];
  /** Marketplaces where buyers come and fetch what they bought, once it is known who wrote there. */
  collects?: ReadonlySet<string>;
  endings?: readonly Ending[];
  /** How auctions stand, as far as is known. */
  auctions?: readonly AuctionStanding[];
  /** By marketplace: orders whose statement is off and nobody has seen that yet, and by how much in all. */
  moneyOff?: readonly { market: string; orders: number; off: number; at: number }[];
  now: number;
  /** When today ends. */
  tonight: number;
  /** Findings of wanted listings that were not sent yet: item -> market -> findings. */
  findings: (item: Item, market: string) => readonly Finding[];
}

/** Everything that needs a person today, worst first; within a sort, the oldest first. */
export function todayLines(input: TodayInput): TodayLine[] {
  const lines: { line: TodayLine; at: number }[] = [];
  const wanted = new Set(input.plans.filter((p) => p.wanted).map((p) => `${p.itemId} ${p.market}`));
  for (const view of Object.values(input.courier)) {
    const { sale, closing } = view;
    for (const second of view.laterSales)
      if (!second.settled) {
        const first = sale ?? view.pieceSales.find((s) => s.piece === second.piece);
        if (first)
          lines.push({ at: second.at, line: { sort: 'soldTwice', itemId: view.id, sale: first, second } });
      }
    if (sale && closing && closing.doneAt === null)
      lines.push({
        at: sale.at,
        line: {
          sort: 'notGoneYet',
          itemId: view.id,
          sale,
          markets: closing.entries
            .filter((e) => e.outcome === 'withdrawing')
            .map(({ market, tries, trouble }) => ({
              market,
              tries,
              trouble,
              nextTryAt: view.listings.find((l) => l.market === market)?.nextTryAt ?? null,
            })),
        },
      });
    if (!sale)
      for (const listing of view.listings) {
        if (
          input.byHand?.has(listing.market) &&
          listing.want === 'live' &&
          listing.doing !== null &&
          input.items[view.id]
        )
          lines.push({
            at: listing.since,
            line: { sort: 'putUp', itemId: view.id, market: listing.market },
          });
        const about = { itemId: view.id, listing };
        if (
          listing.state === 'ended' &&
          listing.reasons.length > 0 &&
          wanted.has(`${view.id} ${listing.market}`)
        )
          lines.push({ at: listing.since, line: { sort: 'endedThere', ...about } });
        if (listing.edited && listing.state === 'live' && listing.doing === null && input.items[view.id])
          lines.push({ at: listing.since, line: { sort: 'editedThere', ...about } });
        if (notTaken(listing) && input.items[view.id])
          lines.push({
            at: listing.since,
            line: { sort: changeRefused(listing) ? 'changeRefused' : 'refused', ...about },
          });
      }
  }
  deskLines(input, lines);
  auctionLines(input, lines);
  unaskedLines(input, lines);
  draftLines(input, lines);
  return lines
    .sort((a, b) => ORDER.indexOf(a.line.sort) - ORDER.indexOf(b.line.sort) || a.at - b.at)
    .map(({ line }) => line);
}

/** What is wanted somewhere, was not sent yet, and is one fact away from ready. */
function draftLines(input: TodayInput, lines: { line: TodayLine; at: number }[]): void {
  for (const plan of input.plans) {
    const item = input.items[plan.itemId];
    const view = input.courier[plan.itemId];
    if (
      !plan.wanted ||
      !item ||
      item.left ||
      view?.sale ||
      view?.listings.some((l) => l.market === plan.market)
    )
      continue;
    const blockers = input.findings(item, plan.market).filter((f) => f.level === 'blocker');
    if (blockers.length === 1 && blockers[0])
      lines.push({
        at: item.createdAt,
        line: { sort: 'nearlyReady', itemId: item.id, market: plan.market, finding: blockers[0] },
      });
  }
}

/** What is up where buyers write first, and nobody did for days. */
function unaskedLines(input: TodayInput, lines: { line: TodayLine; at: number }[]): void {
  const { collects, courier, items, now } = input;
  if (!collects || collects.size === 0) return;
  const from = new Map(input.plans.map((p) => [`${p.itemId} ${p.market}`, p.unaskedFrom]));
  const talks = new Map((input.talks ?? []).map((t) => [t.item, t.talks]));
  const found: { itemId: string; listing: CourierListingView; since: number }[] = [];
  for (const view of Object.values(courier)) {
    const item = items[view.id];
    if (!item || view.sale || openHold(item)) continue;
    for (const listing of view.listings) {
      const { market, state, want, listedAt } = listing;
      if (!collects.has(market) || state !== 'live' || want !== 'live' || listedAt === null) continue;
      const asked = talks.get(view.id)?.filter((t) => t.market === market) ?? [];
      const since = Math.max(
        listedAt,
        from.get(`${view.id} ${market}`) ?? 0,
        ...asked.map((t) => t.changedAt),
      );
      if (now - since >= UNASKED) found.push({ itemId: view.id, listing, since });
    }
  }
  found.sort((a, b) => a.since - b.since);
  for (const one of found.slice(0, UNASKED_AT_ONCE))
    lines.push({ at: one.since, line: { sort: 'unasked', ...one, of: found.length } });
}

function auctionLines(input: TodayInput, lines: { line: TodayLine; at: number }[]): void {
  for (const auction of input.auctions ?? []) {
    if (!endsUnbid(auction, input.now, input.tonight)) continue;
    const view = Object.values(input.courier).find((v) =>
      v.listings.some((l) => l.market === auction.market && l.remoteId === auction.remoteId),
    );
    if (view && input.items[view.id])
      lines.push({ at: auction.endsAt, line: { sort: 'unbid', itemId: view.id, auction } });
  }
}

/** What waits at the desk: orders, buyers, promises, money. */
function deskLines(input: TodayInput, lines: { line: TodayLine; at: number }[]): void {
  const { orders, courier, items, now } = input;
  for (const row of orders) {
    const { itemId, sale } = row;
    const view = courier[itemId];
    const closing = view?.sale?.order === sale.order ? view.closing : null;
    // The last piece of an item with variations closes it; like the others it is fetched at once.
    const closed = sale.piece !== undefined || closing?.doneAt;
    if (row.stage === 'toFetch' && closed)
      lines.push({
        at: sale.at,
        line: {
          sort: 'toFetch',
          itemId,
          sale,
          closedIn:
            closing?.doneAt && sale.piece === undefined ? Math.max(0, closing.doneAt - sale.at) : null,
        },
      });
    if (row.stage === 'back' && row.record?.back?.hereAt)
      lines.push({ at: row.record.back.hereAt, line: { sort: 'cameBack', itemId, row } });
  }
  const packed = orders.filter((r) => r.stage === 'toPack' || r.stage === 'toLabel' || r.stage === 'toPost');
  const [first] = packed;
  if (first) {
    const toPost = packed.filter((r) => r.stage === 'toPost').length;
    const late = packed.filter((r) => now > r.sale.at + LATE_PARCEL).length;
    lines.push({
      at: first.sale.at,
      line: { sort: 'parcels', itemId: first.itemId, toLabel: packed.length - toPost, toPost, late },
    });
  }
  for (const talks of input.talks ?? []) {
    const waiting = talks.talks.filter(waits);
    // Of what is sold only questions about it are left, and those stand with the order.
    if (
      waiting.length === 0 ||
      (talks.item !== null &&
        courier[talks.item]?.sale &&
        waiting.every((t) => t.offers.length > 0 && t.lines.length === 0))
    )
      continue;
    lines.push({
      at: Math.min(...waiting.map(waitsSince)),
      line: { sort: 'asked', itemId: talks.item ?? '', talks },
    });
  }
  for (const item of Object.values(items)) {
    const hold = openHold(item);
    if (!hold) continue;
    const sale = courier[item.id]?.sale;
    if (sale) {
      if (sale.market !== hold.market)
        lines.push({ at: sale.at, line: { sort: 'promisedSold', itemId: item.id, who: hold.who, sale } });
    } else if (hold.meet) {
      if (hold.meet.at < Math.max(input.tonight, now + SOON))
        lines.push({
          at: hold.meet.at,
          line: { sort: 'meeting', itemId: item.id, hold, late: hold.meet.at < now },
        });
    } else if (now - hold.from > LONG_HOLD)
      lines.push({ at: hold.from, line: { sort: 'heldLong', itemId: item.id, hold } });
  }
  for (const { market, orders: count, off, at } of input.moneyOff ?? [])
    lines.push({ at, line: { sort: 'moneyOff', itemId: '', market, orders: count, off } });
  for (const [i, ending] of (input.endings ?? []).entries())
    lines.push({ at: i, line: { sort: 'ending', itemId: ending.item.id, ending } });
}

/** A parcel that long after its sale is late, whatever was promised; milliseconds. */
const LATE_PARCEL = 3 * 86_400_000;
