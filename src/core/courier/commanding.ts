/* What people ask for. */
import type { Command, Sale } from '@/contract/courier';
import type { CommandRefusal } from '@/contract/troubles';

import { holdItem, releaseHold, undoSale } from './holds';
import {
  freshListing,
  isByHand,
  itemFor,
  jobNow,
  markGone,
  putItem,
  putListing,
  thereFirst,
  toWithdraw,
} from './keeping';
import { alikeCode, countsThere, showsNothing } from './pieces';
import { isOver, isStopped, generationOf, itemBehind } from './refs';
import { takePieceSale, takeSale } from './selling';
import type { CourierListing, CourierItem, Job, StepContext } from './types';
import { NEVER } from './waiting';

/** Carries out a command. @returns why it was not taken; null: it was */
export function takeCommand(ctx: StepContext, command: Command): CommandRefusal | null {
  const item = ctx.state.items.get(command.item);
  const market = 'market' in command ? command.market : null;
  const listing = market ? item?.listings[market] : undefined;
  if (market && !ctx.state.markets.has(market)) return 'notConnected';
  switch (command.type) {
    case 'send':
      return sendListing(ctx, command, item, listing);
    case 'withdraw':
      return withdrawListing(ctx, item, listing);
    case 'retime':
      return retimeListing(ctx, command, item, listing);
    case 'adopt':
      return adoptListing(ctx, command, item, listing);
    case 'sold':
      return reportSold(ctx, command, item, listing);
    case 'handUp':
      return putUpByHand(ctx, command, item, listing);
    case 'handDown':
      if (!isByHand(ctx, command.market)) return 'courierDoesThat';
      if (!item || !listing || isOver(listing)) return 'notListed';
      markGone(ctx, listing.ref);
      return null;
    case 'hold':
      return holdItem(ctx, command, item);
    case 'release':
      return releaseHold(ctx, item);
    case 'undo':
      return undoSale(ctx, command, item);
    case 'settle':
      return settleSecondSale(ctx, command, item);
  }
}

function withdrawListing(
  ctx: StepContext,
  item: CourierItem | undefined,
  listing: CourierListing | undefined,
): CommandRefusal | null {
  // It is down because nothing was left to show: now it stays down.
  if (item && listing?.emptied) {
    putListing(ctx, item, { ...listing, emptied: false });
    return null;
  }
  if (!item || !listing || isOver(listing)) return 'notListed';
  if (listing.want === 'gone' && !listing.relistAfterHold) return 'beingWithdrawn';
  putListing(ctx, item, { ...toWithdraw(ctx, listing), relistAfterHold: false });
  return null;
}

/** Another time for what waits for its own. */
function retimeListing(
  ctx: StepContext,
  { notBefore }: Extract<Command, { type: 'retime' }>,
  item: CourierItem | undefined,
  listing: CourierListing | undefined,
): CommandRefusal | null {
  const job = listing?.job;
  if (!item || !listing || !job || !waitsForItsTime(ctx, job)) return 'notPlanned';
  putListing(ctx, item, { ...listing, job: { ...job, due: Math.max(ctx.now, notBefore ?? 0) } });
  return null;
}

/** It was to go up at a time that is not there yet, and nothing of it was tried. */
function waitsForItsTime({ now }: StepContext, { action, tries, running, due }: Job): boolean {
  return action === 'publish' && tries === 0 && !running && due > now && due < NEVER;
}

/** A person says that it is sold: a deal of their own, or a marketplace's sale before that told of it. */
function reportSold(
  ctx: StepContext,
  command: Extract<Command, { type: 'sold' }>,
  item: CourierItem | undefined,
  listing: CourierListing | undefined,
): CommandRefusal | null {
  if (!item || !listing || (listing.state !== 'live' && listing.state !== 'inReview')) return 'notListed';
  if (item.sale) return 'soldAlready';
  const { market, amount } = command;
  const piece = alikeCode(item);
  const told = {
    market,
    amount,
    at: ctx.now,
    knownAt: ctx.now,
    ...(piece === undefined ? {} : { piece }),
  };
  const byHand = isByHand(ctx, market);
  if (command.order !== undefined && !byHand) {
    const { postage } = listing.draft;
    const sale: Sale = { ...told, order: command.order, postage, fees: null };
    if (piece === undefined || !takePieceSale(ctx, item.id, listing.ref, sale))
      takeSale(ctx, item.id, sale, listing.ref);
    return null;
  }
  const dealt: Sale = { ...told, order: `deal-${command.id}`, postage: 0, fees: 0 };
  if (piece !== undefined) {
    // The marketplace knows nothing of it: where it counts it is told of one fewer; where it shows one, that
    // is taken down, and the next one goes up.
    if (!byHand && !countsThere(listing))
      putListing(ctx, item, { ...toWithdraw(ctx, listing), emptied: true });
    takePieceSale(ctx, item.id, byHand ? listing.ref : '', dealt);
    return null;
  }
  // Where all is done by hand, the person has been there already.
  const deal: CourierListing = byHand
    ? { ...listing, want: 'gone', state: 'sold', job: null, nextDraft: null, since: ctx.now }
    : { ...toWithdraw(ctx, listing), dealHere: true };
  putListing(ctx, item, deal);
  takeSale(ctx, item.id, dealt, deal.ref);
  return null;
}

