import '@/contract/noEval';

import { expose } from 'comlink';

import type { Item, OwnKind, OwnSpecific } from '@/contract/records';
import { treeWith } from '@/core/kinds/own';
import { fromLocal, toLocal } from '@/core/tables/localTime';
import { Headings, headPrint, matchColumns, type Match } from '@/core/tables/match';
import {
  codeKey,
  indexOf,
  OUTCOMES,
  TableIn,
  type InOptions,
  type LinePlan,
  type Outcome,
} from '@/core/tables/planIn';
import {
  isPurchaseList,
  purchaseFields,
  purchasesIn,
  type BoughtLine,
  type PurchaseField,
} from '@/core/tables/purchases';
import { decodeText, headed, isBlank, jsonTable, textTable, type Headed } from '@/core/tables/read';
import { dateOrderOf, decimalOf, type FileWays, type RawCell } from '@/core/tables/said';
import type { StockColumn, TableWays } from '@/core/tables/stock/column';
import { isPieceColumn } from '@/core/tables/stock/pieceColumns';
import { stockColumns } from '@/core/tables/stock/stockTable';
import { workbookSheets } from '@/core/tables/xlsx';

import { filesIn } from './zipSizes';

/** What the page knows of the attic that a table is read by. */
export interface ReaderWays extends Omit<TableWays, 'kinds' | 'toLocal' | 'fromLocal'> {
  ownKinds: OwnKind[];
  ownSpecifics: OwnSpecific[];
}

/** A column's name and what it may be taken for, for a person to choose from. */
export interface FieldName {
  id: string;
  label: string;
}

export interface OpenedTable {
  sheets: string[];
  sheet: number;
  /** How its letters were told; empty: not by bytes of its own. */
  encoding: string;
  separator: string;
  print: string;
  matches: Match[];
  /** It looks like what was bought, in pieces and cases. */
  isPurchase: boolean;
  /** What a purchase list would take the columns for. */
  purchase: (PurchaseField | null)[];
  rows: number;
  decimal: FileWays['decimal'];
  dates: FileWays['dates'];
  /** Nothing in it says which way figures and dates are written. */
  unsure: { decimal: boolean; dates: boolean };
  /** What its columns may be taken for. */
  fields: FieldName[];
}

export interface TableCounts {
  of: Record<Outcome, number>;
  /** Of all outcomes. */
  all: number;
  /** New items, copies counted. */
  items: number;
}

/** What is shown of one line. */
export type ShownLine = Omit<LinePlan, 'part'> & { barcode: string };
/** What is taken of one line. */
export type TakenLine = Pick<LinePlan, 'line' | 'itemId' | 'code' | 'times' | 'part' | 'pictures' | 'name'>;

export interface TableReader {
  /** What it reads by; the items come after it, some at a time. */
  begin(ways: ReaderWays): void;
  addItems(items: Item[]): void;
  /** @throws Error whose message is a {@link TableTroubleCode} */
  open(file: Blob): Promise<void>;
  look(sheet: number, remembered: { print: string; fields: (string | null)[] }[]): OpenedTable;
  /** Begins to plan by what the columns are taken for. @returns how many items the table speaks of */
  start(fields: (string | null)[], options: InOptions): number;
  /** Plans some more. */
  plan(from: number, count: number): void;
  counts(except: number[]): TableCounts;
  /** Lines of one outcome, or all. */
  lines(outcome: Outcome | null, from: number, count: number): { lines: ShownLine[]; of: number };
  /** One line with what stands in its cells; null: there is none. */
  line(line: number): { plan: ShownLine; texts: string[] } | null;
  correct(line: number, column: number, text: string): void;
  choose(line: number, itemId: string | null): void;
  /** What is to be taken, by its place among all; left-out lines are not among it. */
  taken(from: number, count: number, except: number[]): TakenLine[];
  /** Numbers of the lines that would do something. */
  takeable(): number[];
  /** Barcodes of new items, in their one form. */
  barcodes(): string[];
  /** Codes of the new items to be taken. */
  codes(except: number[]): string[];
  purchases(fields: (PurchaseField | null)[], ways: FileWays): BoughtLine[];
}

