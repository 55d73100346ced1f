import { View } from 'react-native';

import type { Item } from '@/contract/records';
import { OTHER_SHOTS, shotList } from '@/core/picture/shots';
import { PictureView } from '@/parts/trade/PictureView';
import { Text } from '@/parts/ui/Text';
import { useKinds } from '@/store/items/kinds';
import { usePicturesOf } from '@/store/pictures/usePicturesOf';

/** An item's pictures, each with what it is taken to show. */
export function SmallPictures({ item, size }: { item: Item; size: number }) {
  const pictures = usePicturesOf(item);
  const shots = shotList(item, pictures, useKinds());
  const names = new Map([...shots.map(({ id, name }) => [id, name] as const), ...OTHER_SHOTS]);
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }}>
      {pictures.map(({ id, shows }, i) => (
        <View key={id} style={{ width: size }}>
          <PictureView id={id} alt={`Picture ${i + 1}`} style={{ width: size, height: size }} />
          <Text variant="small" tone="soft" numberOfLines={1} style={{ fontSize: 13, textAlign: 'center' }}>
            {names.get(shows) ?? ''}
          </Text>
        </View>
      ))}
    </View>
  );
}
