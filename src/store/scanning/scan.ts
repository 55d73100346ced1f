import pLimit from 'p-limit';
import { create } from 'zustand';

import type { CatalogueRecord } from '@/contract/catalogue';
import type { Batch, Item } from '@/contract/records';
import { canonicalBarcode } from '@/core/identity/gtin';
import { begunWith, closedAt, lacksSpot, batchPrice, scannedAs } from '@/core/scanning/scan';
import type { Signal } from '@/core/scanning/signals';
import { change, useAttic, type Put } from '@/store/attic/attic';
import { unlessExpected, wordsFor } from '@/store/base/faults';
import { useCourier } from '@/store/courier/courierLink';
import { itemWith, newItems, planWith } from '@/store/items/items';
import { allConfirmed } from '@/store/pictures/readings';
import { lookUp, notedOf, recordBeside } from '@/store/research/lookUp';

import { batchAtHand, beginBatch, itemsOf } from './batches';
import { sound } from './sounds';

/** How the last scan went, for the page. */
export interface LastScan {
  text: string;
  /** Null while it is being looked up. */
  signal: Signal | null;
  /** The items it began, or that are here already. */
  itemIds: readonly string[];
  /** Marketplaces that have it closed to the seller. */
  closed: readonly string[];
  /** Why it was refused, or could not be looked up. */
  why: 'misread' | 'spotMissing' | 'spot' | null;
}

export const useScanning = create<{
  last: LastScan | null;
  /** Items that are being looked up, and why some could not be. */
  asking: readonly string[];
  troubles: Readonly<Record<string, string>>;
  /** How many rows were to be removed and stayed, being listed. */
  held: number;
}>(() => ({ last: null, asking: [], troubles: {}, held: 0 }));

/** Whether an item is still for sale here. */
function isHere(item: Item): boolean {
  return item.left === null && !useCourier.getState().items[item.id]?.sale;
}

/** Of a batch's rows, the newest first, those of the last scan that still need their spot. */
export function waitingForSpot(batch: Batch, rows: readonly Item[]): Item[] {
  const [newest] = rows;
  if (!newest || !lacksSpot(newest, batch.defaults)) return [];
  return rows.filter((row) => row.facts.barcode === newest.facts.barcode && lacksSpot(row, batch.defaults));
}

/** A scanner, a camera or a finger gave a text: what it means is done at once, and heard. */
export function scan(text: string): void {
  const batch = batchAtHand();
  const { items } = useAttic.getState();
  const waiting = batch ? waitingForSpot(batch, itemsOf(batch.id, items)) : [];
  const said = scannedAs(text, items, { waitsForSpot: waiting.length > 0, isHere });
  switch (said.as) {
    case 'misread':
      return tell({ text: said.text, signal: 'refused', why: 'misread' });
    case 'spotMissing':
      return tell({ text, signal: 'refused', why: 'spotMissing', itemIds: waiting.map(({ id }) => id) });
    case 'spot':
      change(
        'spot',
        waiting.map((item) => itemWith(item, { spot: said.spot })),
      );
      return tell({
        text: said.spot,
        signal: 'taken',
        why: 'spot',
        itemIds: waiting.map(({ id }) => id),
      });
    case 'here':
      return tell({ text: said.digits, signal: 'here', itemIds: said.itemIds });
    case 'new':
      return begin(said.digits);
  }
}

/** One more of something that is here already. */
export function scanAgain(digits: string): void {
  begin(canonicalBarcode(digits));
}

function begin(digits: string): void {
  const batch = batchAtHand() ?? beginBatch();
  const { quantity, letters, markets, termsIds, lookUp: asks } = batch.defaults;
  const { priceEndings, currency } = useAttic.getState().settings;
  const begun = newItems(
    Array.from({ length: quantity }, () => begunWith(batch, digits, priceEndings, currency)),
    letters,
  );
  const puts: Put[] = begun.map((record) => ({ collection: 'items', id: record.id, record }));
  for (const { id } of begun)
    for (const market of markets)
      puts.push(planWith(id, market, { wanted: true, termsId: termsIds[market] ?? null }));
  change('scanned', puts);
  const itemIds = begun.map(({ id }) => id);
  const closed = closedAt(digits, useCourier.getState().sheets);
  if (closed.length > 0) tell({ text: digits, signal: 'closed', itemIds, closed });
  else tell({ text: digits, signal: asks ? null : 'taken', itemIds });
  if (asks) void lookUpRows(itemIds).catch(unlessExpected('looking up what was scanned'));
}