export const TABLE_TROUBLES = ['tooLarge', 'tooManyRows', 'tooWide', 'nothing', 'unread', 'lost'] as const;
export type TableTroubleCode = (typeof TABLE_TROUBLES)[number];

/** The largest file taken, and the most that may come out of a packed one; bytes. */
const LARGEST = 60_000_000;
const LARGEST_INSIDE = 600_000_000;
/** How much of a text is looked at to see whether it is one, UTF-16 code units. */
const SEEN = 10_000;
const MOST_ROWS = 100_000;
const MOST_COLUMNS = 1_500;

class TableTrouble extends Error {
  constructor(code: TableTroubleCode) {
    super(code);
    this.name = 'TableTrouble';
  }
}

let ways: TableWays | null = null;
let columns: StockColumn[] = [];
let items: Item[] = [];
let sheets: { name: string; rows: readonly (readonly RawCell[])[] }[] = [];
let about = { encoding: '', separator: '' };
let table: Headed | null = null;
let incoming: TableIn | null = null;
let plans: LinePlan[] = [];

function told(): { ways: TableWays; table: Headed } {
  if (!ways || !table) throw new TableTrouble('lost');
  return { ways, table };
}
function planning(): TableIn {
  if (!incoming) throw new TableTrouble('lost');
  return incoming;
}

/** The rows of a file, whatever it is. */
async function rowsOf(file: Blob): Promise<void> {
  if (file.size > LARGEST) throw new TableTrouble('tooLarge');
  const bytes = new Uint8Array(await file.arrayBuffer());
  about = { encoding: '', separator: '' };
  if (bytes[0] === 0x50 && bytes[1] === 0x4b) {
    // What would fill the memory is found out before it is unpacked.
    // One that begins like a packed file and is none: said to the person just below, and nobody’s fault.
    const inside = await filesIn(file).catch(() => null);
    if (!inside) throw new TableTrouble('unread');
    if (inside.reduce((sum, f) => sum + f.size, 0) > LARGEST_INSIDE) throw new TableTrouble('tooLarge');
    sheets = await workbookSheets(file).catch((error: unknown) => {
      // Most likely the file’s own fault; whoever looks into it needs to know where.
      console.error('reading a spreadsheet:', error);
      throw new TableTrouble('unread');
    });
    return;
  }
  const { text, encoding } = decodeText(bytes);
  // No text has these: a picture, an old or locked spreadsheet.
  if (text.slice(0, SEEN).includes('\u0000')) throw new TableTrouble('unread');
  about.encoding = encoding;
  const records = jsonTable(text);
  const read = records ? null : textTable(text);
  about.separator = read?.separator ?? '';
  sheets = [{ name: '', rows: records ?? read?.rows ?? [] }];
}

