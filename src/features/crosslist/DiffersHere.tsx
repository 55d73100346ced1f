import { useMemo } from 'react';
import { View } from 'react-native';

import { planId, type Item } from '@/contract/records';
import { counted } from '@/core/language/plural';
import type { Examined } from '@/core/listing/examine';
import { givenBack, ownHere, withoutOwn, type OwnHere } from '@/core/listing/ownHere';
import { PictureView } from '@/parts/trade/PictureView';
import { Button } from '@/parts/ui/Button';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { examine } from '@/store/courier/sending';
import { editPlan } from '@/store/items/items';
import { kindsNow } from '@/store/items/kinds';

/** The same listing as it would be without anything of its own; null where it says nothing itself. */
function useShared(item: Item, examined: Examined): Examined | null {
  const { plan, sheet } = examined;
  return useMemo(() => {
    if (!plan) return null;
    const { plans, ...around } = useAttic.getState();
    const bare = { ...plans, [planId(item.id, sheet.marketplace)]: withoutOwn(plan) };
    return examine(item, sheet, { ...around, plans: bare, tree: kindsNow() });
  }, [item, sheet, plan]);
}

/** Everything that differs on a marketplace, beside what it stands for, each given back with a press. */
export function DiffersHere({ item, examined }: { item: Item; examined: Examined }) {
  const shared = useShared(item, examined);
  const own = shared ? ownHere(examined, shared) : [];
  if (!shared || own.length === 0) return null;
  const { name } = examined.sheet;
  return (
    <View role="list" aria-label={`Own on ${name}`} style={{ gap: 8 }}>
      {own.map((one) => (
        <View key={one.part} role="listitem" style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
          <View style={{ flex: 1, gap: 2 }}>
            <Text figures numberOfLines={2}>
              <Text variant="small" tone="soft">{`${one.name} `}</Text>
              {hereWords(one)}
            </Text>
            {one.part === 'pictures' ? (
              <Thumbs words="instead of" ids={shared.media.pictures.map((p) => p.id)} />
            ) : (
              <Text variant="small" tone="soft" figures numberOfLines={2}>
                {`instead of ${one.shared === '' ? 'nothing' : one.shared}`}
              </Text>
            )}
          </View>
          <Button
            variant="quiet"
            label={`Give back own ${one.name.toLocaleLowerCase('en')} on ${name}`}
            onPress={() =>
              editPlan(item.id, examined.sheet.marketplace, `${one.name} given back on ${name}`, (now) =>
                givenBack(now, one.part),
              )
            }
          >
            Give back
          </Button>
        </View>
      ))}
    </View>
  );
}

function hereWords({ part, here }: OwnHere): string {
  if (part === 'pictures') return `${counted(Number(here), 'picture')} in an order of its own`;
  return here === '' ? 'nothing' : here;
}

function Thumbs({ words, ids }: { words: string; ids: readonly string[] }) {
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: 4 }}>
      <Text variant="small" tone="soft">
        {words}
      </Text>
      {ids.map((id) => (
        <PictureView key={id} id={id} alt="" style={{ width: 32, height: 32, borderRadius: 4 }} />
      ))}
    </View>
  );
}
