import { useRouter, type Href } from 'expo-router';
import { useMemo } from 'react';
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
import { fillInMany } from '@/store/items/many';

/** How those shown or chosen stand, and the way to what would go out of them. */
export function ToReview(props: {
  cells: readonly MarketCell[];
  totals: CellTotals;
  scope: readonly Item[];
  chosen: number;
}) {
  const { cells, totals, scope, chosen } = props;
  const router = useRouter();
  const review = (to: Href) => {
    fillInMany(scope.map((t) => t.id));
    router.navigate(to);
  };
  const queue = useQueue();
  const jobs = Object.values(queue);
  const moving = jobs.filter((j) => j.state !== 'failed').length;
  const failed = Object.entries(queue).filter(([, j]) => j.state === 'failed');
  const ready = cells.filter((x) => x.deed === 'send' || x.deed === 'again').length;
  const changed = cells.filter((x) => x.deed === 'resend').length;
  const checked = useMemo(() => {
    const known = new Set(cells.flatMap((x) => (x.check ? [x.item] : [])));
    return scope.every((t) => known.has(t.id));
  }, [cells, scope]);
  return (
    <View style={{ gap: 8 }}>
      <Totals totals={totals} chosen={chosen} isChecked={checked} moving={moving} />
      {failed.length > 0 ? (
        <Notice tone="trouble">
          {`${plural(failed.length, 'One could not be sent', `${failed.length} could not be sent`)}: ` +
            `${failed[0]?.[1].why ?? ''}`}
        </Notice>
      ) : null}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center' }}>
        {ready > 0 ? (
          <Button variant="main" icon="send" onPress={() => review('/outgoing?wish=list&of=planned')}>
            {`Review ${ready} to send`}
          </Button>
        ) : null}
        {changed > 0 ? (
          <Button onPress={() => review('/outgoing?wish=revise')}>{`Review ${changed} to change`}</Button>
        ) : null}
        {failed.length > 0 ? <Button onPress={() => tryAgain(failed)}>Try those again</Button> : null}
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

function tryAgain(failed: readonly (readonly [string, QueuedJob])[]): void {
  dropJobs(failed.map(([key]) => key));
  enqueue(failed.map(([, { item, market, action, seen }]) => ({ item, market, action, seen })));
}
