import { create } from 'zustand';

import { LookUpAnswer, type CatalogueRecord } from '@/contract/catalogue';
import type { Item } from '@/contract/records';
import { toldBy } from '@/core/catalogue/record';
import { canonicalBarcode, readBarcode } from '@/core/identity/gtin';
import { change, useAttic } from '@/store/attic/attic';
import { unlessExpected, wordsFor } from '@/store/base/faults';
import { ask, CourierTrouble, useCourier } from '@/store/courier/courierLink';
import { onListed, onSale } from '@/store/courier/hearing';
import { itemWith } from '@/store/items/items';
import { kindsNow } from '@/store/items/kinds';
import { freshReadings, onBarcodeRead, saidOutside } from '@/store/pictures/readings';

import { patiently } from './patiently';

/** How looking up an item's barcode stands: being asked, no such card, or why it could not be asked. */
export type LookUpState = { asking: true } | { unknown: string } | { trouble: string };

/** By the item's id; absent where nothing was asked or the answer is in the record. */
export const useLookUps = create<Record<string, LookUpState>>(() => ({}));

/** The ranks kept of one item. */
const MOST_RANKS = 40;

/**
 * Asks the product look-up for one barcode.
 *
 * @returns null when it has no card for it
 * @throws CourierTrouble when it can't be asked, in words for a person
 */
export async function lookUp(barcode: string): Promise<CatalogueRecord | null> {
  const digits = canonicalBarcode(barcode);
  const response = await patiently(() => ask(`/lookup/${encodeURIComponent(digits)}`));
  const answer = LookUpAnswer.safeParse(await response.json());
  if (!answer.success) throw new CourierTrouble('The product look-up’s answer could not be read.');
  return answer.data.found ? answer.data.record : null;
}

/** Looks an item's barcode up; what is said of it waits at the item to be confirmed. */
export async function lookUpItem(itemId: string, barcode: string): Promise<void> {
  const say = (state: LookUpState | null) =>
    useLookUps.setState(
      (all) =>
        state
          ? { ...all, [itemId]: state }
          : Object.fromEntries(Object.entries(all).filter(([id]) => id !== itemId)),
      true,
    );
  say({ asking: true });
  try {
    const record = await lookUp(barcode);
    const item = useAttic.getState().items[itemId];
    if (record && item) change('looked up', [itemWith(item, recordBeside(item, record))], { ownUndo: true });
    say(record ? null : { unknown: barcode });
  } catch (error) {
    say({ trouble: wordsFor(error, 'looking up a barcode') });
  }
}

/**
 * What a record adds to an item: what it says, as readings for a person to confirm; rank and price when new,
 * with the day, at once.
 */
export function recordBeside(
  item: Item,
  record: CatalogueRecord,
): Pick<Item, 'readings' | 'ranks' | 'priceNew' | 'lookedUp'> {
  const told = toldBy(record, item.kind, kindsNow());
  const found = saidOutside(told, { confidence: 90, from: 'productLookup' });
  return {
    ...figuresOf(item, record),
    lookedUp: notedOf(record),
    readings: [...item.readings, ...freshReadings(item, null, found)],
  };
}

/** What is noted of an answer: that there was one, and what of the card is shown and never sent. */
export function notedOf(record: CatalogueRecord | null): NonNullable<Item['lookedUp']> {
  return {
    at: Date.now(),
    found: record !== null,
    picture: record?.picture ?? null,
    sort: record?.sort.at(-1) ?? '',
    maker: record?.maker ?? '',
  };
}

function figuresOf(item: Item, { rank, listPrice }: CatalogueRecord): Pick<Item, 'ranks' | 'priceNew'> {
  const at = Date.now();
  return {
    ranks: rank ? [...item.ranks, { ...rank, at }].slice(-MOST_RANKS) : item.ranks,
    priceNew: listPrice ? { ...listPrice, at } : item.priceNew,
  };
}

/** A barcode was read or typed: looked up by itself, unless that is switched off. */
export function barcodeSeen(itemId: string, digits: string): void {
  if (useAttic.getState().settings.lookUp && readBarcode(digits).ok) void lookUpItem(itemId, digits);
}

const DAY = 86_400_000;

/**
 * Asks for the rank of an item anew that was sold since it was asked last: to compare with the day it came.
 */
export async function rankOnSale(itemId: string, soldAt: number): Promise<void> {
  await askAnew(itemId, soldAt, 'rank on the day of the sale');
}

/**
 * Asks for the rank of an item anew that was listed just now, when it was asked last longer ago than a day:
 * what it was like when it was offered.
 */
export async function rankOnListing(itemId: string, listedAt: number): Promise<void> {
  // How it sells today says nothing about the day on which something was listed long ago.
  if (Date.now() - listedAt < DAY) await askAnew(itemId, listedAt - DAY, 'rank when it was listed');
}

/** @param since asked later than that already: it is left alone */
async function askAnew(itemId: string, since: number, why: string): Promise<void> {
  const { items, settings } = useAttic.getState();
  const item = items[itemId];
  const last = item?.ranks.at(-1);
  const barcode = item?.facts.barcode;
  if (!last || !barcode || !settings.lookUp || last.at >= since) return;
  // A rank is nice to have: nothing waits for it, nor for the product look-up to be there.
  const record = await lookUp(barcode).catch((error: unknown) => {
    unlessExpected('asking for a rank')(error);
    return null;
  });
  const now = useAttic.getState().items[itemId];
  if (record && now) change(why, [itemWith(now, figuresOf(now, record))], { ownUndo: true });
}

/** From now on barcodes are looked up as they are read. @returns stops */
export function lookUpAsRead(): () => void {
  return onBarcodeRead(barcodeSeen);
}

/** From now on ranks are asked for again when something is listed or sold. @returns stops */
export function rankOnEvents(): () => void {
  // What is being asked for is heard of more than once meanwhile.
  const once = (ask: (itemId: string, at: number) => Promise<void>) => {
    const asking = new Set<string>();
    return (itemId: string, at: number) => {
      if (asking.has(itemId)) return;
      asking.add(itemId);
      void ask(itemId, at)
        .catch(unlessExpected('asking for a rank'))
        .finally(() => asking.delete(itemId));
    };
  };
  const sold = once(rankOnSale);
  // Sales that were told before this page was the one to ask.
  for (const { id, sale } of Object.values(useCourier.getState().items)) if (sale) sold(id, sale.at);
  const stops = [onSale(sold), onListed(once(rankOnListing))];
  return () => stops.forEach((stop) => stop());
}
