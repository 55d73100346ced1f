import { useMemo, useState } from 'react';
import { View } from 'react-native';

import type { Thing } from '@/contract/records';
import { spreadOver, type Cell, type CellTotals } from '@/core/listing/cells';
import { formatMoney } from '@/core/money/money';
import { Notice } from '@/parts/Notice';
import { Chip, ChipRow, Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import { planTimes } from '@/store/crosslist';
import { dropJobs, enqueue, useQueue } from '@/store/sendQueue';
import { useColours, useWide } from '@/theme/theme';

const HOUR = 3_600_000;
const SPREADS: readonly [string, number][] = [
  ['At once', 0],
  ['Over 2 hours', 2 * HOUR],
  ['Over a day', 24 * HOUR],
];

/** What can be done with all that is shown or chosen, with the totals before it is done; stays at the bottom. */
export function Deeds(props: {
  cells: readonly (Cell & { market: string })[];
  totals: CellTotals;
  scope: readonly Thing[];
  chosen: number;
}) {
  const { cells, totals, scope, chosen } = props;
  const c = useColours();
  const wide = useWide();
  const currency = useAttic((s) => s.settings.currency);
  const queue = useQueue();
  const [spread, setSpread] = useState(0);
  const [asking, setAsking] = useState(false);
  const jobs = Object.values(queue);
  const moving = jobs.filter((j) => j.state !== 'failed').length;
  const failed = Object.entries(queue).filter(([, j]) => j.state === 'failed');
  const ready = cells.filter((x) => x.deed === 'send' || x.deed === 'again' || x.deed === 'resend');
  const live = cells.filter((x) => x.live);
  const checked = useMemo(() => {
    const known = new Set(cells.flatMap((x) => (x.check ? [x.thing] : [])));
    return scope.every((t) => known.has(t.id));
  }, [cells, scope]);
  const sendAll = () => {
    if (spread > 0) {
      const fresh = ready.filter((x) => x.deed !== 'resend');
      planTimes(fresh, spreadOver(fresh.length, Date.now(), spread));
    }
    enqueue(ready.map(({ thing, market }) => ({ thing, market, action: 'send' })));
  };
  const say = (amount: number) => formatMoney(amount, currency);
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
      <Words figures role="status">
        {[
          chosen > 0 ? `${chosen} chosen` : '',
          checked ? '' : 'checking…',
          `${totals.ready} ready`,
          totals.toFix > 0 ? `${totals.toFix} to put right` : '',
          `${totals.live} live`,
          moving > 0 ? `${moving} on their way` : '',
        ]
          .filter(Boolean)
          .join(' · ')}
        {totals.ready > 0
          ? `. Take-home ${say(totals.takeHomeLeast)}${totals.takeHomeMost > totals.takeHomeLeast ? ` to ${say(totals.takeHomeMost)}` : ''}, fees up to ${say(totals.fees)}.`
          : ''}
      </Words>
      {failed.length > 0 ? (
        <Notice tone="trouble">
          {`${failed.length === 1 ? 'One could not be sent' : `${failed.length} could not be sent`}: ${failed[0]?.[1].why ?? ''}`}
        </Notice>
      ) : null}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center' }}>
        {ready.length > 0 ? (
          <Press kind="main" icon="send" onPress={sendAll}>
            {`Send ${ready.length}`}
          </Press>
        ) : null}
        {failed.length > 0 ? (
          <Press
            onPress={() => {
              const again = failed.map(([, { thing, market, action }]) => ({ thing, market, action }));
              dropJobs(failed.map(([key]) => key));
              enqueue(again);
            }}
          >
            Try those again
          </Press>
        ) : null}
        {live.length > 0 && chosen > 0 ? (
          asking ? (
            <Press
              kind="trouble"
              onPress={() => {
                enqueue(live.map(({ thing, market }) => ({ thing, market, action: 'withdraw' })));
                setAsking(false);
              }}
            >
              {`Yes, withdraw ${live.length}`}
            </Press>
          ) : (
            <Press onPress={() => setAsking(true)}>{`Withdraw ${live.length}`}</Press>
          )
        ) : null}
        {ready.length > 1 ? (
          <ChipRow label="When they go">
            {SPREADS.map(([words, over]) => (
              <Chip key={words} on={spread === over} onPress={() => setSpread(over)}>
                {words}
              </Chip>
            ))}
          </ChipRow>
        ) : null}
      </View>
    </View>
  );
}