const reader: TableReader = {
  begin({ ownKinds, ownSpecifics, ...rest }) {
    ways = { ...rest, kinds: treeWith(ownKinds, ownSpecifics), toLocal, fromLocal };
    columns = stockColumns(ways);
    items = [];
  },
  addItems(more) {
    items.push(...more);
  },
  async open(file) {
    table = null;
    incoming = null;
    plans = [];
    await rowsOf(file);
    if (sheets.every(({ rows }) => rows.every(isBlank))) throw new TableTrouble('nothing');
  },
  look(sheet, remembered) {
    if (!ways) throw new TableTrouble('lost');
    const rows = sheets[sheet]?.rows ?? [];
    if (rows.length > MOST_ROWS) throw new TableTrouble('tooManyRows');
    if (rows.some((row) => row.length > MOST_COLUMNS)) throw new TableTrouble('tooWide');
    const headings = new Headings(columns, ways);
    table = headed(rows, (h) => headings.isKnown(h) || purchaseFields([h])[0] !== null);
    const texts = table.rows
      .slice(0, 400)
      .flatMap(({ cells }) => cells.filter((c): c is string => typeof c === 'string'));
    const decimal = decimalOf(texts);
    const dates = dateOrderOf(texts);
    const file = { decimal: decimal ?? '.', dates: dates ?? 'dmy' } as const;
    const codes = new Set(items.map((i) => codeKey(i.code)));
    const matches = matchColumns(table.head, table.rows, headings, { ...ways, ...file }, codes);
    const print = headPrint(table.head);
    const before = remembered.find((m) => m.print === print && m.fields.length === matches.length);
    return {
      sheets: sheets.map((s) => s.name),
      sheet,
      ...about,
      print,
      matches: before
        ? matches.map((m, i) => ({ ...m, field: before.fields[i] ?? null, by: 'remembered' as const }))
        : matches,
      isPurchase:
        isPurchaseList(table.head) && !matches.some((m) => m.field === 'code' || m.field === 'fact:barcode'),
      purchase: purchaseFields(table.head),
      rows: table.rows.length,
      ...file,
      unsure: { decimal: decimal === null, dates: dates === null },
      fields: columns
        .filter((c) => c.read || c.id === 'code' || c.id === 'pictures' || isPieceColumn(c))
        .map(({ id, label }) => ({ id, label })),
    };
  },
  start(fields, options) {
    const now = told();
    incoming = new TableIn(
      now.table.rows,
      fields,
      now.table.head,
      columns,
      indexOf(items),
      now.ways,
      options,
    );
    plans = [];
    return incoming.length;
  },
  plan(from, count) {
    const there = planning();
    // Asked again for what is there already, it is planned anew.
    plans.length = Math.min(plans.length, from);
    for (let at = from; at < Math.min(from + count, there.length); at += 1) plans.push(there.plan(at));
  },
  counts(except) {
    const out = new Set(except);
    const of = Object.fromEntries(OUTCOMES.map((o) => [o, 0])) as TableCounts['of']; // every outcome named
    let made = 0;
    for (const { outcome, line, times } of plans) {
      of[outcome] += 1;
      if (outcome === 'new' && !out.has(line)) made += times;
    }
    return { of, all: plans.length, items: made };
  },
  lines(outcome, from, count) {
    const all = outcome === null ? plans : plans.filter((p) => p.outcome === outcome);
    return { lines: all.slice(from, from + count).map(shown), of: all.length };
  },
  line(line) {
    const there = planning();
    const plan = plans[there.placeOf(line)];
    return plan ? { plan: shown(plan), texts: there.texts(line) } : null;
  },
  correct: (line, column, text) => again(planning().correct(line, column, text)),
  choose: (line, itemId) => again(planning().choose(line, itemId)),
  taken(from, count, except) {
    const out = new Set(except);
    return plans
      .slice(from, from + count)
      .filter((p) => isTakeable(p) && !out.has(p.line))
      .map(({ line, itemId, code, times, part, pictures, name }) => ({
        line,
        itemId,
        code,
        times,
        part,
        pictures,
        name,
      }));
  },
  takeable: () => plans.filter(isTakeable).map((p) => p.line),
  barcodes: () => plans.flatMap((p) => (p.outcome === 'new' && p.part.facts?.barcode) || []),
  codes(except) {
    const out = new Set(except);
    return plans.flatMap((p) => (p.outcome === 'new' && p.code !== null && !out.has(p.line) ? p.code : []));
  },
  purchases(fields, file) {
    const now = told();
    return purchasesIn(now.table.rows, fields, file, now.ways.currency);
  },
};

function isTakeable({ outcome }: LinePlan): boolean {
  return outcome === 'new' || outcome === 'changes';
}

function shown({ part, ...plan }: LinePlan): ShownLine {
  return { ...plan, changes: plan.changes.slice(0, 40), barcode: part.facts?.barcode ?? '' };
}

/** Some places planned anew. */
function again(places: readonly number[]): void {
  for (const place of places) plans[place] = planning().plan(place);
}

expose(reader);
