import { useLayoutEffect, useRef } from 'react';
import type { CellProps } from 'react-datasheet-grid';

import { USES, type Item } from '@/contract/records';
import { wordsForUse } from '@/core/condition/grade';
import type { Target } from '@/core/stock/bulk';
import { kindsNow } from '@/store/items/kinds';
import { FONT } from '@/theme/theme';

import { textOf, withCell, type Row } from './rows';

type CellOf = (props: CellProps<Row, unknown>) => React.JSX.Element;
const made = new Map<string, CellOf>();

/** The cell of a question; the same component each time, so that what is being typed is not drawn anew. */
export function cellOf(target: Target, label: string, isFigure: boolean): CellOf {
  const key = `${target} ${label}`;
  const known = made.get(key);
  if (known) return known;
  function Cell(props: CellProps<Row, unknown>) {
    return <TextCell {...props} target={target} label={label} isFigure={isFigure} />;
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
  target: Target;
  label: string;
  isFigure: boolean;
}

/** Shows the answer; an input that has the keys only while the cell is being written in. */
function TextCell(props: TextCellProps) {
  const { rowData, setRowData, focus, disabled, target, label, isFigure } = props;
  const input = useRef<HTMLInputElement>(null);
  const text = textOf(rowData, target);
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
        data-figure={isFigure ? '' : undefined}
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
