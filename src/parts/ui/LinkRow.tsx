import type { ReactNode } from 'react';
import { Pressable, View } from 'react-native';

import { Icon } from '@/theme/Icon';
import { useColours } from '@/theme/theme';

import { Text } from './Text';

/** A line that leads on to a page of its own. */
export function LinkRow(props: {
  words: string;
  more?: string;
  label?: string;
  /** A picture at its left. */
  before?: ReactNode;
  onPress: () => void;
}) {
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
      {props.before}
      <View style={{ flex: 1, gap: 2 }}>
        <Text variant="strong">{props.words}</Text>
        {props.more ? (
          <Text variant="small" tone="soft" figures>
            {props.more}
          </Text>
        ) : null}
      </View>
      <Icon name="forward" colour={c.soft} size={20} />
    </Pressable>
  );
}
