import type { Command } from '@/contract/courier';

import type { CourierListing, CourierThing, Job } from './types';
import { isOver, isStopped, generationOf, thingBehind } from './refs';
import { showsNothing } from './pieces';
import { NEVER } from './waiting';
import { Promising } from './promising';

/** What people ask for. */
export class Commanding extends Promising {
  protected command(command: Command): string | null {
    const thing = this.state.things.get(command.thing);
    const market = 'market' in command ? command.market : null;
    const listing = market ? thing?.listings[market] : undefined;
    if (market && !this.state.markets.has(market)) return 'That marketplace is not connected.';
    const byHand = market !== null && this.byHand(market);
    switch (command.type) {
      case 'send':
        return this.send(command, thing, listing);
      case 'withdraw':
        // It is down because nothing was left to show: now it stays down.
        if (thing && listing?.emptied) {
          this.putListing(thing, { ...listing, emptied: false });
          return null;
        }
        if (!thing || !listing || isOver(listing)) return 'It is not listed there.';
        if (listing.want === 'gone' && !listing.backUp) return 'It is being withdrawn already.';
        this.putListing(thing, { ...this.toWithdraw(listing), backUp: false });
        return null;
      case 'adopt':
        return this.adopt(command, thing, listing);
      case 'sold': {
        if (!thing || !listing || (listing.state !== 'live' && listing.state !== 'inReview'))
          return 'It is not listed there.';
        if (thing.sale) return 'It is sold already.';
        if (command.order !== undefined && !byHand) {
          // It is the marketplace's own sale, told by a person before the marketplace did.
          const { market, order, amount } = command;
          this.sale(
            command.thing,
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
        this.putListing(thing, deal);
        this.sale(command.thing, {
          market: command.market, order: `deal-${command.id}`, amount: command.amount, postage: 0, fees: 0,
          at: this.now, knownAt: this.now,
        }, deal.ref); // prettier-ignore
        return null;
      }
      case 'handUp': {
        if (!byHand) return 'The courier does that there by itself.';
        const job = listing?.job?.action;
        if (thing && listing && listing.want === 'gone') {
          // It was put up just when it was to go: it is there now, so it has to be taken down.
          const { url } = command;
          this.putListing(thing, {
            ...listing,
            state: 'live',
            url,
            remoteId: url,
            job: this.job('withdraw', listing.market),
            since: this.now,
          });
          return null;
        }
        if (!thing || !listing || listing.want === 'gone' || !(job === 'publish' || job === 'revise'))
          return 'Nothing waits to be put up there.';
        this.putListing(thing, {
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
        if (!byHand) return 'The courier does that there by itself.';
        if (!thing || !listing || isOver(listing)) return 'It is not listed there.';
        this.gone(listing.ref);
        return null;
      case 'hold':
        return this.hold(command, thing);
      case 'release':
        return this.release(thing);
      case 'undo':
        return this.undo(command, thing);
      case 'settle': {
        const open = thing?.laterSales.some((s) => s.order === command.order && !s.settled);
        if (!thing || !open) return 'There is no such second sale.';
        this.put({
          ...thing,
          laterSales: thing.laterSales.map((s) => (s.order === command.order ? { ...s, settled: true } : s)),
        });
        return null;
      }
    }
  }

  protected send(
    command: Extract<Command, { type: 'send' }>,
    thing: CourierThing | undefined,
    listing: CourierListing | undefined,
  ): string | null {
    if (thing?.sale && !this.restocked(thing, command)) return 'It is sold already, so it was not sent.';
    if (showsNothing(command.draft, thing ?? { pieceSales: [] }))
      return 'All that is left of it is held back: there would be nothing to show.';
    if (this.state.markets.get(command.market)?.link === 'off') return 'That marketplace is not connected.';
    if (thing?.hold?.elsewhere === 'withdraw' && thing.hold.market !== command.market)
      return 'It is promised to somebody, so it was not sent.';
    if (listing && !isOver(listing)) {
      if (listing.want === 'gone') return 'It is being withdrawn there; send it again once it is gone.';
      const stopped = listing.job !== null && isStopped(listing.job);
      if (listing.job?.action === 'publish' && !this.byHand(command.market) && !stopped)
        return 'It is on its way there already.';
      if (listing.job?.action === 'publish' && stopped) {
        // It may have arrived all the same, so it goes on under the same reference.
        const { faults: _, ...job } = listing.job;
        this.putListing(this.thingFor(command.thing), {
          ...listing,
          draft: command.draft,
          job: { ...job, due: this.now },
        });
        return null;
      }
      if (listing.job?.action === 'publish') {
        // Not put up yet: what is to be put up by hand is simply the newer one.
        this.putListing(this.thingFor(command.thing), { ...listing, draft: command.draft });
        return null;
      }
      if (listing.job?.running) return 'The last change is still on its way there; send again in a moment.';
      this.putListing(this.thingFor(command.thing), {
        ...listing,
        nextDraft: command.draft,
        job: this.job('revise', command.market),
      });
      return null;
    }
    this.putListing(this.thingFor(command.thing), {
      ...this.fresh(command.thing, command.market, (listing?.generation ?? 0) + 1, command.draft),
      job: this.startingAt(command),
    });
    return null;
  }

  /** A thing in choices that was sold out can be sold again once there are more pieces of it. */
  protected restocked(thing: CourierThing, { draft }: Extract<Command, { type: 'send' }>): boolean {
    if (!draft.choices || thing.sale?.piece === undefined || thing.closing?.doneAt === null) return false;
    const more = draft.choices.pieces.some(
      (p) => p.stock > thing.pieceSales.filter((s) => s.piece === p.code).length,
    );
    if (more) this.put({ ...thing, sale: null, closing: null });
    return more;
  }

  /** A listing that was there before becomes the thing's own, as if the courier had put it up. */
  protected adopt(
    command: Extract<Command, { type: 'adopt' }>,
    thing: CourierThing | undefined,
    listing: CourierListing | undefined,
  ): string | null {
    const { market, ref, remoteId, url, state, draft, listedAt } = command;
    if (this.byHand(market)) return 'Nobody can ask that marketplace what it shows.';
    if (thing?.sale) return 'That thing is sold already.';
    if (listing && !isOver(listing)) return 'That thing has a listing there already.';
    const owner = thingBehind(this.state, ref);
    const known = owner === null ? undefined : this.state.things.get(owner);
    if (known && Object.values(known.listings).some((l) => l.ref === ref && !isOver(l)))
      return 'That listing belongs to a thing already.';
    this.state.adopted.set(ref, command.thing);
    this.putListing(this.thingFor(command.thing), {
      market, ref, remoteId, url, state, draft, listedAt, generation: Math.max((listing?.generation ?? 0) + 1, generationOf(ref, command.thing, market)), want: 'live', nextDraft: null,
      reasons: [], job: null, lastPublishAt: 0, dealHere: false, since: this.now,
    }); // prettier-ignore
    return null;
  }

  /** The first publish job of a listing: now, at the time it was planned for, or when a person does it by hand. */
  protected startingAt({ market, notBefore }: Extract<Command, { type: 'send' }>): Job {
    const job = this.job('publish', market);
    return notBefore && job.due < NEVER ? { ...job, due: Math.max(job.due, notBefore) } : job;
  }
}
