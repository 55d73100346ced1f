import { useCallback, useEffect, useMemo, useRef, useState, type RefObject } from 'react';
import { DataSheetGrid, type Column, type DataSheetGridRef } from 'react-datasheet-grid';
import { View } from 'react-native';
import 'react-datasheet-grid/dist/style.css';

import type { Item } from '@/contract/records';
import { planBulk, type BulkPlan, type Ways } from '@/core/stock/bulk';
import { cellText, isAsked, type Question } from '@/core/stock/questions';
import { Notice } from '@/parts/ui/Notice';
import { Text } from '@/parts/ui/Text';
import { applyBulk } from '@/store/items/bulk';
import { FONT, useColours } from '@/theme/theme';
import { typedTrouble } from '@/wording/typed';

import { cellOf, ItemCell, withCell, type Row } from './Cell';

const ROW = 44;
const HEAD = 44;

/**
 * Many items in a table of their own: typed, pasted from a spreadsheet, or dragged down. Every cell is
 * stored by itself.
 */
export function Grid(props: { list: readonly Item[]; questions: readonly Question[]; ways: Ways }) {
  const { list, questions, ways } = props;
  const c = useColours();
  const { rows, refused, put } = useRows(list, questions, ways);
  const columns = useMemo(() => questions.map((q) => columnOf(q, ways)), [questions, ways]);
  const gutter = useMemo(
    () => ({ basis: 190, minWidth: 190, grow: 0, shrink: 0, component: ItemCell, title: 'Item' }),
    [],
  );
  const slips = Object.values(refused);
  const around = useRef<View>(null);
  const grid = useRef<DataSheetGridRef>(null);
  useReachable(around, grid);
  return (
    <View
      ref={around}
      role="group"
      aria-label="Table of items"
      style={{ gap: 8, borderRadius: 10, overflow: 'hidden' }}
    >
      <style>{look(c)}</style>
      <DataSheetGrid<Row>
        ref={grid}
        className="attic-grid"
        value={rows}
        onChange={put}
        columns={columns}
        gutterColumn={gutter}
        rowKey="id"
        rowHeight={ROW}
        headerRowHeight={HEAD}
        height={Math.min(620, HEAD + rows.length * ROW + 18)}
        lockRows
        disableContextMenu
      />
      {slips.slice(0, 5).map(({ code, label, text, why }) => (
        <Notice key={`${code} ${label}`} tone="trouble">
          {`${label} of ${code}: “${text.slice(0, 60)}” was not kept. ${why}`}
        </Notice>
      ))}
      <Text variant="small" tone="soft">
        Arrow keys move, typing writes, Enter goes down. Cells can be copied from a spreadsheet and pasted
        here.
      </Text>
    </View>
  );
}

/** The table can be reached by the keyboard alone: with the focus comes its first cell. */
function useReachable(around: RefObject<View | null>, grid: RefObject<DataSheetGridRef | null>) {
  useEffect(() => {
    // On the web a View is its element.
    const outer = around.current as unknown as HTMLElement | null;
    if (!outer) return;
    const reach = () => {
      const frame = outer.querySelector<HTMLElement>('.dsg-container');
      if (frame && !frame.hasAttribute('tabindex')) frame.setAttribute('tabindex', '0');
    };
    const enter = ({ target }: FocusEvent) => {
      const isFrame = target instanceof HTMLElement && target.classList.contains('dsg-container');
      if (isFrame && !grid.current?.activeCell && target.matches(':focus-visible'))
        grid.current?.setActiveCell({ col: 0, row: 0 });
    };
    reach();
    // The frame comes once its size is known.
    const watch = new MutationObserver(reach);
    watch.observe(outer, { childList: true, subtree: true });
    outer.addEventListener('focusin', enter);
    return () => {
      watch.disconnect();
      outer.removeEventListener('focusin', enter);
    };
  }, [around, grid]);
}

interface Slip {
  code: string;
  label: string;
  text: string;
  why: string;
}

