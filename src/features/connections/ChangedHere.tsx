import { useMemo, useState } from 'react';
import { View } from 'react-native';

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

import { ChangedValues, differencesOf } from '../crosslist/ChangedValues';
import { useSentDrafts } from '../crosslist/useSentDrafts';

/** Live listings of a marketplace that no longer say what would be sent now: old and new are shown, and sent only when asked. */
export function ChangedHere({ market }: { market: string }) {
  const changed = useChanged(market);
  const { drafts, trouble } = useSentDrafts(changed.map(({ thing }) => thing.id));
  const [progress, setProgress] = useState<string | null>(null);
  const [troubles, setTroubles] = useState<string[]>([]);
  if (changed.length === 0 && troubles.length === 0) return null;
  const known = changed.filter(({ thing }) => drafts[thing.id]?.[market]);
  const name = changed[0]?.examined.sheet.name ?? '';
  const all = async () => {
    const bad: string[] = [];
    for (const [i, { thing, examined }] of known.entries()) {
      setProgress(`${i + 1} of ${known.length}…`);
      await send(thing, examined.sheet, true).catch((error: unknown) =>
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
      {known.map(({ thing, examined }) => (
        <View key={thing.id} style={{ gap: 4 }}>
          <Words kind="strong">{nameOf(thing)}</Words>
          <ChangedValues
            label={`What changes of ${nameOf(thing)}`}
            values={differencesOf(examined, drafts[thing.id]![market]!)}
          />
        </View>
      ))}
      {trouble ? (
        <Notice tone="trouble">{`What is shown there could not be read: ${trouble}`}</Notice>
      ) : known.length < changed.length ? (
        <Words tone="soft">What is shown there is being read…</Words>
      ) : null}
      {troubles.map((t) => (
        <Notice key={t} tone="trouble">
          {t}
        </Notice>
      ))}
      {known.length > 0 ? (
        <Press kind="main" icon="send" disabled={progress !== null} onPress={() => void all()}>
          {progress ?? (known.length === 1 ? `Change it on ${name}` : `Change them on ${name}`)}
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
