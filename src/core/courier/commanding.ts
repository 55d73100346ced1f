import type { Command } from '@/contract/courier';
import type { CommandRefusal } from '@/contract/troubles';

import { Holding } from './holds';
import { showsNothing } from './pieces';
import { isOver, isStopped, generationOf, itemBehind } from './refs';
import type { CourierListing, CourierItem, Job } from './types';
import { NEVER } from './waiting';

/** What people ask for. */
export class Commanding extends Holding {
  protected command(command: Command): CommandRefusal | null {
    const item = this.state.items.get(command.item);
    const market = 'market' in command ? command.market : null;
    const listing = market ? item?.listings[market] : undefined;
    if (market && !this.state.markets.has(market)) return 'notConnected';
    const byHand = market !== null && this.byHand(market);
    switch (command.type) {
      case 'send':
        return this.send(command, item, listing);
      case 'withdraw':
        // It is down because nothing was left to show: now it stays down.
        if (item && listing?.emptied) {
          this.putListing(item, { ...listing, emptied: false });
          return null;
        }
        if (!item || !listing || isOver(listing)) return 'notListed';
        if (listing.want === 'gone' && !listing.relistAfterHold) return 'beingWithdrawn';
        this.putListing(item, { ...this.toWithdraw(listing), relistAfterHold: false });
        return null;
      case 'adopt':
        return this.adopt(command, item, listing);
      case 'sold': {
        if (!item || !listing || (listing.state !== 'live' && listing.state !== 'inReview'))
          return 'notListed';
        if (item.sale) return 'soldAlready';
        if (command.order !== undefined && !byHand) {
          // It is the marketplace's own sale, told by a person before the marketplace did.
          const { market, order, amount } = command;
          this.sale(
            command.item,
            {
              market,
              order,
              amount,
              postage: listing.draft.postage,
              fees: null,
              at: this.now,
              knownAt: this.now,
            },
            listing.ref,
          );
          return null;
        }
        // Where all is done by hand, the person has been there already.
        const deal: CourierListing = byHand
          ? { ...listing, want: 'gone', state: 'sold', job: null, nextDraft: null, since: this.now }
          : { ...this.toWithdraw(listing), dealHere: true };
        this.putListing(item, deal);
        this.sale(
          command.item,
          {
            market: command.market,
            order: `deal-${command.id}`,
            amount: command.amount,
            postage: 0,
            fees: 0,
            at: this.now,
            knownAt: this.now,
          },
          deal.ref,
        );
        return null;
      }
      case 'handUp': {
        if (!byHand) return 'courierDoesThat';
        const job = listing?.job?.action;
        if (item && listing && listing.want === 'gone') {
          // It was put up just when it was to go: it is there now, so it has to be taken down.
          const { url } = command;
          this.putListing(item, {
            ...listing,
            state: 'live',
            url,
            remoteId: url,
            job: this.job('withdraw', listing.market),
            since: this.now,
          });
          return null;
        }
        if (!item || !listing || listing.want === 'gone' || !(job === 'publish' || job === 'revise'))
          return 'nothingWaits';
        this.putListing(item, {
          ...listing,
          state: 'live',
          listedAt: listing.listedAt ?? this.now,
          draft: listing.nextDraft ?? listing.draft,
          nextDraft: null,
          url: command.url,
          remoteId: command.url,
          job: null,
          reasons: [],
          since: this.now,
        });
        return null;
      }
      case 'handDown':
        if (!byHand) return 'courierDoesThat';
        if (!item || !listing || isOver(listing)) return 'notListed';
        this.gone(listing.ref);
        return null;
      case 'hold':
        return this.hold(command, item);
      case 'release':
        return this.release(item);
      case 'undo':
        return this.undo(command, item);
      case 'settle': {
        const open = item?.laterSales.some((s) => s.order === command.order && !s.settled);
        if (!item || !open) return 'noSecondSale';
        this.put({
          ...item,
          laterSales: item.laterSales.map((s) => (s.order === command.order ? { ...s, settled: true } : s)),
        });
        return null;
      }
    }
  }

