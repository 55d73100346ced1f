import { Pressable, View } from 'react-native';

import { useColours } from '@/theme/theme';

import { Icon } from './Icon';
import { Words } from './Words';

/** A line that leads on to a page of its own. */
export function LinkRow(props: { words: string; more?: string; label?: string; onPress: () => void }) {
  const c = useColours();
  return (
    <Pressable
      role="link"
      aria-label={props.label ?? props.words}
      onPress={props.onPress}
      style={({ pressed }) => ({
        flexDirection: 'row',
        alignItems: 'center',
        gap: 8,
        minHeight: 52,
        opacity: pressed ? 0.6 : 1,
      })}
    >
      <View style={{ flex: 1, gap: 2 }}>
        <Words kind="strong">{props.words}</Words>
        {props.more ? (
          <Words kind="small" tone="soft" figures>
            {props.more}
          </Words>
        ) : null}
      </View>
      <Icon name="forward" colour={c.soft} size={20} />
    </Pressable>
  );
}
