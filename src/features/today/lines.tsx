import { View } from 'react-native';

import type { Item } from '@/contract/records';
import type { TodayLine } from '@/core/sales/today';
import { PictureView } from '@/parts/trade/PictureView';
import { Text } from '@/parts/ui/Text';
import { Icon } from '@/theme/Icon';
import { useColours } from '@/theme/theme';

/** What a card of one line is given. */
export interface LineProps<S extends TodayLine['sort']> {
  line: Extract<TodayLine, { sort: S }>;
  name: string;
  item: Item | undefined;
}

/** The picture, the name and what it is about. */
export function Head({
  item,
  name,
  what,
  trouble,
}: {
  item: Item | undefined;
  name: string;
  what: string;
  trouble?: boolean;
}) {
  const c = useColours();
  return (
    <View style={{ flexDirection: 'row', gap: 12, alignItems: 'center' }}>
      <PictureView id={item?.pictureIds[0]} alt="" style={{ width: 64, height: 64 }} />
      <View style={{ flex: 1, gap: 2 }}>
        <View style={{ flexDirection: 'row', gap: 6, alignItems: 'center' }}>
          {trouble ? <Icon name="alert" colour={c.brick} size={18} /> : null}
          <Text variant="strong" tone={trouble ? 'trouble' : 'ink'} style={{ flexShrink: 1 }}>
            {what}
          </Text>
        </View>
        <Text numberOfLines={2}>{name}</Text>
      </View>
    </View>
  );
}

export function clock(at: number): string {
  return new Date(at).toLocaleTimeString('en-GB');
}
