import { useMemo, useState } from 'react';
import { View } from 'react-native';

import type { Item } from '@/contract/records';
import { plural } from '@/core/language/plural';
import { changedSince, type Examined } from '@/core/listing/examine';
import { ChangedValues, differencesOf } from '@/parts/trade/ChangedValues';
import { Button } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { wordsFor } from '@/store/base/faults';
import { useCourier } from '@/store/courier/courierLink';
import { examine, send } from '@/store/courier/sending';
import { useSentDrafts } from '@/store/derived/useSentDrafts';
import { useKinds } from '@/store/items/kinds';
import { nameOf } from '@/store/items/names';

/**
 * Live listings of a marketplace that no longer say what would be sent now: old and new are shown, and sent
 * only when asked.
 */
export function ChangedHere({ market }: { market: string }) {
  const changed = useChanged(market);
  const { drafts, trouble } = useSentDrafts(changed.map(({ item }) => item.id));
  const [progress, setProgress] = useState<string | null>(null);
  const [troubles, setTroubles] = useState<string[]>([]);
  if (changed.length === 0 && troubles.length === 0) return null;
  const known = changed.flatMap(({ item, examined }) => {
    const there = drafts[item.id]?.[market];
    return there ? [{ item, examined, there }] : [];
  });
  const name = changed[0]?.examined.sheet.name ?? '';
  const all = async () => {
    const bad: string[] = [];
    for (const [i, { item, examined }] of known.entries()) {
      setProgress(`${i + 1} of ${known.length}…`);
      await send(item, examined.sheet, true).catch((error: unknown) =>
        bad.push(`${nameOf(item)}: ${wordsFor(error, 'sending')}`),
      );
    }
    setTroubles(bad);
    setProgress(null);
  };
  return (
    <Card label="Live listings this changes">
      <Text variant="heading">
        {plural(changed.length, 'One live listing changes', `${changed.length} live listings change`)}
      </Text>
      <Text tone="soft">They stay as they are there until you send them again.</Text>
      {known.map(({ item, examined, there }) => (
        <View key={item.id} style={{ gap: 4 }}>
          <Text variant="strong">{nameOf(item)}</Text>
          <ChangedValues label={`What changes of ${nameOf(item)}`} values={differencesOf(examined, there)} />
        </View>
      ))}
      {trouble ? (
        <Notice tone="trouble">{`What is shown there could not be read: ${trouble}`}</Notice>
      ) : known.length < changed.length ? (
        <Text tone="soft">What is shown there is being read…</Text>
      ) : null}
      {troubles.map((t) => (
        <Notice key={t} tone="trouble">
          {t}
        </Notice>
      ))}
      {known.length > 0 ? (
        <Button variant="main" icon="send" disabled={progress !== null} onPress={() => void all()}>
          {progress ?? plural(known.length, `Change it on ${name}`, `Change them on ${name}`)}
        </Button>
      ) : null}
    </Card>
  );
}

function useChanged(market: string): { item: Item; examined: Examined }[] {
  const state = useAttic((s) => s);
  const sheet = useCourier((s) => s.sheets.find((x) => x.marketplace === market));
  const views = useCourier((s) => s.items);
  const tree = useKinds();
  return useMemo(() => {
    if (!sheet) return [];
    return Object.values(views).flatMap((view) => {
      const item = state.items[view.id];
      const listing = view.listings.find((l) => l.market === market && l.state === 'live');
      if (!item || !listing || view.sale || listing.doing !== null) return [];
      const examined = examine(item, sheet, { ...state, tree });
      return changedSince(examined, listing.draftHash) ? [{ item, examined }] : [];
    });
  }, [state, sheet, views, market, tree]);
}
