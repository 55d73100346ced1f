/* What the marketplaces report: sales above all, and what follows from them. */
import type { Reason, Sale } from '@/contract/courier';

import { changeListing, changedAgain, itemFor, onceMore, putItem, toWithdraw } from './keeping';
import { alikeCode, choicesOf, countsThere } from './pieces';
import { isOver, itemBehind } from './refs';
import type { ClosingEntry, CourierListing, News, StepContext } from './types';
import { isAlike, leftOf } from '../choices/choices';

/** Why a listing ended, as far as anybody says. */
function endedFor({ why, code }: Extract<News, { type: 'ended' }>): Reason[] {
  if (code) return [{ field: '', message: '', code }];
  return why ? [{ field: '', message: why }] : [];
}

/** The feed was read up to a cursor; null: the news came by itself. */
export function feedRead(ctx: StepContext, id: string, cursor: string | null): void {
  const market = ctx.state.markets.get(id);
  if (!market) return;
  if (cursor !== null) {
    market.cursor = cursor;
    market.polling = false;
    market.failures = 0;
    market.locked = false;
    market.trouble = null;
    market.pollDue = ctx.now + (ctx.policy[id]?.pollEvery ?? 60_000);
  }
}

/** What a marketplace tells of one listing. Told twice, it changes nothing the second time. */
export function takeNews(ctx: StepContext, market: string, told: News): void {
  switch (told.type) {
    case 'sale': {
      const id = itemBehind(ctx.state, told.ref);
      // Of several just alike no marketplace says which.
      const piece = told.piece ?? (id === null ? undefined : alikeCode(ctx.state.items.get(id)));
      // A sale of something the courier never heard of is still a sale: it is kept under its reference.
      const sale: Sale = {
        market,
        order: told.order,
        amount: told.amount,
        postage: told.postage,
        fees: told.fees,
        at: told.at,
        knownAt: ctx.now,
        ...(piece === undefined ? {} : { piece }),
      };
      if (id !== null && piece !== undefined && takePieceSale(ctx, id, told.ref, sale)) return;
      takeSale(ctx, id ?? `unknown-${told.ref.replace(/[^A-Za-z0-9_-]/gu, '').slice(0, 50)}`, sale, told.ref);
      // Also when the sale was known: whatever was still to be done with that listing is done.
      changeListing(ctx, told.ref, (l) =>
        isOver(l) || piece !== undefined
          ? l
          : { ...l, want: 'gone', state: 'sold', job: null, nextDraft: null, since: ctx.now },
      );
      return;
    }
    case 'approved':
      // Also when the answer to the publish call is still out: a listing that was approved has arrived.
      changeListing(ctx, told.ref, (l) => {
        const known = { ...l, remoteId: told.remoteId, url: told.url };
        if (isOver(l) || l.want === 'gone') return known;
        if (l.state !== 'inReview' && l.state !== 'onItsWay') return known;
        const job = l.job?.action === 'publish' ? null : l.job;
        const live: CourierListing = { ...known, state: 'live', job, since: ctx.now };
        return job ? live : onceMore(ctx, live);
      });
      return;
    case 'turnedDown':
      changeListing(ctx, told.ref, (l) =>
        isOver(l)
          ? l
          : {
              ...l,
              want: 'gone',
              state: l.dealHere ? 'sold' : 'refused',
              reasons: told.reasons,
              job: null,
              nextDraft: null,
              since: ctx.now,
            },
      );
      return;
    case 'ended':
      changeListing(ctx, told.ref, (l) =>
        isOver(l)
          ? l
          : {
              ...l,
              want: 'gone',
              state: l.dealHere ? 'sold' : 'ended',
              job: null,
              nextDraft: null,
              reasons: endedFor(told),
              since: ctx.now,
            },
      );
  }
}

/**
 * A sale is known: the item is closed everywhere else, at once. Known sales change nothing.
 *
 * @param ref the listing it was sold from, which may be an older one than the one that is up there now
 */
export function takeSale(ctx: StepContext, id: string, sale: Sale, ref: string): void {
  let item = itemFor(ctx, id);
  const same = (s: Sale) => s.market === sale.market && s.order === sale.order;
  if ((item.sale && same(item.sale)) || item.laterSales.some(same) || item.pastSales?.some(same)) return;
  const here = item.listings[sale.market];
  // An order is the marketplace's own doing. Of a deal it hears nothing: one of a kind is being taken down by
  // the report itself, of several the last one is only known here.
  const isDeal = sale.order.startsWith('deal-');
  if (here && (!isDeal || sale.piece !== undefined))
    item = {
      ...item,
      listings: {
        ...item.listings,
        // Of an item with variations it may still show pieces that were sold elsewhere: it is taken down
        // there too.
        [sale.market]: isOver(here)
          ? here.ref === ref
            ? { ...here, state: 'sold' }
            : here
          : here.ref !== ref && !isDeal
            ? toWithdraw(ctx, here, true)
            : sale.piece !== undefined
              ? { ...toWithdraw(ctx, here, true), dealHere: true }
              : { ...here, want: 'gone', state: 'sold', job: null, nextDraft: null, since: ctx.now },
      },
    };
  if (item.sale) {
    const [first, second] = sale.at < item.sale.at ? [sale, item.sale] : [item.sale, sale];
    item = { ...item, sale: first, laterSales: [...item.laterSales, { ...second, settled: false }] };
  } else {
    item = { ...item, sale };
  }
  const listings = { ...item.listings };
  for (const [market, listing] of Object.entries(listings))
    if (market !== sale.market && !isOver(listing) && listing.job?.action !== 'withdraw')
      listings[market] = toWithdraw(ctx, listing, true);
  putItem(ctx, {
    ...item,
    listings,
    hold: null,
    closing: item.closing
      ? { ...item.closing, doneAt: null }
      : { startedAt: ctx.now, doneAt: null, entries: [] },
  });
}

