import { useState } from 'react';
import { ScrollView, View } from 'react-native';

import { csvLines } from '@/core/tables/csv';
import { textOf, type Column } from '@/core/tables/value';
import { useAsyncAction } from '@/parts/trade/useAsyncAction';
import { Button } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { Text } from '@/parts/ui/Text';
import { saveTable } from '@/store/tables/tableOut';
import { useColours } from '@/theme/theme';

/** A column of figures: as it is saved, and as a person reads it. */
export interface FigureColumn<T> extends Column<T> {
  say: (row: T) => string;
}

/** The figures behind a drawing: read aloud line by line, copied into a spreadsheet, or saved as a file. */
export function FigureTable<T>(props: {
  /** What it is of; also the saved file's name. */
  label: string;
  file: string;
  columns: readonly FigureColumn<T>[];
  rows: readonly T[];
  keyOf: (row: T) => string;
}) {
  const { label, file, columns, rows, keyOf } = props;
  const { run, busy, trouble } = useAsyncAction();
  const [copied, setCopied] = useState<readonly T[] | null>(null);
  const copy = () =>
    run(async () => {
      await navigator.clipboard.writeText(pasteable(columns, rows));
      setCopied(rows);
    });
  return (
    <View style={{ gap: 8 }}>
      <Lines label={label} columns={columns} rows={rows} keyOf={keyOf} />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <Button disabled={busy} label={`Copy the table: ${label}`} onPress={copy}>
          {copied === rows ? 'Copied' : 'Copy'}
        </Button>
        <Button
          icon="down"
          disabled={busy}
          label={`Save the table: ${label}`}
          onPress={() => run(async () => void (await saveTable(file, columns, rows, (row) => [row])))}
        >
          Save
        </Button>
      </View>
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
    </View>
  );
}

function Lines<T>(props: {
  label: string;
  columns: readonly FigureColumn<T>[];
  rows: readonly T[];
  keyOf: (row: T) => string;
}) {
  const { label, columns, rows, keyOf } = props;
  const c = useColours();
  const line = {
    flexDirection: 'row',
    borderBottomWidth: 1,
    borderColor: c.line,
    paddingVertical: 6,
  } as const;
  return (
    <ScrollView horizontal tabIndex={0} role="region" aria-label={`${label}, to scroll sideways`}>
      <View role="table" aria-label={label} style={{ minWidth: '100%' }}>
        <View role="row" style={line}>
          {columns.map((column, i) => (
            <View key={column.id} role="columnheader" style={cell(column, i)}>
              <Text variant="small" tone="soft">
                {column.label}
              </Text>
            </View>
          ))}
        </View>
        {rows.map((row) => (
          <View key={keyOf(row)} role="row" style={line}>
            {columns.map((column, i) => (
              <View key={column.id} role={i === 0 ? 'rowheader' : 'cell'} style={cell(column, i)}>
                <Text variant="small" figures={i > 0}>
                  {column.say(row)}
                </Text>
              </View>
            ))}
          </View>
        ))}
      </View>
    </ScrollView>
  );
}

function cell<T>({ sort }: Column<T>, place: number) {
  return {
    flexGrow: 1,
    width: place === 0 ? 128 : 96,
    paddingRight: 10,
    alignItems: sort === 'words' || sort === 'day' ? ('flex-start' as const) : ('flex-end' as const),
  };
}

/** Lines that a spreadsheet takes when they are pasted. */
function pasteable<T>(columns: readonly FigureColumn<T>[], rows: readonly T[]): string {
  return csvLines(
    [
      columns.map((column) => column.label),
      ...rows.map((row) =>
        columns.map((column) => {
          const value = column.of(row);
          return typeof value === 'number' ? value : textOf(value);
        }),
      ),
    ],
    '\t',
  );
}
