import { keysOf } from '@/contract/fields';
import type { Item } from '@/contract/records';

import { unitIn } from './match';
import { saidIn, type FileWays, type RawCell } from './said';
import { canonicalBarcode } from '../identity/gtin';
import { cellNo, type CellTrouble, type StockColumn, type TableWays } from './stock/column';
import { FRESH_ITEM } from './stock/dataColumns';
import { isPieceColumn, readPiece, saysPiece } from './stock/pieceColumns';
import { textOf } from './value';

/** By what a line's item is found: its code alone, or else its barcode where one item alone has that. */
export const FOUND_BY = ['code', 'barcode'] as const;
export type FoundBy = (typeof FOUND_BY)[number];

export interface InOptions extends FileWays {
  foundBy: FoundBy;
  /** An empty cell clears the field of an item there is; else it says nothing. */
  emptyClears: boolean;
  /** A line is taken without the cells that can't be read; else all of it waits until they are put right. */
  leaveUnread: boolean;
}

/** One change that a line would make; of a new item all that it begins with. */
export interface LineChange {
  /** The column's id. */
  field: string;
  label: string;
  before: string;
  after: string;
}

/** Why something of a line can't be taken. */
export interface LineTrouble {
  /** Which cell; null: the line itself. */
  column: number | null;
  text: string;
  why: CellTrouble;
}

export const OUTCOMES = ['new', 'changes', 'same', 'refused'] as const;
export type Outcome = (typeof OUTCOMES)[number];

/** What one line of a table would do; several lines, where they are pieces of one item. */
export interface LinePlan {
  /** Its number in the file, from 1. */
  line: number;
  outcome: Outcome;
  /** The item it is about; null: a new one. */
  itemId: string | null;
  /** What to call it. */
  name: string;
  /** That many new ones. */
  times: number;
  changes: LineChange[];
  troubles: LineTrouble[];
  /** What to put into the record. */
  part: Partial<Item>;
  /** The code a new one is to have; null: one by the pattern. */
  code: string | null;
  /** Names of its picture files. */
  pictures: string[];
}

/** What a line is of, and which of several are one item. */
export interface InLine {
  line: number;
  cells: RawCell[];
}

/** The items there are, as lines are held against them. */
export interface ItemIndex {
  items: ReadonlyMap<string, Item>;
  /** Ids by code in small letters. */
  codes: ReadonlyMap<string, string>;
  /** Ids by barcode in its one form. */
  barcodes: ReadonlyMap<string, readonly string[]>;
}

export function indexOf(items: Iterable<Item>): ItemIndex {
  const all = new Map<string, Item>();
  const codes = new Map<string, string>();
  const barcodes = new Map<string, string[]>();
  for (const item of items) {
    all.set(item.id, item);
    codes.set(codeKey(item.code), item.id);
    const { barcode } = item.facts;
    if (!barcode) continue;
    const known = barcodes.get(barcode);
    if (known) known.push(item.id);
    else barcodes.set(barcode, [item.id]);
  }
  return { items: all, codes, barcodes };
}

/** How codes are compared. */
export function codeKey(code: string): string {
  return code.trim().toLocaleLowerCase('en');
}

/** More copies of one line are slips. */
const MOST_COPIES = 999;
/** What a record has of its own accord and no table gives it. */
const OWN = new Set<keyof Item>(['id', 'code', 'number', 'author', 'createdAt', 'updatedAt']);

/** Troubles of a line as a whole: without that cell it would be another line. */
const OF_LINES = new Set<CellTrouble['code']>(['codeTwice', 'codeTaken', 'noCopies', 'nothingSaid']);

interface Taken {
  at: number;
  column: StockColumn;
  /** What its heading says its figures are in; empty: nothing. */
  unit: string;
}

/** A table that comes in, line by line: what each line would do to the items there are. */
export class TableIn {
  private readonly fields: Taken[];
  private readonly pieces: Taken[];
  private readonly at: Readonly<Record<'code' | 'barcode' | 'times' | 'pictures', number>>;
  /** Lines that are one item, by their first. */
  private readonly together = new Map<number, InLine[]>();
  /** The first line of each code, to find a second. */
  private readonly firstOf = new Map<string, number>();
  /** What a person said a line is, by its number; null: a new one. */
  private readonly chosen = new Map<number, string | null>();

  /**
   * @param fields what each column of the file is taken for: ids of columns, `times`, or null
   * @param head its headings
   * @param columns all that can come in
   */
  constructor(
    private readonly lines: readonly InLine[],
    fields: readonly (string | null)[],
    head: readonly string[],
    columns: readonly StockColumn[],
    private readonly index: ItemIndex,
    private readonly ways: TableWays,
    private readonly options: InOptions,
  ) {
    const found = columns.flatMap((column): Taken[] => {
      const at = fields.indexOf(column.id);
      return at < 0 ? [] : [{ at, column, unit: unitOf(column, head[at] ?? '') }];
    });
    this.fields = found.filter(({ column }) => column.read);
    this.pieces = found.filter(({ column }) => isPieceColumn(column));
    const place = (id: string) => fields.indexOf(id);
    this.at = {
      code: place('code'),
      barcode: place('fact:barcode'),
      times: place('times'),
      pictures: place('pictures'),
    };
    this.gather();
  }

