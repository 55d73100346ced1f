import type { Batch, BatchDefaults, BatchPrice, Item } from '@/contract/records';
import type { RuleSheet } from '@/contract/ruleSheet';

import { recordOf } from '../catalogue/sheetRecords';
import { canonicalBarcode, readBarcode } from '../identity/gtin';
import type { Minor } from '../money/money';
import { upToHabit } from '../price/askingPrice';

/** What becomes of a text that was scanned, before anything outside is asked. */
export type Scanned =
  /** A barcode that nothing in the attic has: items are begun with it. */
  | { as: 'new'; digits: string }
  /** One that is here already, not sold and not gone. */
  | { as: 'here'; digits: string; itemIds: string[] }
  /** The spot of what was scanned before. */
  | { as: 'spot'; spot: string }
  /** A barcode, though the one before still has no spot. */
  | { as: 'spotMissing' }
  /** Neither a barcode nor asked for. */
  | { as: 'misread'; text: string };

/** The longest name of a spot. */
const LONGEST_SPOT = 60;

/**
 * @param text what a scanner typed
 * @param waitsForSpot what was scanned before has no spot yet, and needs one
 * @param isHere whether an item is still for sale: not sold, not gone
 */
export function scannedAs(
  text: string,
  items: Readonly<Record<string, Item>>,
  { waitsForSpot, isHere }: { waitsForSpot: boolean; isHere: (item: Item) => boolean },
): Scanned {
  const said = text.trim();
  const isCode = readBarcode(said).ok;
  if (waitsForSpot) return isCode ? { as: 'spotMissing' } : { as: 'spot', spot: said.slice(0, LONGEST_SPOT) };
  if (!isCode) return { as: 'misread', text: said };
  const digits = canonicalBarcode(said);
  const itemIds = Object.values(items)
    .filter(({ facts }) => facts.barcode !== undefined && canonicalBarcode(facts.barcode) === digits)
    .filter(isHere)
    .map(({ id }) => id);
  return itemIds.length > 0 ? { as: 'here', digits, itemIds } : { as: 'new', digits };
}

/** Names of the marketplaces that list by barcode and have this one closed to the seller. */
export function closedAt(digits: string, sheets: readonly RuleSheet[]): string[] {
  return sheets.filter((sheet) => recordOf(digits, sheet)?.closed).map(({ name }) => name);
}

/**
 * What an item of a batch begins with.
 *
 * @param endings hundredths that prices like to end in; empty: as they come
 */
export function begunWith(
  { id, defaults }: Pick<Batch, 'id' | 'defaults'>,
  digits: string,
  endings: readonly number[],
  currency: string,
): Partial<Item> {
  const { kind, ownerId, spot, use, phrase, cost, depot, taxCode, price } = defaults;
  return {
    batchId: id,
    facts: { barcode: digits },
    ownerId,
    spot,
    use,
    conditionNote: phrase,
    cost,
    // What goes by the price new follows with the product look-up's answer.
    price: batchPrice(price, { priceNew: null, cost }, endings, currency),
    meantFor: depot,
    taxCode,
    ...(kind === '' ? {} : { kind }),
  };
}

/**
 * The price by a batch's rule, rounded up to the person's endings.
 *
 * @param endings hundredths of the currency's unit; empty: as it comes
 * @returns minor units; null where what the rule goes by is not known, or is in another currency
 */
export function batchPrice(
  rule: BatchPrice,
  { priceNew, cost }: Pick<Item, 'priceNew' | 'cost'>,
  endings: readonly number[],
  currency: string,
): Minor | null {
  if (rule.by === 'none') return null;
  if (rule.by === 'fixed') return rule.amount;
  const raw =
    rule.by === 'timesCost'
      ? cost === null
        ? null
        : cost * rule.times
      : priceNew && priceNew.currency === currency
        ? (priceNew.amount * rule.shareBp) / 10_000
        : null;
  // A product of decimals lies a hair beside what it stands for.
  const least = raw === null ? null : Math.ceil(Math.round(raw * 1_000) / 1_000);
  return least === null ? null : upToHabit(least, endings, currency);
}

/** A batch is called by its day; the second of a day has a number. */
export function batchName(day: string, others: readonly Pick<Batch, 'name'>[]): string {
  const taken = new Set(others.map(({ name }) => name));
  if (!taken.has(day)) return day;
  let n = 2;
  while (taken.has(`${day}, ${n}`)) n += 1;
  return `${day}, ${n}`;
}

/** Whether an item was begun by a scan and still lacks the spot that each of its batch is asked for. */
export function lacksSpot(
  { spot }: Pick<Item, 'spot'>,
  { askSpot }: Pick<BatchDefaults, 'askSpot'>,
): boolean {
  return askSpot && spot.trim() === '';
}
