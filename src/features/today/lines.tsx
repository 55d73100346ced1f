import { View } from 'react-native';

import type { Thing } from '@/contract/records';
import type { TodayLine } from '@/core/sales/today';
import { Icon } from '@/parts/Icon';
import { PictureView } from '@/parts/PictureView';
import { Words } from '@/parts/Words';
import { useColours } from '@/theme/theme';

/** What a card of one line is given. */
export interface LineProps<S extends TodayLine['sort']> {
  line: Extract<TodayLine, { sort: S }>;
  name: string;
  thing: Thing | undefined;
}

/** The picture, the name and what it is about. */
export function Head({
  thing,
  name,
  what,
  trouble,
}: {
  thing: Thing | undefined;
  name: string;
  what: string;
  trouble?: boolean;
}) {
  const c = useColours();
  return (
    <View style={{ flexDirection: 'row', gap: 12, alignItems: 'center' }}>
      <PictureView id={thing?.pictureIds[0]} alt="" style={{ width: 64, height: 64 }} />
      <View style={{ flex: 1, gap: 2 }}>
        <View style={{ flexDirection: 'row', gap: 6, alignItems: 'center' }}>
          {trouble ? <Icon name="alert" colour={c.brick} size={18} /> : null}
          <Words kind="strong" tone={trouble ? 'trouble' : 'ink'} style={{ flexShrink: 1 }}>
            {what}
          </Words>
        </View>
        <Words numberOfLines={2}>{name}</Words>
      </View>
    </View>
  );
}

export function clock(at: number): string {
  return new Date(at).toLocaleTimeString('en-GB');
}
