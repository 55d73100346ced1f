import { useMemo, useState } from 'react';
import { View } from 'react-native';

import type { Item } from '@/contract/records';
import { plural } from '@/core/language/plural';
import type { CellTotals } from '@/core/listing/cells';
import type { MarketCell } from '@/core/listing/twins';
import { formatMoney } from '@/core/money/money';
import { Button } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { dropJobs, enqueue, useQueue, type QueuedJob } from '@/store/courier/sendQueue';
import { useColours, useWide } from '@/theme/theme';

/**
 * What can be done with all that is shown or chosen, with the totals before it is done; stays at the bottom.
 */
export function Deeds(props: {
  cells: readonly MarketCell[];
  totals: CellTotals;
  scope: readonly Item[];
  chosen: number;
  /** Shows what would go out; nothing goes before. */
  onReview: (ready: readonly MarketCell[]) => void;
}) {
  const { cells, totals, scope, chosen, onReview } = props;
  const c = useColours();
  const wide = useWide();
  const queue = useQueue();
  const jobs = Object.values(queue);
  const moving = jobs.filter((j) => j.state !== 'failed').length;
  const failed = Object.entries(queue).filter(([, j]) => j.state === 'failed');
  const ready = cells.filter((x) => x.deed === 'send' || x.deed === 'again' || x.deed === 'resend');
  const live = cells.filter((x) => x.live);
  const checked = useMemo(() => {
    const known = new Set(cells.flatMap((x) => (x.check ? [x.item] : [])));
    return scope.every((t) => known.has(t.id));
  }, [cells, scope]);
  return (
    <View
      role="region"
      aria-label="What to do with them"
      style={{
        borderTopWidth: 1,
        borderColor: c.line,
        backgroundColor: c.surface,
        paddingHorizontal: wide ? 32 : 12,
        paddingVertical: 10,
        gap: 8,
      }}
    >
      <Totals totals={totals} chosen={chosen} isChecked={checked} moving={moving} />
      {failed.length > 0 ? (
        <Notice tone="trouble">
          {`${plural(failed.length, 'One could not be sent', `${failed.length} could not be sent`)}: ` +
            `${failed[0]?.[1].why ?? ''}`}
        </Notice>
      ) : null}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center' }}>
        {ready.length > 0 ? (
          <Button variant="main" icon="send" onPress={() => onReview(ready)}>
            {`Review ${ready.length} to send`}
          </Button>
        ) : null}
        {failed.length > 0 ? <Button onPress={() => tryAgain(failed)}>Try those again</Button> : null}
        {live.length > 0 && chosen > 0 ? <WithdrawAll live={live} /> : null}
      </View>
    </View>
  );
}

function Totals(props: { totals: CellTotals; chosen: number; isChecked: boolean; moving: number }) {
  const { totals, chosen, isChecked, moving } = props;
  const currency = useAttic((s) => s.settings.currency);
  const say = (amount: number) => formatMoney(amount, currency);
  return (
    <Text figures role="status">
      {[
        chosen > 0 ? `${chosen} chosen` : '',
        isChecked ? '' : 'checking…',
        `${totals.ready} ready`,
        totals.toFix > 0 ? `${totals.toFix} to put right` : '',
        `${totals.live} live`,
        moving > 0 ? `${moving} on their way` : '',
      ]
        .filter(Boolean)
        .join(' · ')}
      {totals.ready > 0
        ? '. Take-home ' +
          `${say(totals.takeHomeLeast)}${
            totals.takeHomeMost > totals.takeHomeLeast ? ` to ${say(totals.takeHomeMost)}` : ''
          }, ` +
          `fees up to ${say(totals.fees)}.`
        : ''}
    </Text>
  );
}

/** Asks once more before anything is taken down. */
function WithdrawAll({ live }: { live: readonly MarketCell[] }) {
  const [asking, setAsking] = useState(false);
  if (!asking) return <Button onPress={() => setAsking(true)}>{`Withdraw ${live.length}`}</Button>;
  return (
    <Button
      variant="trouble"
      onPress={() => {
        enqueue(live.map(({ item, market }) => ({ item, market, action: 'withdraw' })));
        setAsking(false);
      }}
    >
      {`Yes, withdraw ${live.length}`}
    </Button>
  );
}

function tryAgain(failed: readonly (readonly [string, QueuedJob])[]): void {
  dropJobs(failed.map(([key]) => key));
  enqueue(failed.map(([, { item, market, action, seen }]) => ({ item, market, action, seen })));
}
