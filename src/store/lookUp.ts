import { create } from 'zustand';

import { LookUpAnswer, type CatalogueRecord } from '@/contract/catalogue';
import type { Thing } from '@/contract/records';
import { toldBy } from '@/core/catalogue/record';
import { canonicalBarcode, readBarcode } from '@/core/identity/gtin';

import { change, useAttic } from './attic';
import { ask, CourierTrouble, onSale, useCourier } from './courierLink';
import { unlessExpected, wordsFor } from './faults';
import { kindsNow } from './kinds';
import { freshReadings, onBarcodeRead, type Found } from './readings';
import { thingWith } from './things';

/** How looking up a thing's barcode stands: being asked, no such card, or why it could not be asked. */
export type LookUpState = { asking: true } | { unknown: string } | { trouble: string };

/** By the thing's id; absent where nothing was asked or the answer is in the record. */
export const useLookUps = create<Record<string, LookUpState>>(() => ({}));

/** The ranks kept of one thing. */
const MOST_RANKS = 40;
/** Waits between tries when the desk asks us to slow down, milliseconds. */
const WAITS = [1_000, 2_000, 4_000, 8_000];

/**
 * Asks the desk for one barcode.
 *
 * @returns null when it has no card for it
 * @throws CourierTrouble when it can't be asked, in words for a person
 */
export async function lookUp(barcode: string): Promise<CatalogueRecord | null> {
  const digits = canonicalBarcode(barcode);
  for (let tries = 0; ; tries += 1)
    try {
      const answer = LookUpAnswer.safeParse(
        await (await ask(`/lookup/${encodeURIComponent(digits)}`)).json(),
      );
      if (!answer.success) throw new CourierTrouble('The look-up desk’s answer could not be read.');
      return answer.data.found ? answer.data.record : null;
    } catch (error) {
      const wait = WAITS[tries];
      if (!(error instanceof CourierTrouble) || error.status !== 429 || wait === undefined) throw error;
      await new Promise((done) => setTimeout(done, wait));
    }
}

/** Looks a thing's barcode up; what the desk says waits at the thing to be confirmed. */
export async function lookUpThing(thingId: string, barcode: string): Promise<void> {
  const say = (state: LookUpState | null) =>
    useLookUps.setState(
      (all) =>
        state
          ? { ...all, [thingId]: state }
          : Object.fromEntries(Object.entries(all).filter(([id]) => id !== thingId)),
      true,
    );
  say({ asking: true });
  try {
    const record = await lookUp(barcode);
    const thing = useAttic.getState().things[thingId];
    if (record && thing)
      change('looked up', [thingWith(thing, recordBeside(thing, record))], { ownUndo: true });
    say(record ? null : { unknown: barcode });
  } catch (error) {
    say({ trouble: wordsFor(error, 'looking up a barcode') });
  }
}

/**
 * What a record adds to a thing: what it says, as readings for a person to confirm; rank and price when new, with the
 * day, at once.
 */
export function recordBeside(
  thing: Thing,
  record: CatalogueRecord,
): Pick<Thing, 'readings' | 'ranks' | 'priceNew'> {
  const found = toldBy(record, thing.kind, kindsNow()).map(({ field, value, words }): Found => ({
    field,
    value: value.slice(0, 400),
    words: words.slice(0, 400),
    box: [0, 0, 1, 1],
    confidence: 90,
    from: 'desk',
  }));
  return {
    ...figuresOf(thing, record),
    readings: [...thing.readings, ...freshReadings(thing, null, found)],
  };
}

function figuresOf(thing: Thing, { rank, listPrice }: CatalogueRecord): Pick<Thing, 'ranks' | 'priceNew'> {
  const at = Date.now();
  return {
    ranks: rank ? [...thing.ranks, { ...rank, at }].slice(-MOST_RANKS) : thing.ranks,
    priceNew: listPrice ? { ...listPrice, at } : thing.priceNew,
  };
}

/** A barcode was read or typed: looked up by itself, unless that is switched off. */
export function barcodeSeen(thingId: string, digits: string): void {
  if (useAttic.getState().settings.lookUp && readBarcode(digits).ok) void lookUpThing(thingId, digits);
}

/** Asks for the rank of a thing anew that was sold since it was asked last: to compare with the day it came. */
export async function rankOnSale(thingId: string, soldAt: number): Promise<void> {
  const { things, settings } = useAttic.getState();
  const thing = things[thingId];
  const last = thing?.ranks.at(-1);
  const barcode = thing?.facts.barcode;
  if (!last || !barcode || !settings.lookUp || last.at >= soldAt) return;
  // A rank is nice to have: the sale does not wait for it, nor for the desk to be there.
  const record = await lookUp(barcode).catch((error: unknown) => {
    unlessExpected('asking for a rank')(error);
    return null;
  });
  const now = useAttic.getState().things[thingId];
  if (record && now)
    change('rank on the day of the sale', [thingWith(now, figuresOf(now, record))], { ownUndo: true });
}

/** From now on barcodes are looked up as they are read. @returns stops */
export function lookUpAsRead(): () => void {
  return onBarcodeRead(barcodeSeen);
}

/** From now on ranks are asked for again on the day of the sale. @returns stops */
export function rankOnSales(): () => void {
  const sold = (thingId: string, at: number) =>
    void rankOnSale(thingId, at).catch(unlessExpected('asking for a rank'));
  // Sales that were told before this page was the one to ask.
  for (const { id, sale } of Object.values(useCourier.getState().things)) if (sale) sold(id, sale.at);
  return onSale(sold);
}
