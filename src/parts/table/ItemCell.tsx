import { View } from 'react-native';

import type { Item } from '@/contract/records';
import { PictureView } from '@/parts/trade/PictureView';
import { Text } from '@/parts/ui/Text';
import { nameOf } from '@/store/items/names';

/** Which item a row is: always in sight. */
export function ItemCell({ item }: { item: Item }) {
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8, width: '100%', paddingHorizontal: 6 }}>
      <PictureView id={item.pictureIds[0]} alt="" style={{ width: 36, height: 36 }} />
      <View style={{ flex: 1 }}>
        <Text variant="small" figures numberOfLines={1}>
          {item.code}
        </Text>
        <Text variant="small" tone="soft" numberOfLines={1}>
          {nameOf(item)}
        </Text>
      </View>
    </View>
  );
}
