import { useLayoutEffect, useRef } from 'react';
import type { CellProps } from 'react-datasheet-grid';
import { View } from 'react-native';

import { USES, type Item } from '@/contract/records';
import { wordsForUse } from '@/core/condition/grade';
import type { Question } from '@/core/stock/questions';
import { PictureView } from '@/parts/trade/PictureView';
import { Text } from '@/parts/ui/Text';
import { kindsNow } from '@/store/items/kinds';
import { nameOf } from '@/store/items/names';
import { FONT } from '@/theme/theme';

/** One item in the grid: its answers as they are typed, by the question's target. */
export interface Row {
  id: string;
  item: Item;
  cells: Readonly<Record<string, string>>;
  /** Targets whose text could not be kept. */
  refused: readonly string[];
}

/** The row with another text in one cell. */
export function withCell(row: Row, target: string, text: string): Row {
  return { ...row, cells: { ...row.cells, [target]: text } };
}

/** Which item the row is: always in sight. */
export function ItemCell({ rowData }: { rowData: Row }) {
  const { item } = rowData;
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8, width: '100%', paddingHorizontal: 6 }}>
      <PictureView id={item.pictureIds[0]} alt="" style={{ width: 36, height: 36 }} />
      <View style={{ flex: 1 }}>
        <Text variant="small" figures numberOfLines={1}>
          {item.code}
        </Text>
        <Text variant="small" tone="soft" numberOfLines={1}>
          {nameOf(item)}
        </Text>
      </View>
    </View>
  );
}

const made = new Map<string, (props: CellProps<Row, unknown>) => React.JSX.Element>();

/** The cell of a question; the same component each time, so that what is being typed is not drawn anew. */
export function cellOf(question: Question): (props: CellProps<Row, unknown>) => React.JSX.Element {
  const { target, label } = question;
  const key = `${target} ${label}`;
  const known = made.get(key);
  if (known) return known;
  function Cell(props: CellProps<Row, unknown>) {
    return <TextCell {...props} target={target} label={label} />;
  }
  made.set(key, Cell);
  return Cell;
}

/** What the item's own kind offers to choose from. */
function choicesOf(item: Item, target: string): readonly string[] {
  if (target === 'use') return USES.map(wordsForUse);
  if (!target.startsWith('fact:')) return [];
  const spec = kindsNow().fact(item.kind, target.slice(5));
  return spec?.type === 'yesNo' ? ['Yes', 'No'] : (spec?.choices ?? []);
}

interface TextCellProps extends CellProps<Row, unknown> {
  target: string;
  label: string;
}

/** Shows the answer; an input that has the keys only while the cell is being written in. */
function TextCell({ rowData, setRowData, focus, disabled, target, label }: TextCellProps) {
  const input = useRef<HTMLInputElement>(null);
  const text = rowData.cells[target] ?? '';
  const latest = useRef({ rowData, setRowData, text });
  useLayoutEffect(() => {
    latest.current = { rowData, setRowData, text };
  });
  useLayoutEffect(() => {
    const element = input.current;
    if (!element || !focus) return;
    element.value = latest.current.text;
    element.focus();
    element.select();
    // Left by Enter, an arrow, a tap elsewhere: whichever way, what stands there is kept.
    return () => {
      const { rowData: row, setRowData: set, text: before } = latest.current;
      const typed = element.value;
      element.blur();
      if (typed !== before) set(withCell(row, target, typed));
    };
  }, [focus, target]);
  const choices = focus ? choicesOf(rowData.item, target) : [];
  const list = choices.length > 0 ? `choices-${target}-${rowData.id}` : undefined;
  return (
    <>
      <input
        ref={input}
        aria-label={`${label} of ${rowData.item.code}`}
        {...(focus ? { defaultValue: text } : { value: text, readOnly: true })}
        key={focus ? 'writing' : 'reading'}
        disabled={disabled}
        tabIndex={-1}
        list={list}
        data-refused={rowData.refused.includes(target) ? '' : undefined}
        style={{ pointerEvents: focus ? 'auto' : 'none', fontFamily: FONT.text, fontSize: 15 }}
        onKeyDown={(event) => {
          // Escape gives back what stood there.
          if (event.key === 'Escape' && input.current) input.current.value = text;
        }}
      />
      {list ? (
        <datalist id={list}>
          {choices.map((choice) => (
            <option key={choice} value={choice} />
          ))}
        </datalist>
      ) : null}
    </>
  );
}
