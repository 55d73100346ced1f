import { useMemo } from 'react';

import type { Item } from '@/contract/records';
import { ownAddress } from '@/core/listing/link';
import { fromLocal, toLocal } from '@/core/tables/localTime';
import type { StockColumn } from '@/core/tables/stock/column';
import { pictureName } from '@/core/tables/stock/ownColumns';
import { stockColumns, stockRows } from '@/core/tables/stock/stockTable';
import type { Column } from '@/core/tables/value';
import { setSettings, useAttic } from '@/store/attic/attic';
import { saveFile } from '@/store/base/files';
import { isoDay } from '@/store/base/isoDay';
import { keptWorker } from '@/store/base/workers';
import { yieldToMain } from '@/store/base/yieldToMain';
import { zipped } from '@/store/base/zip';
import { useCourier } from '@/store/courier/courierLink';
import { useWays } from '@/store/items/ways';
import { readShown } from '@/store/pictures/pictures';
import type { TableWriter } from '@/workers/tablewriter.worker';

/** Tables that can be saved. */
export const TABLES = ['stock', 'sales', 'hauls', 'payouts', 'consignors', 'diary'] as const;
export type TableName = (typeof TABLES)[number];
/** A column as a person chooses it. */
export type ColumnName = Pick<Column<never>, 'id' | 'label'>;
export type TableFormat = 'csv' | 'xlsx' | 'jsonl';

/** Rows worked out and told at a time. */
const PORTION = 25;

const worker = keptWorker<TableWriter>(
  'saving a table',
  () => new Worker(new URL('../../workers/tablewriter.worker.ts', window.location.href)),
);

export type Progress = (done: number, of: number) => void;

/** Every column a table of stock can have here, as names and marketplaces are now. */
export function useStockColumns(): StockColumn[] {
  const ways = useWays();
  const hauls = useAttic((s) => s.hauls);
  const owners = useAttic((s) => s.owners);
  const markets = useCourier((s) => s.markets);
  return useMemo(
    () => stockColumns({ ...ways, hauls, owners, toLocal, fromLocal }, markets),
    [ways, hauls, owners, markets],
  );
}

/** The columns that are saved: those a person chose, in that order, or the usual ones. */
export function columnsChosen<T extends ColumnName>(
  chosen: readonly string[] | undefined,
  all: readonly T[],
  usual: readonly T[],
): readonly T[] {
  if (!chosen) return usual;
  const byId = new Map(all.map((c) => [c.id, c]));
  return chosen.flatMap((id) => byId.get(id) ?? []);
}

export function chooseColumns(table: TableName, ids: readonly string[] | null): void {
  const { tables } = useAttic.getState().settings;
  const { [table]: _, ...others } = tables.columns;
  setSettings({ tables: { ...tables, columns: ids ? { ...others, [table]: [...ids] } : others } });
}

export function setTableWays(
  part: Partial<Record<'mark', boolean>> & {
    format?: TableFormat;
    separator?: ',' | ';' | '\t';
    decimal?: '.' | ',';
  },
): void {
  const { tables } = useAttic.getState().settings;
  setSettings({ tables: { ...tables, ...part } });
}

/** What stands beside items in a table of stock: where they can be seen, and how often they were sold. */
function besideNow() {
  const { items: views, markets } = useCourier.getState();
  return (item: Item) => {
    const view = views[item.id];
    const links: Record<string, string> = {};
    for (const { market, state, url } of view?.listings ?? []) {
      const home = markets.find((m) => m.id === market)?.home ?? null;
      // A link that leads anywhere but to its marketplace is not handed on.
      const address = state === 'live' && url ? ownAddress(url, home, window.location.href) : null;
      if (address !== null) links[market] = address;
    }
    const pieces = view?.pieceSales.length ?? 0;
    return { links, sold: pieces > 0 ? pieces : view?.sale ? 1 : 0 };
  };
}

/** Items as lines of a table of stock. */
export function stockSource(): (item: Item) => ReturnType<typeof stockRows> {
  const beside = besideNow();
  return (item) => stockRows(item, beside(item));
}

/**
 * Writes a table into a file in the person's own way of writing it, and hands it over.
 *
 * @param rowsOf the lines of one of the sources
 * @returns how many cells hold more than one of a spreadsheet can
 * @throws Expected in words for a person
 */
export async function saveTable<S, T>(
  name: string,
  columns: readonly Column<T>[],
  sources: readonly S[],
  rowsOf: (source: S) => readonly T[],
  progress: Progress = () => undefined,
): Promise<number> {
  const { format, separator, decimal, mark } = useAttic.getState().settings.tables;
  const heads = columns.map(({ id, label, sort, usual }) => ({ id, label, sort, usual }));
  await worker.ask.begin({ name, columns: heads, format, csv: { separator, decimal, mark } });
  let told = 0;
  for (let at = 0; at < sources.length; at += PORTION) {
    const rows = sources
      .slice(at, at + PORTION)
      .flatMap((source) => rowsOf(source).map((row) => columns.map((c) => c.of(row))));
    await worker.ask.add(told, rows);
    told += rows.length;
    progress(Math.min(at + PORTION, sources.length), sources.length);
    await yieldToMain();
  }
  const { file, tooLong } = await worker.ask.finish(told);
  saveFile(file, `${name}-${isoDay(Date.now())}.${format}`);
  return tooLong;
}

/** Pictures of items as they are shown, in one file, each by its item's code. @returns how many */
export async function savePictures(items: readonly Item[], progress: Progress): Promise<number> {
  const files: Record<string, Blob> = {};
  let n = 0;
  for (const [i, item] of items.entries()) {
    for (const [place, id] of item.pictureIds.entries()) {
      const blob = await readShown(id);
      if (!blob) continue;
      const name = pictureName(item.code, place);
      // Two codes may be one as a file's name.
      files[name in files ? `${item.id}-${name}` : name] = blob;
      n += 1;
    }
    progress(i + 1, items.length);
  }
  if (n > 0) saveFile(await zipped(files), `pictures-${isoDay(Date.now())}.zip`);
  return n;
}
