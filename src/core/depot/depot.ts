import type { DepotParcel, DepotStock } from '@/contract/atMarket';
import type { Item } from '@/contract/records';
import type { RuleSheet } from '@/contract/ruleSheet';

import { recordOf } from '../catalogue/sheetRecords';

export type NotToDepot =
  'onItsWay' | 'there' | 'comingBack' | 'inChoices' | 'noBarcode' | 'noRecord' | 'recordClosed';

/** What keeps an item from going to the depot; null when it may go. */
export function whyNotToDepot(item: Item, sheet: RuleSheet): NotToDepot | null {
  if (item.depot?.state === 'sent') return 'onItsWay';
  if (item.depot?.state === 'there') return 'there';
  if (item.depot?.state === 'back') return 'comingBack';
  if (item.choices) return 'inChoices';
  const barcode = item.facts.barcode ?? '';
  if (barcode === '') return 'noBarcode';
  const record = recordOf(barcode, sheet);
  if (!record) return 'noRecord';
  return record.closed ? 'recordClosed' : null;
}

/** Whether this marketplace keeps it and posts it to its buyers itself. */
export function postedBy(market: string, item: Pick<Item, 'depot'> | undefined): boolean {
  return item?.depot?.state === 'there' && item.depot.market === market;
}

/** Whether it is where only a depot can reach it, or on its way back from there. */
export function isAway({ depot }: Pick<Item, 'depot'>): boolean {
  return depot?.state === 'there' || depot?.state === 'back';
}

/** What counting a parcel says of one item. */
export interface Counted {
  item: string;
  depot: NonNullable<Item['depot']>;
  /** Its new spot; null: as it was. */
  spot: string | null;
}

/**
 * What is new of items on their way to a depot: counted in under the depot's own number, or missing from the
 * parcel that was to hold them. Each is told once.
 */
export function countedIn(
  items: readonly Pick<Item, 'id' | 'code' | 'depot'>[],
  parcels: readonly DepotParcel[],
  market: string,
  spotThere: string,
): Counted[] {
  return items.flatMap(({ id, code, depot }): Counted[] => {
    if (!depot || depot.market !== market || isAway({ depot })) return [];
    const parcel = parcels.find((p) => p.parcel === depot.parcel);
    if (!parcel || parcel.countedAt === null) return [];
    const line = parcel.contents.find((x) => x.code === code);
    const no = line?.depotNo ?? null;
    if (no !== null)
      return [
        { item: id, depot: { ...depot, state: 'there', no, since: parcel.countedAt }, spot: spotThere },
      ];
    if (depot.state === 'missing') return [];
    return [
      { item: id, depot: { ...depot, state: 'missing', no: null, since: parcel.countedAt }, spot: null },
    ];
  });
}

/** A parcel against what was put into it. */
export interface ParcelState {
  sent: number;
  arrived: number;
  /** Codes of what was not in it. */
  missing: string[];
}

export function parcelState({ contents, countedAt }: DepotParcel): ParcelState {
  const missing = countedAt === null ? [] : contents.filter((x) => x.depotNo === null).map((x) => x.code);
  const arrived = countedAt === null ? 0 : contents.length - missing.length;
  return { sent: contents.length, arrived, missing };
}

/** The depot's report of the day against what is known here. */
export interface StockCompared {
  /**
   * Ids of items held to be there that the report does not have, or has as posted though they are not sold.
   */
  absent: string[];
  /** Codes the report has that nobody here holds to be there. */
  strange: string[];
}

/** @param sold ids of items that are sold */
export function compareStock(
  items: readonly Pick<Item, 'id' | 'code' | 'depot'>[],
  stock: DepotStock,
  market: string,
  sold: ReadonlySet<string>,
): StockCompared {
  const kept = new Set(stock.lines.filter((l) => l.state === 'kept').map((l) => l.no));
  const numbered = items.filter((t) => t.depot?.market === market && t.depot.no !== null);
  const known = new Set(numbered.map((t) => t.depot?.no));
  return {
    absent: numbered
      .filter((t) => t.depot?.state === 'there')
      .filter((t) => !sold.has(t.id) && !kept.has(t.depot?.no ?? ''))
      .map((t) => t.id),
    strange: stock.lines.filter((l) => l.state === 'kept' && !known.has(l.no)).map((l) => l.code),
  };
}