  /** How many items the table speaks of. */
  get length(): number {
    return this.heads.length;
  }

  private heads: InLine[] = [];

  /** Pieces of one item stand in lines of their own with its code. */
  private gather(): void {
    const byCode = new Map<string, InLine[]>();
    for (const line of this.lines) {
      const code = codeKey(this.said(line, this.at.code));
      const known = code === '' ? undefined : byCode.get(code);
      if (known && this.pieces.length > 0 && saysPiece(this.pieceSaid(line))) {
        known.push(line);
        continue;
      }
      const lines = [line];
      this.together.set(line.line, lines);
      this.heads.push(line);
      if (code === '') continue;
      if (!known) byCode.set(code, lines);
      if (!this.firstOf.has(code)) this.firstOf.set(code, line.line);
    }
  }

  /** What an item of the table would do, by its place among them. */
  plan(place: number): LinePlan {
    const head = this.heads[place];
    if (!head) throw new RangeError('no such line');
    const troubles: LineTrouble[] = [];
    const found = this.itemOf(head, troubles);
    const said = this.said(head, this.at.code).trim();
    const before = found ?? (said === '' ? FRESH_ITEM : { ...FRESH_ITEM, code: said });
    const changes = new Map<string, LineChange>();
    let now: Item = before;
    for (const line of this.together.get(head.line) ?? [head]) {
      now = this.cellsOf(line, now, found, changes, troubles);
      now = this.pieceOf(line, now, changes, troubles);
    }
    const times = found ? 1 : this.timesOf(head, troubles);
    const pictures = this.said(head, this.at.pictures)
      .split(/[;|,\n]/u)
      .map((name) => name.trim())
      .filter(Boolean);
    if (!found && changes.size === 0 && said === '' && troubles.length === 0)
      troubles.push({ column: null, text: '', why: cellNo('nothingSaid').why });
    const isRefused = troubles.some(
      (t) => !this.options.leaveUnread || OF_LINES.has(t.why.code) || t.column === this.at.code,
    );
    return {
      line: head.line,
      outcome: isRefused ? 'refused' : !found ? 'new' : changes.size > 0 ? 'changes' : 'same',
      itemId: found?.id ?? null,
      name: this.nameOf(head, now, found),
      times,
      changes: [...changes.values()],
      troubles,
      part: isRefused ? {} : partOf(before, now),
      code: found ? null : said || null,
      pictures,
    };
  }

  /** Puts another text in place of a cell. @returns places of items among all that are to be planned anew */
  correct(line: number, column: number, text: string): number[] {
    const found = this.lines.find((l) => l.line === line);
    if (!found) return [];
    const before = codeKey(this.said(found, this.at.code));
    found.cells[column] = text;
    const place = this.placeOf(line);
    if (column !== this.at.code) return [place];
    // Who else has the old code, or the new one, is no second any more, or is one now.
    const codes = [before, codeKey(text)];
    this.firstOf.clear();
    const touched: number[] = [];
    for (const [i, head] of this.heads.entries()) {
      const code = codeKey(this.said(head, this.at.code));
      if (code !== '' && !this.firstOf.has(code)) this.firstOf.set(code, head.line);
      if (i === place || (code !== '' && codes.includes(code))) touched.push(i);
    }
    return touched;
  }

  /** A person says which item a line is of; null: a new one. @returns places to be planned anew */
  choose(line: number, itemId: string | null): number[] {
    this.chosen.set(line, itemId);
    const place = this.placeOf(line);
    return place < 0 ? [] : [place];
  }

  /** What stands in a line's cells, as text. */
  texts(line: number): string[] {
    return (this.lines.find((l) => l.line === line)?.cells ?? []).map((c) =>
      saidIn(c, 'words', this.options),
    );
  }

  /** The place of a line's item among all; below nought: there is no such line. */
  placeOf(line: number): number {
    return this.heads.findIndex((head) =>
      (this.together.get(head.line) ?? [head]).some((one) => one.line === line),
    );
  }

  private said({ cells }: InLine, at: number): string {
    return at < 0 ? '' : saidIn(cells[at], 'words', this.options);
  }

  private pieceSaid(line: InLine): Record<string, string> {
    return Object.fromEntries(
      this.pieces.map(({ at, column }) => [column.id, saidIn(line.cells[at], column.sort, this.options)]),
    );
  }

