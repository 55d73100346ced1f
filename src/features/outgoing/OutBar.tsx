import { View } from 'react-native';

import type { CellTotals } from '@/core/listing/cells';
import type { OutLine, Wish } from '@/core/outgoing/lines';
import { BottomBar } from '@/parts/ui/BottomBar';
import { Button } from '@/parts/ui/Button';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { useWide } from '@/theme/theme';

import { moneyWords } from './words';

/** What goes in all, and the one button; stays at the bottom. */
export function OutBar(props: {
  wish: Exclude<Wish, 'revise'>;
  lines: readonly OutLine[];
  going: readonly OutLine[];
  totals: CellTotals;
  /** They go at a time of their own. */
  later: boolean;
  onBegin: () => void;
}) {
  const { wish, lines, going, totals, later, onBegin } = props;
  const wide = useWide();
  const currency = useAttic((s) => s.settings.currency);
  // What it has not told yet may be up already, or be planned: it would go twice.
  const hearing = useCourier((s) => s.connected && !s.caughtUp);
  const count = (says: OutLine['says']) => lines.filter((l) => l.says === says).length;
  const [stopped, asked] = [count('stopped'), count('asked')];
  const cautious = going.filter((l) => l.says === 'cautious').length;
  const isUp = wish === 'list' || wish === 'again';
  const words = [
    `${going.length} ${isUp ? 'go' : 'come down'}`,
    cautious > 0 ? `${cautious} with a caution` : '',
    stopped > 0 ? `${stopped} stopped` : '',
    asked > 0 ? `${asked} being checked…` : '',
    hearing ? 'hearing what is listed already…' : '',
  ].filter(Boolean);
  const verb = !isUp ? 'Withdraw' : later ? 'Schedule' : 'Send';
  return (
    <BottomBar label="In all">
      <View style={wide ? { flexDirection: 'row', alignItems: 'center', gap: 12 } : { gap: 8 }}>
        <Text figures role="status" style={wide ? { flex: 1 } : undefined}>
          {`${words.join(' · ')}. ${isUp ? moneyWords(totals, currency) : ''}`.trim()}
        </Text>
        <Button
          variant={isUp ? 'main' : 'trouble'}
          icon={isUp ? 'send' : undefined}
          disabled={going.length === 0 || hearing}
          onPress={onBegin}
        >
          {`${verb} ${going.length}`}
        </Button>
      </View>
    </BottomBar>
  );
}
