import pLimit from 'p-limit';

import type { Sale } from '@/contract/courier';
import {
  OrderAtMarket,
  ParcelLabel,
  ParcelTracking,
  type Address,
  type OrderWish,
} from '@/contract/fulfilment';
import type { Order } from '@/contract/orders';
import { plural } from '@/core/language/plural';
import { ordersOf, type OrderRow } from '@/core/orders/orders';
import { change, putBlob, readBlob, useAttic } from '@/store/attic/attic';
import { unlessExpected, wordsFor } from '@/store/base/faults';
import { repeating } from '@/store/base/repeating';
import { ask, askWith, CourierTrouble, useCourier } from '@/store/courier/courierLink';
import { commanded } from '@/store/courier/sending';
import { enqueue } from '@/store/courier/sendQueue';

import { orderRecord, saveOrder } from './orderRecords';

/** All orders as they stand now. */
export function ordersNow(): OrderRow[] {
  const { items, orders } = useAttic.getState();
  const { items: views, sheets } = useCourier.getState();
  return ordersOf(views, items, orders, sheets, Date.now());
}

const save = (label: string, row: Pick<OrderRow, 'itemId' | 'sale'>, part: Partial<Order>) =>
  saveOrder(label, row.itemId, row.sale.market, row.sale.order, part);
const recordOf = (row: OrderRow) => orderRecord(row.itemId, row.sale.market, row.sale.order);
const at = (row: Pick<OrderRow, 'sale'>) =>
  `/orders/${row.sale.market}/${encodeURIComponent(row.sale.order)}`;

/**
 * Whether the marketplace handles this order's money and address; a deal between two people it knows nothing
 * of.
 */
export function handledThere(row: Pick<OrderRow, 'sale'>): boolean {
  const sheet = useCourier.getState().sheets.find((s) => s.marketplace === row.sale.market);
  return sheet?.statement !== undefined && !row.sale.order.startsWith('deal-');
}

async function changeThere(row: OrderRow, wish: OrderWish): Promise<OrderAtMarket> {
  return OrderAtMarket.parse(await (await askWith(at(row), wish)).json());
}

/** Who gets it: kept once it was told. @throws CourierTrouble where the marketplace can't be asked */
export async function addressOf(row: OrderRow): Promise<Address | null> {
  const known = recordOf(row).address;
  if (known || !handledThere(row)) return known;
  const { buyer } = OrderAtMarket.parse(await (await ask(at(row))).json());
  save('address', row, { address: buyer });
  return buyer;
}

export function setAddress(row: OrderRow, address: Address): void {
  save('address', row, { address });
}

export function fetched(row: OrderRow): void {
  save('fetched', row, { fetchedAt: Date.now() });
}

/** @param weightG as weighed; null: nobody weighed it */
export function packed(row: OrderRow, weightG: number | null): void {
  const now = Date.now();
  save('fetched and packed', row, { fetchedAt: recordOf(row).fetchedAt ?? now, packedAt: now, weightG });
}

/** In one go, as it is done with a single parcel on the way through the room. */
export function packedNow(itemId: string, sale: Sale): void {
  const now = Date.now();
  saveOrder('fetched and packed', itemId, sale.market, sale.order, { fetchedAt: now, packedAt: now });
}

export interface LabelTrouble {
  row: OrderRow;
  why: string;
}

/** Where a label's PDF is kept. */
export const labelKey = (order: Pick<Order, 'id'>) => `label:${order.id}`;

/**
 * Buys labels for packed parcels, a few at a time. One that can't be had keeps none of the others from being
 * bought, and asking again never pays for the same parcel twice.
 */
export async function buyLabels(
  rows: readonly OrderRow[],
  onDone: () => void = () => undefined,
): Promise<LabelTrouble[]> {
  const limit = pLimit(3);
  const trouble: LabelTrouble[] = [];
  await Promise.all(
    rows.map((row) =>
      limit(async () => {
        try {
          await buyLabel(row);
        } catch (error) {
          trouble.push({ row, why: wordsFor(error, 'buying a label') });
        }
        onDone();
      }),
    ),
  );
  return trouble;
}

async function buyLabel(row: OrderRow): Promise<void> {
  if (recordOf(row).label) return;
  const { items, settings } = useAttic.getState();
  const item = items[row.itemId];
  const to = await addressOf(row);
  if (!to) throw new CourierTrouble('Nobody has said where it goes: write down the address.');
  const record = recordOf(row);
  const weightG = record.weightG ?? item?.weightG;
  if (!weightG) throw new CourierTrouble('Nobody has weighed it.');
  const { lengthMm, widthMm, heightMm } = item?.parcel ?? { lengthMm: null, widthMm: null, heightMm: null };
  const wish = {
    key: `order-${record.id}`,
    weightG,
    sidesMm: lengthMm && widthMm && heightMm ? [lengthMm, widthMm, heightMm] : null,
    to,
    from: settings.sender,
  };
  const { pdf, ...label } = ParcelLabel.parse(await (await askWith('/labels', wish)).json());
  putBlob(labelKey(record), new Blob([bytesOf(pdf)], { type: 'application/pdf' }));
  save('label bought', row, { label: { ...label, at: Date.now() } });
}

function bytesOf(base64: string): Uint8Array<ArrayBuffer> {
  return Uint8Array.from(atob(base64), (ch) => ch.charCodeAt(0));
}

/**
 * The labels of parcels, one after the other in one PDF.
 *
 * @throws CourierTrouble when one is missing on this device
 */