  /** The item a line is about; null: a new one. */
  private itemOf(head: InLine, troubles: LineTrouble[]): Item | null {
    const said = this.chosen.get(head.line);
    const code = codeKey(this.said(head, this.at.code));
    if (said === null && this.index.codes.has(code))
      troubles.push({
        column: this.at.code,
        text: this.said(head, this.at.code),
        why: cellNo('codeTaken').why,
      });
    if (said !== undefined) return said === null ? null : (this.index.items.get(said) ?? null);
    const first = code === '' ? undefined : this.firstOf.get(code);
    if (first !== undefined && first !== head.line)
      troubles.push({
        column: this.at.code,
        text: this.said(head, this.at.code),
        why: { code: 'codeTwice', params: { line: first } },
      });
    if (code.length > 60)
      troubles.push({
        column: this.at.code,
        text: code,
        why: { code: 'tooLong', params: { length: code.length, most: 60 } },
      });
    const byCode = this.index.codes.get(code);
    if (byCode !== undefined) return this.index.items.get(byCode) ?? null;
    if (this.options.foundBy !== 'barcode') return null;
    const same = this.index.barcodes.get(canonicalBarcode(this.said(head, this.at.barcode))) ?? [];
    const [only, second] = same;
    return only !== undefined && second === undefined ? (this.index.items.get(only) ?? null) : null;
  }

  private cellsOf(
    line: InLine,
    before: Item,
    found: Item | null,
    changes: Map<string, LineChange>,
    troubles: LineTrouble[],
  ): Item {
    let now = before;
    for (const { at, column, unit } of this.fields) {
      const said = saidIn(line.cells[at], column.sort, this.options);
      const text = unit !== '' && /^\s*[\d.]+\s*$/u.test(said) ? `${said.trim()} ${unit}` : said;
      const own = shownOf(column, now);
      if (isSame(text, own)) continue;
      const isEmpty = text.trim() === '';
      if (isEmpty && !(found && this.options.emptyClears && column.clear)) continue;
      const read = isEmpty
        ? { ok: true as const, part: column.clear?.(now) ?? {} }
        : column.read?.(column.sort === 'words' ? text : text.trim(), now, this.ways);
      if (!read) continue;
      if (!read.ok) {
        troubles.push({ column: at, text: saidIn(line.cells[at], 'words', this.options), why: read.why });
        continue;
      }
      const next = { ...now, ...read.part };
      const after = shownOf(column, next);
      if (after === own) continue;
      const first = changes.get(column.id)?.before ?? own;
      changes.set(column.id, { field: column.id, label: column.label, before: first, after });
      now = next;
    }
    return now;
  }

  private pieceOf(
    line: InLine,
    before: Item,
    changes: Map<string, LineChange>,
    troubles: LineTrouble[],
  ): Item {
    if (this.pieces.length === 0) return before;
    const said = this.pieceSaid(line);
    if (!saysPiece(said)) return before;
    const read = readPiece(said, before, this.ways);
    if (!read.ok) {
      troubles.push({
        column: this.pieces[0]?.at ?? null,
        text: Object.values(said).join(' '),
        why: read.why,
      });
      return before;
    }
    const next = { ...before, ...read.part };
    if (JSON.stringify(next.choices) === JSON.stringify(before.choices)) return before;
    const was = changes.get('pieces')?.before ?? piecesShown(before);
    changes.set('pieces', { field: 'pieces', label: 'Pieces', before: was, after: piecesShown(next) });
    return next;
  }

  private timesOf(head: InLine, troubles: LineTrouble[]): number {
    const said = this.at.times < 0 ? '' : saidIn(head.cells[this.at.times], 'figure', this.options).trim();
    if (said === '') return 1;
    const times = /^\d{1,6}(?:\.0+)?$/u.test(said) ? Number(said) : NaN;
    if (times > 0 && times <= MOST_COPIES) return times;
    const why: CellTrouble =
      times === 0 ? cellNo('noCopies').why : { code: 'copiesUnread', params: { most: MOST_COPIES } };
    troubles.push({ column: this.at.times, text: said, why });
    return 1;
  }

  private nameOf(head: InLine, now: Item, found: Item | null): string {
    const code = found?.code ?? this.said(head, this.at.code).trim();
    const words = now.title || now.facts.model || now.facts.barcode || now.description.slice(0, 80);
    return [code, words].filter(Boolean).join(' · ').slice(0, 160);
  }
}

/** The unit a file writes a column in, where that is not the one we write it in. */
function unitOf(column: StockColumn, heading: string): string {
  if (column.sort !== 'length' && column.sort !== 'weight') return '';
  const unit = unitIn(heading);
  return unit === unitIn(column.label) ? '' : unit;
}

/** What a column says of an item: of its first piece, where it is sold in choices. */
function shownOf(column: StockColumn, item: Item): string {
  return textOf(column.of({ item, piece: null, links: {}, sold: 0 }));
}

function isSame(said: string, own: string): boolean {
  return said === own || plainLines(said) === plainLines(own);
}

/** Spreadsheets write line ends in their own ways. */
function plainLines(text: string): string {
  return text.replace(/\r\n?/gu, '\n').trim();
}

function piecesShown({ choices }: Item): string {
  return (choices?.pieces ?? [])
    .map((p) => `${p.values.join(', ')}: ${p.stock}`)
    .join('; ')
    .slice(0, 400);
}

/** The fields that are not as they were. */
function partOf(before: Item, now: Item): Partial<Item> {
  return Object.fromEntries(
    keysOf(now).flatMap((key) => (OWN.has(key) || now[key] === before[key] ? [] : [[key, now[key]]])),
  );
}
