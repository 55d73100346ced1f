import { NONE, type Coded, type None } from '@/contract/coded';
import { keysOf } from '@/contract/fields';

import { plainHeading } from './match';
import { saidIn, type FileWays, type RawCell } from './said';
import { parseMoney, type MoneyTroubleParams } from '../money/money';

/** What a column of a purchase list may say. */
export const PURCHASE_FIELDS = ['what', 'pieces', 'cases', 'perCase', 'each', 'total'] as const;
export type PurchaseField = (typeof PURCHASE_FIELDS)[number];

/** How the columns of a purchase list are headed. Common practice. */
const HEADED: Readonly<Record<PurchaseField, string>> = {
  what:
    'description, item, items, article, what, product, product name, title, name, goods, bezeichnung, ' +
    'artikel, désignation',
  pieces: 'pieces, pcs, qty, quantity, units, count, number, how many, menge, anzahl, stück, quantité',
  cases: 'cases, case, boxes, box, cartons, carton, packs, pack, crates, crate, kisten, kartons, caisses',
  perCase:
    'per case, a case, pieces per case, pieces a case, units per case, items per case, pcs per case, ' +
    'qty per case, quantity per case, pieces per box, units per box, pieces per carton, pieces per pack, ' +
    'case size, pack size, case qty, case quantity, pack qty, pack quantity, box size',
  each:
    'price each, cost each, unit price, unit cost, price per piece, price per unit, price per item, each, ' +
    'price a piece, price, cost, einzelpreis, prix unitaire',
  total: 'total, line total, total price, total cost, sum, amount, gesamt, gesamtpreis, prix total, extended',
};
const FIELD_OF = new Map(
  keysOf(HEADED).flatMap((field) => HEADED[field].split(', ').map((name) => [name, field] as const)),
);

/** What a heading of a purchase list means; null: none of these. */
function purchaseField(heading: string): PurchaseField | null {
  return FIELD_OF.get(plainHeading(heading)) ?? null;
}

/** Each column of a purchase list by its heading; none for the same twice. */
export function purchaseFields(head: readonly string[]): (PurchaseField | null)[] {
  const found = head.map(purchaseField);
  return found.map((field, i) => (found.indexOf(field) === i ? field : null));
}

/** Whether these are the headings of what was bought, in cases or at a price a piece, and not of stock. */
export function isPurchaseList(head: readonly string[]): boolean {
  return head.some((heading) => {
    const field = purchaseField(heading);
    const isEach = field === 'each' && /each|unit|piece|einzel|unitaire/iu.test(heading);
    return field === 'cases' || field === 'perCase' || isEach;
  });
}

/** Why a line of a purchase list was not taken. */
export interface PurchaseTroubleParams extends MoneyTroubleParams {
  whatMissing: None;
  piecesUnread: { most: number };
  tooManyLines: { most: number };
}
export type PurchaseTrouble = Coded<PurchaseTroubleParams>;

/** One line of what was bought, as it goes into a haul. */
export interface BoughtLine {
  line: number;
  what: string;
  count: number;
  /** Minor units; null: not said. */
  each: number | null;
  /** What all of it cost; null: not said. */
  cost: number | null;
  troubles: { column: number | null; text: string; why: PurchaseTrouble }[];
}

/** A haul has no more lines, and a line no more pieces. */
const MOST_LINES = 500;
export const MOST_PIECES = 10_000;

/**
 * What a purchase list says was bought, line by line: pieces, or cases of so many, at a price each or in all.
 *
 * @param fields what each column of the file is taken for
 */
export function purchasesIn(
  rows: readonly { line: number; cells: readonly RawCell[] }[],
  fields: readonly (PurchaseField | null)[],
  ways: FileWays,
  currency: string,
): BoughtLine[] {
  let taken = 0;
  return rows.map(({ line, cells }) => {
    const bought = boughtIn(cells, fields, ways, currency);
    if (bought.troubles.length === 0) taken += 1;
    if (taken > MOST_LINES && bought.troubles.length === 0)
      bought.troubles.push({
        column: null,
        text: '',
        why: { code: 'tooManyLines', params: { most: MOST_LINES } },
      });
    return { line, ...bought };
  });
}

function boughtIn(
  cells: readonly RawCell[],
  fields: readonly (PurchaseField | null)[],
  ways: FileWays,
  currency: string,
): Omit<BoughtLine, 'line'> {
  const troubles: BoughtLine['troubles'] = [];
  const said = (field: PurchaseField, sort: 'words' | 'figure') => {
    const at = fields.indexOf(field);
    return at < 0 ? '' : saidIn(cells[at], sort, ways).trim();
  };
  const whole = (field: PurchaseField): number | null => {
    const text = said(field, 'figure');
    if (text === '') return null;
    // "3 × 12": cases of so many.
    const [, cases, each] = /^(\d{1,5})\s*[x×*]\s*(\d{1,5})$/iu.exec(text) ?? [];
    const count = cases
      ? Number(cases) * Number(each)
      : /^\d{1,6}(?:\.0+)?$/u.test(text)
        ? Number(text)
        : NaN;
    if (count >= 1 && count <= MOST_PIECES) return count;
    const why: PurchaseTrouble = { code: 'piecesUnread', params: { most: MOST_PIECES } };
    troubles.push({ column: fields.indexOf(field), text, why });
    return null;
  };
  const amount = (field: PurchaseField): number | null => {
    const text = said(field, 'figure');
    if (text === '') return null;
    const read = parseMoney(text, currency);
    if (read.ok) return read.amount;
    troubles.push({ column: fields.indexOf(field), text, why: read.why });
    return null;
  };
  const what = said('what', 'words').slice(0, 400);
  if (what === '') troubles.push({ column: null, text: '', why: { code: 'whatMissing', params: NONE } });
  const cases = whole('cases');
  const pieces = whole('pieces');
  const perCase = whole('perCase');
  // Beside cases, pieces are those of one case where nothing else says how many that are.
  const count = cases === null ? (pieces ?? 1) : cases * (perCase ?? pieces ?? 1);
  if (count > MOST_PIECES)
    troubles.push({
      column: null,
      text: String(count),
      why: { code: 'piecesUnread', params: { most: MOST_PIECES } },
    });
  const each = amount('each');
  const total = amount('total');
  const isEven = total !== null && total % count === 0;
  return {
    what,
    count,
    each: each ?? (isEven ? total / count : null),
    cost: total ?? (each === null ? null : each * count),
    troubles,
  };
}

/** What all of it cost; null where nobody said what any of it did. */
export function purchaseCost(lines: readonly BoughtLine[]): number | null {
  const known = lines.flatMap((l) => l.cost ?? []);
  return known.length === 0 ? null : known.reduce((sum, cost) => sum + cost, 0);
}