  protected send(
    command: Extract<Command, { type: 'send' }>,
    item: CourierItem | undefined,
    listing: CourierListing | undefined,
  ): CommandRefusal | null {
    if (item?.sale && !this.restocked(item, command)) return 'soldSoNotSent';
    if (showsNothing(command.draft, item ?? { pieceSales: [] })) return 'nothingToShow';
    if (this.state.markets.get(command.market)?.link === 'off') return 'notConnected';
    if (item?.hold?.elsewhere === 'withdraw' && item.hold.market !== command.market)
      return 'promisedSoNotSent';
    if (listing && !isOver(listing)) {
      if (listing.want === 'gone') return 'withdrawFirst';
      const stopped = listing.job !== null && isStopped(listing.job);
      if (listing.job?.action === 'publish' && !this.byHand(command.market) && !stopped) return 'onItsWay';
      if (listing.job?.action === 'publish' && stopped) {
        // It may have arrived all the same, so it goes on under the same reference.
        const { faults: _, ...job } = listing.job;
        this.putListing(this.itemFor(command.item), {
          ...listing,
          draft: command.draft,
          job: { ...job, due: this.now },
        });
        return null;
      }
      if (listing.job?.action === 'publish') {
        // Not put up yet: what is to be put up by hand is simply the newer one.
        this.putListing(this.itemFor(command.item), { ...listing, draft: command.draft });
        return null;
      }
      if (listing.job?.running) return 'changeOnItsWay';
      this.putListing(this.itemFor(command.item), {
        ...listing,
        nextDraft: command.draft,
        job: this.job('revise', command.market),
      });
      return null;
    }
    this.putListing(this.itemFor(command.item), {
      ...this.fresh(command.item, command.market, (listing?.generation ?? 0) + 1, command.draft),
      job: this.startingAt(command),
    });
    return null;
  }

  /** An item in choices that was sold out can be sold again once there are more pieces of it. */
  protected restocked(item: CourierItem, { draft }: Extract<Command, { type: 'send' }>): boolean {
    if (!draft.choices || item.sale?.piece === undefined || item.closing?.doneAt === null) return false;
    const more = draft.choices.pieces.some(
      (p) => p.stock > item.pieceSales.filter((s) => s.piece === p.code).length,
    );
    if (more) this.put({ ...item, sale: null, closing: null });
    return more;
  }

  /** A listing that was there before becomes the item's own, as if the courier had put it up. */
  protected adopt(
    command: Extract<Command, { type: 'adopt' }>,
    item: CourierItem | undefined,
    listing: CourierListing | undefined,
  ): CommandRefusal | null {
    const { market, ref, remoteId, url, state, draft, listedAt } = command;
    if (this.byHand(market)) return 'nobodyToAsk';
    if (item?.sale) return 'itemSoldAlready';
    if (listing && !isOver(listing)) return 'listedAlready';
    const owner = itemBehind(this.state, ref);
    const known = owner === null ? undefined : this.state.items.get(owner);
    if (known && Object.values(known.listings).some((l) => l.ref === ref && !isOver(l)))
      return 'belongsAlready';
    this.state.adopted.set(ref, command.item);
    this.putListing(this.itemFor(command.item), {
      market,
      ref,
      remoteId,
      url,
      state,
      draft,
      listedAt,
      generation: Math.max((listing?.generation ?? 0) + 1, generationOf(ref, command.item, market)),
      want: 'live',
      nextDraft: null,
      reasons: [],
      job: null,
      lastPublishAt: 0,
      dealHere: false,
      since: this.now,
    });
    return null;
  }

  /**
   * The first publish job of a listing: now, at the time it was planned for, or when a person does it by
   * hand.
   */
  protected startingAt({ market, notBefore }: Extract<Command, { type: 'send' }>): Job {
    const job = this.job('publish', market);
    return notBefore && job.due < NEVER ? { ...job, due: Math.max(job.due, notBefore) } : job;
  }
}