/** Says how the last scan went. */
function tell(part: Partial<LastScan> & Pick<LastScan, 'text' | 'signal'>): void {
  useScanning.setState({ last: { itemIds: [], closed: [], why: null, ...part }, held: 0 });
  if (part.signal) sound(part.signal);
}

/** Looks up what was scanned; each is told as its answer comes, and all of the same code are asked once. */
export async function lookUpRows(ids: readonly string[]): Promise<void> {
  const { items } = useAttic.getState();
  const byCode = new Map<string, string[]>();
  for (const id of ids) {
    const barcode = items[id]?.facts.barcode;
    if (barcode === undefined || useScanning.getState().asking.includes(id)) continue;
    const digits = canonicalBarcode(barcode);
    byCode.set(digits, [...(byCode.get(digits) ?? []), id]);
  }
  const asked = [...byCode.values()].flat();
  useScanning.setState((s) => ({
    asking: [...s.asking, ...asked],
    troubles: without(s.troubles, asked),
  }));
  await Promise.all([...byCode].map(([digits, own]) => some(() => lookUpOne(digits, own))));
}

/** So many are asked for at the same time: the product look-up has a pace of its own. */
const some = pLimit(3);

async function lookUpOne(digits: string, ids: readonly string[]): Promise<void> {
  try {
    const record = await lookUp(digits);
    answered(ids, record);
    heard(digits, record ? 'found' : 'unknown');
  } catch (error) {
    const why = wordsFor(error, 'looking up a barcode');
    useScanning.setState((s) => ({
      troubles: { ...s.troubles, ...Object.fromEntries(ids.map((id) => [id, why])) },
    }));
    // The code is kept, and asked again later: nothing for a person to do just now.
    heard(digits, 'taken');
  } finally {
    useScanning.setState((s) => ({ asking: s.asking.filter((id) => !ids.includes(id)) }));
  }
}

/** The answer to the last scan is heard; of one before it the row alone tells. */
function heard(digits: string, signal: Signal): void {
  const { last } = useScanning.getState();
  if (last?.text !== digits || last.signal !== null) return;
  useScanning.setState({ last: { ...last, signal } });
  sound(signal);
}

/** What the product look-up says is taken at once: each row stands there to be looked at and changed. */
function answered(ids: readonly string[], record: CatalogueRecord | null): void {
  const { items, batches, settings } = useAttic.getState();
  const puts = ids.flatMap((id) => {
    const item = items[id];
    if (!item) return [];
    if (!record) return [itemWith(item, { lookedUp: notedOf(null) })];
    const beside = recordBeside(item, record);
    const known = { ...beside, ...allConfirmed({ ...item, ...beside }) };
    const price = item.price ?? priceBy(batches[item.batchId ?? ''], { ...item, ...known }, settings);
    return [itemWith(item, { ...known, price })];
  });
  if (puts.length > 0) change('looked up', puts, { ownUndo: true });
}

function priceBy(
  batch: Batch | undefined,
  item: Item,
  { priceEndings, currency }: { priceEndings: readonly number[]; currency: string },
): number | null {
  return batch ? batchPrice(batch.defaults.price, item, priceEndings, currency) : null;
}

function without<T>(all: Readonly<Record<string, T>>, ids: readonly string[]): Record<string, T> {
  return Object.fromEntries(Object.entries(all).filter(([id]) => !ids.includes(id)));
}

/** Of the batch at hand those that were never answered: a reload, or no connection, came in between. */
export function neverAnswered(batch: Batch, items: Readonly<Record<string, Item>>): Item[] {
  return batch.defaults.lookUp
    ? itemsOf(batch.id, items).filter(({ lookedUp, facts }) => lookedUp === null && facts.barcode)
    : [];
}
