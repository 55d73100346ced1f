import { useLocalSearchParams } from 'expo-router';
import { ScrollView, View } from 'react-native';

import type { Item } from '@/contract/records';
import { Page, PageHead } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useExamined } from '@/store/courier/examining';
import { nameOf } from '@/store/items/names';
import { useColours, useWide } from '@/theme/theme';

import { BuyersView } from './BuyersView';

/** An item as buyers see it on every marketplace it is planned for: beside each other where there is room. */
export function SideBySide() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const item = useAttic((s) => s.items[id]);
  if (!item)
    return (
      <Page title="As buyers see it" back="/stock">
        <Text>It is not in this attic.</Text>
      </Page>
    );
  return <Views key={item.id} item={item} />;
}

function Views({ item }: { item: Item }) {
  const c = useColours();
  const wide = useWide();
  const planned = useExamined(item).filter((e) => e.plan?.wanted);
  const views = planned.map((examined) => (
    <View key={examined.sheet.marketplace} style={wide ? { width: 340, gap: 6 } : { gap: 6 }}>
      <Text variant="heading">{examined.sheet.name}</Text>
      <BuyersView item={item} examined={examined} />
    </View>
  ));
  return (
    <ScrollView
      style={{ flex: 1, backgroundColor: c.ground }}
      contentContainerStyle={{ padding: 12, gap: 16 }}
      tabIndex={0}
      role="main"
      aria-label="As buyers see it"
    >
      <PageHead title={`${nameOf(item)}, as buyers see it`} back={`/item/${item.id}`} />
      {views.length === 0 ? <Text tone="soft">It is planned for no marketplace yet.</Text> : null}
      {wide ? (
        <ScrollView
          horizontal
          contentContainerStyle={{ gap: 12, alignItems: 'flex-start' }}
          tabIndex={0}
          aria-label="Marketplaces side by side"
        >
          {views}
        </ScrollView>
      ) : (
        views
      )}
    </ScrollView>
  );
}
