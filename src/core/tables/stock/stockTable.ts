import type { Item } from '@/contract/records';

import type { StockColumn, StockRow, TableWays } from './column';
import { dataColumns } from './dataColumns';
import { kindColumns } from './kindColumns';
import { notedColumns, ownColumns } from './ownColumns';
import { pieceColumns } from './pieceColumns';

/**
 * Every column a table of stock can have, in their usual order: what it is, its specifics, its measurements,
 * how it is kept and sold, its pieces, what the attic notes of it, and all else as data.
 *
 * @param markets whose listings' addresses are among them
 */
export function stockColumns(
  ways: TableWays,
  markets: readonly { id: string; name: string }[] = [],
): StockColumn[] {
  const { first, last } = ownColumns(ways);
  const { facts, measures } = kindColumns(ways);
  return [
    ...first,
    ...facts,
    ...measures,
    ...last,
    ...pieceColumns(ways),
    ...notedColumns(ways, markets),
    ...dataColumns(),
  ];
}

/** The lines of one item: one, or one a piece where it is sold in choices. */
export function stockRows(
  item: Item,
  beside: Pick<StockRow, 'links' | 'sold'> = { links: {}, sold: 0 },
): StockRow[] {
  const pieces = item.choices?.pieces ?? [];
  return pieces.length === 0
    ? [{ item, piece: null, ...beside }]
    : pieces.map((piece) => ({ item, piece, ...beside }));
}

/** Saved whatever the items say. */
const ALWAYS = new Set(['code', 'kind', 'title', 'price', 'cost', 'spot', 'sold']);

/**
 * The columns saved unless a person chose otherwise: usual ones that say anything of these items.
 *
 * @param items all that are saved; each is looked at once, however many columns there are
 */
export function usualColumns(columns: readonly StockColumn[], items: readonly Item[]): StockColumn[] {
  const answered = new Set<string>();
  const open = new Set(
    columns.filter((c) => c.usual && !isOfKind(c) && c.sort !== 'link' && !ALWAYS.has(c.id)),
  );
  for (const item of items) {
    // What its kind does not ask is said, too.
    for (const { facts, measurements } of [item, item.parked]) {
      for (const id in facts) answered.add(`fact:${id}`);
      for (const id in measurements) answered.add(`measure:${id}`);
    }
    if (open.size === 0) continue;
    const rows = stockRows(item);
    for (const column of open)
      if (rows.some((row) => column.of(row) !== null && column.of(row) !== '')) {
        answered.add(column.id);
        open.delete(column);
      }
  }
  return columns.filter((c) => c.usual && (ALWAYS.has(c.id) || c.sort === 'link' || answered.has(c.id)));
}

/** One of the very many that only some kinds are asked. */
function isOfKind({ id }: StockColumn): boolean {
  return id.startsWith('fact:') || id.startsWith('measure:');
}
