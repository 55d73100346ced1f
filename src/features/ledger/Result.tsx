import { useMemo, useState } from 'react';
import { View } from 'react-native';

import { counted } from '@/core/language/plural';
import { partsOf } from '@/core/ledger/period';
import { profit, sumOf, takeHome, within, type Posting, type Sums } from '@/core/ledger/sums';
import { formatMoney } from '@/core/money/money';
import { Bars } from '@/parts/figures/Bars';
import { columnsIn, scaleMoney } from '@/parts/figures/columns';
import { Drawn } from '@/parts/figures/Drawn';
import { OneOf } from '@/parts/ui/Choices';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import type { Books } from '@/store/ledger/books';
import { useColours, useWide } from '@/theme/theme';

import { partWords, spanWords } from './spanWords';
import type { Chosen } from './useSpan';

const DRAWN = [
  ['takings', 'Takings'],
  ['takeHome', 'Take-home'],
  ['profit', 'What stays'],
] as const;
type DrawnFigure = (typeof DRAWN)[number][0];

function figureOf(of: DrawnFigure, sums: Sums): number {
  return of === 'takings' ? sums.takings : of === 'takeHome' ? takeHome(sums) : profit(sums);
}

/** What came in, what went out of it and what stays, against the time before. */
export function Result({ books, chosen }: { books: Books; chosen: Chosen }) {
  const wide = useWide();
  const { span, before } = chosen;
  const now = useMemo(() => sumOf(within(books.postings, span)), [books, span]);
  const was = useMemo(() => sumOf(within(books.postings, before)), [books, before]);
  return (
    <View style={wide ? { flexDirection: 'row', alignItems: 'flex-start', gap: 12 } : { gap: 12 }}>
      <View style={wide ? { width: 430 } : null}>
        <Card label="Result">
          <Statement now={now} was={was} chosen={chosen} />
        </Card>
      </View>
      <View style={wide ? { flex: 1, minWidth: 0 } : null}>
        <Card label="Over time">
          <OverTime postings={books.postings} chosen={chosen} />
        </Card>
      </View>
    </View>
  );
}

/** A line of the statement: what it is called, and its amount; what is taken off is below nothing. */
interface Line {
  id: string;
  name: string;
  of: (sums: Sums) => number;
  /** A result of the lines above. */
  isSum?: boolean;
}

const LINES: readonly Line[] = [
  { id: 'takings', name: 'Takings', of: (s) => s.takings },
  { id: 'postage', name: 'Postage paid by buyers', of: (s) => s.postage },
  { id: 'given', name: 'Given back', of: (s) => 0 - s.given },
  { id: 'fees', name: 'Fees', of: (s) => 0 - s.fees },
  { id: 'sent', name: 'Posting and packing', of: (s) => 0 - s.sent },
  { id: 'takeHome', name: 'Take-home', of: takeHome, isSum: true },
  { id: 'shares', name: 'Consignors’ shares', of: (s) => 0 - s.shares },
  { id: 'cost', name: 'Cost of what was sold', of: (s) => 0 - s.cost },
  { id: 'profit', name: 'What stays', of: profit, isSum: true },
];

function Statement({ now, was, chosen }: { now: Sums; was: Sums; chosen: Chosen }) {
  const c = useColours();
  const currency = useAttic((s) => s.settings.currency);
  const money = (amount: number) => formatMoney(amount, currency);
  return (
    <View style={{ gap: 2 }}>
      <Text variant="heading">Result</Text>
      <Text tone="soft" figures>
        {soldWords(now)}
      </Text>
      <View style={{ flexDirection: 'row', justifyContent: 'flex-end' }}>
        <Text variant="small" tone="soft" style={{ textAlign: 'right' }}>
          {beforeWords(chosen)}
        </Text>
      </View>
      {LINES.map(({ id, name, of, isSum }) => (
        <View
          key={id}
          style={{
            flexDirection: 'row',
            alignItems: 'baseline',
            gap: 8,
            paddingVertical: 4,
            borderTopWidth: isSum ? 1.5 : 0,
            borderColor: c.line,
          }}
        >
          <Text variant={isSum ? 'strong' : 'body'} style={{ flex: 1 }}>
            {name}
          </Text>
          <Text variant={isSum ? 'strong' : 'body'} figures aria-label={`${name}: ${money(of(now))}`}>
            {money(of(now))}
          </Text>
          <Text
            variant="small"
            tone="soft"
            figures
            style={{ width: 88, textAlign: 'right' }}
            aria-label={`before: ${money(of(was))}`}
          >
            {money(of(was))}
          </Text>
        </View>
      ))}
      {now.costUnknown > 0 ? (
        <Text variant="small" tone="soft">
          {`Nobody said what ${counted(now.costUnknown, 'of them', 'of them')} cost: it counts as nothing.`}
        </Text>
      ) : null}
    </View>
  );
}

function soldWords({ sold, undone }: Sums): string {
  const came = undone > 0 ? `, ${undone} came back or came to nothing` : '';
  return `${sold} sold${came}`;
}

function beforeWords({ unit, before, goesOn }: Chosen): string {
  const span = spanWords(unit, { from: before.from, to: Math.max(before.to, before.from + 1) });
  return goesOn ? `on the right: as much of ${span}` : `on the right: ${span}`;
}

interface Part {
  key: string;
  from: number;
  name: string;
  short: string;
  now: Sums;
  was: Sums | null;
}

function OverTime({ postings, chosen }: { postings: readonly Posting[]; chosen: Chosen }) {
  const { unit, span, before } = chosen;
  const currency = useAttic((s) => s.settings.currency);
  const [figure, setFigure] = useState<DrawnFigure>('takeHome');
  const parts = useMemo((): Part[] => {
    const [mine, theirs] = [within(postings, span), within(postings, before)];
    const was = partsOf(unit, before);
    return partsOf(unit, span).map((part, i) => ({
      key: String(part.from),
      from: part.from,
      ...partWords(unit, part),
      now: sumOf(within(mine, part)),
      was: was[i] ? sumOf(within(theirs, was[i])) : null,
    }));
  }, [postings, unit, span, before]);
  const { day, money, count } = columnsIn<Part>(currency);
  const columns = [
    day('from', unit === 'year' ? 'Month from' : 'Day', (p) => p.from),
    count('sold', 'Sold', (p) => p.now.sold),
    ...LINES.map(({ id, name, of }) => money(id, name, (p) => of(p.now))),
    ...LINES.filter((l) => l.isSum).map(({ id, name, of }) =>
      money(`${id}Before`, `${name} before`, (p) => p.was && of(p.was)),
    ),
  ];
  const words = DRAWN.find(([id]) => id === figure)?.[1] ?? '';
  return (
    <Drawn
      title={unit === 'year' ? 'Month by month' : 'Day by day'}
      file={`result-${unit}`}
      columns={columns}
      rows={parts}
      keyOf={(p) => p.key}
    >
      <OneOf label="Drawn" options={DRAWN} value={figure} onChoose={setFigure} />
      <Bars
        label={words}
        before={`the ${unit} before`}
        say={scaleMoney(currency)}
        bars={parts.map((p) => ({
          key: p.key,
          name: p.name,
          short: p.short,
          value: figureOf(figure, p.now),
          before: p.was && figureOf(figure, p.was),
        }))}
      />
    </Drawn>
  );
}
