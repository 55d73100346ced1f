import { useLocalSearchParams } from 'expo-router';
import { useDeferredValue, useMemo, useState } from 'react';
import { View } from 'react-native';

import type { Item } from '@/contract/records';
import { counted, plural } from '@/core/language/plural';
import { EVERYTHING, filtered } from '@/core/stock/filter';
import { groupWords } from '@/core/stock/groups';
import { usualColumns } from '@/core/tables/stock/stockTable';
import { useAsyncAction } from '@/parts/trade/useAsyncAction';
import { Button, Chip, ChipRow } from '@/parts/ui/Button';
import { OneOf } from '@/parts/ui/Choices';
import { Notice } from '@/parts/ui/Notice';
import { Card, Page } from '@/parts/ui/Page';
import { Said } from '@/parts/ui/Said';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useAround } from '@/store/derived/useAround';
import { useMany } from '@/store/items/many';
import { useBooks } from '@/store/tables/books';
import {
  columnsChosen,
  saveTable,
  setTableWays,
  stockSource,
  TABLES,
  useStockColumns,
  type TableName,
} from '@/store/tables/tableOut';

import { AlsoOut } from './AlsoOut';
import { ColumnChoice } from './ColumnChoice';

const TABLE_WORDS: Record<TableName, string> = {
  stock: 'Stock',
  sales: 'Sales',
  hauls: 'Hauls',
  payouts: 'Payouts',
  consignors: 'Consignors',
  diary: 'Diary',
};

/** What is owned and what was sold, as tables for other programs. */
export function TablesOut() {
  const { of } = useLocalSearchParams<{ of?: string }>();
  const [table, setTable] = useState<TableName>('stock');
  return (
    <Page title="Save tables" back="/attic">
      <Card label="Which table">
        <OneOf
          label="Which table"
          options={TABLES.map((t) => [t, TABLE_WORDS[t]] as const)}
          value={table}
          onChoose={setTable}
        />
      </Card>
      {table === 'stock' ? <StockOut isChosen={of === 'chosen'} /> : <BookOut key={table} table={table} />}
      <AlsoOut />
    </Page>
  );
}

/** Which items go out: all, those chosen in stock, a group. */
function useScope(isChosen: boolean) {
  const items = useDeferredValue(useAttic((s) => s.items));
  const groups = useAttic((s) => s.groups);
  const chosen = useMany((s) => s.ids);
  const [scope, setScope] = useState<string>(isChosen ? 'chosen' : 'all');
  const around = useAround(EVERYTHING);
  const list = useMemo((): readonly Item[] => {
    if (scope === 'chosen') return chosen.flatMap((id) => items[id] ?? []);
    const all = Object.values(items);
    return scope === 'all' ? all : filtered(all, { ...EVERYTHING, groupId: scope }, around);
  }, [scope, chosen, items, around]);
  const options = [
    ['all', `All ${Object.keys(items).length}`] as const,
    ...(isChosen ? [['chosen', `The ${chosen.length} chosen`] as const] : []),
    ...Object.keys(groups).map((id) => [id, groupWords(groups, id)] as const),
  ];
  return { list, scope, setScope, options };
}

function StockOut({ isChosen }: { isChosen: boolean }) {
  const { list, scope, setScope, options } = useScope(isChosen);
  const columns = useStockColumns();
  const usual = useMemo(() => usualColumns(columns, list), [columns, list]);
  const kept = useAttic((s) => s.settings.tables.columns.stock);
  const chosen = useMemo(() => columnsChosen(kept, columns, usual), [kept, columns, usual]);
  return (
    <>
      {options.length > 1 ? (
        <Card label="Which items">
          <OneOf label="Which items" options={options} value={scope} onChoose={setScope} />
        </Card>
      ) : null}
      <HowWritten />
      <ColumnChoice table="stock" all={columns} usual={usual} chosen={chosen} />
      <SaveIt
        words={plural(list.length, 'Save 1 item', `Save ${list.length} items`)}
        isNothing={list.length === 0}
        save={(progress) => saveTable('stock', chosen, list, stockSource(), progress)}
      />
    </>
  );
}

function BookOut({ table }: { table: Exclude<TableName, 'stock'> }) {
  const book = useBooks()[table];
  const { columns } = book;
  const kept = useAttic((s) => s.settings.tables.columns[table]);
  const chosen = useMemo(() => columnsChosen(kept, columns, columns), [kept, columns]);
  const count = useMemo(() => book.count(), [book]);
  return (
    <>
      <HowWritten />
      <ColumnChoice table={table} all={columns} usual={columns} chosen={chosen} />
      <SaveIt
        words={plural(count, 'Save 1 line', `Save ${count} lines`)}
        isNothing={count === 0}
        save={(progress) => book.save(chosen, progress)}
      />
    </>
  );
}

/** The file's sort, and how it writes what can be written in several ways. */
function HowWritten() {
  const { format, separator, decimal, mark } = useAttic((s) => s.settings.tables);
  return (
    <Card label="How it is written">
      <OneOf
        label="File"
        options={[
          ['csv', 'CSV'],
          ['xlsx', 'Spreadsheet (.xlsx)'],
          ['jsonl', 'JSON Lines'],
        ]}
        value={format}
        onChoose={(f) => setTableWays({ format: f })}
      />
      {format === 'csv' ? (
        <>
          <OneOf
            label="Between cells"
            options={[
              [',', 'Comma'],
              [';', 'Semicolon'],
              ['\t', 'Tab'],
            ]}
            value={separator}
            onChoose={(s) => setTableWays({ separator: s })}
          />
          <OneOf
            label="Figures"
            options={[
              ['.', '24.50'],
              [',', '24,50'],
            ]}
            value={decimal}
            onChoose={(d) => setTableWays({ decimal: d })}
          />
          <ChipRow label="For old spreadsheets" radio={false}>
            <Chip role="checkbox" on={mark} onPress={() => setTableWays({ mark: !mark })}>
              Marked as UTF-8 for old spreadsheets
            </Chip>
          </ChipRow>
        </>
      ) : null}
    </Card>
  );
}

interface SaveItProps {
  words: string;
  isNothing: boolean;
  save: (progress: (done: number, of: number) => void) => Promise<number>;
}

function SaveIt({ words, isNothing, save }: SaveItProps) {
  const { run, busy, trouble } = useAsyncAction();
  const [done, setDone] = useState<string | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const [tooLong, setTooLong] = useState(0);
  const press = () =>
    run(async () => {
      setSaid(null);
      setTooLong(0);
      const left = await save((n, of) => setDone(`${n} of ${of} …`));
      setDone(null);
      setTooLong(left);
      setSaid('Saved.');
    });
  return (
    <View style={{ gap: 8 }}>
      <Button variant="main" icon="down" disabled={busy || isNothing} onPress={press}>
        {busy ? (done ?? 'Saving …') : words}
      </Button>
      {isNothing ? <Text tone="soft">There is nothing to save yet.</Text> : null}
      <Said words={said} />
      {tooLong > 0 ? (
        <Notice tone="caution">
          {`${counted(tooLong, 'cell')} hold more than a spreadsheet takes, and were left empty. CSV and ` +
            'JSON Lines take all of it.'}
        </Notice>
      ) : null}
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
    </View>
  );
}
