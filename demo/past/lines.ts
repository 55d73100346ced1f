import { ListingDraft, type Command } from '@/contract/courier';
import type { CourierEvent } from '@/contract/courierEvents';
import type { Item } from '@/contract/records';
import type { RuleSheet } from '@/contract/ruleSheet';
import { refOf } from '@/core/courier/refs';
import { BUILT_IN } from '@/core/kinds/tree';
import { effectiveListing } from '@/core/listing/effective';
import { plainSetup } from '@/core/listing/setup';

import { pastItem } from './records';
import { DAY, HOUR } from './rules';
import { BY_HAND, categoryOf, type PastSale } from './year';
import type { Entry } from '../../server/courier/ledger';

/** A line of the courier’s ledger as it would have been written then. */
export type PastLine = Entry & { at: number };

const MINUTE = 60_000;
const SECOND = 1_000;

/** What the courier did in that year, in order: all of it is over, so that nothing is left for it to do. */
export function linesOfYear(
  sales: readonly PastSale[],
  items: readonly Item[],
  sheets: readonly RuleSheet[],
): PastLine[] {
  const first = Math.min(...sales.map((s) => s.listedAt));
  const started: PastLine = {
    at: first - DAY,
    event: { type: 'started', markets: sheets.map((s) => s.marketplace) },
  };
  const byId = new Map(items.map((item) => [item.id, item]));
  const lines = sales.flatMap((sale) => {
    const item = byId.get(pastItem(sale.no));
    return item ? saleLines(sale, item, sheets) : [];
  });
  return [started, ...lines.sort((a, b) => a.at - b.at)];
}

function saleLines(sale: PastSale, item: Item, sheets: readonly RuleSheet[]): PastLine[] {
  const lines: PastLine[] = [];
  const draftFor = new Map(
    sheets
      .filter((s) => sale.markets.includes(s.marketplace))
      .map((sheet) => [sheet.marketplace, draftOf(sale, item, sheet)] as const),
  );
  const listing = { lines, item: item.id, by: sale.good.by };
  const fixedAt = sale.listedAt + (sale.auctionDays ?? 0) * DAY;
  for (const [n, [market, draft]] of [...draftFor].entries()) {
    if (sale.auctionDays !== null && market === 'oldhollow') {
      const auction = {
        opening: draft.price,
        outright: null,
        days: sale.auctionDays,
        again: 0,
        becomes: null,
      };
      putUp({ ...listing, market, generation: 1 }, { ...draft, auction }, sale.listedAt + n * MINUTE);
      const ref = refOf(item.id, market, 1);
      news(lines, market, fixedAt - MINUTE, {
        type: 'ended',
        ref,
        remoteId: ref,
        why: '',
        code: 'ranOutUnsold',
      });
    }
    const generation = generationOf(sale, market);
    putUp({ ...listing, market, generation }, draft, fixedAt + n * MINUTE);
  }
  if (sale.markdown) comeDown(sale, listing, draftFor);
  sell(sale, listing, [...draftFor.keys()]);
  if (sale.back)
    command(lines, sale.good.by, sale.back.at, {
      type: 'undo',
      id: `past-${sale.no}-undo`,
      item: item.id,
      order: sale.order,
      why: 'returned',
    });
  return lines;
}

const generationOf = (sale: PastSale, market: string) =>
  sale.auctionDays !== null && market === 'oldhollow' ? 2 : 1;

interface Listing {
  lines: PastLine[];
  item: string;
  by: string;
}

function command(lines: PastLine[], by: string, at: number, given: Command): void {
  lines.push({ at, event: { type: 'command', command: given, by }, answer: { accepted: true } });
}

function news(
  lines: PastLine[],
  market: string,
  at: number,
  told: Extract<CourierEvent, { type: 'news' }>['news'][number],
): void {
  lines.push({ at, event: { type: 'news', market, news: [told], cursor: null } });
}

function putUp(
  { lines, item, by, market, generation }: Listing & { market: string; generation: number },
  draft: ListingDraft,
  at: number,
): void {
  const about = { item, market };
  const ref = refOf(item, market, generation);
  const url = `/outside/${market}/`;
  command(lines, by, at, { type: 'send', id: `${item}-${market}-${generation}`, ...about, draft });
  if (market === BY_HAND) {
    command(lines, by, at + 20 * MINUTE, { type: 'handUp', id: `${item}-${market}-up`, ...about, url });
    return;
  }
  lines.push({ at: at + SECOND, event: { type: 'publishDispatched', market, ref } });
  lines.push({
    at: at + 3 * SECOND,
    event: { type: 'published', market, ref, remoteId: ref, url, state: 'live' },
  });
}

/** The price comes down everywhere where a change can be sent. */
function comeDown(
  sale: PastSale,
  { lines, item, by }: Listing,
  drafts: ReadonlyMap<string, ListingDraft>,
): void {
  const at = sale.listedAt + (sale.auctionDays ?? 0) * DAY + (sale.markdown?.day ?? 0) * DAY;
  for (const [n, [market, draft]] of [...drafts].entries()) {
    if (market === BY_HAND) continue;
    const id = `${item}-${market}-down`;
    const lower = { ...draft, price: sale.asked.last };
    command(lines, by, at + n * MINUTE, { type: 'send', id, item, market, draft: lower });
    const ref = refOf(item, market, generationOf(sale, market));
    lines.push({ at: at + n * MINUTE + 2 * SECOND, event: { type: 'revised', market, ref } });
  }
}

function sell(sale: PastSale, { lines, item, by }: Listing, markets: readonly string[]): void {
  const { market, soldAt, amount } = sale;
  const knownAt = soldAt + 25 * SECOND;
  if (market === BY_HAND)
    command(lines, by, soldAt, { type: 'sold', id: `past-${sale.no}-sold`, item, market, amount });
  else {
    const ref = refOf(item, market, generationOf(sale, market));
    news(lines, market, knownAt, {
      type: 'sale',
      ref,
      remoteId: ref,
      order: sale.order,
      amount,
      postage: sale.postage,
      fees: sale.fees.told,
      at: soldAt,
    });
  }
  for (const [n, other] of markets.filter((m) => m !== market).entries()) {
    if (other === BY_HAND)
      command(lines, by, knownAt + HOUR, {
        type: 'handDown',
        id: `${item}-${other}-gone`,
        item,
        market: other,
      });
    else {
      const ref = refOf(item, other, generationOf(sale, other));
      lines.push({
        at: knownAt + (n + 2) * SECOND,
        event: { type: 'withdrawn', market: other, ref },
      });
    }
  }
}

function draftOf(sale: PastSale, item: Item, sheet: RuleSheet): ListingDraft {
  const first = { ...item, markdown: null };
  const effective = effectiveListing(first, undefined, sheet, BUILT_IN, plainSetup());
  return ListingDraft.parse({
    title: effective.title,
    description: effective.description,
    price: sale.asked.first,
    currency: 'EUR',
    postage: effective.postage ?? 0,
    category: categoryOf(sale.good, sheet),
    condition: effective.condition?.code ?? '',
    specifics: effective.specifics,
    answers: {},
    pictures: [],
  });
}
