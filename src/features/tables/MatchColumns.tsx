import { useState } from 'react';
import { View } from 'react-native';

import { counted } from '@/core/language/plural';
import { Button } from '@/parts/ui/Button';
import { OneOf } from '@/parts/ui/Choices';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import {
  chooseSheet,
  planTable,
  putTableAway,
  setField,
  setOptions,
  useTableIn,
  waysToFind,
} from '@/store/tables/tableIn';
import type { FieldName, OpenedTable } from '@/workers/tablereader.worker';

import { ColumnLine } from './ColumnLine';
import { Purchases } from './Purchases';

type Sort = 'items' | 'purchases';
const TIMES: FieldName = { id: 'times', label: 'Copies' };

/** What each column of the table is: guessed, shown with what stands in it, and said otherwise by a tap. */
export function MatchColumns() {
  const opened = useTableIn((s) => s.opened);
  const [sort, setSort] = useState<Sort | null>(null);
  if (!opened) return null;
  const is = sort ?? (opened.isPurchase ? 'purchases' : 'items');
  return (
    <>
      <About opened={opened} sort={is} onSort={setSort} />
      {is === 'items' ? <ItemColumns opened={opened} /> : <Purchases opened={opened} />}
    </>
  );
}

function About(props: { opened: OpenedTable; sort: Sort; onSort: (sort: Sort) => void }) {
  const { opened, sort, onSort } = props;
  const name = useTableIn((s) => s.name);
  const { decimal, dates } = useTableIn((s) => s.options);
  const { sheets, sheet, rows, encoding, unsure } = opened;
  const told = [counted(rows, 'line'), encoding === '' ? '' : encoding.toUpperCase()].filter(Boolean);
  return (
    <Card label="What it is">
      <Text variant="heading">{name}</Text>
      <Text tone="soft" figures>
        {told.join(' · ')}
      </Text>
      {sheets.length > 1 ? (
        <OneOf
          label="Sheet"
          options={sheets.map((s, i) => [String(i), s] as const)}
          value={String(sheet)}
          onChoose={(s) => void chooseSheet(Number(s))}
        />
      ) : null}
      <OneOf
        label="Each line is"
        options={[
          ['items', 'an item'],
          ['purchases', 'something bought'],
        ]}
        value={sort}
        onChoose={onSort}
      />
      <OneOf
        label={unsure.decimal ? 'Figures: nothing in it says which' : 'Figures'}
        options={[
          ['.', '1,234.50'],
          [',', '1.234,50'],
        ]}
        value={decimal}
        onChoose={(d) => setOptions({ decimal: d })}
      />
      {unsure.dates ? null : (
        <OneOf
          label="Dates"
          options={[
            ['dmy', 'day first'],
            ['mdy', 'month first'],
          ]}
          value={dates}
          onChoose={(d) => setOptions({ dates: d })}
        />
      )}
      <View style={{ alignItems: 'flex-start' }}>
        <Button variant="quiet" onPress={putTableAway}>
          Another table
        </Button>
      </View>
    </Card>
  );
}

function ItemColumns({ opened }: { opened: OpenedTable }) {
  const fields = useTableIn((s) => s.fields);
  const options = useTableIn((s) => s.options);
  const [open, setOpen] = useState<number | null>(null);
  const names = [...opened.fields, TIMES];
  const taken = fields.filter((f) => f !== null).length;
  return (
    <>
      <Card label="Columns">
        <Text variant="heading" figures>{`${taken} of ${counted(fields.length, 'column')} taken`}</Text>
        {opened.matches.map((match, i) => (
          <ColumnLine
            key={i}
            heading={match.heading || `Column ${i + 1}`}
            samples={match.samples}
            field={names.find((n) => n.id === fields[i]) ?? null}
            by={fields[i] === match.field ? match.by : 'person'}
            names={names}
            isOpen={open === i}
            onOpen={() => setOpen(open === i ? null : i)}
            onChoose={(id) => {
              setField(i, id);
              setOpen(null);
            }}
          />
        ))}
      </Card>
      <Card label="Items there are">
        {waysToFind(fields).length > 1 ? (
          <OneOf
            label="A line is about an item here when it has"
            options={[
              ['code', 'its code'],
              ['barcode', 'its code, or its barcode alone'],
            ]}
            value={options.foundBy}
            onChoose={(foundBy) => setOptions({ foundBy })}
          />
        ) : null}
        <OneOf
          label="An empty cell"
          options={[
            ['no', 'says nothing'],
            ['yes', 'empties that of the item'],
          ]}
          value={options.emptyClears ? 'yes' : 'no'}
          onChoose={(said) => setOptions({ emptyClears: said === 'yes' })}
        />
      </Card>
      <Button variant="main" disabled={taken === 0} onPress={() => void planTable()}>
        See what it would do
      </Button>
    </>
  );
}