export async function labelsTogether(rows: readonly OrderRow[]): Promise<Blob> {
  const { PDFDocument } = await import('pdf-lib');
  const all = await PDFDocument.create();
  for (const row of rows) {
    const blob = await readBlob(labelKey(recordOf(row)));
    if (!blob) throw new CourierTrouble('A label is missing on this device.');
    const one = await PDFDocument.load(await blob.arrayBuffer());
    for (const page of await all.copyPages(one, one.getPageIndices())) all.addPage(page);
  }
  return new Blob([new Uint8Array(await all.save())], { type: 'application/pdf' });
}

/** Handed in: the carrier and the marketplaces are told. What could not be told is told again later. */
export async function posted(rows: readonly OrderRow[]): Promise<void> {
  const now = Date.now();
  change(
    plural(rows.length, 'posted', `${rows.length} posted`),
    rows.map((row) => {
      const record = recordOf(row);
      return { collection: 'orders', id: record.id, record: { ...record, postedAt: record.postedAt ?? now } };
    }),
  );
  await tellPosted();
}

/** Tells carrier and marketplaces of what was posted and they do not know of yet. */
export async function tellPosted(): Promise<void> {
  for (const row of ordersNow()) {
    const { record } = row;
    if (!record?.postedAt || record.toldAt || row.stage === 'over') continue;
    try {
      const { label } = record;
      if (label) await askWith(`/parcels/${label.tracking}/handed`, {});
      if (handledThere(row))
        await changeThere(row, {
          type: 'posted',
          carrier: label?.carrier ?? '',
          tracking: label?.tracking ?? '',
        });
      save('told of the parcel', row, { toldAt: Date.now() });
    } catch (error) {
      // Where nobody answers it is told again at the next look.
      unlessExpected('telling of a parcel')(error);
    }
  }
}

/** Asks the carrier about parcels under way. */
export async function askArrivals(): Promise<void> {
  for (const row of ordersNow()) {
    const tracking = row.stage === 'underWay' ? row.record?.label?.tracking : undefined;
    if (!tracking) continue;
    try {
      const state = ParcelTracking.parse(await (await ask(`/parcels/${tracking}`)).json());
      if (state.state === 'delivered') save('arrived', row, { arrivedAt: state.at ?? Date.now() });
    } catch (error) {
      unlessExpected('asking for a parcel')(error);
    }
  }
}

export function arrived(row: OrderRow): void {
  save('arrived', row, { arrivedAt: Date.now() });
}

export function closed(row: OrderRow): void {
  save('closed', row, { closedAt: Date.now() });
}

/**
 * The sale comes to nothing before it was posted: the marketplace gives the buyer everything back, and the
 * item may be sold again.
 *
 * @throws CourierTrouble with words for a person; what was done so far is kept
 */
export async function cancel(row: OrderRow, why: string): Promise<void> {
  if (handledThere(row)) await changeThere(row, { type: 'cancel', why });
  await undoSale(row, 'cancelled');
  save('cancelled', row, { cancelled: { at: Date.now(), why } });
}

/**
 * A second sale of what there is only one of: cancelled there with words for the buyer, and dealt with here.
 */
export async function cancelSecond(itemId: string, second: Sale, why: string): Promise<void> {
  const { items } = useCourier.getState();
  await askWith(at({ sale: second }), { type: 'cancel', why });
  const open = items[itemId]?.laterSales.some((s) => s.order === second.order && !s.settled);
  if (open) await commanded({ type: 'undo', item: itemId, order: second.order, why: 'cancelled' });
  saveOrder('cancelled', itemId, second.market, second.order, { cancelled: { at: Date.now(), why } });
}

/** Told twice, the courier says there is no such sale: then it knows already. */
async function undoSale(row: OrderRow, why: 'cancelled' | 'returned'): Promise<void> {
  const known = useCourier.getState().items[row.itemId]?.pastSales.some((s) => s.order === row.sale.order);
  if (!known) await commanded({ type: 'undo', item: row.itemId, order: row.sale.order, why });
}

export function openReturn(row: OrderRow, reason: NonNullable<Order['back']>['reason'], words: string): void {
  save('to come back', row, {
    back: { reason, words, openedAt: Date.now(), hereAt: null, given: null, feesBack: 0, doneAt: null },
  });
}

/** It is here again: looked at anew, so its condition is to be said again. */
export function backHere(row: OrderRow): void {
  const { back } = recordOf(row);
  if (back) save('back in hand', row, { back: { ...back, hereAt: Date.now() } });
}

/**
 * Gives the buyer money back, and with that the sale is over.
 *
 * @throws CourierTrouble with words for a person
 */
export async function giveBack(row: OrderRow, amount: number): Promise<void> {
  const { back } = recordOf(row);
  if (!back) return;
  const there = handledThere(row)
    ? await changeThere(row, { type: 'giveBack', why: back.words, amount })
    : null;
  await undoSale(row, 'returned');
  save('money given back', row, { back: { ...back, given: amount, feesBack: there?.feesBack ?? 0 } });
}

/** Puts it up again where it was, or leaves it: either way the return is done with. */
export function returnDone(row: OrderRow, upAgain: readonly string[]): void {
  const { back } = recordOf(row);
  if (back) save('return done', row, { back: { ...back, doneAt: Date.now() } });
  if (upAgain.length > 0)
    enqueue(upAgain.map((market) => ({ item: row.itemId, market, action: 'send' as const })));
}

/** How often carrier and marketplaces are asked and told while a page is open, milliseconds. */
const EVERY = 30_000;

/** From now on parcels are told of and asked about while a page is open. @returns stops */
export function beginOrders(): () => void {
  const look = async () => {
    if (!useCourier.getState().connected) return;
    await tellPosted();
    await askArrivals();
  };
  return repeating('telling of parcels', look, { first: 5_000, every: EVERY });
}
