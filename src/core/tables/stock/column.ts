import type { Choices } from '@/contract/choices';
import { NONE, type Coded, type None, type Refusal } from '@/contract/coded';
import type { Haul, Item, Owner } from '@/contract/records';

import type { ChoicesTroubleParams } from '../../choices/choices';
import type { BarcodeTroubleParams } from '../../identity/gtin';
import type { BulkTroubleParams, Ways } from '../../stock/bulk';
import type { Column } from '../value';

/** What names and moments of an attic are written and read by. */
export interface TableWays extends Ways {
  hauls: Readonly<Record<string, Pick<Haul, 'id' | 'name' | 'lines'>>>;
  owners: Readonly<Record<string, Pick<Owner, 'id' | 'name'>>>;
  /** A moment by the clock where the person is, `2026-11-08 18:42:05`, and back; null: it is none. */
  toLocal: (at: number) => string;
  fromLocal: (moment: string) => number | null;
}

/** One line of a table of stock: an item, or one piece of it where it is sold in choices. */
export interface StockRow {
  item: Item;
  piece: Choices['pieces'][number] | null;
  /** Addresses of its live listings, by marketplace. */
  links: Readonly<Record<string, string>>;
  /** How often it was sold. */
  sold: number;
}

/** Why a cell of a table was not taken. */
export interface CellTroubleParams extends BulkTroubleParams, BarcodeTroubleParams, ChoicesTroubleParams {
  noSuchHaul: None;
  noSuchLine: None;
  noSuchOwner: None;
  notOneOf: { words: readonly string[] };
  dateUnread: None;
  wholeUnread: { least: number; most: number };
  dataUnread: None;
  optionsMissing: None;
  copiesUnread: { most: number };
  codeTwice: { line: number };
  codeTaken: None;
  noCopies: None;
  nothingSaid: None;
}
export type CellTrouble = Coded<CellTroubleParams>;

/** What a cell changes of its item, or why it can't. */
export type CellRead = { ok: true; part: Partial<Item> } | Refusal<CellTrouble>;

/**
 * A column of a table of stock that can come in, too.
 *
 * `read` takes what a cell says in the one way {@link saidIn} writes it, never empty.
 */
export interface StockColumn extends Column<StockRow> {
  read?: (said: string, item: Item, ways: TableWays) => CellRead;
  /** What an empty cell makes of its item, where empty cells clear; absent: nothing. */
  clear?: (item: Item) => Partial<Item>;
}

type Plain =
  | 'noSuchHaul'
  | 'noSuchLine'
  | 'noSuchOwner'
  | 'noSuchGroup'
  | 'notYesOrNo'
  | 'dateUnread'
  | 'dataUnread'
  | 'optionsMissing'
  | 'codeTaken'
  | 'noCopies'
  | 'nothingSaid';
export function cellNo(code: Plain): { ok: false; why: CellTrouble } {
  return { ok: false, why: { code, params: NONE } };
}
