import '@/contract/noEval';

import { expose } from 'comlink';

import { csvHead, csvValues, type CsvWays } from '@/core/tables/csv';
import { jsonLines } from '@/core/tables/jsonLines';
import type { Column, Value } from '@/core/tables/value';
import { xlsxFile, type Written } from '@/core/tables/xlsx';

/** A column without what it reads from: the rows come as values. */
export type ColumnHead = Omit<Column<never>, 'of'>;
export interface TableHead {
  name: string;
  columns: ColumnHead[];
  format: 'csv' | 'xlsx' | 'jsonl';
  csv: CsvWays;
}

export interface TableWriter {
  begin(head: TableHead): void;
  /**
   * @param at how many rows were told before: a worker that was started anew knows of none
   * @throws Error where it knows of others
   */
  add(at: number, rows: Value[][]): void;
  finish(rows: number): Promise<Written>;
}

let head: TableHead | null = null;
let rows: Value[][] = [];

function known(at: number): TableHead {
  if (!head || rows.length !== at) throw new Error('the rows before these are not known');
  return head;
}

const writer: TableWriter = {
  begin(next) {
    head = next;
    rows = [];
  },
  add(at, more) {
    known(at);
    rows.push(...more);
  },
  async finish(count) {
    const { name, columns, format, csv } = known(count);
    const asked = columns.map((c) => ({ ...c, of: () => null }));
    const all = rows;
    rows = [];
    if (format === 'xlsx') return xlsxFile(asked, all, name);
    const parts = format === 'csv' ? [csvHead(asked, csv)] : [];
    // A text a thousand rows: no single one grows too long.
    for (let at = 0; at < all.length; at += 1_000) {
      const some = all.slice(at, at + 1_000);
      parts.push(format === 'csv' ? csvValues(some, csv) : jsonLines(asked, some));
    }
    const type = format === 'csv' ? 'text/csv;charset=utf-8' : 'application/jsonl';
    return { file: new Blob(parts, { type }), tooLong: 0 };
  },
};

expose(writer);
