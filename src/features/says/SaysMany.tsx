import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';

import type { Item } from '@/contract/records';
import { SavedAside } from '@/parts/trade/SavedAside';
import { TaughtLink } from '@/parts/trade/TaughtLink';
import { Button } from '@/parts/ui/Button';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useMany } from '@/store/items/many';
import { nameOf } from '@/store/items/names';
import { useWide } from '@/theme/theme';

import { ItemSays } from './ItemSays';
import { SaysTable } from './SaysTable';

/** What the pictures of several items say: one after the other, beside a table where there is room. */
export function SaysMany() {
  const wide = useWide();
  const router = useRouter();
  const ids = useMany((s) => s.ids);
  const items = useAttic((s) => s.items);
  const list = useMemo(() => ids.flatMap((id) => items[id] ?? []), [ids, items]);
  const [chosen, setChosen] = useState<string | null>(null);
  const at = Math.max(
    0,
    list.findIndex((t) => t.id === chosen),
  );
  const item = list[at];
  if (!item)
    return (
      <Page title="What the pictures say" back="/intake" aside={<SavedAside />}>
        <Card>
          <Text variant="heading">Nothing is chosen</Text>
          <Text tone="soft">
            Select items in stock, or take pictures of several items in: both lead here.
          </Text>
          <Button onPress={() => router.navigate('/stock')}>Go to stock</Button>
        </Card>
      </Page>
    );
  const next = list[at + 1];
  return (
    <Page title="What the pictures say" maxWidth={1600} back="/intake" aside={<SavedAside />}>
      <View style={wide ? { flexDirection: 'row', gap: 16, alignItems: 'flex-start' } : { gap: 12 }}>
        {wide ? (
          <View style={{ flex: 3, minWidth: 0 }}>
            <SaysTable list={list} current={item.id} onChoose={setChosen} />
          </View>
        ) : null}
        <View style={{ flex: wide ? 2 : undefined, minWidth: 0, gap: 12 }}>
          <Steps list={list} at={at} onChoose={setChosen} />
          <ItemSays key={item.id} item={item} />
          {next ? (
            <Button variant="main" icon="forward" onPress={() => setChosen(next.id)}>
              Next item
            </Button>
          ) : (
            <Button icon="write" onPress={() => router.navigate('/write')}>
              Write for all of them
            </Button>
          )}
        </View>
      </View>
      <TaughtLink />
    </Page>
  );
}

function Steps(props: { list: readonly Item[]; at: number; onChoose: (id: string) => void }) {
  const { list, at, onChoose } = props;
  const item = list[at];
  const to = (by: number) => {
    const there = list[at + by];
    if (there) onChoose(there.id);
  };
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
      <Button disabled={at === 0} label="The item before" icon="back" onPress={() => to(-1)}>
        Back
      </Button>
      <View style={{ flex: 1, minWidth: 0 }}>
        <Text variant="strong" figures role="status">{`${at + 1} of ${list.length}`}</Text>
        <Text variant="small" tone="soft" numberOfLines={1}>
          {item ? [item.code, nameOf(item)].filter((w, i, all) => all.indexOf(w) === i).join(' · ') : ''}
        </Text>
      </View>
      <Button disabled={at + 1 >= list.length} label="The next item" icon="forward" onPress={() => to(1)}>
        Next
      </Button>
    </View>
  );
}
