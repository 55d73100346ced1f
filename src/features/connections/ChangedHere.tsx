import { useMemo, useState } from 'react';
import { View } from 'react-native';

import { formatMoney } from '@/core/money/money';
import { Notice } from '@/parts/Notice';
import { Card } from '@/parts/Page';
import { Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import { useCourier } from '@/store/courierLink';
import { useKinds } from '@/store/kinds';
import { changedSince, type Examined } from '@/core/listing/examine';
import { examine, send } from '@/store/sending';
import { wordsFor } from '@/store/faults';
import { nameOf } from '@/store/names';
import type { Thing } from '@/contract/records';

/** Most lines shown at once. */
const FEW = 8;

/** Live listings of a marketplace that no longer say what would be sent now: shown, and sent anew only when asked. */
export function ChangedHere({ market }: { market: string }) {
  const changed = useChanged(market);
  const currency = useAttic((s) => s.settings.currency);
  const [progress, setProgress] = useState<string | null>(null);
  const [troubles, setTroubles] = useState<string[]>([]);
  if (changed.length === 0 && troubles.length === 0) return null;
  const name = changed[0]?.examined.sheet.name ?? '';
  const all = async () => {
    const bad: string[] = [];
    for (const [i, { thing, examined }] of changed.entries()) {
      setProgress(`${i + 1} of ${changed.length}…`);
      await send(thing, examined.sheet).catch((error: unknown) =>
        bad.push(`${nameOf(thing)}: ${wordsFor(error, 'sending')}`),
      );
    }
    setTroubles(bad);
    setProgress(null);
  };
  return (
    <Card label="Live listings this changes">
      <Words kind="heading">
        {changed.length === 1 ? 'One live listing changes' : `${changed.length} live listings change`}
      </Words>
      <Words tone="soft">They stay as they are there until you send them again.</Words>
      <View role="list" style={{ gap: 4 }}>
        {changed.slice(0, FEW).map(({ thing, examined }) => (
          <Words key={thing.id} role="listitem" numberOfLines={1} figures>
            {`${nameOf(thing)}: ${formatMoney(examined.effective.price ?? 0, currency)}${examined.effective.postage ? ` and ${formatMoney(examined.effective.postage, currency)} postage` : ''}`}
          </Words>
        ))}
        {changed.length > FEW ? <Words tone="soft">{`and ${changed.length - FEW} more`}</Words> : null}
      </View>
      {troubles.map((t) => (
        <Notice key={t} tone="trouble">
          {t}
        </Notice>
      ))}
      {changed.length > 0 ? (
        <Press kind="main" icon="send" disabled={progress !== null} onPress={() => void all()}>
          {progress ?? (changed.length === 1 ? `Change it on ${name}` : `Change them on ${name}`)}
        </Press>
      ) : null}
    </Card>
  );
}

function useChanged(market: string): { thing: Thing; examined: Examined }[] {
  const state = useAttic((s) => s);
  const sheet = useCourier((s) => s.sheets.find((x) => x.marketplace === market));
  const views = useCourier((s) => s.things);
  const tree = useKinds();
  return useMemo(() => {
    if (!sheet) return [];
    return Object.values(views).flatMap((view) => {
      const thing = state.things[view.id];
      const listing = view.listings.find((l) => l.market === market && l.state === 'live');
      if (!thing || !listing || view.sale || listing.doing !== null) return [];
      const examined = examine(thing, sheet, { ...state, tree });
      return changedSince(examined, listing.draftPrint) ? [{ thing, examined }] : [];
    });
  }, [state, sheet, views, market, tree]);
}
