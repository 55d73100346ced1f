import { group } from 'd3-array';
import { startTransition, useMemo, useState } from 'react';
import { View } from 'react-native';

import {
  DIMENSIONS,
  AGES,
  keyBy,
  partFigures,
  soldByAge,
  type Dimension,
  type PartFigures,
} from '@/core/ledger/parts';
import { profit, takeHome, within } from '@/core/ledger/sums';
import { formatMoney } from '@/core/money/money';
import { columnsIn, percent } from '@/parts/figures/columns';
import { Drawn } from '@/parts/figures/Drawn';
import { Button } from '@/parts/ui/Button';
import { OneOf } from '@/parts/ui/Choices';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import type { Books } from '@/store/ledger/books';
import { useColours } from '@/theme/theme';

import { useNames } from './useNames';
import type { Chosen } from './useSpan';

const WORDS: Record<Dimension, string> = {
  market: 'Marketplace',
  kind: 'Kind',
  brand: 'Brand',
  haul: 'Haul',
  source: 'Source',
  consignor: 'Consignor',
  person: 'Person',
};
/** Shown at first: the rest by a tap, or in the table. */
const FEW = 8;

interface Row extends PartFigures {
  name: string;
  byAge: readonly (number | null)[];
}

/** Sales put together by where, what, whence and by whom. */
export function ByPart({ books, chosen }: { books: Books; chosen: Chosen }) {
  const { span, day } = chosen;
  const [dimension, setDimension] = useState<Dimension>('market');
  const currency = useAttic((s) => s.settings.currency);
  const postings = useMemo(() => within(books.postings, span), [books, span]);
  const nameOf = useNames(dimension, books.postings);
  const ages = useByAge(books, dimension, day);
  const parts = useMemo(() => partFigures(postings, dimension), [postings, dimension]);
  const rows = parts.map((p): Row => ({ ...p, name: nameOf(p.key), byAge: ages.get(p.key) ?? [] }));
  const { words, money, count, share } = columnsIn<Row>(currency);
  const columns = [
    words('name', WORDS[dimension], (r) => r.name),
    count('sold', 'Sold', (r) => r.sums.sold),
    money('takings', 'Takings', (r) => r.sums.takings),
    money('takeHome', 'Take-home', (r) => takeHome(r.sums)),
    money('shares', 'Shares', (r) => r.sums.shares),
    money('cost', 'Cost', (r) => r.sums.cost),
    money('profit', 'What stays', (r) => profit(r.sums)),
    share('returnOnCost', 'Return on cost', (r) => r.returnOnCost),
    count('medianDays', 'Days to sell, median', (r) => r.medianDays),
    share('reached', 'Of the first price', (r) => r.reached),
    share('cameBack', 'Came back', (r) => r.cameBack),
    ...(dimension === 'market'
      ? []
      : AGES.map((age, i) => share(`by${age}`, `Sold by day ${age}`, (r) => r.byAge[i] ?? null))),
  ];
  return (
    <Card label="By part">
      <OneOf
        label="Put together by"
        options={DIMENSIONS.map((d) => [d, WORDS[d]] as const)}
        value={dimension}
        onChoose={(next) => startTransition(() => setDimension(next))}
      />
      <Drawn
        title={`By ${WORDS[dimension].toLocaleLowerCase('en')}`}
        words={rows.length === 0 ? 'Nothing was sold in this time.' : null}
        file={`by-${dimension}`}
        columns={columns}
        rows={rows}
        keyOf={(r) => r.key}
      >
        <Rows key={dimension} rows={rows} currency={currency} />
      </Drawn>
    </Card>
  );
}

/** The share sold by each age, of everything that ever was here. */
function useByAge(books: Books, dimension: Dimension, day: number): Map<string, (number | null)[]> {
  return useMemo(() => {
    if (dimension === 'market') return new Map();
    const stays = group(books.stays, keyBy(dimension));
    return new Map([...stays].map(([key, of]) => [key, soldByAge(of, day)]));
  }, [books, dimension, day]);
}

function Rows({ rows, currency }: { rows: readonly Row[]; currency: string }) {
  const [all, setAll] = useState(false);
  const most = Math.max(1, ...rows.map((r) => Math.abs(profit(r.sums))));
  return (
    <View style={{ gap: 10 }}>
      {(all ? rows : rows.slice(0, FEW)).map((row) => (
        <PartRow key={row.key} row={row} most={most} currency={currency} />
      ))}
      {rows.length > FEW && !all ? (
        <Button variant="quiet" onPress={() => setAll(true)}>{`Show all ${rows.length}`}</Button>
      ) : null}
    </View>
  );
}

function PartRow({ row, most, currency }: { row: Row; most: number; currency: string }) {
  const c = useColours();
  const stays = profit(row.sums);
  const money = (amount: number) => formatMoney(amount, currency);
  const { sold, cost } = row.sums;
  const about = [
    `${sold} sold`,
    `take-home ${money(takeHome(row.sums))}`,
    row.returnOnCost === null ? '' : `${percent(row.returnOnCost)} on a cost of ${money(cost)}`,
    row.medianDays === null ? '' : `${Math.round(row.medianDays)} days to sell`,
    row.reached === null ? '' : `${percent(row.reached)} of the first price`,
    row.cameBack ? `${percent(row.cameBack)} came back` : '',
  ];
  return (
    <View style={{ gap: 3 }}>
      <View style={{ flexDirection: 'row', gap: 8, alignItems: 'baseline' }}>
        <Text variant="strong" style={{ flex: 1 }} numberOfLines={1}>
          {row.name}
        </Text>
        <Text variant="strong" figures>
          {money(stays)}
        </Text>
      </View>
      <View style={{ height: 8, borderRadius: 4, backgroundColor: c.raised }} aria-hidden>
        <View
          style={{
            height: 8,
            borderRadius: 4,
            width: `${(Math.abs(stays) / most) * 100}%`,
            backgroundColor: stays < 0 ? c.brick : c.moss,
          }}
        />
      </View>
      <Text variant="small" tone="soft" figures>
        {about.filter(Boolean).join(' · ')}
      </Text>
    </View>
  );
}