/**
 * A piece of an item with variations is sold: counted, and everywhere else there is one fewer of it. With the
 * last piece the item is sold like any other.
 *
 * @returns false where the courier knows of no choices: then it is the sale of the item
 */
export function takePieceSale(ctx: StepContext, id: string, ref: string, sale: Sale): boolean {
  const choices = choicesOf(itemFor(ctx, id));
  if (!choices) return false;
  if (isAlike(choices)) endWhereOneIsShown(ctx, ref);
  const item = itemFor(ctx, id);
  const same = (s: Sale) => s.market === sale.market && s.order === sale.order;
  if ([...item.pieceSales, ...item.laterSales, ...(item.pastSales ?? [])].some(same)) return true;
  const before = item.pieceSales.filter((s) => s.piece === sale.piece).length;
  const stock = choices.pieces.find((p) => p.code === sale.piece)?.stock ?? 0;
  if (before >= stock) {
    // Sold in two places at the same time: there is one buyer too many.
    putItem(ctx, { ...item, laterSales: [...item.laterSales, { ...sale, settled: false }] });
    return true;
  }
  const counted = { ...item, pieceSales: [...item.pieceSales, { ...sale, ref }] };
  if (leftOf(choices, counted.pieceSales) === 0) {
    putItem(ctx, counted);
    takeSale(ctx, id, sale, ref);
    return true;
  }
  const listings = { ...counted.listings };
  for (const [market, l] of Object.entries(listings))
    // Where it was sold it is changed only if there is more to show than the marketplace knows of.
    if (
      (l.ref !== ref || l.draft.choices?.cap !== undefined) &&
      l.want === 'live' &&
      !isOver(l) &&
      countsThere(l)
    )
      listings[market] = changedAgain(ctx, l);
  putItem(ctx, { ...counted, listings });
  return true;
}

/**
 * A place that does not count showed one, and that is sold. The next one goes up there once there is one to
 * show ({@link emptyOrFill}); an auction is for a person to begin anew.
 */
function endWhereOneIsShown(ctx: StepContext, ref: string): void {
  changeListing(ctx, ref, (l) => {
    if (isOver(l) || countsThere(l)) return l;
    const over = { ...l, want: 'gone' as const, job: null, nextDraft: null, since: ctx.now };
    return l.draft.auction || l.want === 'gone'
      ? { ...over, state: 'sold' }
      : { ...over, state: 'ended', emptied: true };
  });
}

/** Keeps the closing record true to its listings; ends it when the last one is gone. */
export function settleClosing(ctx: StepContext, id: string): void {
  const item = ctx.state.items.get(id);
  if (!item?.closing || !item.sale) return;
  const old = new Map(item.closing.entries.map((e) => [e.market, e]));
  const sale = item.sale;
  const later = new Map(item.laterSales.map((s) => [s.market, s]));
  const startedAt = item.closing.startedAt;
  const entryOf = (l: CourierListing): ClosingEntry => {
    if (!isOver(l)) return { market: l.market, outcome: 'withdrawing', at: null };
    const before = old.get(l.market);
    const outcome: ClosingEntry['outcome'] =
      l.market === sale.market
        ? 'soldHere'
        : later.has(l.market)
          ? 'soldToo'
          : before?.outcome === 'goneAlready' || (!before && l.since < startedAt)
            ? 'goneAlready'
            : 'withdrawn';
    const at =
      outcome === 'soldHere'
        ? sale.at
        : outcome === 'soldToo'
          ? (later.get(l.market)?.at ?? l.since)
          : l.since;
    return { market: l.market, outcome, at };
  };
  const entries = Object.values(item.listings).map(entryOf);
  if (!entries.some((e) => e.market === sale.market))
    entries.unshift({ market: sale.market, outcome: 'soldHere', at: sale.at });
  const done = entries.every((e) => e.outcome !== 'withdrawing');
  putItem(ctx, {
    ...item,
    closing: { startedAt, entries, doneAt: done ? (item.closing.doneAt ?? ctx.now) : null },
  });
}
