import { useLayoutEffect, useRef } from 'react';
import { View } from 'react-native';
import type { CellProps } from 'react-datasheet-grid';

import { USES, type Thing } from '@/contract/records';
import { wordsForUse } from '@/core/condition/grade';
import type { Question } from '@/core/stock/questions';
import { PictureView } from '@/parts/PictureView';
import { Words } from '@/parts/Words';
import { kindsNow } from '@/store/kinds';
import { FONT } from '@/theme/theme';
import { nameOf } from '@/store/names';

/** One thing in the grid: its answers as they are typed, by the question's target. */
export interface Row {
  id: string;
  thing: Thing;
  cells: Readonly<Record<string, string>>;
  /** Targets whose text could not be kept. */
  refused: readonly string[];
}

/** The row with another text in one cell. */
export function withCell(row: Row, target: string, text: string): Row {
  return { ...row, cells: { ...row.cells, [target]: text } };
}

/** Which thing the row is: always in sight. */
export function ThingCell({ rowData }: { rowData: Row }) {
  const { thing } = rowData;
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8, width: '100%', paddingHorizontal: 6 }}>
      <PictureView id={thing.pictureIds[0]} alt="" style={{ width: 36, height: 36 }} />
      <View style={{ flex: 1 }}>
        <Words kind="small" figures numberOfLines={1}>
          {thing.code}
        </Words>
        <Words kind="small" tone="soft" numberOfLines={1}>
          {nameOf(thing)}
        </Words>
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

/** What the thing's own kind offers to choose from. */
function choicesOf(thing: Thing, target: string): readonly string[] {
  if (target === 'use') return USES.map(wordsForUse);
  if (!target.startsWith('fact:')) return [];
  const spec = kindsNow().fact(thing.kind, target.slice(5));
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
  const choices = focus ? choicesOf(rowData.thing, target) : [];
  const list = choices.length > 0 ? `choices-${target}-${rowData.id}` : undefined;
  return (
    <>
      <input
        ref={input}
        aria-label={`${label} of ${rowData.thing.code}`}
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