function putUpByHand(
  ctx: StepContext,
  { market, url }: Extract<Command, { type: 'handUp' }>,
  item: CourierItem | undefined,
  listing: CourierListing | undefined,
): CommandRefusal | null {
  if (!isByHand(ctx, market)) return 'courierDoesThat';
  if (!item || !listing) return 'nothingWaits';
  const there: CourierListing = { ...listing, state: 'live', url, remoteId: url, since: ctx.now };
  if (listing.want === 'gone') {
    // It was put up just when it was to go: it is there now, so it has to be taken down.
    putListing(ctx, item, { ...there, job: jobNow(ctx, 'withdraw', market) });
    return null;
  }
  const waits = listing.job?.action;
  if (waits !== 'publish' && waits !== 'revise') return 'nothingWaits';
  putListing(ctx, item, {
    ...there,
    ...thereFirst(listing, listing.nextDraft ?? listing.draft, ctx.now),
    draft: listing.nextDraft ?? listing.draft,
    nextDraft: null,
    job: null,
    reasons: [],
  });
  return null;
}

function settleSecondSale(
  ctx: StepContext,
  { order }: Extract<Command, { type: 'settle' }>,
  item: CourierItem | undefined,
): CommandRefusal | null {
  if (!item?.laterSales.some((s) => s.order === order && !s.settled)) return 'noSecondSale';
  const laterSales = item.laterSales.map((s) => (s.order === order ? { ...s, settled: true } : s));
  putItem(ctx, { ...item, laterSales });
  return null;
}

function sendListing(
  ctx: StepContext,
  command: Extract<Command, { type: 'send' }>,
  item: CourierItem | undefined,
  listing: CourierListing | undefined,
): CommandRefusal | null {
  if (item?.sale && !restocked(ctx, item, command)) return 'soldSoNotSent';
  if (showsNothing(command.draft, item ?? { pieceSales: [] })) return 'nothingToShow';
  if (ctx.state.markets.get(command.market)?.link === 'off') return 'notConnected';
  if (item?.hold?.elsewhere === 'withdraw' && item.hold.market !== command.market) return 'promisedSoNotSent';
  if (listing && !isOver(listing)) {
    if (listing.want === 'gone') return 'withdrawFirst';
    if (listing.job && waitsForItsTime(ctx, listing.job)) {
      // Not let out yet: what goes then is simply the newer one, when that is to go.
      const { due } = firstJob(ctx, command);
      putListing(ctx, itemFor(ctx, command.item), {
        ...listing,
        draft: command.draft,
        job: { ...listing.job, due },
      });
      return null;
    }
    const stopped = listing.job !== null && isStopped(listing.job);
    if (listing.job?.action === 'publish' && !isByHand(ctx, command.market) && !stopped) return 'onItsWay';
    if (listing.job?.action === 'publish' && stopped) {
      // It may have arrived all the same, so it goes on under the same reference.
      const { faults: _, ...job } = listing.job;
      putListing(ctx, itemFor(ctx, command.item), {
        ...listing,
        draft: command.draft,
        job: { ...job, due: ctx.now },
      });
      return null;
    }
    if (listing.job?.action === 'publish') {
      // Not put up yet: what is to be put up by hand is simply the newer one.
      putListing(ctx, itemFor(ctx, command.item), { ...listing, draft: command.draft });
      return null;
    }
    if (listing.job?.running) return 'changeOnItsWay';
    putListing(ctx, itemFor(ctx, command.item), {
      ...listing,
      nextDraft: command.draft,
      job: jobNow(ctx, 'revise', command.market),
    });
    return null;
  }
  putListing(ctx, itemFor(ctx, command.item), {
    ...freshListing(ctx, command.item, command.market, (listing?.generation ?? 0) + 1, command.draft),
    job: firstJob(ctx, command),
  });
  return null;
}

/** An item with variations that was sold out can be sold again once there are more pieces of it. */
function restocked(
  ctx: StepContext,
  item: CourierItem,
  { draft }: Extract<Command, { type: 'send' }>,
): boolean {
  if (!draft.choices || item.sale?.piece === undefined || item.closing?.doneAt === null) return false;
  const more = draft.choices.pieces.some(
    (p) => p.stock > item.pieceSales.filter((s) => s.piece === p.code).length,
  );
  if (more) putItem(ctx, { ...item, sale: null, closing: null });
  return more;
}

/** A listing that was there before becomes the item's own, as if the courier had put it up. */
function adoptListing(
  ctx: StepContext,
  command: Extract<Command, { type: 'adopt' }>,
  item: CourierItem | undefined,
  listing: CourierListing | undefined,
): CommandRefusal | null {
  const { market, ref, remoteId, url, state, draft, listedAt } = command;
  if (isByHand(ctx, market)) return 'nobodyToAsk';
  if (item?.sale) return 'itemSoldAlready';
  if (listing && !isOver(listing)) return 'listedAlready';
  const owner = itemBehind(ctx.state, ref);
  const known = owner === null ? undefined : ctx.state.items.get(owner);
  if (known && Object.values(known.listings).some((l) => l.ref === ref && !isOver(l)))
    return 'belongsAlready';
  ctx.state.adopted.set(ref, command.item);
  putListing(ctx, itemFor(ctx, command.item), {
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
    since: ctx.now,
  });
  return null;
}

/**
 * The first publish job of a listing: now, at the time it was planned for, or when a person does it by
 * hand.
 */
function firstJob(ctx: StepContext, { market, notBefore }: Extract<Command, { type: 'send' }>): Job {
  const job = jobNow(ctx, 'publish', market);
  return notBefore && job.due < NEVER ? { ...job, due: Math.max(job.due, notBefore) } : job;
}
