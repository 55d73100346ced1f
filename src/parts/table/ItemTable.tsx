import { useCallback, useMemo, useRef, useState, type ComponentType } from 'react';
import {
  DynamicDataSheetGrid,
  type CellProps,
  type Column,
  type DataSheetGridRef,
} from 'react-datasheet-grid';
import 'react-datasheet-grid/dist/style.css';

import type { Item } from '@/contract/records';
import type { Target, Ways } from '@/core/stock/bulk';
import { isAsked } from '@/core/stock/questions';
import { Notice } from '@/parts/ui/Notice';
import { TAKES_KEYS } from '@/parts/ui/shortcuts';
import { useColours } from '@/theme/theme';

import { Heading, type TableOrder } from './Heading';
import { lookOf } from './look';
import { useReachable } from './reachable';
import { textOf, useRows, withCell, type Row } from './rows';
import { cellOf } from './TextCell';

/** A column: answers that are written in place, or something that is only read. */
export type TableColumn = { id: string; label: string; unit?: string; width: number; grow?: number } & (
  { target: Target } | { Read: ComponentType<{ item: Item }> }
);

export interface ItemTableProps {
  /** Its name, said aloud. */
  label: string;
  list: readonly Item[];
  columns: readonly TableColumn[];
  ways: Ways;
  /** Pixels. */
  height: number;
  rowHeight?: number;
  /** The first column, always in sight: which item it is. */
  first: { label: string; width: number; Read: ComponentType<{ item: Item }> };
  /** Names of columns put the table in order. */
  order?: TableOrder | null;
  onOrder?: (by: string) => void;
  /** Width of a column as the person left it, pixels; its own where there is none. */
  widths?: Readonly<Record<string, number>>;
  onWidth?: (id: string, width: number) => void;
  /** Rows that are chosen. */
  chosen?: ReadonlySet<string> | null;
  /** Told of items that are about to be written in. */
  onWrite?: (ids: readonly string[]) => void;
}

const HEAD = 44;
/** The first column's id, where it is told of widths and order. */
export const FIRST = 'item';

/**
 * Many items in a table: typed, pasted from a spreadsheet, or dragged down. Every cell is stored by itself;
 * what it can't take stays to be seen, with why.
 */
export function ItemTable(props: ItemTableProps) {
  const { label, list, columns, ways, height, rowHeight = 44, chosen, onWrite } = props;
  const c = useColours();
  const labels = useMemo(() => Object.fromEntries(columns.map((one) => [one.id, one.label])), [columns]);
  const { rows, refused, put } = useRows(list, labels, ways);
  const { shown, gutter } = useColumns(props);
  const slips = Object.values(refused);
  const around = useRef<HTMLDivElement>(null);
  const grid = useRef<DataSheetGridRef>(null);
  useReachable(around, grid, label);
  const [writes, setWrites] = useState(false);
  const onActive = useCallback(({ cell }: { cell: unknown }) => setWrites(cell !== null), []);
  return (
    <div
      ref={around}
      style={{ display: 'flex', flexDirection: 'column', gap: 8, borderRadius: 10, overflow: 'hidden' }}
    >
      <style>{lookOf(c)}</style>
      {writes ? <span hidden {...TAKES_KEYS} /> : null}
      <DynamicDataSheetGrid<Row>
        ref={grid}
        className="attic-grid"
        value={rows}
        onChange={(next, operations) => {
          onWrite?.(operations.flatMap((o) => next.slice(o.fromRowIndex, o.toRowIndex).map((row) => row.id)));
          put(next);
        }}
        onActiveCellChange={onActive}
        columns={shown}
        gutterColumn={gutter}
        rowKey="id"
        rowHeight={rowHeight}
        headerRowHeight={HEAD}
        height={Math.min(height, HEAD + rows.length * rowHeight + 18)}
        rowClassName={({ rowData }) => (chosen?.has(rowData.id) ? 'attic-chosen' : undefined)}
        lockRows
        disableContextMenu
      />
      {slips.slice(0, 5).map(({ code, label: name, text, why }) => (
        <Notice key={`${code} ${name}`} tone="trouble">
          {`${name} of ${code}: “${text.slice(0, 60)}” was not kept. ${why}`}
        </Notice>
      ))}
    </div>
  );
}

/** Held as long as nothing about them changes: the table lays everything out anew for new ones. */
function useColumns({ columns, ways, first, order = null, onOrder, widths, onWidth }: ItemTableProps) {
  return useMemo(() => {
    const columnAt = (at: { id: string; label: string; width: number; grow: number }) => {
      const { id, label, grow } = at;
      const width = widths?.[id] ?? at.width;
      const title = (
        <Heading
          id={id}
          label={label}
          width={width}
          order={order}
          onOrder={onOrder && (() => onOrder(id))}
          onWidth={onWidth && ((next) => onWidth(id, next))}
        />
      );
      return { title, basis: width, minWidth: width, grow: widths?.[id] === undefined ? grow : 0, shrink: 0 };
    };
    const shown = columns.map((column): Partial<Column<Row, unknown, string>> => {
      const { id, label, unit, width, grow = 1 } = column;
      const named = unit ? `${label}, ${unit}` : label;
      return { id, ...columnAt({ id, label: named, width, grow }), ...cellsOf(column, ways) };
    });
    const gutter = { ...columnAt({ id: FIRST, ...first, grow: 0 }), component: readBy(first.Read) };
    return { shown, gutter };
  }, [columns, ways, first, order, onOrder, widths, onWidth]);
}

function cellsOf(column: TableColumn, ways: Ways): Partial<Column<Row, unknown, string>> {
  if ('Read' in column) return { component: readBy(column.Read), disabled: true };
  const { target, label, unit } = column;
  const unasked = (row: Row) => !isAsked(row.item, { target }, ways);
  return {
    component: cellOf(target, label, unit !== undefined),
    disabled: ({ rowData }) => unasked(rowData),
    cellClassName: ({ rowData }) => (unasked(rowData) ? 'attic-unasked' : undefined),
    copyValue: ({ rowData }) => textOf(rowData, target),
    pasteValue: ({ rowData, value }) =>
      withCell(rowData, target, String(value ?? '').replace(/[\r\n]+/gu, ' ')),
    deleteValue: ({ rowData }) => withCell(rowData, target, ''),
    isCellEmpty: ({ rowData }) => textOf(rowData, target) === '',
  };
}

const read = new WeakMap<
  ComponentType<{ item: Item }>,
  (props: CellProps<Row, unknown>) => React.JSX.Element
>();

/** The same component each time, so that what is drawn is not drawn anew. */
function readBy(Read: ComponentType<{ item: Item }>): (props: CellProps<Row, unknown>) => React.JSX.Element {
  const known = read.get(Read);
  if (known) return known;
  const Cell = ({ rowData }: CellProps<Row, unknown>) => <Read item={rowData.item} />;
  read.set(Read, Cell);
  return Cell;
}
