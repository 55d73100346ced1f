import { View } from 'react-native';

import type { ClosingView, Sale } from '@/contract/courier';
import { Text } from '@/parts/ui/Text';
import { exactly } from '@/parts/ui/time';
import { useMarketName } from '@/store/courier/useMarketName';
import { Icon } from '@/theme/Icon';
import { useColours } from '@/theme/theme';

const OUTCOMES: Record<ClosingView['entries'][number]['outcome'], string> = {
  soldHere: 'sold here',
  goneAlready: 'was gone before',
  withdrawn: 'withdrawn',
  withdrawing: 'being withdrawn',
  soldToo: 'sold here as well',
};

/** The closing record: every marketplace with its time, the proof of "gone everywhere". */
export function ClosingRecord({ closing, sale }: { closing: ClosingView; sale: Sale }) {
  const c = useColours();
  const market = useMarketName();
  return (
    <View
      role="table"
      aria-label="Closing record"
      style={{ borderTopWidth: 1, borderColor: c.line, paddingTop: 6, gap: 2 }}
    >
      {closing.entries.map((entry) => {
        const open = entry.outcome === 'withdrawing';
        return (
          <View
            key={entry.market}
            role="row"
            style={{ flexDirection: 'row', alignItems: 'center', gap: 8, minHeight: 26 }}
          >
            <Icon name={open ? 'alert' : 'check'} colour={open ? c.brick : c.moss} size={17} />
            <Text role="cell" style={{ width: 108 }}>
              {market(entry.market)}
            </Text>
            <Text role="cell" tone={open ? 'trouble' : 'ink'} style={{ flex: 1 }}>
              {OUTCOMES[entry.outcome]}
            </Text>
            <Text
              role="cell"
              tone="soft"
              figures
              aria-label={entry.at === null ? 'not yet' : exactly(entry.at)}
            >
              {entry.at === null ? '—' : timeAfter(entry.at, sale.at)}
            </Text>
          </View>
        );
      })}
    </View>
  );
}

/** The moment of the sale as a clock time; the others as time after it. */
function timeAfter(at: number, saleAt: number): string {
  const after = (at - saleAt) / 1_000;
  if (after <= 0) return new Date(at).toLocaleTimeString('en-GB');
  return after < 100 ? `${after.toFixed(1)} s later` : `${Math.round(after / 60)} min later`;
}
