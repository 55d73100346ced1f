import { useRouter } from 'expo-router';
import { Pressable, View } from 'react-native';

import type { Item } from '@/contract/records';
import { Text } from '@/parts/ui/Text';
import { nameOf } from '@/store/items/names';

import { PictureView } from './PictureView';

/** One item in a short list, leading to its sheet. */
export function ItemLine({ item }: { item: Item }) {
  const router = useRouter();
  return (
    <Pressable
      role="link"
      aria-label={nameOf(item)}
      onPress={() => router.navigate(`/item/${item.id}`)}
      style={{ flexDirection: 'row', gap: 10, alignItems: 'center', minHeight: 52 }}
    >
      <PictureView id={item.pictureIds[0]} alt="" style={{ width: 44, height: 44 }} />
      <View style={{ flex: 1 }}>
        <Text numberOfLines={2}>{nameOf(item)}</Text>
        <Text variant="small" tone="soft" figures>
          {item.code}
        </Text>
      </View>
    </Pressable>
  );
}
