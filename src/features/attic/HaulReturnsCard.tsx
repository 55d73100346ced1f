import { extent } from 'd3-array';
import { scaleLinear, scaleTime } from 'd3-scale';
import { curveStepAfter, line } from 'd3-shape';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import Svg, { Line, Path, Text as SvgText } from 'react-native-svg';

import type { Haul } from '@/contract/records';
import { counted } from '@/core/language/plural';
import { haulReturns, type HaulReturns } from '@/core/ledger/haulReturns';
import { formatMoney } from '@/core/money/money';
import { columnsIn, scaleMoney } from '@/parts/figures/columns';
import { Drawn } from '@/parts/figures/Drawn';
import { useUnheard } from '@/parts/trade/Calm';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { dayWords } from '@/parts/ui/time';
import { useAttic } from '@/store/attic/attic';
import { useBooks, type Books } from '@/store/ledger/books';
import { FONT, useColours } from '@/theme/theme';

/** What a haul has brought of what it cost, since when it is paid back, and what is still to come. */
export function HaulReturnsCard({ haul, waiting }: { haul: Haul; waiting: number }) {
  const books = useBooks();
  return books ? <Brought haul={haul} waiting={waiting} books={books} /> : null;
}

function Brought({ haul, waiting, books }: { haul: Haul; waiting: number; books: Books }) {
  const items = useAttic((s) => s.items);
  const currency = useAttic((s) => s.settings.currency);
  const why = useUnheard();
  const money = (amount: number) => formatMoney(amount, currency);
  const returns = useMemo(
    () =>
      haulReturns(
        books.booked.filter((b) => b.haulId === haul.id),
        haul.cost,
      ),
    [books, haul.id, haul.cost],
  );
  const still = useMemo(
    () => books.stock.filter((s) => items[s.id]?.haulId === haul.id),
    [books, items, haul.id],
  );
  const asked = still.reduce((sum, s) => sum + (s.asked ?? 0) * s.pieces, 0);
  const up = still.filter((s) => s.leaves !== null);
  const leaves = up.reduce((sum, s) => sum + (s.leaves ?? 0) * s.pieces, 0);
  const column = columnsIn<HaulReturns['steps'][number]>(currency);
  const columns = [
    column.day('at', 'Day', (s) => s.at),
    column.money('brought', 'Brought by then', (s) => s.brought),
  ];
  return (
    <Card label="What it has brought">
      <Drawn
        title="What it has brought"
        words={
          returns.steps.length === 0
            ? (why ?? 'Nothing of it is sold yet.')
            : broughtWords(haul, returns, money)
        }
        file={`haul-${haul.name}`}
        columns={columns}
        rows={returns.steps}
        keyOf={(s) => String(returns.steps.indexOf(s))}
      >
        {returns.steps.length > 1 ? (
          <Course returns={returns} cost={haul.cost} say={scaleMoney(currency)} />
        ) : null}
      </Drawn>
      <Text figures>
        {still.length === 0
          ? 'Nothing of it is in stock.'
          : `Still to come: ${counted(still.length, 'item')} for ${money(asked)}` +
            (up.length > 0
              ? `; the ${up.length} that are up would leave ${money(leaves)}.`
              : '; none of them is up.')}
      </Text>
      {waiting > 0 ? (
        <Text variant="small" tone="soft">
          {`${counted(waiting, 'piece')} of it not taken in yet: nobody knows what they bring.`}
        </Text>
      ) : null}
    </Card>
  );
}

function broughtWords(
  haul: Haul,
  { brought, paidBackAt }: HaulReturns,
  money: (amount: number) => string,
): string {
  if (haul.cost === null)
    return `It brought ${money(brought)}. Say what it cost, to see when it is paid back.`;
  const so = `It brought ${money(brought)} of the ${money(haul.cost)} it cost`;
  const share = haul.cost > 0 ? ` (${Math.round((100 * brought) / haul.cost)} %)` : '';
  return paidBackAt === null
    ? `${so}${share}: ${money(haul.cost - brought)} are missing still.`
    : `${so}${share}. It has been paid back since ${dayWords(paidBackAt)}.`;
}

const [HEIGHT, FOOT, SIDE] = [140, 20, 52];

/** What it had brought by each day, against its cost. */
function Course(props: { returns: HaulReturns; cost: number | null; say: (amount: number) => string }) {
  const { returns, cost, say } = props;
  const { steps } = returns;
  const c = useColours();
  const [width, setWidth] = useState(320);
  const [first = 0, last = 1] = extent(steps, (s) => s.at);
  const [low = 0, high = 1] = extent([0, cost ?? 0, ...steps.map((s) => s.brought)]);
  const x = scaleTime([first, last], [SIDE, width - 8]);
  const y = scaleLinear([low, high], [HEIGHT - FOOT, 8]).nice(3);
  const path = line<(typeof steps)[number]>(
    (s) => x(s.at),
    (s) => y(s.brought),
  ).curve(curveStepAfter)(steps);
  const foot = { y: HEIGHT - 4, fontSize: 11, fontFamily: FONT.text, fill: c.soft } as const;
  return (
    <View
      role="img"
      aria-label={`What it brought, from ${dayWords(first)} to ${dayWords(last)}, against its cost`}
      onLayout={(e) => setWidth(e.nativeEvent.layout.width)}
    >
      <Svg width="100%" height={HEIGHT} viewBox={`0 0 ${width} ${HEIGHT}`} aria-hidden>
        {y.ticks(3).map((tick) => (
          <SvgText key={tick} {...foot} x={SIDE - 6} y={y(tick) + 4} textAnchor="end">
            {say(tick)}
          </SvgText>
        ))}
        <Line x1={SIDE} x2={width} y1={y(0)} y2={y(0)} stroke={c.soft} />
        {cost === null ? null : (
          <Line x1={SIDE} x2={width} y1={y(cost)} y2={y(cost)} stroke={c.brassInk} strokeDasharray="4 3" />
        )}
        {path ? <Path d={path} stroke={c.moss} strokeWidth={2.5} fill="none" /> : null}
        <SvgText {...foot} x={SIDE} textAnchor="start">
          {dayWords(first)}
        </SvgText>
        <SvgText {...foot} x={width - 8} textAnchor="end">
          {dayWords(last)}
        </SvgText>
      </Svg>
    </View>
  );
}
