import { useMemo } from 'react';
import { View } from 'react-native';

import type { RuleSheet } from '@/contract/ruleSheet';
import { plural } from '@/core/language/plural';
import type { OutLine } from '@/core/outgoing/lines';
import { FillInButton } from '@/parts/trade/FillInButton';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useWide } from '@/theme/theme';

import { whyWords } from './OutRow';

/** So many reasons are named. */
const FEW = 4;

/** What does not go, and what goes with a caution, by reasons; and the way to put all of it right at once. */
export function Reasons({ lines, sheets }: { lines: readonly OutLine[]; sheets: readonly RuleSheet[] }) {
  const wide = useWide();
  const stopped = useMemo(() => lines.filter((l) => l.says === 'stopped'), [lines]);
  const cautious = useMemo(() => lines.filter((l) => l.says === 'cautious'), [lines]);
  const ids = [...new Set(stopped.map((l) => l.item))];
  return (
    <>
      {stopped.length > 0 ? (
        <Card label="What does not go" tone="trouble">
          <Text variant="strong">
            {plural(stopped.length, 'One listing is stopped', `${stopped.length} listings are stopped`)}
          </Text>
          <ByReason label="Why they are stopped" lines={stopped} sheets={sheets} />
          <View style={wide ? { alignSelf: 'flex-start' } : null}>
            <FillInButton ids={ids} />
          </View>
        </Card>
      ) : null}
      {cautious.length > 0 ? (
        <Card label="What goes with a caution">
          <ByReason label="What to think of" lines={cautious} sheets={sheets} />
        </Card>
      ) : null}
    </>
  );
}

/** The reasons of some lines, the commonest first, each with how many it is said of, and where. */
function ByReason(props: { label: string; lines: readonly OutLine[]; sheets: readonly RuleSheet[] }) {
  const { label, lines, sheets } = props;
  const reasons = useMemo(() => {
    const found = new Map<string, { items: Set<string>; markets: Set<string> }>();
    for (const line of lines) {
      const words = whyWords(line);
      const one = found.get(words) ?? { items: new Set(), markets: new Set() };
      one.items.add(line.item);
      one.markets.add(line.market);
      found.set(words, one);
    }
    return [...found].sort((a, b) => b[1].items.size - a[1].items.size);
  }, [lines]);
  const nameOf = (market: string) => sheets.find((s) => s.marketplace === market)?.name ?? market;
  const whereOf = (markets: ReadonlySet<string>) =>
    markets.size > 2 ? `${markets.size} marketplaces` : [...markets].map(nameOf).join(' and ');
  return (
    <View role="list" aria-label={label} style={{ gap: 4 }}>
      {reasons.slice(0, FEW).map(([words, { items, markets }]) => (
        <View key={words} role="listitem">
          <Text figures>
            {`${plural(items.size, 'One item', `${items.size} items`)}, ${whereOf(markets)}: ${words}`}
          </Text>
        </View>
      ))}
      {reasons.length > FEW ? (
        <Text variant="small" tone="soft">{`and ${reasons.length - FEW} more reasons`}</Text>
      ) : null}
    </View>
  );
}
