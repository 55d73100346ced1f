import type { Sale } from '@/contract/courier';

import type { ClosingEntry, CourierListing, News } from './types';
import { choicesOf, piecesLeft } from './pieces';
import { isOver, thingBehind } from './refs';
import { Keeping } from './keeping';

/** What the marketplaces report: sales above all, and what follows from them. */
export class Selling extends Keeping {
  protected read(id: string, cursor: string | null): void {
    const market = this.state.markets.get(id);
    if (!market) return;
    if (cursor !== null) {
      market.cursor = cursor;
      market.polling = false;
      market.failures = 0;
      market.locked = false;
      market.trouble = null;
      market.pollDue = this.now + (this.policy[id]?.pollEvery ?? 60_000);
    }
  }

  protected news(market: string, item: News): void {
    switch (item.kind) {
      case 'sale': {
        const id = thingBehind(this.state, item.ref);
        // A sale of something the courier never heard of is still a sale: it is kept under its reference.
        const sale: Sale = {
          market, order: item.order, amount: item.amount, postage: item.postage, fees: item.fees, at: item.at, knownAt: this.now,
          ...(item.piece === undefined ? {} : { piece: item.piece }),
        }; // prettier-ignore
        if (id !== null && item.piece !== undefined && this.pieceSale(id, item.ref, sale)) return;
        this.sale(id ?? `unknown-${item.ref.replace(/[^A-Za-z0-9_-]/gu, '').slice(0, 50)}`, sale, item.ref);
        // Also when the sale was known: whatever was still to be done with that listing is done.
        this.change(item.ref, (l) =>
          isOver(l) || item.piece !== undefined
            ? l
            : { ...l, want: 'gone', state: 'sold', job: null, nextDraft: null, since: this.now },
        );
        return;
      }
      case 'approved':
        // Also when the answer to the publish call is still out: a listing that was approved has arrived.
        this.change(item.ref, (l) => {
          const known = { ...l, remoteId: item.remoteId, url: item.url };
          if (isOver(l) || l.want === 'gone') return known;
          if (l.state !== 'inReview' && l.state !== 'onItsWay') return known;
          const job = l.job?.action === 'publish' ? null : l.job;
          const live: CourierListing = { ...known, state: 'live', job, since: this.now };
          return job ? live : this.onceMore(live);
        });
        return;
      case 'turnedDown':
        this.change(item.ref, (l) =>
          isOver(l)
            ? l
            : { ...l, want: 'gone', state: l.dealHere ? 'sold' : 'refused', reasons: item.reasons, job: null, nextDraft: null, since: this.now },
        ); // prettier-ignore
        return;
      case 'ended':
        this.change(item.ref, (l) =>
          isOver(l)
            ? l
            : {
                ...l,
                want: 'gone',
                state: l.dealHere ? 'sold' : 'ended',
                job: null,
                nextDraft: null,
                reasons: item.why ? [{ field: '', message: item.why }] : [],
                since: this.now,
              },
        );
    }
  }

  /**
   * A sale is known: the thing is closed everywhere else, at once. Known sales change nothing.
   *
   * @param ref the listing it was sold from, which may be an older one than the one that is up there now
   */
  protected sale(id: string, sale: Sale, ref: string): void {
    let thing = this.thingFor(id);
    const same = (s: Sale) => s.market === sale.market && s.order === sale.order;
    if ((thing.sale && same(thing.sale)) || thing.laterSales.some(same) || thing.pastSales?.some(same))
      return;
    const here = thing.listings[sale.market];
    // A deal the seller reports is still to be taken down there; an order is the marketplace's own doing.
    if (here && !sale.order.startsWith('deal-'))
      thing = {
        ...thing,
        listings: {
          ...thing.listings,
          // Of a thing in choices it may still show pieces that were sold elsewhere: it is taken down there too.
          [sale.market]: isOver(here)
            ? here.ref === ref
              ? { ...here, state: 'sold' }
              : here
            : here.ref !== ref
              ? this.toWithdraw(here, true)
              : sale.piece !== undefined
                ? { ...this.toWithdraw(here, true), dealHere: true }
                : { ...here, want: 'gone', state: 'sold', job: null, nextDraft: null, since: this.now },
        },
      };
    if (thing.sale) {
      const [first, second] = sale.at < thing.sale.at ? [sale, thing.sale] : [thing.sale, sale];
      thing = { ...thing, sale: first, laterSales: [...thing.laterSales, { ...second, settled: false }] };
    } else {
      thing = { ...thing, sale };
    }
    const listings = { ...thing.listings };
    for (const [market, listing] of Object.entries(listings))
      if (market !== sale.market && !isOver(listing) && listing.job?.action !== 'withdraw')
        listings[market] = this.toWithdraw(listing, true);
    this.put({
      ...thing,
      listings,
      hold: null,
      closing: thing.closing
        ? { ...thing.closing, doneAt: null }
        : { startedAt: this.now, doneAt: null, entries: [] },
    });
  }

  /**
   * A piece of a thing in choices is sold: counted, and everywhere else there is one fewer of it. With the last piece the
   * thing is sold like any other.
   *
   * @returns false where the courier knows of no choices: then it is the sale of the thing
   */
  protected pieceSale(id: string, ref: string, sale: Sale): boolean {
    const thing = this.thingFor(id);
    const choices = choicesOf(thing);
    if (!choices) return false;
    const same = (s: Sale) => s.market === sale.market && s.order === sale.order;
    if ([...thing.pieceSales, ...thing.laterSales, ...(thing.pastSales ?? [])].some(same)) return true;
    const before = thing.pieceSales.filter((s) => s.piece === sale.piece).length;
    const stock = choices.pieces.find((p) => p.code === sale.piece)?.stock ?? 0;
    if (before >= stock) {
      // Sold in two places at the same time: there is one buyer too many.
      this.put({ ...thing, laterSales: [...thing.laterSales, { ...sale, settled: false }] });
      return true;
    }
    const counted = { ...thing, pieceSales: [...thing.pieceSales, { ...sale, ref }] };
    if (piecesLeft(counted) === 0) {
      this.put(counted);
      this.sale(id, sale, ref);
      return true;
    }
    const listings = { ...counted.listings };
    for (const [market, l] of Object.entries(listings))
      // Where it was sold it is changed only if there is more to show than the marketplace knows of.
      if (
        (l.ref !== ref || l.draft.choices?.cap !== undefined) &&
        l.want === 'live' &&
        !isOver(l) &&
        l.draft.choices
      )
        listings[market] = this.changedAgain(l);
    this.put({ ...counted, listings });
    return true;
  }

  /** Keeps the closing record true to its listings; ends it when the last one is gone. */
  protected settleClosing(id: string): void {
    const thing = this.state.things.get(id);
    if (!thing?.closing || !thing.sale) return;
    const old = new Map(thing.closing.entries.map((e) => [e.market, e]));
    const sale = thing.sale;
    const later = new Map(thing.laterSales.map((s) => [s.market, s]));
    const startedAt = thing.closing.startedAt;
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
    const entries = Object.values(thing.listings).map(entryOf);
    if (!entries.some((e) => e.market === sale.market))
      entries.unshift({ market: sale.market, outcome: 'soldHere', at: sale.at });
    const done = entries.every((e) => e.outcome !== 'withdrawing');
    this.put({
      ...thing,
      closing: { startedAt, entries, doneAt: done ? (thing.closing.doneAt ?? this.now) : null },
    });
  }
}
