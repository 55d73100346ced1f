import { useMemo } from 'react';

import { cashOf, CASH_SORTS, type CashFlow, type CashSort } from '@/core/ledger/cash';
import { partsOf } from '@/core/ledger/period';
import { formatMoney } from '@/core/money/money';
import { Bars } from '@/parts/figures/Bars';
import { columnsIn, scaleMoney } from '@/parts/figures/columns';
import { Drawn } from '@/parts/figures/Drawn';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useMarketName } from '@/store/courier/useMarketName';
import type { Books } from '@/store/ledger/books';

import { partWords } from './spanWords';
import type { Chosen } from './useSpan';

const WORDS: Record<CashSort, string> = {
  payout: 'Paid out by marketplaces',
  hand: 'Paid by hand, less what was given back',
  bought: 'Hauls and what was bought alone',
  sent: 'Labels and packaging',
  consignor: 'Paid to consignors',
  fee: 'Fees paid by hand',
};

interface Part {
  key: string;
  from: number;
  name: string;
  short: string;
  flow: CashFlow;
}

/** Money that truly went in and out, on the day it did. */
export function Cash({ books, chosen }: { books: Books; chosen: Chosen }) {
  const { unit, span } = chosen;
  const currency = useAttic((s) => s.settings.currency);
  const market = useMarketName();
  const money = (amount: number) => formatMoney(amount, currency);
  const moves = useMemo(() => books.moves.filter((m) => m.at >= span.from && m.at < span.to), [books, span]);
  const flow = useMemo(() => cashOf(moves, span), [moves, span]);
  const parts = useMemo(
    (): Part[] =>
      partsOf(unit, span).map((part) => ({
        key: String(part.from),
        from: part.from,
        ...partWords(unit, part),
        flow: cashOf(moves, part),
      })),
    [moves, unit, span],
  );
  const column = columnsIn<Part>(currency);
  const columns = [
    column.day('from', unit === 'year' ? 'Month from' : 'Day', (p) => p.from),
    column.money('in', 'In', (p) => p.flow.in),
    column.money('out', 'Out', (p) => p.flow.out),
    column.money('left', 'In less out', (p) => p.flow.in - p.flow.out),
    ...CASH_SORTS.map((sort) => column.money(sort, WORDS[sort], (p) => p.flow.by[sort])),
  ];
  return (
    <Card label="Cash">
      <Drawn
        title="Cash"
        words={`In ${money(flow.in)}, out ${money(flow.out)}: ${money(flow.in - flow.out)}.`}
        file={`cash-${unit}`}
        columns={columns}
        rows={parts}
        keyOf={(p) => p.key}
      >
        <Bars
          label="In less out"
          say={scaleMoney(currency)}
          bars={parts.map((p) => ({ ...p, value: p.flow.in - p.flow.out }))}
        />
      </Drawn>
      {CASH_SORTS.filter((sort) => flow.by[sort] !== 0).map((sort) => (
        <Text key={sort} figures>
          {`${WORDS[sort]}: ${money(flow.by[sort])}`}
        </Text>
      ))}
      {books.unread.length > 0 ? (
        <Text variant="small" tone="soft">
          {`No statement was read yet of ${books.unread.map((m) => market(m)).join(', ')}: what ` +
            'they paid out is not in it.'}
        </Text>
      ) : null}
    </Card>
  );
}