/** The rows as they stand in the records; what could not be kept stays to be seen, with the reason. */
function useRows(list: readonly Item[], questions: readonly Question[], ways: Ways) {
  const [refused, setRefused] = useState<Readonly<Record<string, Slip>>>({});
  const rows = useMemo(
    () =>
      list.map((item): Row => {
        const cells: Record<string, string> = {};
        for (const { target } of questions)
          cells[target] = refused[`${item.id} ${target}`]?.text ?? cellText(item, target, ways);
        return { id: item.id, item, cells, refused: refusedOf(refused, item.id) };
      }),
    [list, questions, ways, refused],
  );
  const put = useCallback(
    (next: Row[]) => {
      const slips: Record<string, Slip> = { ...refused };
      const plan: BulkPlan = { changes: [], refused: [], same: 0 };
      next.forEach((row, i) => {
        const before = rows[i];
        if (!before || before === row || before.id !== row.id) return;
        let now = row.item;
        for (const q of questions) {
          const text = row.cells[q.target] ?? '';
          if (text === before.cells[q.target]) continue;
          const key = `${row.id} ${q.target}`;
          delete slips[key];
          const action =
            text.trim() === '' ? { type: 'clear' as const } : { type: 'set' as const, value: text };
          const one = planBulk([now], q.target, action, ways);
          const no = one.refused[0];
          if (no) slips[key] = { code: now.code, label: q.label, text, why: typedTrouble(no.why) };
          const done = one.changes[0];
          if (!done) continue;
          now = { ...now, ...done.part };
          // One part an item: several cells of a row may have been pasted at once.
          const earlier = plan.changes.find((ch) => ch.id === row.id);
          if (earlier) Object.assign(earlier.part, done.part);
          else plan.changes.push(done);
        }
      });
      setRefused(slips);
      void applyBulk('table', plan, { quietly: plan.changes.length < 2 });
    },
    [rows, questions, ways, refused],
  );
  return { rows, refused, put };
}

function refusedOf(all: Readonly<Record<string, Slip>>, id: string): readonly string[] {
  return Object.keys(all).flatMap((key) => (key.startsWith(`${id} `) ? key.slice(id.length + 1) : []));
}

function columnOf(question: Question, ways: Ways): Partial<Column<Row, unknown, string>> {
  const { target, label, unit } = question;
  const wide = target === 'title' ? 340 : target.startsWith('measure:') ? 110 : 140;
  return {
    id: target,
    title: unit ? `${label}, ${unit}` : label,
    basis: wide,
    minWidth: wide,
    grow: target === 'title' ? 2 : 1,
    component: cellOf(question),
    disabled: ({ rowData }) => !isAsked(rowData.item, question, ways),
    copyValue: ({ rowData }) => rowData.cells[target] ?? '',
    pasteValue: ({ rowData, value }) =>
      withCell(rowData, target, String(value ?? '').replace(/[\r\n]+/gu, ' ')),
    deleteValue: ({ rowData }) => withCell(rowData, target, ''),
    isCellEmpty: ({ rowData }) => !rowData.cells[target],
  };
}

/** The grid in the house's colours. */
function look(c: ReturnType<typeof useColours>): string {
  return `.attic-grid { --dsg-border-color: ${c.line}; --dsg-selection-border-color: ${c.moss};
    --dsg-selection-background-color: ${c.moss}14; --dsg-cell-background-color: ${c.surface};
    --dsg-cell-disabled-background-color: ${c.ground}; --dsg-header-text-color: ${c.soft};
    --dsg-header-active-text-color: ${c.ink}; --dsg-corner-indicator-width: 10px; color: ${c.ink};
    font-family: '${FONT.text}'; font-size: 15px; }
    .attic-grid .dsg-cell-header-container { padding: 0 8px; font: inherit; }
    .attic-grid input { font: inherit; color: inherit; background: none; border: 0; outline: 0;
      width: 100%; padding: 0 8px; }
    .attic-grid input::placeholder { color: ${c.soft}; }
    .attic-grid [data-refused] { color: ${c.brick}; text-decoration: underline wavy; }`;
}
