/* Promises, and sales that come to nothing. */
import type { Command, Reason, Sale } from '@/contract/courier';
import type { CommandRefusal } from '@/contract/troubles';

import { changedAgain, freshListing, isByHand, jobNow, putItem, toWithdraw } from './keeping';
import { countsThere, showsNothing } from './pieces';
import { isOver } from './refs';
import { takePieceSale } from './selling';
import type { CourierListing, CourierItem, StepContext } from './types';

/**
 * Said where something comes down that was brought in: nobody but the person has all that it takes to put it
 * up.
 */
const NOT_OURS_TO_SEND: Reason = { field: 'markets', message: '', code: 'broughtInOnly' };

/**
 * Promised: taken down elsewhere if that is wished; where it is promised, buyers are told if that can be
 * shown.
 */
export function holdItem(
  ctx: StepContext,
  command: Extract<Command, { type: 'hold' }>,
  item: CourierItem | undefined,
): CommandRefusal | null {
  if (!item || Object.keys(item.listings).length === 0) return 'neverListed';
  if (item.sale) return 'soldAlready';
  if (item.hold) return 'promisedAlready';
  const { market, elsewhere } = command;
  const listings = { ...item.listings };
  const down: string[] = [];
  for (const l of Object.values(item.listings))
    if (l.market === market) listings[market] = shownHold(ctx, l);
    else if (elsewhere === 'withdraw' && ((l.want === 'live' && !isOver(l)) || l.relistAfterHold)) {
      listings[l.market] = l.relistAfterHold ? { ...l, relistAfterHold: false } : toWithdraw(ctx, l);
      down.push(l.market);
    }
  putItem(ctx, { ...item, listings, hold: { market, at: ctx.now, elsewhere, down } });
  return null;
}

/** The promise came to nothing: up again with what was taken down for it. */
export function releaseHold(ctx: StepContext, item: CourierItem | undefined): CommandRefusal | null {
  if (!item?.hold) return 'notPromised';
  const { market, down } = item.hold;
  const listings = { ...item.listings };
  for (const l of Object.values(item.listings))
    if (l.market === market) listings[market] = shownHold(ctx, l);
    else if (down.includes(l.market) && l.want === 'gone')
      listings[l.market] =
        isOver(l) || !isByHand(ctx, l.market) ? { ...l, relistAfterHold: true } : leftUp(ctx, l);
  putItem(ctx, { ...item, listings, hold: null });
  return null;
}

/** Not taken down by hand yet: it may simply stay. */
function leftUp(ctx: StepContext, l: CourierListing): CourierListing {
  // Nobody ever said that it is up: it waits to be put up, as before.
  if (l.state === 'onItsWay')
    return {
      ...l,
      want: 'live',
      job: { ...jobNow(ctx, 'publish', l.market), unclear: true },
      since: ctx.now,
    };
  return { ...l, want: 'live', state: 'live', job: null, since: ctx.now };
}

/** A listing where buyers see that it is promised, or no longer. */
function shownHold(ctx: StepContext, l: CourierListing): CourierListing {
  // Sending what was found would take away all that was not told of it, its pictures first.
  if ((l.nextDraft ?? l.draft).found) return l;
  return ctx.policy[l.market]?.showsHolds && l.want === 'live' && !isOver(l) ? changedAgain(ctx, l) : l;
}

/** What was taken down for a promise goes up again once it is gone, unless it was sold meanwhile. */
export function relistHeld(ctx: StepContext, id: string): void {
  const item = ctx.state.items.get(id);
  const waiting = Object.values(item?.listings ?? {}).filter((l) => l.relistAfterHold);
  if (!item || waiting.length === 0) return;
  const listings = { ...item.listings };
  for (const l of waiting)
    if (item.sale) listings[l.market] = { ...l, relistAfterHold: false };
    else if (isOver(l) && l.draft.found)
      listings[l.market] = { ...l, relistAfterHold: false, reasons: [NOT_OURS_TO_SEND] };
    else if (isOver(l))
      listings[l.market] =
        l.state === 'ended'
          ? freshListing(ctx, id, l.market, l.generation + 1, l.draft)
          : { ...l, relistAfterHold: false };
  putItem(ctx, { ...item, listings });
}

/**
 * Where nothing is left to show, it comes down: no marketplace keeps a listing of nothing, and one that
 * stays would go on showing what is held back. It goes up again once there is something to show.
 */
export function emptyOrFill(ctx: StepContext, id: string): void {
  const item = ctx.state.items.get(id);
  if (!item || item.sale) return;
  const listings = { ...item.listings };
  for (const l of Object.values(item.listings)) {
    const nothing = showsNothing(l.nextDraft ?? l.draft, item);
    if (nothing && l.want === 'live' && !isOver(l))
      listings[l.market] = { ...toWithdraw(ctx, l), emptied: true, relistAfterHold: false };
    else if (l.emptied && !nothing && l.want === 'gone')
      listings[l.market] = { ...l, emptied: false, relistAfterHold: true };
  }
  if (Object.values(item.listings).some((l) => listings[l.market] !== l)) putItem(ctx, { ...item, listings });
}

/** A sale came to nothing. A second one that nobody has dealt with takes its place. */
export function undoSale(
  ctx: StepContext,
  { order, why }: Extract<Command, { type: 'undo' }>,
  item: CourierItem | undefined,
): CommandRefusal | null {
  const past = (sale: Sale & { ref?: string }) => ({ ...sale, why, undoneAt: ctx.now });
  const pieces = item?.pieceSales.find((s) => s.order === order);
  const later = item?.laterSales.find((s) => s.order === order && !s.settled);
  const first = item?.sale?.order === order ? item.sale : null;
  const undone = pieces ?? first;
  if (!item) return 'noSuchSale';
  const before = item.pastSales ?? [];
  if (later) {
    const { settled: _, ...sale } = later;
    putItem(ctx, {
      ...item,
      laterSales: item.laterSales.filter((s) => s !== later),
      pastSales: [...before, past(sale)],
    });
    return null;
  }
  if (!undone) return 'noSuchSale';
  if (item.closing && item.closing.doneAt === null) return 'stillComingDown';
  const gone: CourierItem = {
    ...item,
    pastSales: [...before, past(undone)],
    pieceSales: item.pieceSales.filter((s) => s.order !== order),
  };
  if (pieces) {
    const waiting = gone.laterSales.find((s) => s.piece === pieces.piece && !s.settled);
    const listings = { ...gone.listings };
    for (const [market, l] of Object.entries(listings))
      if (l.want === 'live' && !isOver(l) && countsThere(l)) listings[market] = changedAgain(ctx, l);
    putItem(ctx, {
      ...gone,
      listings,
      sale: null,
      closing: null,
      laterSales: gone.laterSales.filter((s) => s !== waiting),
    });
    if (waiting) {
      const { settled: _, ...sale } = waiting;
      takePieceSale(ctx, item.id, gone.listings[sale.market]?.ref ?? '', sale);
    }
    return null;
  }
  const next = gone.laterSales.filter((s) => !s.settled).sort((a, b) => a.at - b.at)[0];
  if (!next) {
    putItem(ctx, { ...gone, sale: null, closing: null });
    return null;
  }
  const { settled: _, ...sale } = next;
  putItem(ctx, { ...gone, sale, laterSales: gone.laterSales.filter((s) => s !== next) });
  return null;
}
